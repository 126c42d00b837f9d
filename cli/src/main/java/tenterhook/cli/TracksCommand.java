package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.lang3.StringUtils;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.playlist.CsvCells;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Lists tracks. */
@Command(name = "tracks", description = "Lists the tracks that a query finds (docs/find.md).")
final class TracksCommand extends CollectionCommand {
  @Mixin QueryOption query = new QueryOption();

  @Option(names = "--csv", description = "As a table with a line of headings (RFC 4180).")
  boolean csv;

  @Override
  void run(MusicCollection collection) throws IOException {
    RoaringBitmap found = query.in(collection);
    if (csv) {
      table(collection, found);
      return;
    }
    Snapshot snapshot = tracks(collection);
    found.forEach((int id) -> say(node(collection, id), id + "  " + snapshot.name(id)));
  }

  private void table(MusicCollection collection, RoaringBitmap found) throws IOException {
    CSVPrinter table = new CSVPrinter(main.out, CSVFormat.RFC4180);
    Snapshot snapshot = tracks(collection);
    List<Field<?>> fields = fields();
    table.print("path");
    table.printRecord(fields.stream().map(TracksCommand::name));
    for (int id : found) {
      table.print(CsvCells.write(path(collection, id)));
      table.printRecord(fields.stream().map(f -> CsvCells.write(cell(snapshot, id, f))));
    }
  }

  private static String cell(Snapshot snapshot, int id, Field<?> field) {
    String raw = snapshot.raw(id, field);
    return field.type().shape() == FieldType.Shape.NUMBER ? raw : field.type().show(raw);
  }

  /** All that a track may show, but for the path, which is told as the disk knows it. */
  private static List<Field<?>> fields() {
    return Fields.offered().stream().filter(f -> f != Fields.PATH && f != Fields.STATE).toList();
  }

  /** A field's name with the unit of its numbers, such as {@code bitrateKbps}. */
  private static String name(Field<?> field) {
    return field.key() + StringUtils.capitalize(field.unit());
  }

  /** A track as one JSON object; holes are empty text, empty lists, false or null. */
  static ObjectNode node(MusicCollection collection, int id) {
    Snapshot snapshot = collection.state().snapshot();
    ObjectNode node = object().put("id", id).put("path", path(collection, id));
    node.put("state", snapshot.lost(id) ? "lost" : "present");
    fields().forEach(f -> value(node, name(f), f, snapshot.raw(id, f)));
    node.put("plays", snapshot.value(id, Fields.PLAYS).orElse(0));
    return node;
  }

  private static <T> void value(ObjectNode node, String name, Field<T> field, String raw) {
    Optional<T> value = field.type().parse(raw);
    switch (field.type().shape()) {
      case TEXT, DATE -> node.put(name, raw);
      case FLAG -> node.put(name, value.isPresent());
      case LIST, NUMBER -> node.set(name, JSON.valueToTree(value.orElse(null)));
      case PICTURE -> artwork(node, raw);
    }
    if (field.type().shape() == FieldType.Shape.LIST && value.isEmpty()) {
      node.putArray(name);
    }
  }

  private static void artwork(ObjectNode node, String raw) {
    Optional<Artwork> artwork = Artwork.parse(raw);
    if (artwork.isEmpty()) {
      node.putNull("artwork");
      return;
    }
    ObjectNode art = node.putObject("artwork");
    art.put("width", artwork.get().width()).put("height", artwork.get().height());
    art.put("bytes", artwork.get().bytes());
  }
}
