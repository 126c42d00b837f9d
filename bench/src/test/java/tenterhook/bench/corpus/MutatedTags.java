package tenterhook.bench.corpus;

import java.io.IOException;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.field.Fields;

/**
 * Damages the files of the corpus by chance, reads each and writes a field into a copy of it. What
 * is refused must be refused in words, and no file may take long or much memory. One that seems
 * slow is tried again, since the machine may have paused: its shortest time counts. {@code java
 * tenterhook.bench.corpus.MutatedTags [files [seed]]}
 */
public final class MutatedTags {
  private static final int FILES = 20_000;
  private static final int CHANGES = 8;
  private static final double SLOW = 50;
  private static final int AGAIN = 3;

  private final Random random;
  private final Path folder;

  private MutatedTags(long seed, Path folder) {
    this.random = new Random(seed);
    this.folder = folder;
  }

  /**
   * What damaged files cost.
   *
   * @param read how many could be read
   * @param written into copies of how many a field could be written
   * @param slowest the longest time that one took, in milliseconds
   * @param slowestName which it was
   * @param hungriest the most bytes that one took from the heap in all
   * @param hungriestName which it was
   */
  public record Costs(
      int read,
      int written,
      double slowest,
      String slowestName,
      long hungriest,
      String hungriestName) {}

  /** Prints the figures. */
  public static void main(String[] args) throws IOException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    int files = args.length > 0 ? Integer.parseInt(args[0]) : FILES;
    long seed = args.length > 1 ? Long.parseLong(args[1]) : 1;
    Costs costs = run(files, seed);
    out.printf(
        Locale.ROOT,
        "%d damaged files: %d read, %d written; slowest %.1f ms (%s), most memory %.1f MB (%s)%n",
        files,
        costs.read(),
        costs.written(),
        costs.slowest(),
        costs.slowestName(),
        costs.hungriest() / 1e6,
        costs.hungriestName());
  }

  /**
   * Damages so many files.
   *
   * @param seed everything follows from it
   * @throws IOException when the files cannot be made
   * @throws IllegalStateException when a file is not refused in plain words, or changes although it
   *     was refused
   */
  public static Costs run(int files, long seed) throws IOException {
    Path folder = Files.createTempDirectory("mutated");
    MutatedTags mutated = new MutatedTags(seed, folder);
    List<CorpusFile> corpus = Corpus.of(seed);
    for (CorpusFile shape : corpus) {
      mutated.one(shape, shape.bytes()); // classes are loaded before anything is measured
    }
    Costs all = new Costs(0, 0, 0, "", 0, "");
    for (int i = 0; i < files; i++) {
      CorpusFile shape = corpus.get(i % corpus.size());
      all = sum(all, mutated.one(shape, mutated.damaged(shape.bytes())));
    }
    try (var left = Files.list(folder)) {
      for (Path path : left.toList()) {
        Files.delete(path);
      }
    }
    Files.delete(folder);
    return all;
  }

  private static Costs sum(Costs all, Costs one) {
    boolean slower = one.slowest() > all.slowest();
    boolean hungrier = one.hungriest() > all.hungriest();
    return new Costs(
        all.read() + one.read(),
        all.written() + one.written(),
        slower ? one.slowest() : all.slowest(),
        slower ? one.slowestName() : all.slowestName(),
        hungrier ? one.hungriest() : all.hungriest(),
        hungrier ? one.hungriestName() : all.hungriestName());
  }

  /** Bytes changed, numbers made great, parts cut out, doubled, or cut off. */
  private byte[] damaged(byte[] whole) {
    byte[] bytes = whole.clone();
    int near = random.nextBoolean() ? Math.min(bytes.length, 1500) : bytes.length;
    for (int i = random.nextInt(CHANGES); i >= 0; i--) {
      int at = random.nextInt(Math.max(1, Math.min(near, bytes.length - 8)));
      switch (random.nextInt(6)) {
        case 0 -> bytes[at] = (byte) random.nextInt(256);
        case 1 -> Arrays.fill(bytes, at, Math.min(bytes.length, at + 4), (byte) 0xFF);
        case 2 -> Arrays.fill(bytes, at, Math.min(bytes.length, at + 4), (byte) 0);
        case 3 -> bytes[at] = (byte) (bytes[at] ^ 1 << random.nextInt(8));
        case 4 -> bytes = Arrays.copyOf(bytes, Math.max(16, at));
        default -> {
          byte[] piece = Arrays.copyOfRange(bytes, at, Math.min(bytes.length, at + 40));
          byte[] head = Arrays.copyOf(bytes, at);
          bytes = TagBytes.joined(head, piece, Arrays.copyOfRange(bytes, at, bytes.length));
        }
      }
    }
    return bytes;
  }

  private Costs one(CorpusFile shape, byte[] bytes) throws IOException {
    Costs costs = once(shape, bytes);
    for (int again = 0; again < AGAIN && costs.slowest() > SLOW; again++) {
      Costs next = once(shape, bytes);
      costs = next.slowest() < costs.slowest() ? next : costs;
    }
    return costs;
  }

  private Costs once(CorpusFile shape, byte[] bytes) throws IOException {
    Path file = Files.write(folder.resolve("mutant." + shape.extension()), bytes);
    Path copy = Files.write(folder.resolve("copy." + shape.extension()), bytes);
    long start = System.nanoTime();
    long before = allocated();
    boolean read = refusedInWords(() -> TagFiles.read(file));
    refusedInWords(() -> TagFiles.payload(file));
    boolean written =
        refusedInWords(() -> TagFiles.write(copy, Map.of(Fields.TITLE, "Новый"), sha -> bytes));
    long took = allocated() - before;
    double millis = (System.nanoTime() - start) / 1e6;
    if (!Arrays.equals(Files.readAllBytes(file), bytes)) {
      throw new IllegalStateException(shape.fileName() + " was changed by reading");
    }
    return new Costs(read ? 1 : 0, written ? 1 : 0, millis, shape.name(), took, shape.name());
  }

  private static long allocated() {
    return ((com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean())
        .getCurrentThreadAllocatedBytes();
  }

  /** Work on a file. */
  private interface Attempt {
    Object run() throws Unreadable;
  }

  private static boolean refusedInWords(Attempt attempt) {
    try {
      attempt.run();
      return true;
    } catch (Unreadable refused) {
      String words = String.valueOf(refused.getMessage());
      if (words.equals("null") || words.contains("Exception") || words.contains("foresaw")) {
        throw new IllegalStateException("not refused in plain words: " + words, refused);
      }
      return false;
    }
  }
}
