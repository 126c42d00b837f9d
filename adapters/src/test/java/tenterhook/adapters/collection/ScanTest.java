package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

class ScanTest extends CollectionTest {
  @Test
  void aScanReadsWhatIsThere() {
    assertThat(now().count()).isEqualTo(3);
    assertThat(now().raw(id("one.wav"), Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(now().raw(id("one.wav"), Fields.FOLDER)).isEqualTo("Rink");
    assertThat(now().raw(id("one.wav"), Fields.ROOT)).isEqualTo("Music");
    assertThat(now().value(id("one.wav"), Fields.SAMPLE_RATE)).contains(44_100L);
    assertThat(now().raw(id("one.wav"), Fields.ADDED)).isEqualTo("2026-11-23T12:00:00Z");
  }

  @Test
  void aSecondScanChangesNothing() throws Exception {
    ScanReport report = collection.scan(music, Progress.SILENT);
    assertThat(List.of(report.added(), report.changed(), report.lost(), report.unreadable()))
        .containsExactly(0, 0, 0, 0);
    assertThat(report.files()).isEqualTo(3);
  }

  @Test
  void lostReturnedAndChangedFilesAreSeen() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    Path away = folder.resolve("away.wav");
    Files.move(file, away);
    assertThat(collection.scan(music, Progress.SILENT).lost()).isEqualTo(1);
    assertThat(now().lost(id("one.wav"))).isTrue();
    Files.move(away, file);
    assertThat(collection.scan(music, Progress.SILENT).returned()).isEqualTo(1);
    assertThat(now().lost(id("one.wav"))).isFalse();
    TagFiles.write(file, Map.of(Fields.TITLE, "Edited elsewhere"), s -> new byte[0]);
    Files.setLastModifiedTime(file, FileTime.fromMillis(5_000));
    assertThat(collection.scan(music, Progress.SILENT).changed()).isEqualTo(1);
    assertThat(now().raw(id("one.wav"), Fields.TITLE)).isEqualTo("Edited elsewhere");
  }

  @Test
  void aPartialScanLosesNothingElsewhere() throws Exception {
    Files.delete(music.resolve("Ferry/three.wav"));
    assertThat(collection.scan(music.resolve("Rink"), Progress.SILENT).lost()).isZero();
    assertThat(now().lost(id("three.wav"))).isFalse();
  }

  @Test
  void damagedAndEmptyFilesAreNamedAndTheRestGoesOn() throws Exception {
    Files.writeString(music.resolve("bad.wav"), "this is no sound");
    Files.writeString(music.resolve("bad.mp3"), "neither is this");
    Files.createFile(music.resolve("empty.flac"));
    Wavs.make(music.resolve("four.wav"), 4);
    ScanReport report = collection.scan(music, Progress.SILENT);
    assertThat(report.added()).isEqualTo(1);
    assertThat(report.unreadable()).isEqualTo(3);
    assertThat(report.issues()).allMatch(i -> !i.reason().isBlank());
  }

  @Test
  void aStoppedScanDeclaresNothingLost() throws Exception {
    Files.delete(music.resolve("Ferry/three.wav"));
    Progress stopped = mock(Progress.class);
    when(stopped.stopped()).thenReturn(true);
    ScanReport report = collection.scan(music, stopped);
    assertThat(report.complete()).isFalse();
    assertThat(now().lost(id("three.wav"))).isFalse();
  }

  @Test
  void nestedRootsAreRefused() {
    assertThatThrownBy(() -> collection.scan(folder, Progress.SILENT))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("root Music");
    assertThatThrownBy(() -> collection.scan(folder.resolve("none"), Progress.SILENT))
        .isInstanceOf(IOException.class);
  }
}
