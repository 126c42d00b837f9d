package tenterhook.adapters.tagfile.vorbis;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.Picture;

/**
 * A picture as FLAC has it (RFC 9639, 8.8), which Vorbis comments hold too.
 *
 * @param type what it shows, such as {@link Picture#FRONT}
 * @param description UTF-8
 * @param image the picture's bytes
 */
public record FlacPicture(int type, byte[] description, byte[] image) {
  private static final int NUMBERS = 16;

  /** Reads a block; empty when it ends too early, or is only a link to a picture. */
  public static Optional<FlacPicture> parse(byte[] block) {
    ByteBuffer in = ByteBuffer.wrap(block);
    int type = in.remaining() < 4 ? 0 : in.getInt();
    byte[] mime = counted(in);
    byte[] description = counted(in);
    boolean numbers = in.remaining() >= NUMBERS;
    byte[] image = numbers ? counted(in.position(in.position() + NUMBERS)) : new byte[0];
    boolean link = Arrays.equals(mime, "-->".getBytes(StandardCharsets.US_ASCII));
    return image.length == 0 || link
        ? Optional.empty()
        : Optional.of(new FlacPicture(type, description, image));
  }

  private static byte[] counted(ByteBuffer in) {
    int length = in.remaining() < 4 ? 0 : in.getInt();
    if (length < 0 || length > in.remaining()) {
      return new byte[0];
    }
    byte[] bytes = new byte[length];
    in.get(bytes);
    return bytes;
  }

  /** A block for a picture. */
  public static byte[] render(Picture picture, int type, byte[] description) {
    byte[] mime = picture.mime().getBytes(StandardCharsets.US_ASCII);
    return ByteWriter.bigEnd()
        .int32(type)
        .int32(mime.length)
        .bytes(mime)
        .int32(description.length)
        .bytes(description)
        .int32(picture.width())
        .int32(picture.height())
        .int32(picture.bitsPerPixel())
        .int32(0)
        .int32(picture.bytes().length)
        .bytes(picture.bytes())
        .toBytes();
  }
}
