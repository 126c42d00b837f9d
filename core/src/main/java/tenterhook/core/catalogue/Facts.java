package tenterhook.core.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.text.JunkText;
import tenterhook.core.text.Versions;
import tenterhook.core.track.Snapshot;

/**
 * What is known of a track when it is looked up. Unknown texts are empty, unknown numbers 0.
 *
 * @param artist who plays
 * @param title with its version
 * @param album the release
 * @param year of the recording
 * @param track number on the release
 * @param seconds length
 */
public record Facts(
    String artist, String title, String album, int year, int track, double seconds) {
  /** What a collection knows of a track; where names are holes the file's name helps out. */
  public static Facts of(Snapshot snapshot, int id) {
    String artist = snapshot.shown(id, Fields.ARTIST);
    String title = snapshot.raw(id, Fields.TITLE);
    if (artist.isBlank() || title.isBlank()) {
      String name = title.isBlank() ? fileName(snapshot, id) : title;
      String[] parts = name.split("\\s+[-–—]\\s+", 2);
      boolean both = parts.length == 2 && !parts[0].isBlank() && !Versions.tells(parts[1]);
      artist = artist.isBlank() && both ? parts[0] : artist;
      title = both ? parts[1] : name;
    }
    return new Facts(
        artist,
        JunkText.cleaned(title, JunkText.USUAL, new ArrayList<>()),
        snapshot.raw(id, Fields.ALBUM),
        snapshot.value(id, Fields.YEAR).orElse(0),
        snapshot.value(id, Fields.TRACK).orElse(0),
        snapshot.value(id, Fields.DURATION).orElse(0.0));
  }

  private static String fileName(Snapshot snapshot, int id) {
    String name = snapshot.fileName(id);
    int dot = name.lastIndexOf('.');
    return (dot > 0 ? name.substring(0, dot) : name)
        .replace('_', ' ')
        .replaceFirst("^\\d{1,3}[\\s.-]+", "");
  }

  /** The words to ask a catalogue with: those of the title without versions, and of the artist. */
  public List<String> words() {
    List<String> words = new ArrayList<>();
    String text = Fold.fold(Versions.base(title) + " " + artist);
    Arrays.stream(text.split("[^\\p{L}\\p{N}\\p{M}]+"))
        .filter(w -> !w.isEmpty() && !words.contains(w))
        .forEach(words::add);
    return words;
  }
}
