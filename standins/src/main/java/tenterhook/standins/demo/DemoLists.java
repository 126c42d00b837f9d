package tenterhook.standins.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.Playlist.Entry;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.field.Fields;

/**
 * What else lies in the demo's folders: playlists, of which one will not survive the mishaps, set
 * lists of two nights, and a folder that nobody filled.
 */
final class DemoLists {
  /** Points to files that move or go. */
  static final String OLD = "Playlists/Skate night 2019.m3u8";

  /** A night, with two lines that nobody knows. */
  static final String NIGHT = "Set lists/2026-03-07 Coldharbour Rink.csv";

  private static final int EVERY = 9;

  private DemoLists() {}

  static void write(Path folder, List<DemoTrack> plan) throws IOException {
    List<Entry> old = new ArrayList<>();
    List<Entry> whole = new ArrayList<>();
    List<Entry> night = new ArrayList<>();
    sort(folder, plan, old, whole, night);
    old.addAll(whole.subList(0, Math.min(3, whole.size())));
    lists(folder, old, whole);
    night.add(new Entry(Optional.empty(), "Guest of the night", "Encore", "", -1));
    night.add(new Entry(Optional.empty(), "", "test tone 400 Hz", "", -1));
    write(folder.resolve(NIGHT), "Coldharbour Rink", Optional.of(LocalDate.of(2026, 3, 7)), night);
    Files.createDirectories(folder.resolve("Inbox/From the stick"));
  }

  private static void sort(
      Path folder, List<DemoTrack> plan, List<Entry> old, List<Entry> whole, List<Entry> night) {
    for (int i = 0; i < plan.size(); i++) {
      DemoTrack track = plan.get(i);
      Entry entry = entry(folder, track);
      if (!track.movesTo.isEmpty() || track.deleted) {
        if (old.size() < 2 * EVERY) {
          old.add(entry);
        }
      } else if (i % EVERY == 0) {
        (whole.size() < EVERY ? whole : night).add(entry);
      }
    }
  }

  private static void lists(Path folder, List<Entry> old, List<Entry> whole) throws IOException {
    write(folder.resolve(OLD), "Skate night 2019", Optional.empty(), old);
    write(
        folder.resolve("Playlists/Lantern parade.xspf"), "Lantern parade", Optional.empty(), whole);
    write(
        folder.resolve("Set lists/2026-02-28 Night ferry.m3u8"),
        "Night ferry",
        Optional.empty(),
        whole);
  }

  private static Entry entry(Path folder, DemoTrack track) {
    return new Entry(
        Optional.of(folder.resolve(track.path)),
        track.tag(Fields.ARTIST),
        track.tag(Fields.TITLE),
        "",
        -1);
  }

  private static void write(Path file, String title, Optional<LocalDate> night, List<Entry> entries)
      throws IOException {
    PlaylistFile.of(file)
        .orElseThrow()
        .write(file, new Playlist(title, night, entries), PlaylistFile.Paths.from(file));
  }
}
