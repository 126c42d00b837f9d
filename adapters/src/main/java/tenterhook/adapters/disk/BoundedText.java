package tenterhook.adapters.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** Reads texts that come from outside: never more than a bound, and only from plain files. */
public final class BoundedText {
  private BoundedText() {}

  /**
   * Reads a text. UTF-8; what is none is Latin-1, which can hold any byte.
   *
   * @param most bytes
   * @throws IOException when it is longer, no plain file, or cannot be read
   */
  public static String read(Path file, long most) throws IOException {
    byte[] bytes = bytes(file, most);
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException older) {
      return new String(bytes, StandardCharsets.ISO_8859_1);
    }
  }

  /**
   * Reads bytes.
   *
   * @param most how many at the most
   * @throws IOException when there are more, it is no plain file, or cannot be read
   */
  public static byte[] bytes(Path file, long most) throws IOException {
    if (!Files.exists(file)) {
      throw new java.nio.file.NoSuchFileException(file.toString());
    }
    if (!Files.isRegularFile(file)) {
      throw new IOException(file + " is no file; it was not read");
    }
    try (InputStream in = Files.newInputStream(file)) {
      byte[] bytes = in.readNBytes((int) Math.min(Integer.MAX_VALUE - 8L, most + 1));
      if (bytes.length > most) {
        throw new IOException(
            file.getFileName() + " is longer than " + (most >> 20) + " MB; it was not read");
      }
      return bytes;
    }
  }
}
