package tenterhook.adapters.pack;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.core.job.Progress;

class PackingTest {
  @TempDir Path folder;
  private Path stick;
  private List<Path> music;

  @BeforeEach
  void music() throws Exception {
    stick = folder.resolve("stick");
    Files.createDirectories(folder.resolve("a"));
    Files.createDirectories(folder.resolve("b"));
    music =
        List.of(
            folder.resolve("a/Lamps?.mp3"),
            folder.resolve("b/Lamps?.mp3"),
            folder.resolve("b/Tin.mp3"));
    for (int i = 0; i < music.size(); i++) {
      Files.writeString(music.get(i), "sound " + i);
    }
  }

  private Packing.PackReport copy() throws Exception {
    return new Packing(stick).copy(music, Progress.SILENT);
  }

  @Test
  void copiesHaveNamesEverySystemTakesAndAListOfHashes() throws Exception {
    Packing.PackReport report = copy();
    assertThat(report.copied()).isEqualTo(3);
    assertThat(report.names())
        .containsEntry(music.get(0), "Lamps_.mp3")
        .containsEntry(music.get(1), "Lamps_ 2.mp3");
    assertThat(stick.resolve("Lamps_ 2.mp3")).hasContent("sound 1");
    assertThat(stick.resolve(Packing.SUMS))
        .content()
        .contains(SafeFiles.hash(music.get(2)) + "  Tin.mp3\n");
    assertThat(stick).isDirectoryNotContaining("glob:**.part");
  }

  @Test
  void aSecondTimeNothingIsCopiedButWhatChanged() throws Exception {
    copy();
    Files.writeString(music.get(2), "sound with another tag");
    Packing.PackReport again = copy();
    assertThat(again.copied()).isEqualTo(1);
    assertThat(again.there()).isEqualTo(2);
    assertThat(stick.resolve("Tin.mp3")).hasContent("sound with another tag");
  }

  @Test
  void whatAnotherProgramPutThereIsNotTouched() throws Exception {
    Files.createDirectories(stick);
    Files.writeString(stick.resolve("Tin.mp3"), "somebody's own");
    Packing.PackReport report = copy();
    assertThat(report.copied()).isEqualTo(2);
    assertThat(report.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("left as it is"));
    assertThat(stick.resolve("Tin.mp3")).hasContent("somebody's own");
    assertThat(report.names()).doesNotContainKey(music.get(2));
  }

  @Test
  void somebodysHalfFileStaysAndAnInterruptedCopyIsInNobodysWay() throws Exception {
    Files.createDirectories(stick);
    Files.writeString(stick.resolve("Tin.mp3.part"), "somebody's own");
    Files.writeString(stick.resolve("Tin.mp3.tenterhook.part"), "half");
    assertThat(copy().copied()).isEqualTo(3);
    assertThat(stick.resolve("Tin.mp3.part")).hasContent("somebody's own");
    assertThat(stick.resolve("Tin.mp3")).hasContent("sound 2");
    assertThat(stick).isDirectoryNotContaining("glob:**.tenterhook.part");
  }

  @Test
  void aMissingFileIsNamedAndTheRestGoesOn() throws Exception {
    Files.delete(music.get(0));
    Packing.PackReport report = copy();
    assertThat(report.copied()).isEqualTo(2);
    assertThat(report.refused().getFirst().reason()).isEqualTo("the file is not there");
    assertThat(report.names()).containsEntry(music.get(1), "Lamps_ 2.mp3");
  }

  @Test
  void aStopLeavesNoHalfFileAndTheNextTimeGoesOn() throws Exception {
    int[] told = {0};
    Packing.PackReport stopped =
        new Packing(stick)
            .copy(
                music,
                new Progress() {
                  @Override
                  public void at(long done, long total, String words) {
                    told[0]++;
                  }

                  @Override
                  public boolean stopped() {
                    return told[0] == 1;
                  }
                });
    assertThat(stopped.stopped()).isTrue();
    assertThat(stopped.copied()).isEqualTo(1);
    Packing.PackReport rest = copy();
    assertThat(rest.copied()).isEqualTo(2);
    assertThat(rest.there()).isEqualTo(1);
  }
}
