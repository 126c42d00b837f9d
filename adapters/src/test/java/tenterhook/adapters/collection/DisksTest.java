package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.execution.EmptyFolders;
import tenterhook.adapters.lost.DiskReport;
import tenterhook.adapters.playlist.Playlist.Entry;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.Wishes;

class DisksTest extends CollectionTest {
  private FileAvailability look() {
    return collection.disks().availability(Progress.SILENT);
  }

  @Test
  void filesThatAreGoneBackOrChangedAreTold() throws Exception {
    Path one = collection.state().path(id("one.wav"));
    Path aside = Files.move(one, folder.resolve("aside.wav"));
    Path two = collection.state().path(id("two.wav"));
    TagFiles.write(two, Map.of(Fields.ALBUM, "Elsewhere"), sha -> new byte[0]);
    FileAvailability seen = look();
    assertThat(seen.away()).isEmpty();
    assertThat(seen.gone().toArray()).containsExactly(id("one.wav"));
    assertThat(seen.changed().toArray()).containsExactly(id("two.wav"));
    assertThat(now().lost(id("one.wav"))).isTrue();
    assertThat(collection.disks().readAgain(seen.changed(), Progress.SILENT)).isEqualTo(1);
    assertThat(now().raw(id("two.wav"), Fields.ALBUM)).isEqualTo("Elsewhere");
    FileTime time = Files.getLastModifiedTime(aside);
    Files.move(aside, one);
    Files.setLastModifiedTime(one, time);
    FileAvailability again = look();
    assertThat(again.back().toArray()).containsExactly(id("one.wav"));
    assertThat(again.gone().isEmpty() && again.changed().isEmpty()).isTrue();
    assertThat(LostFinder.lost(now()).isEmpty()).isTrue();
  }

  @Test
  void aDiskThatIsNotThereIsOneLineAndNoLoss() throws Exception {
    Files.move(music, folder.resolve("unplugged"));
    assertThat(look().away())
        .singleElement()
        .satisfies(a -> assertThat(a.tracks()).isEqualTo(3))
        .satisfies(a -> assertThat(a.root()).isEqualTo("Music"));
    assertThat(LostFinder.lost(now()).isEmpty()).isTrue();
    Files.createDirectories(music); // the empty folder where a disk would be
    assertThat(look().away()).hasSize(1);
    assertThatThrownBy(() -> collection.scan(music, Progress.SILENT))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("No track was counted as lost");
    assertThat(LostFinder.lost(now()).isEmpty()).isTrue();
    collection.disks().countAsLost("Music");
    assertThat(LostFinder.lost(now()).getCardinality()).isEqualTo(3);
    RootRelocation found =
        RootRelocation.of(
            collection.state(), "Music", folder.resolve("unplugged"), Progress.SILENT);
    assertThat(found.certain()).isTrue();
    collection.apply(found.change(), Progress.SILENT);
    assertThat(look().back().getCardinality()).isEqualTo(3);
    assertThat(look().away()).isEmpty();
    reopen();
    assertThat(collection.state().path(id("one.wav"))).exists();
  }

  @Test
  void wishesAreOutOfTheCollectionAndComeBack() throws Exception {
    Files.delete(collection.state().path(id("one.wav")));
    look();
    int one = id("one.wav");
    var done = collection.apply(Wishes.add(now(), now().tracks()), Progress.SILENT);
    assertThat(done.title()).isEqualTo("keeps 1 lost track as wishes");
    assertThat(Wishes.of(now()).toArray()).containsExactly(one);
    assertThat(now().tracks().contains(one)).isFalse();
    Path list = folder.resolve("wishes.csv");
    PlaylistFile.CSV.write(
        list,
        Playlists.of(collection.state(), "Wishes", List.of(one)),
        PlaylistFile.Paths.absolute());
    assertThat(PlaylistFile.read(list).entries()).extracting(Entry::title).contains("Cold Lamps");
    collection.apply(Wishes.takeBack(now(), RoaringBitmap.bitmapOf(one)), Progress.SILENT);
    assertThat(LostFinder.lost(now()).toArray()).containsExactly(one);
  }

  @Test
  void whatLiesBesideTheTracksIsListed() throws Exception {
    Path stranger = Wavs.make(music.resolve("Inbox/stranger.wav"), 9);
    Files.createDirectories(music.resolve("Bare/Below"));
    Files.createDirectories(music.resolve("Kept"));
    Files.writeString(music.resolve("Kept/notes.txt"), "mine");
    Files.writeString(music.resolve("whole.m3u8"), "Rink/one.wav\n");
    Path old =
        Files.writeString(
            music.resolve("old.m3u8"),
            "Rink/one.wav\nGone/Rink/two.wav\nGone/nowhere.wav\nGone/stranger.wav\n");
    Files.writeString(music.resolve("empty.m3u8"), "#EXTM3U\n");
    Files.writeString(music.resolve("broken.xspf"), "<playlist>");
    DiskReport report = DiskReport.of(collection.state(), Progress.SILENT);
    assertThat(report.unknown()).containsExactly(stranger);
    assertThat(report.emptyFolders()).containsExactly(music.resolve("Bare"));
    assertThat(report.playlists())
        .extracting(l -> l.file().getFileName() + " " + l.entries() + l.dead() + l.found())
        .containsExactly("empty.m3u8 000", "old.m3u8 431");
    assertThat(report.troubles())
        .singleElement()
        .satisfies(t -> assertThat(t.reason()).contains("broken.xspf"));
    String before = Files.readString(old);
    Path mended = DiskReport.mend(report.playlists().getLast());
    assertThat(mended.getFileName()).hasToString("old mended.m3u8");
    assertThat(Files.readString(old)).isEqualTo(before);
    assertThat(Files.readString(mended)).contains("\nRink/two.wav\n");
    assertThat(PlaylistFile.read(mended).entries())
        .extracting(e -> e.file().orElseThrow())
        .containsExactly(
            music.resolve("Rink/one.wav"),
            music.resolve("Rink/two.wav"),
            music.resolve("Gone/nowhere.wav"),
            music.resolve("Gone/stranger.wav"));
    assertThat(DiskReport.mend(report.playlists().getLast())).hasFileName("old mended 2.m3u8");
    List<Path> gone = EmptyFolders.remove(report.emptyFolders());
    assertThat(music.resolve("Bare")).doesNotExist();
    EmptyFolders.putBack(gone);
    assertThat(music.resolve("Bare/Below")).isDirectory();
  }

  @Test
  void aFolderThatIsNoLongerEmptyStays() throws Exception {
    Path bare = Files.createDirectories(music.resolve("Bare"));
    DiskReport report = DiskReport.of(collection.state(), Progress.SILENT);
    Files.writeString(bare.resolve("late.txt"), "just now");
    assertThat(EmptyFolders.remove(report.emptyFolders())).isEmpty();
    assertThat(bare.resolve("late.txt")).exists();
  }

  @Test
  void aFolderThatHoldsALinkIsNotEmpty() throws Exception {
    Path bare = Files.createDirectories(music.resolve("Bare"));
    Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
    Path link = Files.createSymbolicLink(bare.resolve("way"), elsewhere);
    assertThat(EmptyFolders.remove(List.of(bare))).isEmpty();
    assertThat(link).isSymbolicLink();
  }
}
