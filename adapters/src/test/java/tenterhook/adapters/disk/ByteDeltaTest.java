package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.disk.ByteDelta.Patch;

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

  private final Map<String, byte[]> kept = new HashMap<>();
  private final ByteDelta.Pieces pieces =
      new ByteDelta.Pieces() {
        @Override
        public void keep(String sha256, byte[] piece) {
          kept.put(sha256, piece);
        }

        @Override
        public Optional<byte[]> piece(String sha256) {
          return Optional.ofNullable(kept.get(sha256));
        }
      };

  private Patch patch(byte[] old, byte[] now, byte[] picture) throws IOException {
    Path before = Files.write(folder.resolve("before"), old);
    Path after = Files.write(folder.resolve("after"), now);
    Patch patch = ByteDelta.of(before, after, picture, pieces);
    Path made = folder.resolve("made");
    assertThat(ByteDelta.restore(patch, after, Optional.of(picture), pieces, made)).isTrue();
    assertThat(Files.readAllBytes(made)).isEqualTo(old);
    return patch;
  }

  /** What a way back costs: its body and the pieces that it alone needs. */
  private int cost(byte[] old, byte[] now, byte[] picture) throws IOException {
    int before = kept.values().stream().mapToInt(p -> p.length).sum();
    int body = patch(old, now, picture).body().length;
    return body + kept.values().stream().mapToInt(p -> p.length).sum() - before;
  }

  @Test
  void aLongPayloadBetweenOtherTagsCostsNothing() throws IOException {
    byte[] sound = noise(900_000);
    byte[] old = joined(noise(3000), sound, noise(128));
    byte[] now = joined(noise(4100), sound, noise(128));
    assertThat(cost(old, now, NONE)).isLessThan(3500);
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
    assertThat(cost(old.toByteArray(), now.toByteArray(), NONE)).isLessThan(100 * 80);
  }

  @Test
  void aCoverThatIsKeptElsewhereIsNotKeptTwice() throws IOException {
    byte[] cover = noise(60_000);
    byte[] sound = noise(200_000);
    byte[] old = joined(noise(100), cover, noise(20), sound);
    assertThat(cost(old, joined(noise(90), sound), cover)).isLessThan(400);
    assertThat(cost(old, joined(noise(90), sound), NONE)).isGreaterThan(60_000);
  }

  @Test
  void anyTwoFilesLeadBack() throws IOException {
    for (int round = 0; round < 300; round++) {
      byte[] old = noise(random.nextInt(400));
      byte[] now = noise(random.nextInt(400));
      byte[] shared = noise(random.nextInt(300));
      patch(joined(old, shared), joined(shared, now), shared);
      patch(joined(old, shared, old), joined(shared, shared), NONE);
    }
    patch(NONE, NONE, NONE);
  }

  @Test
  void aFileThatIsAnotherByNowIsLeftAlone() throws IOException {
    Patch patch = patch(noise(1000), noise(1000), NONE);
    Path other = Files.write(folder.resolve("other"), noise(1000));
    Path target = folder.resolve("target");
    assertThat(ByteDelta.restore(patch, other, Optional.empty(), pieces, target)).isFalse();
    assertThat(target).doesNotExist();
  }

  @Test
  void aPictureThatIsGoneIsAnErrorAndNotAWrongFile() throws IOException {
    byte[] cover = noise(5000);
    Patch patch = patch(joined(cover, noise(10)), noise(10), cover);
    assertThatThrownBy(
            () ->
                ByteDelta.restore(
                    patch, folder.resolve("after"), Optional.empty(), pieces, folder.resolve("x")))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("no longer kept");
  }

  @Test
  void aCoverThatManyFilesHaveIsKeptOnce() throws IOException {
    byte[] cover = noise(300_000);
    byte[] sound = noise(50_000);
    int first = cost(joined(noise(700), cover, sound), joined(noise(9), sound), NONE);
    int second = cost(joined(noise(1234), cover, sound), joined(noise(9), sound), NONE);
    assertThat(first).isGreaterThan(300_000);
    assertThat(second).isLessThan(100_000);
  }

  @Test
  void aWayBackOfTheFirstFormStillLeadsBack() throws IOException {
    byte[] shared = noise(500);
    byte[] old = joined(noise(40), shared);
    byte[] now = joined(shared, noise(7));
    Path after = Files.write(folder.resolve("after"), now);
    Path before = Files.write(folder.resolve("before"), old);
    ByteArrayOutputStream first = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(first);
    out.write(HexFormat.of().parseHex(SafeFiles.hash(after)));
    out.write(HexFormat.of().parseHex(SafeFiles.hash(before)));
    out.writeByte(0);
    out.writeLong(40);
    out.write(old, 0, 40);
    out.writeByte(1);
    out.writeLong(0);
    out.writeLong(500);
    Path made = folder.resolve("made");
    assertThat(
            ByteDelta.restore(
                ByteDelta.fromFirstForm(first.toByteArray()),
                after,
                Optional.empty(),
                pieces,
                made))
        .isTrue();
    assertThat(made).hasBinaryContent(old);
  }
}
