package tenterhook.core.weave;

import java.util.Locale;
import java.util.Optional;
import tenterhook.core.field.Fields;
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

  /**
   * The row of a track.
   *
   * @param snapshot the collection
   * @param id the track
   * @return the row's name; {@code none} where the attribute is a hole
   */
  public String group(Snapshot snapshot, int id) {
    return switch (this) {
      case FOLDER -> or(snapshot.raw(id, Fields.FOLDER), snapshot.raw(id, Fields.ROOT));
      case GENRE -> snapshot.value(id, Fields.GENRE).map(g -> g.getFirst()).orElse("none");
      case DECADE -> snapshot.value(id, Fields.YEAR).map(y -> y / 10 * 10 + "s").orElse("none");
      case ARRIVED -> or(snapshot.raw(id, Fields.ARRIVAL), "none");
      case ARTIST -> initial(snapshot.value(id, Fields.ARTIST));
    };
  }

  private static String or(String text, String other) {
    return text.isEmpty() ? other : text;
  }

  private static String initial(Optional<String> artist) {
    return artist
        .map(String::strip)
        .map(a -> a.substring(0, a.offsetByCodePoints(0, 1)).toUpperCase(Locale.ROOT))
        .orElse("none");
  }
}
