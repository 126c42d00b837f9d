package tenterhook.adapters.tagfile;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HexFormat;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.core.field.Artwork;

/** Tells what a picture is by its bytes. */
public final class ArtworkImages {
  private ArtworkImages() {}

  /**
   * Describes a picture. One that cannot be read has width and height 0.
   *
   * @param bytes the picture
   */
  public static Artwork describe(byte[] bytes) {
    int width = 0;
    int height = 0;
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (readers.hasNext()) {
        ImageReader reader = readers.next();
        reader.setInput(in);
        width = reader.getWidth(0);
        height = reader.getHeight(0);
        reader.dispose();
      }
    } catch (IOException | RuntimeException broken) {
      width = 0;
      height = 0;
    }
    return new Artwork(sha256(bytes), width, height, bytes.length, mime(bytes));
  }

  /** The media type by the first bytes. */
  static String mime(byte[] bytes) {
    if (bytes.length > 3 && (bytes[0] & 0xFF) == 0xFF && (bytes[1] & 0xFF) == 0xD8) {
      return "image/jpeg";
    }
    if (bytes.length > 3 && (bytes[0] & 0xFF) == 0x89 && bytes[1] == 'P') {
      return "image/png";
    }
    return bytes.length > 3 && bytes[0] == 'G' && bytes[1] == 'I'
        ? "image/gif"
        : "application/octet-stream";
  }

  /** Lower-case hex SHA-256. */
  public static String sha256(byte[] bytes) {
    return HexFormat.of().formatHex(SafeFiles.newDigest().digest(bytes));
  }
}
