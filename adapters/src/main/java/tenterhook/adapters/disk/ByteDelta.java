package tenterhook.adapters.disk;

import java.io.BufferedInputStream;
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
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Optional;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;

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
  private static final int PIECE = 3;

  /** Literals from this length on are cut into pieces that several deltas may share. */
  private static final int WORTH_SHARING = 4096;

  private static final int PROBE = 16;
  private static final int LEAST = 24;
  private static final int BLOCK = 1 << 16;
  private static final long SPREAD = 0x9E3779B97F4A7C15L;
  private static final long MASK = 0x3FFFL << 40;
  private static final int MOST_PIECE = 1 << 16;

  /** In which order the eighths of a stretch are probed. */
  private static final int[] ORDER = {4, 2, 6, 1, 3, 5, 7};

  private static final Pieces NO_PIECES =
      new Pieces() {
        @Override
        public void keep(String sha256, byte[] piece) {
          throw new IllegalStateException("nothing is to be kept here");
        }

        @Override
        public Optional<byte[]> piece(String sha256) {
          return Optional.empty();
        }
      };

  private final MemorySegment old;
  private final MemorySegment now;
  private final MemorySegment picture;
  private final Pieces pieces;
  private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
  private final DataOutputStream out = new DataOutputStream(bytes);
  private long expected;

  private ByteDelta(MemorySegment old, MemorySegment now, MemorySegment picture, Pieces pieces) {
    this.old = old;
    this.now = now;
    this.picture = picture;
    this.pieces = pieces;
  }

  /** Keeps stretches of files that several deltas may need, each once. */
  public interface Pieces {
    /** Keeps a piece; one that is kept already costs nothing. */
    void keep(String sha256, byte[] piece);

    /** A kept piece. */
    Optional<byte[]> piece(String sha256);
  }

  /**
   * The way from one state of a file back to another.
   *
   * @param after SHA-256 of the file that it starts from
   * @param before SHA-256 of the file that it leads to
   * @param body what {@link #restore} needs
   */
  public record Patch(String after, String before, byte[] body) {}

  /**
   * The way back.
   *
   * @param before the file as it was
   * @param after the file as it is to be
   * @param picture bytes that are kept elsewhere, such as the old cover; may be empty
   * @param pieces gets stretches that are in none of these
   * @throws IOException when one cannot be read
   */
  public static Patch of(Path before, Path after, byte[] picture, Pieces pieces)
      throws IOException {
    try (Arena arena = Arena.ofConfined()) {
      ByteDelta delta =
          new ByteDelta(
              map(before, arena), map(after, arena), MemorySegment.ofArray(picture), pieces);
      delta.pieces(NOW, 0, delta.old.byteSize(), 0, delta.now.byteSize());
      return new Patch(SafeFiles.hash(after), SafeFiles.hash(before), deflated(delta.bytes));
    } catch (InternalError diskGone) {
      throw new IOException("the disk could not be read any more", diskGone);
    }
  }

  /**
   * A way back as the program wrote it before it shared pieces: both hashes, then pieces of fixed
   * width, not compressed.
   *
   * @throws IOException when it is damaged
   */
  public static Patch fromFirstForm(byte[] first) throws IOException {
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(first));
    String after = HexFormat.of().formatHex(in.readNBytes(HASH));
    String before = HexFormat.of().formatHex(in.readNBytes(HASH));
    MemorySegment none = MemorySegment.ofArray(new byte[0]);
    ByteDelta delta = new ByteDelta(none, none, none, NO_PIECES);
    while (in.available() > 0) {
      int kind = in.readByte();
      if (kind == LITERAL) {
        byte[] literal = in.readNBytes(Math.toIntExact(in.readLong()));
        delta.out.writeByte(LITERAL);
        delta.number(literal.length);
        delta.out.write(literal);
      } else {
        delta.piece(kind, 0, in.readLong(), in.readLong());
      }
    }
    return new Patch(after, before, deflated(delta.bytes));
  }

  private static byte[] deflated(ByteArrayOutputStream bytes) throws IOException {
    ByteArrayOutputStream small = new ByteArrayOutputStream();
    try (DeflaterOutputStream packed =
        new DeflaterOutputStream(small, new Deflater(Deflater.BEST_COMPRESSION, true))) {
      bytes.writeTo(packed);
    }
    return small.toByteArray();
  }

  private static MemorySegment map(Path file, Arena arena) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      return channel.map(FileChannel.MapMode.READ_ONLY, 0, channel.size(), arena);
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
      number(zigzag(at - expected));
      number(length);
      expected = at + length;
    } else if (length > 0) {
      literal(from, length);
    }
  }

  private static long zigzag(long value) {
    return value << 1 ^ value >> 63;
  }

  private void number(long value) throws IOException {
    long left = value;
    while ((left & ~127L) != 0) {
      out.writeByte((int) (left & 127 | 128));
      left >>>= 7;
    }
    out.writeByte((int) left);
  }

  private void literal(long from, long length) throws IOException {
    long at = from;
    while (from + length - at >= WORTH_SHARING) {
      long end = cut(at, from + length);
      byte[] piece = old.asSlice(at, end - at).toArray(ValueLayout.JAVA_BYTE);
      byte[] sha256 = SafeFiles.newDigest().digest(piece);
      pieces.keep(HexFormat.of().formatHex(sha256), piece);
      out.writeByte(PIECE);
      out.write(sha256);
      at = end;
    }
    long rest = from + length - at;
    if (rest > 0) {
      out.writeByte(LITERAL);
      number(rest);
      out.write(old.asSlice(at, rest).toArray(ValueLayout.JAVA_BYTE));
    }
  }

  /**
   * Where a piece ends: where a rolling sum of its last bytes says so, wherever it lies, so that a
   * cover is cut alike in every file (content-defined chunking; Muthitacharoen and others, "A
   * low-bandwidth network file system", 2001). Pieces have 4 to 64 kB, about 16 on average.
   */
  private long cut(long from, long to) {
    long sum = 0;
    for (long at = from; at < to; at++) {
      sum = (sum << 1) + SPREAD * (old.get(ValueLayout.JAVA_BYTE, at) + 129);
      boolean ends = (sum & MASK) == 0 && at - from >= WORTH_SHARING;
      if (ends || at - from >= MOST_PIECE) {
        return at + 1;
      }
    }
    return to;
  }

  /**
   * Makes the old file again.
   *
   * @param patch made by {@link #of}
   * @param file the file as it is now
   * @param picture the same bytes as then
   * @param pieces the same as then
   * @param target gets the old file
   * @return false when the file is no longer what the patch starts from; nothing is written then
   * @throws IOException when the disk refuses, or the result is not the old file
   */
  public static boolean restore(
      Patch patch, Path file, Optional<byte[]> picture, Pieces pieces, Path target)
      throws IOException {
    if (!SafeFiles.hash(file).equals(patch.after())) {
      return false;
    }
    try (Arena arena = Arena.ofConfined();
        DataInputStream in = inflated(patch.body());
        OutputStream out = new BufferedOutputStream(Files.newOutputStream(target), BLOCK)) {
      MemorySegment now = map(file, arena);
      MemorySegment kept = MemorySegment.ofArray(picture.orElse(new byte[0]));
      rebuild(in, now, kept, pieces, out);
    } catch (IndexOutOfBoundsException pictureGone) {
      throw new IOException("what the old file was made of is no longer kept", pictureGone);
    } catch (InternalError diskGone) {
      throw new IOException("the disk could not be read any more", diskGone);
    }
    if (!SafeFiles.hash(target).equals(patch.before())) {
      throw new IOException("the old file could not be made again to the byte");
    }
    return true;
  }

  private static void rebuild(
      DataInputStream in, MemorySegment now, MemorySegment kept, Pieces pieces, OutputStream out)
      throws IOException {
    long expected = 0;
    for (int kind = in.read(); kind >= 0; kind = in.read()) {
      switch (kind) {
        case LITERAL -> out.write(in.readNBytes(Math.toIntExact(number(in))));
        case PIECE -> {
          String sha256 = HexFormat.of().formatHex(in.readNBytes(HASH));
          out.write(
              pieces
                  .piece(sha256)
                  .orElseThrow(
                      () -> new IOException("what the old file was made of is no longer kept")));
        }
        default -> {
          long gap = number(in);
          long at = expected + (gap >>> 1 ^ -(gap & 1));
          long length = number(in);
          copy(kind == NOW ? now : kept, at, length, out);
          expected = at + length;
        }
      }
    }
  }

  /** The pieces that a patch needs, by their hashes. */
  public static Set<String> piecesOf(byte[] body) throws IOException {
    Set<String> pieces = new HashSet<>();
    try (DataInputStream in = inflated(body)) {
      for (int kind = in.read(); kind >= 0; kind = in.read()) {
        switch (kind) {
          case LITERAL -> in.skipNBytes(number(in));
          case PIECE -> pieces.add(HexFormat.of().formatHex(in.readNBytes(HASH)));
          default -> {
            number(in);
            number(in);
          }
        }
      }
    }
    return pieces;
  }

  private static DataInputStream inflated(byte[] body) {
    return new DataInputStream(
        new BufferedInputStream(
            new InflaterInputStream(new ByteArrayInputStream(body), new Inflater(true))));
  }

  private static long number(DataInputStream in) throws IOException {
    long value = 0;
    for (int shift = 0; shift < 64; shift += 7) {
      int next = in.readUnsignedByte();
      value |= (long) (next & 127) << shift;
      if (next < 128) {
        return value;
      }
    }
    throw new IOException("the way back is damaged");
  }

  private static void copy(MemorySegment source, long from, long length, OutputStream out)
      throws IOException {
    for (long done = 0; done < length; done += BLOCK) {
      long part = Math.min(BLOCK, length - done);
      out.write(source.asSlice(from + done, part).toArray(ValueLayout.JAVA_BYTE));
    }
  }
}
