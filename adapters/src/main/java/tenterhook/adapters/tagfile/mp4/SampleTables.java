package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;

/**
 * Where the sample tables of an ISO base media file say that its tracks lie: sizes ({@code stsz},
 * {@code stz2}), samples to a chunk ({@code stsc}), offsets of chunks ({@code stco}, {@code co64});
 * ISO 14496-12, 8.7.
 */
final class SampleTables {
  private static final int MOST = 1 << 24;

  private final FileBytes in;
  private final Mp4Box table;

  private SampleTables(FileBytes in, Mp4Box table) {
    this.in = in;
    this.table = table;
  }

  /**
   * The chunks of all tracks in the order of playing, one track after the other; empty for a file
   * whose samples are described elsewhere, such as a fragmented one.
   *
   * @throws IOException when a table is broken, or points outside the file
   */
  static List<ByteSpan> spans(FileBytes in) throws IOException {
    List<ByteSpan> all = new ArrayList<>();
    for (Mp4Box table : tables(in)) {
      all.addAll(new SampleTables(in, table).chunks());
    }
    if (all.stream().mapToLong(ByteSpan::length).sum() > 2 * in.length()) {
      throw new Malformed("its sample tables point to the same sound again and again");
    }
    return all;
  }

  /** The boxes of sample tables of all tracks. */
  static List<Mp4Box> tables(FileBytes in) throws IOException {
    List<Mp4Box> tables = new ArrayList<>();
    for (Mp4Box movie : Mp4Box.in(in, 0, in.length())) {
      if (movie.type().equals("moov")) {
        for (Mp4Box track : movie.children(in, 0)) {
          if (track.type().equals("trak")) {
            Mp4Box.deeper(in, track, "mdia", "minf", "stbl").ifPresent(tables::add);
          }
        }
      }
    }
    return tables;
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
        throw new Malformed("its sample tables point outside the file");
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
    Optional<Mp4Box> box = table.child(in, "stsz");
    if (box.isEmpty()) {
      return compactSizes();
    }
    long all = unsigned(box.get().from() + 4);
    long most = all == 0 ? (box.get().to() - box.get().from() - 12) / 4 : in.length() / all;
    int count = count(box.get().from() + 8, most);
    long[] sizes = new long[count];
    for (int i = 0; i < count; i++) {
      sizes[i] = all;
    }
    return all == 0 ? table(box.get().from() + 12, count) : sizes;
  }

  private long[] compactSizes() throws IOException {
    Optional<Mp4Box> box = table.child(in, "stz2");
    if (box.isEmpty()) {
      return new long[0];
    }
    int bits = in.read(box.get().from() + 7, 1)[0];
    if (bits != 4 && bits != 8 && bits != 16) {
      throw new Malformed("a sample table of an unknown form");
    }
    int count = count(box.get().from() + 8, (box.get().to() - box.get().from() - 12) * 8 / bits);
    byte[] bytes = in.read(box.get().from() + 12, ((long) count * bits + 7) / 8);
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

  private long unsigned(long at) throws IOException {
    return Integer.toUnsignedLong(in.buffer(at, 4).getInt());
  }

  private int count(long at, long most) throws IOException {
    long count = unsigned(at);
    if (count > Math.min(most, MOST)) {
      throw new Malformed("a sample table that is longer than its box");
    }
    return (int) count;
  }

  /** The numbers of a table whose entries have so many of 32 bits each. */
  private long[] numbers(String type, int each) throws IOException {
    Optional<Mp4Box> box = table.child(in, type);
    if (box.isEmpty()) {
      return new long[0];
    }
    int count = count(box.get().from() + 4, (box.get().to() - box.get().from() - 8) / (4L * each));
    return table(box.get().from() + 8, count * each);
  }

  private long[] table(long from, int count) throws IOException {
    byte[] bytes = in.read(from, 4L * count);
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
