package tenterhook.core.arrival;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.text.PortableNames;
import tenterhook.core.track.Snapshot;

/**
 * Where a file should lie below a root, told by its tags, such as {@code {genre}/{artist} -
 * {title}}. The file's ending stays. Never a place that is taken: a number is added instead.
 */
public final class PathPattern {
  /** What is offered first. */
  public static final String USUAL = "{genre}/{artist} - {title}";

  private static final Pattern PLACE = Pattern.compile("\\{(\\w+)\\}");
  private final String text;
  private final List<Field<?>> fields;

  private PathPattern(String text, List<Field<?>> fields) {
    this.text = text;
    this.fields = fields;
  }

  /**
   * Reads a pattern.
   *
   * @param text folders separated by strokes, fields in braces
   * @throws IllegalArgumentException when it names no field, an unknown one, or leaves the root
   */
  public static PathPattern of(String text) {
    List<Field<?>> fields = new ArrayList<>();
    Matcher place = PLACE.matcher(text);
    while (place.find()) {
      String name = place.group(1);
      fields.add(
          Fields.named(name)
              .orElseThrow(() -> new IllegalArgumentException("there is no field {" + name + "}")));
    }
    if (!fields.contains(Fields.TITLE)) {
      throw new IllegalArgumentException("the pattern must hold {title}, or files would be alike");
    }
    if (text.startsWith("/") || text.contains("..") || text.endsWith("/")) {
      throw new IllegalArgumentException("the pattern must stay below the root: " + text);
    }
    return new PathPattern(text, List.copyOf(fields));
  }

  /**
   * The path of a track below the root; a hole stands there as {@code no artist}.
   *
   * @return parts separated by strokes, with the file's own ending
   */
  public String pathOf(Snapshot snapshot, int id) {
    String[] parts = text.split("/");
    List<String> made = new ArrayList<>();
    for (String part : parts) {
      made.add(PortableNames.safe(filled(part, snapshot, id).replaceAll("\\s+", " ")));
    }
    String name = snapshot.fileName(id);
    int dot = name.lastIndexOf('.');
    String ending = dot > 0 ? name.substring(dot).toLowerCase(Locale.ROOT) : "";
    return String.join("/", made) + ending;
  }

  private String filled(String part, Snapshot snapshot, int id) {
    Matcher place = PLACE.matcher(part);
    return place.replaceAll(m -> Matcher.quoteReplacement(value(m.group(1), snapshot, id)));
  }

  private String value(String name, Snapshot snapshot, int id) {
    Field<?> field = fields.stream().filter(f -> Fields.of(name) == f).findFirst().orElseThrow();
    String[] several = snapshot.raw(id, field).split(String.valueOf(FieldType.SEPARATOR));
    if (several.length == 0 || field.isHole(several[0])) {
      return field == Fields.TITLE ? base(snapshot.fileName(id)) : "no " + field.label();
    }
    String shown = field.type().show(several[0]);
    return field == Fields.TRACK && shown.length() == 1 ? "0" + shown : shown;
  }

  private static String base(String name) {
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  /**
   * The change that moves files to where the pattern says. A file that lies there already stays.
   *
   * @param snapshot the collection
   * @param ids the tracks to move; lost ones are left out
   * @param root name of the root to move them under
   * @param taken whether a file lies at a place on the disk
   */
  public Change moves(Snapshot snapshot, RoaringBitmap ids, String root, Predicate<Place> taken) {
    Set<String> used = new HashSet<>();
    snapshot.tracks().forEach((int id) -> used.add(key(TrackEdits.place(snapshot, id))));
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          Place from = TrackEdits.place(snapshot, id);
          if (!snapshot.lost(id) && !key(from).equals(key(new Place(root, pathOf(snapshot, id))))) {
            Place to = free(pathOf(snapshot, id), root, used, taken);
            used.add(key(to));
            edits.add(new Edit.MoveFile(id, from, to));
          }
        });
    return new Change("moves " + TrackEdits.tracks(edits) + " into place", true, edits);
  }

  private static Place free(String path, String root, Set<String> used, Predicate<Place> taken) {
    int dot = path.lastIndexOf('.');
    int cut = dot > path.lastIndexOf('/') ? dot : path.length();
    Place place = new Place(root, path);
    for (int i = 2; used.contains(key(place)) || taken.test(place); i++) {
      place = new Place(root, path.substring(0, cut) + " (" + i + ")" + path.substring(cut));
    }
    return place;
  }

  /** Disks that do not tell capitals apart must not lose a file by it. */
  private static String key(Place place) {
    return place.root() + "/" + place.path().toLowerCase(Locale.ROOT);
  }

  @Override
  public String toString() {
    return text;
  }
}
