package tenterhook.core.repair.inspect;

import java.util.List;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.text.Versions;
import tenterhook.core.track.Snapshot;

/** The names that a track has, and the keys under which spellings are one name. */
public final class NameKeys {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  /** Keys of genres as they are written in short, and of the same in full. */
  private static final Map<String, String> SHORT_GENRES =
      Map.of(
          "dnb", "drumandbass",
          "dandb", "drumandbass",
          "drumnbass", "drumandbass",
          "drumbass", "drumandbass",
          "rnb", "randb",
          "rocknroll", "rockandroll",
          "hiphoprap", "hiphop");

  private NameKeys() {}

  /** A track's values of a field, one or several; none when it is blank. */
  public static List<String> values(Snapshot snapshot, int id, Field<?> field) {
    String raw = snapshot.raw(id, field);
    return raw.isBlank()
        ? List.of()
        : raw.indexOf(FieldType.SEPARATOR) < 0 ? List.of(raw) : List.of(raw.split(SEPARATOR));
  }

  /** The key under which spellings of a field are one name. */
  public static String key(Field<?> field, String value) {
    if (field == Fields.GENRE) {
      String key = NameKey.of(value);
      return SHORT_GENRES.getOrDefault(key, key);
    }
    return field == Fields.ALBUM ? NameKey.plain(value) : NameKey.of(value);
  }

  /** The key of a song: its artist and its title without versions. */
  public static String song(String artist, String title) {
    return NameKey.of(artist) + "\n" + NameKey.of(Versions.base(title));
  }
}
