package tenterhook.adapters.playlist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import tenterhook.adapters.playlist.Playlist.Entry;
import tenterhook.adapters.playlist.PlaylistFile.Paths;

class PlaylistFileTest {
  @TempDir Path folder;

  private Playlist written() {
    return new Playlist(
        "Saturday & \"skate\"",
        List.of(
            new Entry(
                Optional.of(folder.resolve("Rink 100%/Café + one#2.mp3")),
                "Éloïse",
                "Café <dub>",
                "Last, Lap",
                181),
            new Entry(Optional.of(folder.resolve("Ferry/夜.flac")), "", "夜", "", -1)));
  }

  @ParameterizedTest
  @EnumSource
  void whatIsWrittenIsReadBack(PlaylistFile form) throws IOException {
    for (boolean relative : List.of(true, false)) {
      Path list = folder.resolve("lists/night." + form.ending());
      form.write(list, written(), relative ? Paths.from(list) : Paths.absolute());
      Playlist read = PlaylistFile.read(list);
      assertThat(read.entries())
          .extracting(Entry::file)
          .containsExactlyElementsOf(written().entries().stream().map(Entry::file).toList());
      assertThat(read.entries())
          .extracting(Entry::name)
          .containsExactly("Éloïse – Café <dub>", "夜");
      assertThat(read.entries()).extracting(Entry::seconds).containsExactly(181L, -1L);
      if (form != PlaylistFile.M3U8) {
        assertThat(read.entries().getFirst().album()).isEqualTo("Last, Lap");
      }
      assertThat(Files.readString(list).contains(folder.getFileName().toString()))
          .isEqualTo(!relative);
    }
  }

  @Test
  void nightsAreReadFromTheListAndFromItsName() throws IOException {
    Path list = folder.resolve("x.xspf");
    PlaylistFile.XSPF.write(
        list,
        new Playlist("Rink", Optional.of(LocalDate.of(2026, 3, 7)), written().entries()),
        Paths.absolute());
    assertThat(PlaylistFile.read(list).date()).contains(LocalDate.of(2026, 3, 7));
    assertThat(PlaylistFile.read(list).title()).isEqualTo("Rink");
    Path named = Files.writeString(folder.resolve("2026-13-01 Rink 2026-03-14.m3u8"), "a.mp3");
    assertThat(PlaylistFile.read(named).date()).contains(LocalDate.of(2026, 3, 14));
    Path table = Files.writeString(folder.resolve("y.csv"), "Night;Song\n2026-04-04;Slow Ice\n");
    assertThat(PlaylistFile.read(table).date()).contains(LocalDate.of(2026, 4, 4));
    assertThat(PlaylistFile.read(table).entries()).extracting(Entry::name).contains("Slow Ice");
  }

  @Test
  void foreignListsAreReadWithMarksAndBlankLines() throws IOException {
    Path list =
        Files.writeString(
            folder.resolve("x.m3u"),
            "\uFEFF#EXTM3U\r\n\r\n a.mp3 \r\n#note\r\nb/../c.mp3\r\nhttps://rink.invalid/s\r\n"
                + "file:///d%20e.mp3");
    assertThat(PlaylistFile.read(list).entries())
        .extracting(Entry::file)
        .containsExactly(
            Optional.of(folder.resolve("a.mp3")),
            Optional.of(folder.resolve("c.mp3")),
            Optional.empty(),
            Optional.of(Path.of("/d e.mp3")));
  }

  @ParameterizedTest
  @CsvSource({
    "x.xspf, <playlist><trackList>, no whole XSPF playlist",
    "x.jspf, {\"playlist\":, no whole JSPF playlist",
    "x.csv, 'colour,size', artist and title",
    "x.doc, anything, none of the playlists known here"
  })
  void brokenListsSayWhatIsWrong(String name, String text, String words) throws IOException {
    Path list = Files.writeString(folder.resolve(name), text);
    assertThatThrownBy(() -> PlaylistFile.read(list))
        .isInstanceOf(IOException.class)
        .hasMessageContaining(name)
        .hasMessageContaining(words);
  }

  @Test
  void aListNamesNothingFromOutside() throws IOException {
    Path secret = Files.writeString(folder.resolve("secret.txt"), "hidden");
    Path list =
        Files.writeString(
            folder.resolve("x.xspf"),
            "<!DOCTYPE p [<!ENTITY s SYSTEM \""
                + secret.toUri()
                + "\">]><playlist><trackList><track><title>a&s;</title></track></trackList></playlist>");
    try {
      assertThat(PlaylistFile.read(list).entries())
          .extracting(Entry::title)
          .doesNotContain("ahidden");
    } catch (IOException refused) {
      assertThat(refused).hasMessageContaining("no whole XSPF");
    }
  }
}
