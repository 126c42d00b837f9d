package tenterhook.backstage.playlist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class M3u8Test {
  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void whatIsWrittenIsReadBack(boolean relative) throws IOException {
    List<M3u8.Entry> entries =
        List.of(
            new M3u8.Entry(folder.resolve("Rink/Café.mp3"), "Éloïse – Café", 181),
            new M3u8.Entry(folder.resolve("Ferry/夜.flac"), "line\nbreak", -1));
    Path list = folder.resolve("lists/night.m3u8");
    M3u8.write(list, entries, relative);
    assertThat(M3u8.read(list)).containsExactly(entries.get(0).file(), entries.get(1).file());
    assertThat(Files.readString(list)).startsWith("#EXTM3U\n#EXTINF:181,Éloïse – Café\n");
    assertThat(Files.readString(list).contains(folder.toString())).isEqualTo(!relative);
  }

  @Test
  void foreignListsAreReadWithMarksAndBlankLines() throws IOException {
    Path list =
        Files.writeString(
            folder.resolve("x.m3u8"), "\uFEFF#EXTM3U\r\n\r\n a.mp3 \r\n#note\r\nb/../c.mp3");
    assertThat(M3u8.read(list)).containsExactly(folder.resolve("a.mp3"), folder.resolve("c.mp3"));
  }
}
