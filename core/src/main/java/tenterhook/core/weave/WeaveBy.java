package tenterhook.core.weave;

import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/** What the rows of the Weave are. */
public enum WeaveBy {
  /** The folder that the file is in. */
  FOLDER,
  /** The first genre. */
  GENRE,
  /** The decade of the year. */
  DECADE,
  /** The arrival batch. */
  ARRIVED,
  /** The first letter of the artist. */
  ARTIST;

  private static final String NONE = "none";

  /**
   * The rows of tracks; what row a value belongs to is decided once per value.
   *
   * @param snapshot the collection
   * @return gives the name of a track's row; {@code none} where the attribute is a hole
   */
  public IntFunction<String> groups(Snapshot snapshot) {
    return switch (this) {
      case FOLDER -> {
        IntFunction<String> folders = byValue(snapshot, Fields.FOLDER, folder -> folder);
        yield id ->
            snapshot.isBlank(id, Fields.FOLDER) ? snapshot.raw(id, Fields.ROOT) : folders.apply(id);
      }
      case GENRE -> byValue(snapshot, Fields.GENRE, parsed(Fields.GENRE, List::getFirst));
      case DECADE -> byValue(snapshot, Fields.YEAR, parsed(Fields.YEAR, y -> y / 10 * 10 + "s"));
      case ARRIVED -> byValue(snapshot, Fields.ARRIVAL, text -> text.isEmpty() ? NONE : text);
      case ARTIST -> byValue(snapshot, Fields.ARTIST, parsed(Fields.ARTIST, WeaveBy::initial));
    };
  }

  private static <T> Function<String, String> parsed(Field<T> field, Function<T, String> group) {
    return raw -> field.type().parse(raw).map(group).orElse(NONE);
  }

  private static IntFunction<String> byValue(
      Snapshot snapshot, Field<?> field, Function<String, String> group) {
    Column column = snapshot.column(field);
    @Nullable String[] known = new String[column.dictionary().size()];
    return id -> {
      int number = column.number(id);
      String name = known[number];
      if (name == null) {
        name = group.apply(column.dictionary().text(number));
        known[number] = name;
      }
      return name;
    };
  }

  private static String initial(String artist) {
    String name = artist.strip();
    return name.substring(0, name.offsetByCodePoints(0, 1)).toUpperCase(Locale.ROOT);
  }
}
