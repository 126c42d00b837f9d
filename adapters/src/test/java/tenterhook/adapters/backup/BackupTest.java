package tenterhook.adapters.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.collection.CollectionTest;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.RootRelocation;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

class BackupTest extends CollectionTest {
  private Path backup() throws IOException {
    return Backup.write(collection, folder.resolve("stick"));
  }

  @Test
  void aBackupIsTheCollectionAgainOnAnotherMachine() throws Exception {
    Crates crates = Crates.NONE.plus("Rink", new Crate.HandCrate("Fast", List.of(id("one.wav"))));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
    long album = set(Fields.ALBUM, "Slipway", "one.wav").number();
    collection.keepSetting("theme", "night");
    Path zip = backup();
    assertThat(backup()).as("never overwritten").isNotEqualTo(zip);
    assertThat(folder.resolve("stick")).isDirectoryNotContaining("glob:**.tenterhook*");
    Path elsewhere = folder.resolve("machine two/music");
    Files.createDirectories(elsewhere.getParent());
    Files.move(music, elsewhere);
    Path restored = folder.resolve("machine two/collection");
    Backup.restore(zip, restored);
    try (MusicCollection again = MusicCollection.open(restored, CLOCK)) {
      RootRelocation found = RootRelocation.of(again.state(), "Music", elsewhere, Progress.SILENT);
      assertThat(found.certain()).isTrue();
      assertThat(again.apply(found.change(), Progress.SILENT).refused()).isEmpty();
      assertThat(again.setting("theme")).contains("night");
      assertThat(again.state().crates()).isEqualTo(crates);
      assertThat(again.undo(album, Progress.SILENT).refused()).isEmpty();
      assertThat(inFile(elsewhere.resolve("Rink/one.wav"), Fields.ALBUM)).isEmpty();
    }
  }

  @Test
  void aDamagedBackupAndATakenFolderAreRefused() throws Exception {
    Path zip = backup();
    byte[] bytes = Files.readAllBytes(zip);
    bytes[bytes.length / 3] ^= 1;
    Path damaged = Files.write(folder.resolve("damaged.zip"), bytes);
    Path target = folder.resolve("target");
    assertThatThrownBy(() -> Backup.restore(damaged, target)).isInstanceOf(IOException.class);
    assertThat(target).doesNotExist();
    assertThatThrownBy(() -> Backup.restore(zip, folder.resolve("collection")))
        .hasMessageContaining("holds a collection already");
    Path nothing = Files.writeString(folder.resolve("no.zip"), "no zip at all");
    assertThatThrownBy(() -> Backup.restore(nothing, target)).isInstanceOf(IOException.class);
  }

  @Test
  void aReminderComesWhenItIsDueAndCanBeSwitchedOff() throws Exception {
    assertThat(Backup.due(collection)).isEmpty();
    backup();
    assertThat(Backup.due(collection)).isEmpty();
    for (int hour = 0; hour < 31 * 24; hour++) {
      later();
    }
    assertThat(Backup.due(collection)).contains(31L);
    Backup.remind(collection, false);
    assertThat(Backup.due(collection)).isEmpty();
  }

  private static void copy(Path from, Path to) throws IOException {
    Files.createDirectories(to.getParent());
    Files.copy(from, to);
  }

  @Test
  void aMirrorIsComparedByContentAndNotAltered() throws Exception {
    Path mirror = folder.resolve("mirror");
    copy(music.resolve("Rink/one.wav"), mirror.resolve("Music/Rink/one.wav"));
    copy(music.resolve("Rink/two.wav"), mirror.resolve("Music/Rink/two.wav"));
    copy(music.resolve("Ferry/three.wav"), mirror.resolve("Music/Old name/3.wav"));
    Wavs.make(mirror.resolve("Music/only here.wav"), 55);
    TagFiles.write(
        mirror.resolve("Music/Rink/two.wav"), Map.of(Fields.ALBUM, "Other"), s -> new byte[0]);
    MirrorCheck check = MirrorCheck.of(collection.state(), mirror, Progress.SILENT);
    assertThat(check.same()).isEqualTo(1);
    assertThat(check.different()).containsExactly(mirror.resolve("Music/Rink/two.wav"));
    assertThat(check.moved()).containsExactly(mirror.resolve("Music/Old name/3.wav"));
    assertThat(check.extra()).containsExactly(mirror.resolve("Music/only here.wav"));
    assertThat(check.missing()).isEmpty();
    assertThat(check.whole()).isFalse();
    byte[] flipped = Files.readAllBytes(mirror.resolve("Music/Rink/one.wav"));
    flipped[flipped.length / 2] ^= 1;
    Files.write(mirror.resolve("Music/Rink/one.wav"), flipped);
    assertThat(MirrorCheck.of(collection.state(), mirror, Progress.SILENT).different())
        .as("also one bit of a file of the same size")
        .contains(mirror.resolve("Music/Rink/one.wav"));
    Files.delete(mirror.resolve("Music/Rink/one.wav"));
    assertThat(MirrorCheck.of(collection.state(), mirror, Progress.SILENT).missing())
        .containsExactly(music.resolve("Rink/one.wav"));
    assertThat(MirrorCheck.of(collection.state(), music, Progress.SILENT).whole()).isTrue();
  }
}
