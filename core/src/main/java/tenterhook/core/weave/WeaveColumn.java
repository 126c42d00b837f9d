package tenterhook.core.weave;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.function.IntPredicate;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Column;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;

/**
 * One attribute that the Weave counts.
 *
 * @param key name on the command line: a field's key, {@code present}, or a facet's name
 * @param label its head
 * @param group the head above several
 * @param facet whether it counts a facet of the codebook
 */
public record WeaveColumn(String key, String label, String group, boolean facet) {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  /** The key of the column that counts lost files. */
  public static final String PRESENT = "present";

  /** All columns for a codebook: the file, the woven fields, then the demanded facets. */
  public static List<WeaveColumn> all(Codebook codebook) {
    List<WeaveColumn> columns = new ArrayList<>();
    columns.add(new WeaveColumn(PRESENT, "file", "File", false));
    for (Field<?> field : Fields.all()) {
      field
          .weaveGroup()
          .ifPresent(g -> columns.add(new WeaveColumn(field.key(), field.label(), g, false)));
    }
    for (Facet facet : codebook.facets()) {
      if (facet.demanded()) {
        columns.add(
            new WeaveColumn(facet.name(), facet.name().toLowerCase(Locale.ROOT), "Codes", true));
      }
    }
    return columns;
  }

  /**
   * A test for holes; decides every distinct value once.
   *
   * @param snapshot the collection it is for
   * @param codebook the legend it is for
   * @return true for a track that has a hole in this column; other items only lack their file
   * @throws java.util.NoSuchElementException when the codebook has no such facet
   * @throws IllegalArgumentException when no field has the key
   */
  public IntPredicate holes(Snapshot snapshot, Codebook codebook) {
    if (key.equals(PRESENT)) {
      return snapshot::lost;
    }
    IntPredicate others = ItemKind.others(snapshot);
    IntPredicate hole = missing(snapshot, codebook);
    return id -> hole.test(id) && !others.test(id);
  }

  private IntPredicate missing(Snapshot snapshot, Codebook codebook) {
    if (facet) {
      Facet wanted = codebook.facet(key).orElseThrow();
      return byValue(
          snapshot.column(Fields.CODES),
          text -> Arrays.stream(text.split(SEPARATOR)).noneMatch(c -> wanted.code(c).isPresent()));
    }
    Field<?> field = Fields.of(key);
    Column column = snapshot.column(field);
    BitSet holes = column.dictionary().holes(field);
    return id -> holes.get(column.number(id));
  }

  private static IntPredicate byValue(Column column, java.util.function.Predicate<String> hole) {
    byte[] known = new byte[column.dictionary().size()];
    return id -> {
      int number = column.number(id);
      if (known[number] == 0) {
        known[number] = (byte) (hole.test(column.dictionary().text(number)) ? 1 : 2);
      }
      return known[number] == 1;
    };
  }
}
