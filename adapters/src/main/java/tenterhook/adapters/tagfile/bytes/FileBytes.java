package tenterhook.adapters.tagfile.bytes;

import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;

/** Reads parts of a file. What a header claims is held against what is there before it is read. */
public final class FileBytes implements Closeable {
  private static final int WINDOW = 1 << 12;
  private static final int MOST = 1 << 29;

  private final FileChannel channel;
  private final long length;
  private byte[] window = new byte[0];
  private long windowFrom;

  private FileBytes(FileChannel channel) throws IOException {
    this.channel = channel;
    this.length = channel.size();
  }

  /**
   * Opens a file for reading.
   *
   * @throws IOException when it cannot be opened
   */
  public static FileBytes open(Path file) throws IOException {
    return new FileBytes(FileChannel.open(file, StandardOpenOption.READ));
  }

  /** The file's length. */
  public long length() {
    return length;
  }

  /**
   * A part of the file.
   *
   * @throws Malformed when not all of it is there
   * @throws IOException when it cannot be read
   */
  public byte[] read(long from, long count) throws IOException {
    if (from < 0 || count < 0 || count > MOST || from > length - count) {
      throw Malformed.cut("a part of the file", count, Math.clamp(length - from, 0, count));
    }
    byte[] bytes = new byte[(int) count];
    if (count <= WINDOW) {
      look(from, (int) count);
      System.arraycopy(window, (int) (from - windowFrom), bytes, 0, bytes.length);
    } else {
      fill(ByteBuffer.wrap(bytes), from);
    }
    return bytes;
  }

  /** Brings a part into the window, unless it is there. */
  private void look(long from, int count) throws IOException {
    if (from < windowFrom || from + count > windowFrom + window.length) {
      byte[] next = new byte[(int) Math.min(WINDOW, length - from)];
      fill(ByteBuffer.wrap(next), from);
      window = next;
      windowFrom = from;
    }
  }

  private void fill(ByteBuffer into, long from) throws IOException {
    long at = from;
    while (into.hasRemaining()) {
      int got = channel.read(into, at);
      if (got < 0) {
        throw new EOFException("the file became shorter while it was read");
      }
      at += got;
    }
  }

  /**
   * A part of the file as a buffer, big end first.
   *
   * @throws Malformed when not all of it is there
   */
  public ByteBuffer buffer(long from, long count) throws IOException {
    return ByteBuffer.wrap(read(from, count));
  }

  /** The letters at a place; fewer, or none, where the file ends. */
  public String letters(long from, int count) throws IOException {
    long there = Math.clamp(length - from, 0, count);
    return from < 0 ? "" : new String(read(from, there), StandardCharsets.ISO_8859_1);
  }

  /**
   * Takes a part into a digest.
   *
   * @throws Malformed when not all of it is there
   */
  public void digest(ByteSpan span, MessageDigest digest) throws IOException {
    long at = span.from();
    int piece = 1 << 16;
    while (at < span.to()) {
      byte[] bytes = read(at, Math.min(piece, span.to() - at));
      digest.update(bytes);
      at += bytes.length;
    }
  }

  @Override
  public void close() throws IOException {
    channel.close();
  }
}
