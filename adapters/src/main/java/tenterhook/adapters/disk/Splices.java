package tenterhook.adapters.disk;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;

/** Puts bytes in the place of parts of a file. Everything else of it stays bit by bit. */
public final class Splices {
  private static final int PIECE = 1 << 18;

  private Splices() {}

  /**
   * Changes a file. Where no part changes its length, only these parts are written.
   *
   * @param file a copy that nobody else uses
   * @param splices parts that do not overlap, in any order
   * @return how many bytes were written
   * @throws IOException when the disk refuses; the file may then be anything
   */
  public static long apply(Path file, List<Splice> splices) throws IOException {
    List<Splice> ordered = splices.stream().sorted(Comparator.comparing(Splice::from)).toList();
    if (ordered.stream().allMatch(s -> s.growth() == 0)) {
      return inPlace(file, ordered);
    }
    Path made = file.resolveSibling(file.getFileName() + ".made");
    long written = made(file, ordered, made);
    compare(file, ordered, made);
    Files.move(made, file, StandardCopyOption.REPLACE_EXISTING);
    return written;
  }

  private static long inPlace(Path file, List<Splice> splices) throws IOException {
    long written = 0;
    try (FileChannel out = FileChannel.open(file, StandardOpenOption.WRITE)) {
      for (Splice splice : splices) {
        ByteBuffer bytes = ByteBuffer.wrap(splice.bytes());
        while (bytes.hasRemaining()) {
          written += out.write(bytes, splice.from() + bytes.position());
        }
      }
    }
    return written;
  }

  private static long made(Path file, List<Splice> splices, Path made) throws IOException {
    try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ);
        FileChannel out =
            FileChannel.open(made, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
      long at = 0;
      for (Splice splice : splices) {
        if (splice.from() < at || splice.to() > in.size()) {
          throw new IllegalArgumentException("parts overlap, or lie behind the end");
        }
        copy(in, at, splice.from(), out);
        ByteBuffer bytes = ByteBuffer.wrap(splice.bytes());
        while (bytes.hasRemaining()) {
          out.write(bytes);
        }
        at = splice.to();
      }
      copy(in, at, in.size(), out);
      return out.position();
    }
  }

  /** What was not to change is read back from the disk. */
  private static void compare(Path file, List<Splice> splices, Path made) throws IOException {
    try (FileChannel before = FileChannel.open(file, StandardOpenOption.READ);
        FileChannel after = FileChannel.open(made, StandardOpenOption.READ)) {
      long at = 0;
      long moved = 0;
      for (Splice splice : splices) {
        same(before, at, splice.from(), after, moved);
        at = splice.to();
        moved += splice.growth();
      }
      same(before, at, before.size(), after, moved);
    }
  }

  private static void same(FileChannel before, long from, long to, FileChannel after, long moved)
      throws IOException {
    ByteBuffer one = ByteBuffer.allocate(PIECE);
    ByteBuffer other = ByteBuffer.allocate(PIECE);
    long at = from;
    while (at < to) {
      int length = (int) Math.min(PIECE, to - at);
      fill(before, one.clear().limit(length), at);
      fill(after, other.clear().limit(length), at + moved);
      if (!one.flip().equals(other.flip())) {
        throw new IOException("the disk did not give back what was written");
      }
      at += length;
    }
  }

  private static void fill(FileChannel in, ByteBuffer into, long from) throws IOException {
    long at = from;
    while (into.hasRemaining()) {
      int got = in.read(into, at);
      if (got < 0) {
        throw new EOFException("the disk did not give back what was written");
      }
      at += got;
    }
  }

  private static void copy(FileChannel in, long from, long to, FileChannel out) throws IOException {
    long at = from;
    while (at < to) {
      at += in.transferTo(at, Math.min(PIECE, to - at), out);
    }
  }
}
