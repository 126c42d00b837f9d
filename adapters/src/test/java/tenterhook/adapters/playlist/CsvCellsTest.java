package tenterhook.adapters.playlist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CsvCellsTest {
  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(
      strings = {
        "=HYPERLINK(\"x\")",
        "+1",
        "-2 dB",
        "@home",
        "\tx",
        "'quoted",
        "'=x",
        "''-y",
        "＝1",
        "plain",
        ""
      })
  void noSpreadsheetRunsACellAndItReadsBackTheSame(String name) throws IOException {
    String written = CsvCells.write(name);
    assertThat(written).doesNotMatch("(?s)[=+\\-@\\t\\r＝].*");
    assertThat(CsvCells.read(written)).isEqualTo(name);
    Path list = folder.resolve("list.csv");
    Playlist.Entry entry =
        new Playlist.Entry(Optional.of(folder.resolve("a.mp3")), name, "title", "album", 60);
    PlaylistFile.CSV.write(
        list,
        new Playlist("list", Optional.empty(), List.of(entry)),
        PlaylistFile.Paths.absolute());
    assertThat(PlaylistFile.read(list).entries().getFirst().artist()).isEqualTo(name);
  }

  @Test
  void deepAndEndlessPlaylistsEndInWords() throws Exception {
    Path deep =
        Files.writeString(folder.resolve("deep.jspf"), "{\"playlist\":" + "[".repeat(99_999));
    assertThatThrownBy(() -> PlaylistFile.read(deep)).isInstanceOf(IOException.class);
    Path tall =
        Files.writeString(folder.resolve("tall.xspf"), "<playlist>" + "<trackList>".repeat(50_000));
    assertThatThrownBy(() -> PlaylistFile.read(tall)).isInstanceOf(IOException.class);
    Path endless = folder.resolve("endless.m3u8");
    new ProcessBuilder("mkfifo", endless.toString()).start().waitFor();
    assertThatThrownBy(() -> PlaylistFile.read(endless)).hasMessageContaining("no file");
    Path device = Files.createSymbolicLink(folder.resolve("zero.csv"), Path.of("/dev/zero"));
    assertThatThrownBy(() -> PlaylistFile.read(device)).hasMessageContaining("no file");
    Path long9 =
        Files.writeString(folder.resolve("long.m3u8"), "#EXTINF:99999999999999,x\na.mp3\n");
    assertThat(PlaylistFile.read(long9).entries()).hasSize(1);
  }

  @Test
  void aBackslashInANameStaysAndOneOfWindowsIsUnderstood() throws IOException {
    Path odd = Files.writeString(folder.resolve("Rink\\x.mp3"), "odd");
    Path list = folder.resolve("list.m3u8");
    PlaylistFile.M3U8.write(
        list,
        new Playlist(
            "list",
            Optional.empty(),
            List.of(new Playlist.Entry(Optional.of(odd), "", "x", "", -1))),
        PlaylistFile.Paths.from(list));
    assertThat(PlaylistFile.read(list).entries().getFirst().file()).contains(odd);
    Path windows = Files.writeString(folder.resolve("w.m3u8"), "Rink\\y.mp3\n");
    assertThat(PlaylistFile.read(windows).entries().getFirst().file())
        .contains(folder.resolve("Rink/y.mp3"));
  }
}
