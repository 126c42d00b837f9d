package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Names are written down as systems of every kind have them, and lead back to the file. */
class RelativePathsTest {
  @Test
  void onWindowsPartsAreJoinedByASlash() throws IOException {
    try (FileSystem windows = Jimfs.newFileSystem(Configuration.windows())) {
      Path root = windows.getPath("C:\\Music");
      Path file = root.resolve("Rink\\Doors\\a.mp3");
      assertThat(RelativePaths.below(root, file)).isEqualTo("Rink/Doors/a.mp3");
      assertThat(root.resolve(RelativePaths.below(root, file))).isEqualTo(file);
      assertThat(RelativePaths.below(root, root)).isEmpty();
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "back\\slash.mp3",
        "trailing dot.",
        "trailing blank .mp3 ",
        "CASE.mp3",
        "case.mp3",
        "e\u0301 decomposed.mp3",
        "\u00e9 composed.mp3",
        "線路.mp3"
      })
  void elsewhereANameIsWhatItIs(String name) throws IOException {
    for (Configuration system : new Configuration[] {Configuration.unix(), Configuration.osX()}) {
      try (FileSystem files = Jimfs.newFileSystem(system)) {
        Path root = files.getPath("/music");
        Path file = root.resolve("Rink").resolve(name);
        String below = RelativePaths.below(root, file);
        assertThat(below).isEqualTo("Rink/" + file.getFileName());
        assertThat(root.resolve(below)).isEqualTo(file);
        assertThat(RelativePaths.lasting(file)).isTrue();
      }
    }
  }

  @Test
  void whatIsNotBelowIsRefused() {
    assertThatThrownBy(() -> RelativePaths.below(Path.of("/music"), Path.of("/musician/a.mp3")))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
