package tenterhook.core.catalogue;

import java.util.LinkedHashMap;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * A recording as a catalogue knows it.
 *
 * @param id the catalogue's own name of the recording
 * @param artist who plays
 * @param title with the version in brackets
 * @param album the release it is on, empty for none
 * @param year of the recording, 0 when not known
 * @param genre empty when not known
 * @param track its number on the album, 0 when not known
 * @param trackTotal how many tracks the album has, 0 when not known
 * @param seconds its length, 0 when not known
 * @param artwork where its cover is, as its catalogue understands it; empty for none
 */
public record CatalogueEntry(
    String id,
    String artist,
    String title,
    String album,
    int year,
    String genre,
    int track,
    int trackTotal,
    double seconds,
    String artwork) {
  /** Checks the values. */
  public CatalogueEntry {
    if (id.isBlank() || year < 0 || track < 0 || trackTotal < 0 || !(seconds >= 0)) {
      throw new IllegalArgumentException(
          "an entry needs an id and numbers from 0: " + id + ", " + year + ", " + seconds);
    }
  }

  /** An entry without a cover. */
  public CatalogueEntry(
      String id,
      String artist,
      String title,
      String album,
      int year,
      String genre,
      int track,
      int trackTotal,
      double seconds) {
    this(id, artist, title, album, year, genre, track, trackTotal, seconds, "");
  }

  /** The same entry with its cover elsewhere. */
  public CatalogueEntry withArtwork(String where) {
    return new CatalogueEntry(
        id, artist, title, album, year, genre, track, trackTotal, seconds, where);
  }

  /** What it says of each field, as raw values; what it does not know is left out. */
  public Map<Field<?>, String> values() {
    Map<Field<?>, String> values = new LinkedHashMap<>();
    put(values, Fields.ARTIST, artist);
    put(values, Fields.TITLE, title);
    put(values, Fields.ALBUM, album);
    put(values, Fields.YEAR, year == 0 ? "" : String.valueOf(year));
    put(values, Fields.GENRE, genre);
    put(values, Fields.TRACK, track == 0 ? "" : String.valueOf(track));
    put(values, Fields.TRACK_TOTAL, trackTotal == 0 ? "" : String.valueOf(trackTotal));
    return values;
  }

  private static void put(Map<Field<?>, String> values, Field<?> field, String value) {
    if (!value.isEmpty()) {
      values.put(field, value);
    }
  }
}
