package tenterhook.backstage.disk;

import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Optional;

/**
 * What turns a rewritten file back into what it was, to the byte: pieces of the new file, pieces of
 * a picture that is kept elsewhere, and what is in neither. Since a rewrite leaves what sounds as
 * it is, that is little: tags and tables of offsets. Pieces are found by growing a match around a
 * short probe, then left and right of it.
 */
public final class ByteDelta {
  private static final int HASH = 32;
  private static final int LITERAL = 0;
  private static final int NOW = 1;
  private static final int PICTURE = 2;
  private static final int PROBE = 16;
  private static final int LEAST = 24;
  private static final int BLOCK = 1 << 16;

  /** In which order the eighths of a stretch are probed. */
  private static final int[] ORDER = {4, 2, 6, 1, 3, 5, 7};

  private final MemorySegment old;
  private final MemorySegment now;
  private final MemorySegment picture;
  private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
  private final DataOutputStream out = new DataOutputStream(bytes);

  private ByteDelta(MemorySegment old, MemorySegment now, MemorySegment picture) {
    this.old = old;
    this.now = now;
    this.picture = picture;
  }

  /**
   * The way back.
   *
   * @param before the file as it was
   * @param after the file as it is to be
   * @param picture bytes that are kept elsewhere, such as the old cover; may be empty
   * @throws IOException when one cannot be read
   */
  public static byte[] of(Path before, Path after, byte[] picture) throws IOException {
    try (Arena arena = Arena.ofConfined()) {
      ByteDelta delta =
          new ByteDelta(map(before, arena), map(after, arena), MemorySegment.ofArray(picture));
      delta.out.write(hash(after));
      delta.out.write(hash(before));
      delta.pieces(NOW, 0, delta.old.byteSize(), 0, delta.now.byteSize());
      return delta.bytes.toByteArray();
    }
  }

  private static MemorySegment map(Path file, Arena arena) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      return channel.map(FileChannel.MapMode.READ_ONLY, 0, channel.size(), arena);
    }
  }

  private static byte[] hash(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      ByteBuffer block = ByteBuffer.allocate(BLOCK);
      while (channel.read(block) >= 0) {
        digest.update(block.flip());
        block.clear();
      }
      return digest.digest();
    } catch (NoSuchAlgorithmException impossible) {
      throw new IllegalStateException("every Java has SHA-256", impossible);
    }
  }

  private MemorySegment source(int kind) {
    return kind == NOW ? now : picture;
  }

  /** Describes a stretch of the old file by a stretch of a source. */
  private void pieces(int kind, long from, long to, long low, long high) throws IOException {
    MemorySegment source = source(kind);
    long head = common(from, to, source, low, high);
    piece(kind, from, low, head);
    long tail = commonEnd(from + head, to, source, low + head, high);
    long left = from + head;
    long right = to - tail;
    if (left < right) {
      split(kind, left, right, low + head, high - tail);
    }
    piece(kind, right, high - tail, tail);
  }

  /** Grows a match inside a stretch whose ends differ, and goes on left and right of it. */
  private void split(int kind, long from, long to, long low, long high) throws IOException {
    MemorySegment source = source(kind);
    long length = to - from;
    for (int n = 0; n < ORDER.length && length >= LEAST; n++) {
      long at = from + (length - PROBE) * ORDER[n] / 8;
      long found = find(at, from, to, source, low, high);
      if (found >= 0) {
        long before = commonEnd(from, at, source, low, found);
        long after = common(at, to, source, found, high);
        if (before + after >= LEAST) {
          pieces(kind, from, at - before, low, found - before);
          piece(kind, at - before, found - before, before + after);
          pieces(kind, at + after, to, found + after, high);
          return;
        }
      }
    }
    if (kind == NOW && length >= LEAST && picture.byteSize() > 0) {
      pieces(PICTURE, from, to, 0, picture.byteSize());
    } else {
      literal(from, length);
    }
  }

  /** Where a probe of the old file is in a source: as far from an end as it was, or anywhere. */
  private long find(long at, long from, long to, MemorySegment source, long low, long high) {
    long fromStart = low + (at - from);
    long fromEnd = high - (to - at);
    if (probed(at, source, fromStart, low, high)) {
      return fromStart;
    }
    if (probed(at, source, fromEnd, low, high)) {
      return fromEnd;
    }
    long first = old.get(ValueLayout.JAVA_LONG_UNALIGNED, at);
    for (long i = low; i + PROBE <= high; i++) {
      if (source.get(ValueLayout.JAVA_LONG_UNALIGNED, i) == first
          && probed(at, source, i, low, high)) {
        return i;
      }
    }
    return -1;
  }

  private boolean probed(long at, MemorySegment source, long where, long low, long high) {
    return where >= low
        && where + PROBE <= high
        && MemorySegment.mismatch(old, at, at + PROBE, source, where, where + PROBE) == -1;
  }

  private long common(long from, long to, MemorySegment source, long low, long high) {
    long most = Math.min(to - from, high - low);
    long differs = MemorySegment.mismatch(old, from, from + most, source, low, low + most);
    return differs == -1 ? most : differs;
  }

  private long commonEnd(long from, long to, MemorySegment source, long low, long high) {
    long most = Math.min(to - from, high - low);
    long same = 0;
    while (same + BLOCK <= most
        && MemorySegment.mismatch(
                old, to - same - BLOCK, to - same, source, high - same - BLOCK, high - same)
            == -1) {
      same += BLOCK;
    }
    while (same < most
        && old.get(ValueLayout.JAVA_BYTE, to - same - 1)
            == source.get(ValueLayout.JAVA_BYTE, high - same - 1)) {
      same++;
    }
    return same;
  }

  private void piece(int kind, long from, long at, long length) throws IOException {
    if (length >= LEAST) {
      out.writeByte(kind);
      out.writeLong(at);
      out.writeLong(length);
    } else if (length > 0) {
      literal(from, length);
    }
  }

  private void literal(long from, long length) throws IOException {
    if (length > 0) {
      out.writeByte(LITERAL);
      out.writeLong(length);
      for (long done = 0; done < length; done += BLOCK) {
        long part = Math.min(BLOCK, length - done);
        out.write(old.asSlice(from + done, part).toArray(ValueLayout.JAVA_BYTE));
      }
    }
  }

  /**
   * Makes the old file again.
   *
   * @param delta made by {@link #of}
   * @param file the file as it is now
   * @param picture the same bytes as then
   * @param target gets the old file
   * @return false when the file is no longer what the delta was made of; nothing is written then
   * @throws IOException when the disk refuses, or the result is not the old file
   */
  public static boolean restore(byte[] delta, Path file, Optional<byte[]> picture, Path target)
      throws IOException {
    if (!Arrays.equals(hash(file), 0, HASH, delta, 0, HASH)) {
      return false;
    }
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(delta));
    in.skipNBytes(2L * HASH);
    try (Arena arena = Arena.ofConfined();
        OutputStream out = new BufferedOutputStream(Files.newOutputStream(target), BLOCK)) {
      MemorySegment now = map(file, arena);
      MemorySegment kept = MemorySegment.ofArray(picture.orElse(new byte[0]));
      while (in.available() > 0) {
        int kind = in.readByte();
        if (kind == LITERAL) {
          out.write(in.readNBytes(Math.toIntExact(in.readLong())));
        } else {
          copy(kind == NOW ? now : kept, in.readLong(), in.readLong(), out);
        }
      }
    } catch (IndexOutOfBoundsException pictureGone) {
      throw new IOException("what the old file was made of is no longer kept", pictureGone);
    }
    if (!Arrays.equals(hash(target), 0, HASH, delta, HASH, 2 * HASH)) {
      throw new IOException("the old file could not be made again to the byte");
    }
    return true;
  }

  private static void copy(MemorySegment source, long from, long length, OutputStream out)
      throws IOException {
    for (long done = 0; done < length; done += BLOCK) {
      long part = Math.min(BLOCK, length - done);
      out.write(source.asSlice(from + done, part).toArray(ValueLayout.JAVA_BYTE));
    }
  }
}
