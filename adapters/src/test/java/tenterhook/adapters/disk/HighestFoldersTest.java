package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which folders are looked at after something changed in several. */
class HighestFoldersTest {
  @TempDir Path folder;

  @Test
  void aFolderStandsForAllBelowIt() throws Exception {
    Path deep = Files.createDirectories(folder.resolve("Rink/Doors"));
    Path rink = folder.resolve("Rink");
    Path ferry = Files.createDirectories(folder.resolve("Ferry"));
    assertThat(RelativePaths.highest(Set.of(deep, rink, ferry)))
        .containsExactlyInAnyOrder(rink, ferry);
  }

  @Test
  void whatIsGoneIsLookedAtFromWhatIsLeft() throws Exception {
    Path rink = Files.createDirectories(folder.resolve("Rink"));
    assertThat(RelativePaths.highest(Set.of(rink.resolve("gone/deeper")))).containsExactly(rink);
  }

  @Test
  void foldersThatOnlyShareTheBeginningOfTheirNamesAreTwo() throws Exception {
    Path one = Files.createDirectories(folder.resolve("Rink"));
    Path other = Files.createDirectories(folder.resolve("Rink 2"));
    assertThat(RelativePaths.highest(Set.of(one, other))).containsExactlyInAnyOrder(one, other);
  }
}
