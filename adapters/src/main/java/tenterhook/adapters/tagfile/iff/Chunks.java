package tenterhook.adapters.tagfile.iff;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.Padding;

/**
 * The chunks of a file: four letters, a length, content, and a byte more where the length is odd.
 * RIFF has the little end of numbers first (Multimedia Programming Interface, 1991), AIFF the big
 * one (AIFF 1.3, 1989).
 */
final class Chunks {
  private static final int FIRST = 12;
  private static final int MOST = 100_000;
  private static final long UNKNOWN = 0xFFFFFFFFL;

  private final ByteOrder order;
  private final List<Chunk> all;
  private final long end;

  private Chunks(ByteOrder order, List<Chunk> all, long end) {
    this.order = order;
    this.all = all;
    this.end = end;
  }

  /**
   * Reads the heads of all chunks.
   *
   * @param sound the letters of the chunk that sounds, which may be cut off
   * @param soundLength the length of that chunk where its head does not say it
   * @throws Malformed when another chunk is longer than the file
   * @throws IOException when the file cannot be read
   */
  static Chunks read(FileBytes in, ByteOrder order, String sound, long soundLength)
      throws IOException {
    List<Chunk> all = new ArrayList<>();
    long declared = FIRST - 4 + unsigned(in, 4, order);
    long at = FIRST;
    while (at + Chunk.HEAD <= in.length()) {
      String id = in.letters(at, 4);
      long size = unsigned(in, at + 4, order);
      long there = in.length() - at - Chunk.HEAD;
      if (id.equals(sound)) {
        long known = size == UNKNOWN ? soundLength : size;
        size = Math.min(known, there);
      } else if (!printable(id) || size > there && at >= declared) {
        break; // what stands behind the last chunk belongs to nobody here
      } else if (size > there) {
        throw Malformed.cut("the part \"" + id + "\" of it", size, there);
      }
      long to = at + Chunk.HEAD + size;
      long next = to < in.length() && padded(in, to, size) ? to + 1 : to;
      all.add(new Chunk(id, at, to, next));
      at = next;
      if (all.size() > MOST) {
        throw new Malformed("it is said to have more parts than any program writes");
      }
    }
    // what is no chunk, but within the length that the head says, stays within it
    return new Chunks(
        order, List.copyOf(all), declared > in.length() ? at : Math.max(at, declared));
  }

  /** Some programs leave the byte out that makes a length even. */
  private static boolean padded(FileBytes in, long to, long size) throws IOException {
    return (size & 1) == 1 && (in.read(to, 1)[0] == 0 || !printable(in.letters(to, 4)));
  }

  private static boolean printable(String id) {
    return id.length() == 4 && id.chars().allMatch(c -> c >= ' ' && c <= '~') && !id.isBlank();
  }

  static long unsigned(FileBytes in, long at, ByteOrder order) throws IOException {
    return Integer.toUnsignedLong(in.buffer(at, 4).order(order).getInt());
  }

  List<Chunk> all() {
    return all;
  }

  Optional<Chunk> first(String id) {
    return all.stream().filter(c -> c.is(id)).findFirst();
  }

  /** A chunk as bytes, its length even. */
  byte[] chunk(String id, byte[] content) {
    return new ByteWriter(order)
        .letters(id)
        .int32(content.length)
        .bytes(content)
        .zeros(content.length & 1)
        .toBytes();
  }

  /** A chunk with another content; a filler behind it takes or gives what that needs. */
  Splice replaced(Chunk old, byte[] content) {
    byte[] made = chunk(old.id(), content);
    int behind = all.indexOf(old) + 1;
    boolean filler = behind < all.size() && all.get(behind).isFiller();
    long end = filler ? all.get(behind).next() : old.next();
    long left = end - old.at() - made.length;
    if (left >= Chunk.HEAD && (left & 1) == 0 && behind < all.size() && Padding.keeps(left)) {
      byte[] filled = chunk("JUNK", new byte[(int) left - Chunk.HEAD]);
      return new Splice(old.at(), end, new ByteWriter(order).bytes(made).bytes(filled).toBytes());
    }
    return left == 0 ? new Splice(old.at(), end, made) : new Splice(old.at(), old.next(), made);
  }

  /** Nothing in the place of a chunk. */
  static Splice removed(Chunk old) {
    return new Splice(old.at(), old.next(), new byte[0]);
  }

  /** A chunk behind the last one. */
  Splice appended(String id, byte[] content) {
    long last = all.isEmpty() ? FIRST : all.getLast().next();
    byte[] made = chunk(id, content);
    ByteWriter out = new ByteWriter(order).zeros((int) (last & 1)).bytes(made);
    return new Splice(last, last, out.toBytes());
  }

  /**
   * The length of all chunks behind the first eight bytes of the file, once some have changed.
   *
   * @param splices what changes
   */
  long length(List<Splice> splices) {
    return end - Chunk.HEAD + splices.stream().mapToLong(Splice::growth).sum();
  }

  /**
   * The length in the head of the file.
   *
   * @throws Malformed when the head has no room for it
   */
  Splice headed(long length) throws Malformed {
    if (length >= UNKNOWN) {
      throw new Malformed("it would be larger than the 4 GB that its format can say");
    }
    return new Splice(4, 8, ByteBuffer.allocate(4).order(order).putInt((int) length).array());
  }

  /** The letters of content. */
  static String letters(byte[] content, int from) {
    return new String(content, from, 4, StandardCharsets.ISO_8859_1);
  }
}
