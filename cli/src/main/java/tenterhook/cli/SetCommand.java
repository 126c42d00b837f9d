package tenterhook.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** Edits fields. */
@Command(name = "set", description = "Sets fields of the tracks found; an empty value removes it.")
final class SetCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @Parameters(index = "1..*", arity = "1..*", paramLabel = "FIELD=VALUE", description = "Edits.")
  List<String> edits;

  @Override
  void run(MusicCollection collection) {
    Map<Field<?>, String> values = new LinkedHashMap<>();
    for (String edit : edits) {
      String[] pair = edit.split("=", 2);
      Field<?> field = Fields.named(pair[0]).orElseThrow(() -> noField(pair[0]));
      if (pair.length < 2 || !field.settable()) {
        throw new IllegalArgumentException(
            "'" + edit + "' does not set a field: write FIELD=VALUE");
      }
      check(field, pair[1]);
      values.put(field, field.type().fromTyped(pair[1]));
    }
    RoaringBitmap found = query.in(collection);
    apply(collection, now -> TrackEdits.set(now.snapshot(), found, values));
  }

  private static void check(Field<?> field, String typed) {
    field
        .type()
        .complaint(typed)
        .ifPresent(
            c -> {
              throw new IllegalArgumentException(field.label() + " '" + typed + "' " + c);
            });
  }

  private static IllegalArgumentException noField(String name) {
    String all =
        String.join(", ", Fields.all().stream().filter(Field::settable).map(Field::key).toList());
    return new IllegalArgumentException("no field '" + name + "'; there are " + all);
  }
}
