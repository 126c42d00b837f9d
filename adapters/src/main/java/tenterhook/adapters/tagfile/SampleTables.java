package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.Mp4Boxes.Box;

/**
 * Where the sample tables of an ISO base media file say that its tracks lie: sizes ({@code stsz},
 * {@code stz2}), samples to a chunk ({@code stsc}), offsets of chunks ({@code stco}, {@code co64});
 * ISO 14496-12, 8.7.
 */
final class SampleTables {
  private static final int MOST = 1 << 24;

  private final RandomAccessFile in;
  private final Box table;

  private SampleTables(RandomAccessFile in, Box table) {
    this.in = in;
    this.table = table;
  }

  /**
   * The chunks of all tracks in the order of playing, one track after the other; empty for a file
   * whose samples are described elsewhere, such as a fragmented one.
   *
   * @throws IOException when a table is broken, or points outside the file
   */
  static List<ByteSpan> spans(RandomAccessFile in) throws IOException {
    List<ByteSpan> all = new ArrayList<>();
    for (Box movie : Mp4Boxes.in(in, 0, in.length())) {
      if (movie.type().equals("moov")) {
        for (Box track : Mp4Boxes.inside(in, movie, "trak")) {
          Optional<Box> table = deeper(in, Optional.of(track), "mdia", "minf", "stbl");
          if (table.isPresent()) {
            all.addAll(new SampleTables(in, table.get()).chunks());
          }
        }
      }
    }
    return all;
  }

  private static Optional<Box> deeper(RandomAccessFile in, Optional<Box> box, String... types)
      throws IOException {
    Optional<Box> at = box;
    for (String type : types) {
      if (at.isPresent()) {
        at = Mp4Boxes.inside(in, at.get(), type).stream().findFirst();
      }
    }
    return at;
  }

  private List<ByteSpan> chunks() throws IOException {
    long[] offsets = offsets();
    long[] sizes = sizes();
    long[] runs = numbers("stsc", 3);
    List<ByteSpan> spans = new ArrayList<>();
    int sample = 0;
    int run = 0;
    for (int chunk = 0; chunk < offsets.length; chunk++) {
      while (3 * (run + 1) < runs.length && runs[3 * (run + 1)] <= chunk + 1) {
        run++;
      }
      long count = runs.length == 0 ? 0 : runs[3 * run + 1];
      long length = 0;
      for (long i = 0; i < count && sample < sizes.length; i++) {
        length += sizes[sample++];
      }
      if (offsets[chunk] < 0 || offsets[chunk] + length > in.length()) {
        throw new IOException("its sample tables point outside the file");
      }
      spans.add(new ByteSpan(offsets[chunk], offsets[chunk] + length));
    }
    return spans;
  }

  private long[] offsets() throws IOException {
    long[] narrow = numbers("stco", 1);
    if (narrow.length > 0) {
      return narrow;
    }
    long[] halves = numbers("co64", 2);
    long[] offsets = new long[halves.length / 2];
    for (int i = 0; i < offsets.length; i++) {
      offsets[i] = halves[2 * i] << 32 | halves[2 * i + 1];
    }
    return offsets;
  }

  private long[] sizes() throws IOException {
    Optional<Box> box = Mp4Boxes.inside(in, table, "stsz").stream().findFirst();
    if (box.isEmpty()) {
      return compactSizes();
    }
    in.seek(box.get().from() + 4);
    long all = Integer.toUnsignedLong(in.readInt());
    int count = count(all == 0 ? (box.get().to() - box.get().from() - 12) / 4 : MOST);
    long[] sizes = new long[count];
    for (int i = 0; i < count; i++) {
      sizes[i] = all;
    }
    return all == 0 ? table(box.get().from() + 12, count) : sizes;
  }

  private long[] compactSizes() throws IOException {
    Optional<Box> box = Mp4Boxes.inside(in, table, "stz2").stream().findFirst();
    if (box.isEmpty()) {
      return new long[0];
    }
    in.seek(box.get().from() + 7);
    int bits = in.readUnsignedByte();
    if (bits != 4 && bits != 8 && bits != 16) {
      throw new IOException("a sample table of an unknown form");
    }
    int count = count((box.get().to() - box.get().from() - 12) * 8 / bits);
    byte[] bytes = new byte[(int) (((long) count * bits + 7) / 8)];
    in.readFully(bytes);
    long[] sizes = new long[count];
    for (int i = 0; i < count; i++) {
      sizes[i] =
          switch (bits) {
            case 4 -> i % 2 == 0 ? (bytes[i / 2] & 0xF0) >> 4 : bytes[i / 2] & 0xF;
            case 8 -> bytes[i] & 0xFF;
            default -> (bytes[2 * i] & 0xFF) << 8 | bytes[2 * i + 1] & 0xFF;
          };
    }
    return sizes;
  }

  private int count(long most) throws IOException {
    long count = Integer.toUnsignedLong(in.readInt());
    if (count > Math.min(most, MOST)) {
      throw new IOException("a sample table that is longer than its box");
    }
    return (int) count;
  }

  /** The numbers of a table whose entries have so many of 32 bits each. */
  private long[] numbers(String type, int each) throws IOException {
    Optional<Box> box = Mp4Boxes.inside(in, table, type).stream().findFirst();
    if (box.isEmpty()) {
      return new long[0];
    }
    in.seek(box.get().from() + 4);
    int count = count((box.get().to() - box.get().from() - 8) / (4L * each));
    return table(box.get().from() + 8, count * each);
  }

  private long[] table(long from, int count) throws IOException {
    byte[] bytes = new byte[4 * count];
    in.seek(from);
    in.readFully(bytes);
    long[] numbers = new long[count];
    for (int i = 0; i < count; i++) {
      numbers[i] =
          (bytes[4 * i] & 0xFFL) << 24
              | (bytes[4 * i + 1] & 0xFFL) << 16
              | (bytes[4 * i + 2] & 0xFFL) << 8
              | bytes[4 * i + 3] & 0xFFL;
    }
    return numbers;
  }
}
