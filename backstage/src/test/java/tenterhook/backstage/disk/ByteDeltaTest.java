package tenterhook.backstage.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ByteDeltaTest {
  private static final byte[] NONE = {};
  @TempDir Path folder;
  private final Random random = new Random(5);

  private byte[] noise(int length) {
    byte[] bytes = new byte[length];
    random.nextBytes(bytes);
    return bytes;
  }

  private static byte[] joined(byte[]... parts) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (byte[] part : parts) {
      out.writeBytes(part);
    }
    return out.toByteArray();
  }

  private byte[] delta(byte[] old, byte[] now, byte[] picture) throws IOException {
    Path before = Files.write(folder.resolve("before"), old);
    Path after = Files.write(folder.resolve("after"), now);
    byte[] delta = ByteDelta.of(before, after, picture);
    Path made = folder.resolve("made");
    assertThat(ByteDelta.restore(delta, after, Optional.of(picture), made)).isTrue();
    assertThat(Files.readAllBytes(made)).isEqualTo(old);
    return delta;
  }

  @Test
  void aLongPayloadBetweenOtherTagsCostsNothing() throws IOException {
    byte[] sound = noise(900_000);
    byte[] old = joined(noise(3000), sound, noise(128));
    byte[] now = joined(noise(4100), sound, noise(128));
    assertThat(delta(old, now, NONE).length).isLessThan(3500);
  }

  @Test
  void pagesWithOtherHeadsAndMovedTablesAreFoundPieceByPiece() throws IOException {
    ByteArrayOutputStream old = new ByteArrayOutputStream();
    ByteArrayOutputStream now = new ByteArrayOutputStream();
    now.writeBytes(noise(500));
    for (int page = 0; page < 100; page++) {
      byte[] body = noise(4000 + random.nextInt(300));
      old.writeBytes(joined(noise(8), body));
      now.writeBytes(joined(noise(8), body));
    }
    assertThat(delta(old.toByteArray(), now.toByteArray(), NONE).length).isLessThan(100 * 80);
  }

  @Test
  void aCoverThatIsKeptElsewhereIsNotKeptTwice() throws IOException {
    byte[] cover = noise(60_000);
    byte[] sound = noise(200_000);
    byte[] old = joined(noise(100), cover, noise(20), sound);
    assertThat(delta(old, joined(noise(90), sound), cover).length).isLessThan(400);
    assertThat(delta(old, joined(noise(90), sound), NONE).length).isGreaterThan(60_000);
  }

  @Test
  void anyTwoFilesLeadBack() throws IOException {
    for (int round = 0; round < 300; round++) {
      byte[] old = noise(random.nextInt(400));
      byte[] now = noise(random.nextInt(400));
      byte[] shared = noise(random.nextInt(300));
      delta(joined(old, shared), joined(shared, now), shared);
      delta(joined(old, shared, old), joined(shared, shared), NONE);
    }
    delta(NONE, NONE, NONE);
  }

  @Test
  void aFileThatIsAnotherByNowIsLeftAlone() throws IOException {
    byte[] delta = delta(noise(1000), noise(1000), NONE);
    Path other = Files.write(folder.resolve("other"), noise(1000));
    Path target = folder.resolve("target");
    assertThat(ByteDelta.restore(delta, other, Optional.empty(), target)).isFalse();
    assertThat(target).doesNotExist();
  }

  @Test
  void aPictureThatIsGoneIsAnErrorAndNotAWrongFile() throws IOException {
    byte[] cover = noise(5000);
    byte[] delta = delta(joined(cover, noise(10)), noise(10), cover);
    assertThatThrownBy(
            () ->
                ByteDelta.restore(
                    delta, folder.resolve("after"), Optional.empty(), folder.resolve("x")))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("no longer kept");
  }
}
