package tenterhook.adapters.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Small pictures kept on disk. */
class SmallCoversTest {
  @TempDir Path folder;

  private static byte[] picture(int seed) {
    byte[] bytes = new byte[3000];
    new Random(seed).nextBytes(bytes);
    return bytes;
  }

  @Test
  void aPictureIsKeptAcrossOpenings() {
    try (SmallCovers covers = new SmallCovers(folder)) {
      covers.put("aa", picture(1));
      covers.put("aa", picture(2));
      assertThat(covers.get("bb")).isEmpty();
    }
    try (SmallCovers covers = new SmallCovers(folder)) {
      assertThat(covers.get("aa")).contains(picture(2));
    }
  }

  @Test
  void nothingIsOpenedBeforeAPictureIsWantedNorAfterTheEnd() {
    SmallCovers covers = new SmallCovers(folder);
    assertThat(folder).isEmptyDirectory();
    covers.close();
    covers.put("aa", picture(1));
    assertThat(covers.get("aa")).isEmpty();
    assertThat(folder).isEmptyDirectory();
  }

  @Test
  void noFlippedBitIsEverShown() throws Exception {
    try (SmallCovers covers = new SmallCovers(folder)) {
      for (int i = 0; i < 40; i++) {
        covers.put("p" + i, picture(i));
      }
    }
    Path file;
    try (var files = Files.list(folder)) {
      List<Path> all = files.toList();
      assertThat(all).hasSize(1);
      file = all.getFirst();
    }
    byte[] good = Files.readAllBytes(file);
    Random random = new Random(11);
    int missed = 0;
    for (int round = 0; round < 60; round++) {
      byte[] bad = good.clone();
      for (int i = 0; i < 30; i++) {
        bad[random.nextInt(bad.length)] ^= (byte) (1 << random.nextInt(8));
      }
      Files.write(file, bad);
      try (SmallCovers covers = new SmallCovers(folder)) {
        for (int i = 0; i < 40; i++) {
          byte[] wanted = picture(i);
          var got = covers.get("p" + i);
          missed += got.isEmpty() ? 1 : 0;
          got.ifPresent(b -> assertThat(b).isEqualTo(wanted));
        }
      }
    }
    assertThat(missed).as("damage was met at all").isPositive();
  }

  @Test
  void whatIsNoDatabaseIsMadeAnewAndAFolderThatIsGoneKeepsNone() throws Exception {
    Files.write(
        folder.resolve("covers.cache"),
        "no database at all, but long enough".repeat(50).getBytes());
    try (SmallCovers covers = new SmallCovers(folder)) {
      covers.put("aa", picture(3));
      assertThat(covers.get("aa")).contains(picture(3));
    }
    try (SmallCovers covers = new SmallCovers(folder.resolve("gone"))) {
      covers.put("aa", picture(3));
      assertThat(covers.get("aa")).isEmpty();
    }
  }
}
