package tenterhook.core.track;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import org.roaringbitmap.buffer.ImmutableRoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * A snapshot as bytes, column by column, which is read back many times quicker than it could be
 * made of single values. Not meant to be read by another version of the program: whoever keeps it
 * gives it a stamp, and gets nothing when the stamp is another.
 */
public final class SnapshotImage {
  /** Grows with every change of the form, and of how computed fields are computed. */
  private static final int FORM = 1;

  private static final int BLOCK = 1024;

  private SnapshotImage() {}

  /**
   * Writes a snapshot.
   *
   * @param stamp says of what moment it is
   * @param out gets the bytes, part by part, each ready to be read
   */
  public static void write(Snapshot snapshot, String stamp, Consumer<ByteBuffer> out) {
    put(head(stamp).getBytes(StandardCharsets.UTF_8), out);
    for (RoaringBitmap set : List.of(snapshot.known(), snapshot.tracks(), snapshot.held())) {
      set.runOptimize();
      ByteBuffer bytes = ByteBuffer.allocate(set.serializedSizeInBytes());
      set.serialize(bytes);
      put(bytes.array(), out);
    }
    for (Field<?> field : Fields.all()) {
      Column column = snapshot.column(field);
      put(column.dictionary(), out);
      put(column.blocks(), out);
    }
  }

  /** The fields belong to the stamp: another catalogue has other columns. */
  private static String head(String stamp) {
    return FORM + "\n" + Fields.version() + "\n" + Fields.all() + "\n" + stamp;
  }

  private static void put(byte[] bytes, Consumer<ByteBuffer> out) {
    put(bytes.length, out);
    out.accept(ByteBuffer.wrap(bytes));
  }

  private static void put(int number, Consumer<ByteBuffer> out) {
    out.accept(ByteBuffer.allocate(Integer.BYTES).putInt(number).flip());
  }

  private static void put(Dictionary dictionary, Consumer<ByteBuffer> out) {
    int size = dictionary.size();
    PackedTexts texts = dictionary.texts();
    ByteBuffer ends = ByteBuffer.allocate(size * Integer.BYTES);
    for (int number = 0; number < size; number++) {
      ends.putInt(texts.to(number));
    }
    put(ends.array(), out);
    int length = texts.to(size - 1);
    put(length, out);
    out.accept(ByteBuffer.wrap(texts.bytes(), 0, length));
    Map<Integer, String> unwritable = Map.copyOf(texts.unwritable());
    put(unwritable.size(), out);
    unwritable.forEach(
        (number, text) -> {
          put(number, out);
          ByteBuffer letters = ByteBuffer.allocate(text.length() * Character.BYTES);
          letters.asCharBuffer().put(text);
          put(letters.array(), out);
        });
  }

  private static void put(int[][] blocks, Consumer<ByteBuffer> out) {
    put(blocks.length, out);
    for (int[] block : blocks) {
      int width = width(block);
      ByteBuffer packed = ByteBuffer.allocate(1 + Math.max(Integer.BYTES, BLOCK * width));
      packed.put((byte) width);
      if (width == 0) {
        packed.putInt(block[0]);
      }
      for (int i = 0; width > 0 && i < BLOCK; i++) {
        switch (width) {
          case Byte.BYTES -> packed.put((byte) block[i]);
          case Short.BYTES -> packed.putShort((short) block[i]);
          default -> packed.putInt(block[i]);
        }
      }
      out.accept(packed.flip());
    }
  }

  /** Bytes a number; 0 where all are the same. */
  private static int width(int[] block) {
    int most = 0;
    boolean same = true;
    for (int number : block) {
      most = Math.max(most, number);
      same &= number == block[0];
    }
    if (same) {
      return 0;
    }
    return most < 1 << Byte.SIZE ? Byte.BYTES : most < 1 << Short.SIZE ? Short.BYTES : 4;
  }

  /**
   * Reads a snapshot back.
   *
   * @param bytes what {@link #write} wrote, unaltered
   * @param stamp as it was written
   * @return empty when it was written under another stamp, by another version or for other fields
   * @throws java.nio.BufferUnderflowException when bytes are missing
   */
  public static Optional<Snapshot> read(ByteBuffer bytes, String stamp) {
    byte[] head = head(stamp).getBytes(StandardCharsets.UTF_8);
    if (bytes.remaining() < head.length || !ByteBuffer.wrap(head).equals(next(bytes))) {
      return Optional.empty();
    }
    RoaringBitmap[] sets = new RoaringBitmap[3];
    for (int i = 0; i < sets.length; i++) {
      sets[i] = new ImmutableRoaringBitmap(next(bytes)).toRoaringBitmap();
    }
    Column[] columns = new Column[Fields.all().size()];
    for (int i = 0; i < columns.length; i++) {
      columns[i] = new Column(new Dictionary(texts(bytes)), blocks(bytes));
    }
    return Optional.of(new Snapshot(columns, sets[0], sets[1], sets[2]));
  }

  private static ByteBuffer next(ByteBuffer bytes) {
    int length = bytes.getInt();
    ByteBuffer part = bytes.slice(bytes.position(), length);
    bytes.position(bytes.position() + length);
    return part;
  }

  private static PackedTexts texts(ByteBuffer bytes) {
    ByteBuffer written = next(bytes);
    int[] ends = new int[written.remaining() / Integer.BYTES];
    written.asIntBuffer().get(ends);
    byte[] packed = new byte[bytes.getInt()];
    bytes.get(packed);
    PackedTexts texts = new PackedTexts(packed, ends, ends.length);
    for (int left = bytes.getInt(); left > 0; left--) {
      int number = bytes.getInt();
      texts.unwritable().put(number, next(bytes).asCharBuffer().toString());
    }
    return texts;
  }

  private static int[][] blocks(ByteBuffer bytes) {
    int[][] blocks = new int[bytes.getInt()][];
    for (int b = 0; b < blocks.length; b++) {
      int width = bytes.get();
      ByteBuffer packed = bytes.slice(bytes.position(), Math.max(Integer.BYTES, BLOCK * width));
      bytes.position(bytes.position() + packed.remaining());
      blocks[b] = Column.shared(block(packed, width));
    }
    return blocks;
  }

  private static int[] block(ByteBuffer packed, int width) {
    int[] block = new int[BLOCK];
    if (width == 0) {
      Arrays.fill(block, packed.getInt());
    } else if (width == Integer.BYTES) {
      packed.asIntBuffer().get(block);
    } else {
      for (int i = 0; i < BLOCK; i++) {
        block[i] = width == Byte.BYTES ? packed.get(i) & 0xFF : packed.getShort(2 * i) & 0xFFFF;
      }
    }
    return block;
  }
}
