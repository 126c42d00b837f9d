package tenterhook.adapters.tagfile;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Collections;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.core.field.Artwork;

/** Tells what a picture is by its bytes. */
public final class ArtworkImages {
  /** The longer side of a small picture, in pixels. */
  public static final int SMALL_SIDE = 192;

  /** No picture that is larger is read as a cover. */
  public static final long MOST_BYTES = 20_000_000;

  private static final int PNG_HEAD = 24;
  private static final int REMEMBERED = 16;
  private static final int MOST_REMEMBERED = 1 << 20;
  private static final Map<Long, Known> RECENT = Collections.synchronizedMap(new Recent());

  private ArtworkImages() {}

  /** A picture of late, with what it is: the tracks of an album mostly have the same one. */
  private record Known(byte[] bytes, Artwork artwork) {}

  private static final class Recent extends LinkedHashMap<Long, Known> {
    Recent() {
      super(REMEMBERED, 0.75f, true);
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<Long, Known> eldest) {
      return size() > REMEMBERED;
    }
  }

  /**
   * Describes a picture. One that cannot be read has width and height 0.
   *
   * @param bytes the picture; not to be changed afterwards
   */
  public static Artwork describe(byte[] bytes) {
    if (bytes.length > MOST_REMEMBERED) {
      return described(bytes);
    }
    CRC32 crc = new CRC32();
    crc.update(bytes);
    long key = crc.getValue() << 32 | bytes.length;
    Known known = RECENT.get(key);
    if (known != null && Arrays.equals(known.bytes(), bytes)) {
      return known.artwork();
    }
    Artwork artwork = described(bytes);
    RECENT.put(key, new Known(bytes, artwork));
    return artwork;
  }

  private static Artwork described(byte[] bytes) {
    String mime = mime(bytes);
    Size size =
        switch (mime) {
          case "image/png" -> ofPng(bytes);
          case "image/jpeg" -> ofJpeg(bytes);
          default -> ofOther(bytes);
        };
    return new Artwork(sha256(bytes), size.width(), size.height(), bytes.length, mime);
  }

  /** Width and height in pixels; 0 when unknown. */
  private record Size(int width, int height) {
    static final Size UNKNOWN = new Size(0, 0);
  }

  /** The first chunk of PNG says it (ISO 15948, 11.2.2). */
  private static Size ofPng(byte[] bytes) {
    ByteBuffer in = ByteBuffer.wrap(bytes);
    return bytes.length < PNG_HEAD
        ? Size.UNKNOWN
        : new Size(Math.max(0, in.getInt(16)), Math.max(0, in.getInt(20)));
  }

  /**
   * The frame header of JPEG says it (ITU-T T.81, B.2.2): much sooner known than by a reader, which
   * counts where a hundred thousand pictures are looked at.
   */
  private static Size ofJpeg(byte[] bytes) {
    ByteBuffer in = ByteBuffer.wrap(bytes);
    int at = 2;
    while (at + 9 <= bytes.length && bytes[at] == -1) {
      int marker = bytes[at + 1] & 0xFF;
      boolean frame = marker >= 0xC0 && marker <= 0xCF;
      if (frame && marker != 0xC4 && marker != 0xC8 && marker != 0xCC) {
        return new Size(in.getShort(at + 7) & 0xFFFF, in.getShort(at + 5) & 0xFFFF);
      }
      boolean filler = marker == 0xFF;
      at += filler ? 1 : 2 + (in.getShort(at + 2) & 0xFFFF);
    }
    return Size.UNKNOWN;
  }

  private static Size ofOther(byte[] bytes) {
    try (ImageInputStream in =
        new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) { // no file beside it
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        return Size.UNKNOWN;
      }
      ImageReader reader = readers.next();
      reader.setInput(in);
      Size size = new Size(reader.getWidth(0), reader.getHeight(0));
      reader.dispose();
      return size;
    } catch (IOException | RuntimeException broken) {
      return Size.UNKNOWN;
    }
  }

  /**
   * A picture brought down to a size, on white where it is open; always the same bytes for the same
   * picture.
   *
   * @param bytes of any form that the runtime reads
   * @param most pixels of the longer side
   * @return a JPEG; empty when it cannot be read
   */
  public static Optional<byte[]> reduced(byte[] bytes, int most) {
    try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        return Optional.empty();
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in);
        ImageReadParam param = reader.getDefaultReadParam();
        int longer = Math.max(reader.getWidth(0), reader.getHeight(0));
        int step = Math.max(1, longer / (2 * most)); // no more than is needed in memory
        param.setSourceSubsampling(step, step, 0, 0);
        return Optional.of(jpeg(scaled(reader.read(0, param), most)));
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException broken) {
      return Optional.empty();
    }
  }

  private static BufferedImage scaled(BufferedImage picture, int most) {
    double by = Math.min(1, most / (double) Math.max(picture.getWidth(), picture.getHeight()));
    int width = Math.max(1, (int) Math.round(picture.getWidth() * by));
    int height = Math.max(1, (int) Math.round(picture.getHeight() * by));
    BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = small.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    pen.setColor(Color.WHITE); // what a picture leaves open
    pen.fillRect(0, 0, width, height);
    pen.drawImage(picture, 0, 0, width, height, null);
    pen.dispose();
    return small;
  }

  private static byte[] jpeg(BufferedImage picture) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    if (!ImageIO.write(picture, "jpeg", out)) {
      throw new IOException("this runtime writes no JPEG");
    }
    return out.toByteArray();
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
