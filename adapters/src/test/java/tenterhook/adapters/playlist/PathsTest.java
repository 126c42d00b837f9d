package tenterhook.adapters.playlist;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How a file is named in a playlist for here, for its folder, and for another machine. */
class PathsTest {
  @ParameterizedTest
  @CsvSource({
    "/music, D:/Sets, /music/Rink/a.mp3, D:/Sets/Rink/a.mp3",
    "/music, D:/Sets/, /music/a.mp3, D:/Sets/a.mp3",
    "/music/, D:\\Sets\\, /music/a.mp3, D:\\Sets/a.mp3",
    "/music, /Volumes/Stick, /music/霧/夜.mp3, /Volumes/Stick/霧/夜.mp3",
    "/music, D:/Sets, /musical/a.mp3, /musical/a.mp3",
    "/music, D:/Sets, /other/a.mp3, /other/a.mp3",
    "/music/../music, D:/Sets, /music/a.mp3, D:/Sets/a.mp3"
  })
  void aFolderHereIsCalledOtherwiseThere(String here, String there, String file, String named) {
    assertThat(PlaylistFile.Paths.elsewhere(Path.of(here), there).of(Path.of(file)))
        .isEqualTo(named);
  }

  @ParameterizedTest
  @CsvSource({
    "/lists/a.m3u8, /music/b.mp3, ../music/b.mp3",
    "/music/a.m3u8, /music/b.mp3, b.mp3",
    "/music/a.m3u8, /music/Rink/b.mp3, Rink/b.mp3"
  })
  void pathsStartFromThePlaylistsFolder(String list, String file, String named) {
    assertThat(PlaylistFile.Paths.from(Path.of(list)).of(Path.of(file))).isEqualTo(named);
    assertThat(PlaylistFile.Paths.absolute().of(Path.of(file))).isEqualTo(file);
  }
}
