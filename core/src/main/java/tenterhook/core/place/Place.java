package tenterhook.core.place;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;

/**
 * A folder, with all below it.
 *
 * @param root the name of its root
 * @param path below the root, with {@code /} between folders; empty for the root itself
 */
public record Place(String root, String path) {
  /** The last part of its path, or the name of the root. */
  public String name() {
    return path.isEmpty() ? root : path.substring(path.lastIndexOf('/') + 1);
  }

  /** Root and path. */
  public String whole() {
    return path.isEmpty() ? root : root + "/" + path;
  }

  /** How its tracks are asked for. */
  public Query query() {
    Query inRoot = is(Fields.ROOT, root);
    return path.isEmpty() ? inRoot : new Query.And(List.of(inRoot, is(Fields.FOLDER, path)));
  }

  private static Query is(Field<?> field, String value) {
    return new Query.Term(
        new Condition(field.key(), new Condition.AnyOf(List.of(new Condition.Whole(value)))));
  }

  /** As text, a line each, that {@link #read} reads. */
  public static String write(List<Place> places) {
    return places.stream().map(p -> p.root + "\t" + p.path).collect(Collectors.joining("\n"));
  }

  /** Reads what {@link #write} wrote; lines of another form are left out. */
  public static List<Place> read(String text) {
    return Arrays.stream(text.split("\n"))
        .map(line -> line.split("\t", -1))
        .filter(parts -> parts.length == 2 && !parts[0].isBlank())
        .map(parts -> new Place(parts[0], parts[1]))
        .distinct()
        .collect(Collectors.toCollection(ArrayList::new));
  }
}
