package tenterhook.adapters.tagfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.tagfile.tag.StarRating;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

class TagFilesTest {
  @TempDir Path folder;

  private static byte[] picture(String format, int side) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  @ParameterizedTest
  @CsvSource({"song.MP3,mp3", "a.b.flac,flac", "none,''", ".hidden,hidden"})
  void endingsAreLowerCase(String name, String ending) {
    assertThat(FileExtensions.of(name)).isEqualTo(ending);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"bad.mp3", "bad.flac", "bad.m4a", "bad.ogg", "bad.opus", "bad.wav", "bad.aiff"})
  void noiseIsRefusedInPlainWords(String name) throws Exception {
    byte[] noise = new byte[5000];
    new Random(4).nextBytes(noise);
    Path file = Files.write(folder.resolve(name), noise);
    assertThatThrownBy(() -> TagFiles.read(file))
        .isInstanceOf(Unreadable.class)
        .hasMessageNotContaining("Exception");
    assertThat(file).hasBinaryContent(noise);
  }

  @Test
  void aFileCutShortIsReadOrRefusedButNeverChanged() throws Exception {
    Path whole = Wavs.make(folder.resolve("whole.wav"), 1, Map.of(Fields.TITLE, "Cold Lamps"));
    byte[] bytes = Files.readAllBytes(whole);
    for (int length : List.of(10, 44, 100, bytes.length / 2, bytes.length - 3)) {
      Path cut =
          Files.write(
              folder.resolve("cut" + length + ".wav"), java.util.Arrays.copyOf(bytes, length));
      try {
        TagFiles.read(cut);
      } catch (Unreadable refused) {
        assertThat(refused).hasMessageNotContaining("null");
      }
      assertThat(Files.size(cut)).isEqualTo(length);
    }
  }

  @Test
  void aPartThatClaimsMoreThanTheFileHasIsRefusedInWords() throws Exception {
    Path whole = Wavs.make(folder.resolve("whole.wav"), 1);
    byte[] bytes = Files.readAllBytes(whole);
    ByteBuffer lie = ByteBuffer.allocate(bytes.length + 20).order(ByteOrder.LITTLE_ENDIAN);
    lie.put(bytes).put("LIST".getBytes(StandardCharsets.US_ASCII)).putInt(2_000_000_000);
    lie.put("INFO".getBytes(StandardCharsets.US_ASCII)).putInt(4, 2_000_100_000);
    Path file = Files.write(folder.resolve("lie.wav"), lie.array());
    assertThatThrownBy(() -> TagFiles.read(file))
        .isInstanceOf(Unreadable.class)
        .hasMessage("the part \"LIST\" of it is said to have 2 GB, but ends after 12 bytes");
  }

  @Test
  void whatIsNoChunkStaysWithinTheLengthThatTheFileSays() throws Exception {
    Path file = Wavs.make(folder.resolve("odd.wav"), 1);
    byte[] bytes = Files.readAllBytes(file);
    ByteBuffer odd = ByteBuffer.allocate(bytes.length + 30).order(ByteOrder.LITTLE_ENDIAN);
    odd.put(bytes).put(new byte[] {1, 2, 3, 4}).putInt(4, bytes.length + 30 - 8);
    Files.write(file, odd.array());
    TagFiles.write(file, Map.of(Fields.TITLE, "Cold Lamps"), sha -> new byte[0]);
    ByteBuffer after = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
    assertThat(after.getInt(4)).isEqualTo(after.capacity() - 8);
  }

  @Test
  void aCoverThatIsNoLongerKeptIsRefusedByThatReason() throws Exception {
    Path file = Wavs.make(folder.resolve("bare.wav"), 1);
    byte[] before = Files.readAllBytes(file);
    String cover = ArtworkImages.describe(picture("png", 64)).raw();
    assertThatThrownBy(() -> TagFiles.write(file, Map.of(Fields.ARTWORK, cover), sha -> null))
        .isInstanceOf(Unreadable.class)
        .hasMessageContaining("no longer kept");
    assertThat(file).hasBinaryContent(before);
  }

  @Test
  void picturesAreDescribedByTheirBytes() throws Exception {
    Artwork png = ArtworkImages.describe(picture("png", 320));
    assertThat(png.mime()).isEqualTo("image/png");
    assertThat(png.size()).isEqualTo("320×320");
    assertThat(ArtworkImages.describe(picture("jpg", 64)).mime()).isEqualTo("image/jpeg");
    Artwork none = ArtworkImages.describe("no picture".getBytes(StandardCharsets.UTF_8));
    assertThat(none.width()).isZero();
    assertThat(none.mime()).isEqualTo("application/octet-stream");
    assertThat(ArtworkImages.sha256(new byte[0]))
        .isEqualTo("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
  }

  @Test
  void twoFilesThatDifferInTagsOnlySoundTheSame() throws Exception {
    Path one = Wavs.make(folder.resolve("one.wav"), 7, Map.of(Fields.TITLE, "A"));
    Path two =
        Wavs.make(
            folder.resolve("two.wav"), 7, Map.of(Fields.TITLE, "Another", Fields.YEAR, "1987"));
    Path other = Wavs.make(folder.resolve("other.wav"), 8, Map.of(Fields.TITLE, "A"));
    assertThat(TagFiles.payload(one)).isEqualTo(TagFiles.payload(two));
    assertThat(TagFiles.payload(other)).isNotEqualTo(TagFiles.payload(one));
  }

  @Test
  void payloadsOfDamagedFilesAreRefused() throws Exception {
    Path file = Files.writeString(folder.resolve("x.wav"), "RIFF....WAVEnothing here that sounds");
    assertThatThrownBy(() -> TagFiles.payload(file)).isInstanceOf(Unreadable.class);
  }

  @Test
  void severalPicturesKeepTheOthersWhenTheFrontChanges() throws Exception {
    Path file = Wavs.make(folder.resolve("art.wav"), 2);
    byte[] front = picture("png", 300);
    byte[] next = picture("jpg", 400);
    Map<String, byte[]> kept =
        Map.of(ArtworkImages.sha256(front), front, ArtworkImages.sha256(next), next);
    TagFiles.write(file, Map.of(Fields.ARTWORK, ArtworkImages.describe(front).raw()), kept::get);
    assertThat(TagFiles.picture(file)).get().isEqualTo(front);
    TagFiles.write(file, Map.of(Fields.ARTWORK, ArtworkImages.describe(next).raw()), kept::get);
    assertThat(TagFiles.picture(file)).get().isEqualTo(next);
    TagFiles.write(file, Map.of(Fields.ARTWORK, ""), kept::get);
    assertThat(TagFiles.picture(file)).isEmpty();
  }

  @Test
  void emptyValuesTakeFieldsAway() throws Exception {
    Map<Field<?>, String> tags = new LinkedHashMap<>();
    tags.put(Fields.TITLE, "A");
    tags.put(Fields.GENRE, "Ska\u0000Dub");
    tags.put(Fields.COMMENT, "own words");
    Path file = Wavs.make(folder.resolve("full.wav"), 2, tags);
    assertThat(TagFiles.read(file).raw(Fields.GENRE)).isEqualTo("Ska\u0000Dub");
    tags.replaceAll((f, v) -> "");
    TagFiles.write(file, tags, s -> new byte[0]);
    Reading after = TagFiles.read(file);
    tags.keySet().forEach(f -> assertThat(after.raw(f)).as(f.key()).isEmpty());
  }

  @ParameterizedTest
  @CsvSource({
    "255,5",
    "204,4",
    "51,1",
    "196,4@196",
    "128,3@128",
    "64,2@64",
    "1,1@1",
    "0,''",
    "'',''",
    "many,''"
  })
  void ratingsOfId3AreFifthsOf255(String inTag, String raw) {
    assertThat(StarRating.POPULARIMETER.fromTag(inTag)).isEqualTo(raw);
    if (!raw.isEmpty()) {
      assertThat(StarRating.POPULARIMETER.toTag(raw)).hasValue(Integer.parseInt(inTag));
    }
  }

  @Test
  void commentsOfOpusAreRead() throws Exception {
    Path file =
        Files.write(
            folder.resolve("song.opus"), opus("TITLE=Cold Lamps", "genre=Ska", "GENRE=Dub", "X=y"));
    Reading reading = TagFiles.read(file);
    assertThat(reading.raw(Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(reading.raw(Fields.GENRE)).isEqualTo("Ska\u0000Dub");
    assertThat(reading.raw(Fields.DURATION)).isEqualTo("2.000");
    assertThat(TagFiles.picture(file)).isEmpty();
  }

  /** Two pages as RFC 7845 has them: head, then comments with the last granule position. */
  private static byte[] opus(String... comments) {
    ByteBuffer head = ByteBuffer.allocate(19).order(ByteOrder.LITTLE_ENDIAN);
    head.put("OpusHead".getBytes(StandardCharsets.US_ASCII)).put((byte) 1).put((byte) 2);
    head.putShort((short) 312).putInt(48_000);
    ByteBuffer tags = ByteBuffer.allocate(600).order(ByteOrder.LITTLE_ENDIAN);
    tags.put("OpusTags".getBytes(StandardCharsets.US_ASCII))
        .putInt(4)
        .put("test".getBytes(StandardCharsets.US_ASCII));
    tags.putInt(comments.length);
    for (String comment : comments) {
      byte[] bytes = comment.getBytes(StandardCharsets.UTF_8);
      tags.putInt(bytes.length).put(bytes);
    }
    ByteBuffer file = ByteBuffer.allocate(900).order(ByteOrder.LITTLE_ENDIAN);
    page(file, head.array(), 19, 0);
    page(file, tags.array(), tags.position(), 96_312);
    return java.util.Arrays.copyOf(file.array(), file.position());
  }

  private static void page(ByteBuffer file, byte[] body, int length, long granule) {
    file.put("OggS".getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
    file.put((byte) (granule == 0 ? 2 : 4));
    file.putLong(granule).putInt(1).putInt(0).putInt(0);
    file.put((byte) (length / 255 + 1));
    for (int left = length; left >= 0; left -= 255) {
      file.put((byte) Math.min(255, left));
    }
    file.put(body, 0, length);
  }
}
