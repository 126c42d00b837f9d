package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.pack.Packing;
import tenterhook.adapters.pack.SendingOut;
import tenterhook.adapters.pack.SendingOut.Naming;
import tenterhook.adapters.pack.SendingOut.PlacedCrate;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.job.Progress;

/** Crates that leave the collection, by every way that playlists can name music. */
class SendingOutTest extends CollectionTest {
  private Path stick;

  @BeforeEach
  void crates() {
    stick = folder.resolve("stick");
    Crates crates =
        Crates.NONE
            .plus("Rink", new Crate.HandCrate("Doors", List.of(id("two.wav"), id("one.wav"))))
            .plus("Ferry", new Crate.HandCrate("Late?", List.of(id("three.wav"))))
            .plus("Ferry", new Crate.HandCrate("Late*", List.of(id("one.wav"))))
            .plus("Ferry", new Crate.HandCrate("Empty?", List.of()));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
  }

  private Crate crate(String name) {
    return collection.state().crates().crate(name).orElseThrow();
  }

  private SendingOut.SentReport write(Naming paths, Progress progress, String... names)
      throws Exception {
    Files.createDirectories(stick);
    List<PlacedCrate> crates =
        List.of(names).stream().map(n -> new PlacedCrate(List.of(), crate(n))).toList();
    return SendingOut.write(collection, crates, stick, PlaylistFile.M3U8, paths, progress);
  }

  private List<Path> files(String playlist) throws Exception {
    return PlaylistFile.read(stick.resolve(playlist)).entries().stream()
        .map(Playlist.Entry::file)
        .map(f -> f.orElseThrow().normalize())
        .toList();
  }

  @Test
  void relativeAndAbsolutePlaylistsLeadToTheMusicInTheCratesOrder() throws Exception {
    for (Naming paths : List.of(new Naming.Relative(), new Naming.Absolute())) {
      SendingOut.SentReport report = write(paths, Progress.SILENT, "Doors");
      assertThat(report.tracks()).containsOnlyKeys(stick.resolve("Doors.m3u8")).containsValue(2);
      assertThat(report.copied()).isZero();
      assertThat(files("Doors.m3u8"))
          .containsExactly(music.resolve("Rink/two.wav"), music.resolve("Rink/one.wav"));
      assertThat(Files.readString(stick.resolve("Doors.m3u8")).contains("../Music/Rink/two.wav"))
          .isEqualTo(paths instanceof Naming.Relative);
    }
    assertThat(stick.resolve(SendingOut.MUSIC)).doesNotExist();
  }

  @Test
  void anotherMachineFindsItsOwnPaths() throws Exception {
    write(new Naming.Elsewhere(music, "D:/Music"), Progress.SILENT, "Doors");
    assertThat(stick.resolve("Doors.m3u8"))
        .content()
        .contains("D:/Music/Rink/two.wav")
        .contains("D:/Music/Rink/one.wav")
        .doesNotContain(folder.toString());
  }

  @Test
  void musicGoesAlongOnceAndAnEmptyCrateIsAnEmptyList() throws Exception {
    SendingOut.SentReport report = write(new Naming.Copied(), Progress.SILENT, "Doors", "Empty?");
    assertThat(report.copied()).isEqualTo(2);
    assertThat(report.refused()).isEmpty();
    assertThat(report.tracks())
        .containsEntry(stick.resolve("Doors.m3u8"), 2)
        .containsEntry(stick.resolve("Empty_.m3u8"), 0);
    Path copies = stick.resolve(SendingOut.MUSIC);
    assertThat(files("Doors.m3u8"))
        .containsExactly(copies.resolve("two.wav"), copies.resolve("one.wav"));
    assertThat(copies.resolve("two.wav")).hasSameBinaryContentAs(music.resolve("Rink/two.wav"));
    SendingOut.SentReport again = write(new Naming.Copied(), Progress.SILENT, "Doors");
    assertThat(again.copied()).isZero();
    assertThat(again.there()).isEqualTo(2);
  }

  @Test
  void twoNamesThatAnotherSystemTakesForOneStayTwo() throws Exception {
    SendingOut.SentReport report = write(new Naming.Relative(), Progress.SILENT, "Late?", "Late*");
    assertThat(report.tracks()).hasSize(2);
    assertThat(files("Late_.m3u8")).containsExactly(music.resolve("Ferry/three.wav"));
    assertThat(files("Late_ 2.m3u8")).containsExactly(music.resolve("Rink/one.wav"));
  }

  @Test
  void lostTracksAreLeftOut() throws Exception {
    Files.delete(music.resolve("Rink/two.wav"));
    collection.scan(music, Progress.SILENT);
    assertThat(write(new Naming.Copied(), Progress.SILENT, "Doors").tracks()).containsValue(1);
    assertThat(files("Doors.m3u8"))
        .containsExactly(stick.resolve(SendingOut.MUSIC).resolve("one.wav"));
  }

  @Test
  void aCopyThatIsRefusedIsNotInItsList() throws Exception {
    // gone since the last scan, so the collection does not know yet that it is lost
    Files.delete(music.resolve("Rink/two.wav"));
    SendingOut.SentReport report = write(new Naming.Copied(), Progress.SILENT, "Doors");
    assertThat(report.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.path()).endsWith("two.wav"));
    assertThat(report.tracks()).containsValue(1);
    assertThat(files("Doors.m3u8"))
        .containsExactly(stick.resolve(SendingOut.MUSIC).resolve("one.wav"));
  }

  @Test
  void whenStoppedNoPlaylistIsWrittenThatWouldNameWhatIsNotThere() throws Exception {
    SendingOut.SentReport report = write(new Naming.Copied(), stopsAtOnce(), "Doors");
    assertThat(report.stopped()).isTrue();
    assertThat(report.tracks()).isEmpty();
    assertThat(stick.resolve("Doors.m3u8")).doesNotExist();
    assertThat(write(new Naming.Copied(), Progress.SILENT, "Doors").tracks()).containsValue(2);
    assertThat(stick.resolve(SendingOut.MUSIC).resolve(Packing.SUMS)).exists();
  }

  private static Progress stopsAtOnce() {
    return new Progress() {
      @Override
      public void at(long done, long total, String words) {}

      @Override
      public boolean stopped() {
        return true;
      }
    };
  }

  @Test
  void shelvesInAShelfBecomeFolders() throws Exception {
    Files.createDirectories(stick);
    Crates crates =
        Crates.NONE
            .plus("Night", new Crate.HandCrate("First", List.of(id("one.wav"))))
            .plus("Night/Music", new Crate.HandCrate("Second", List.of(id("two.wav"))))
            .plus("Night/Music/Peak?", new Crate.HandCrate("Third", List.of(id("one.wav"))))
            .plus("Night/Music/Peak*", new Crate.HandCrate("Fourth", List.of(id("three.wav"))));
    List<PlacedCrate> all = PlacedCrate.of(crates.shelf("Night").orElseThrow().shelf());
    for (Naming paths : List.of(new Naming.Relative(), new Naming.Copied())) {
      SendingOut.SentReport report =
          SendingOut.write(collection, all, stick, PlaylistFile.M3U8, paths, Progress.SILENT);
      assertThat(report.tracks().keySet())
          .extracting(f -> stick.relativize(f).toString())
          .containsExactlyInAnyOrder(
              "First.m3u8",
              "Music 2/Second.m3u8",
              "Music 2/Peak_/Third.m3u8",
              "Music 2/Peak_ 2/Fourth.m3u8");
      for (Path file : report.tracks().keySet()) {
        assertThat(PlaylistFile.read(file).entries())
            .singleElement()
            .satisfies(e -> assertThat(e.file().orElseThrow().normalize()).isRegularFile());
      }
    }
  }
}
