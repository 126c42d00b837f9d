package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.pack.Packing;
import tenterhook.core.job.Progress;

class WrittenFilesTest {
  @TempDir Path folder;

  @Test
  void onlyWhatTheProgramWroteIsReplaced() throws IOException {
    Path list = folder.resolve("Fast.m3u8");
    WrittenFiles.write(list, "one");
    WrittenFiles.write(list, "two");
    assertThat(list).hasContent("two");
    Files.writeString(list, "edited by hand");
    assertThatThrownBy(() -> WrittenFiles.write(list, "three"))
        .hasMessageContaining("left as it was");
    assertThat(list).hasContent("edited by hand");
    Path foreign = Files.writeString(folder.resolve("Mine.m3u8"), "theirs");
    assertThatThrownBy(() -> WrittenFiles.write(foreign, "ours")).isInstanceOf(IOException.class);
    assertThat(foreign).hasContent("theirs");
    Path link = Files.createSymbolicLink(folder.resolve("Link.m3u8"), folder.resolve("nowhere"));
    assertThatThrownBy(() -> WrittenFiles.write(link, "ours")).isInstanceOf(IOException.class);
    assertThat(folder.resolve("nowhere")).doesNotExist();
  }

  @Test
  void aListOfChecksumsOfAnotherProgramGivesNoRightToOverwrite() throws IOException {
    Path stick = Files.createDirectories(folder.resolve("stick"));
    Path theirs = Files.writeString(stick.resolve("a.mp3"), "their only copy");
    String sums = SafeFiles.hash(theirs) + "  a.mp3\n";
    Files.writeString(stick.resolve(Packing.SUMS), sums);
    assertThatThrownBy(() -> new Packing(stick)).hasMessageContaining("left as it was");
    Files.delete(stick.resolve(Packing.SUMS));
    Path music =
        Files.writeString(Files.createDirectories(folder.resolve("m")).resolve("a.mp3"), "x");
    Packing.PackReport report = new Packing(stick).copy(java.util.List.of(music), Progress.SILENT);
    assertThat(report.refused()).hasSize(1);
    assertThat(theirs).hasContent("their only copy");
  }

  @Test
  void textsFromOutsideAreBounded() throws Exception {
    Path big = Files.write(folder.resolve("big.txt"), new byte[2000]);
    assertThatThrownBy(() -> BoundedText.read(big, 1000)).hasMessageContaining("longer");
    assertThat(BoundedText.read(big, 2000)).hasSize(2000);
    assertThatThrownBy(() -> BoundedText.read(Path.of("/dev/zero"), 1000))
        .hasMessageContaining("no file");
    assertThatThrownBy(() -> BoundedText.read(folder, 1000)).hasMessageContaining("no file");
    Path latin = Files.write(folder.resolve("latin.txt"), new byte[] {'t', (byte) 0xE9});
    assertThat(BoundedText.read(latin, 10)).isEqualTo("té");
  }
}
