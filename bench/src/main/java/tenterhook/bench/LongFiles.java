package tenterhook.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryUsage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import tenterhook.adapters.listen.Player;
import tenterhook.adapters.measure.Measuring;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.measure.Measurement;
import tenterhook.standins.listen.SilentOutputs;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;

/**
 * What measuring an hour costs on one core, beside decoding alone; what a file of eight hours
 * leaves on the heap; and how soon a key is heard. Run it with {@code -Xmx160m} to see that more is
 * not needed.
 */
public final class LongFiles {
  private static final int PIECE_SEED = 30_001;

  private LongFiles() {}

  /** Prints the figures. */
  public static void main(String[] args) throws IOException, Unreadable, InterruptedException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Path folder = Files.createTempDirectory("long");
    Piece piece = Piece.of(PIECE_SEED);
    Path one = folder.resolve("one.mp3");
    Encoder.writeFull(PieceSynth.render(piece), one, AudioForm.MP3, 192);
    latency(out, one);
    hour(out, folder, one, piece);
    night(out, folder, one, piece);
    Files.delete(one);
    Files.delete(folder);
  }

  private static void hour(PrintStream out, Path folder, Path one, Piece piece)
      throws IOException, Unreadable {
    Path hour = repeated(one, folder.resolve("hour.mp3"), 3600 / piece.seconds());
    measured(one);
    double decoding = seconds(() -> decode(hour));
    double measuring = seconds(() -> measured(hour));
    out.printf(
        Locale.ROOT,
        "one hour on one core: decoding alone %.1f s, measuring with decoding %.1f s; ratio %.1f%n",
        decoding,
        measuring,
        measuring / decoding);
    Files.delete(hour);
  }

  private static void night(PrintStream out, Path folder, Path one, Piece piece)
      throws IOException, Unreadable {
    Path night = repeated(one, folder.resolve("night.mp3"), 8 * 3600 / piece.seconds());
    Measurement of = measured(night);
    out.printf(
        Locale.ROOT,
        "%.1f hours: %.1f bpm (made with %.1f), heap after collections at most %d MB%n",
        of.seconds() / 3600,
        of.tempo().orElseThrow().bpm(),
        piece.bpm(),
        heap() >> 20);
    Files.delete(night);
  }

  /** Mp3 frames may follow one another without end. */
  private static Path repeated(Path one, Path to, double times) throws IOException {
    byte[] bytes = Files.readAllBytes(one);
    try (OutputStream out = Files.newOutputStream(to)) {
      for (int i = 0; i < times; i++) {
        out.write(bytes);
      }
    }
    return to;
  }

  private interface TimedWork {
    void run() throws Unreadable;
  }

  private static double seconds(TimedWork work) throws Unreadable {
    long start = System.nanoTime();
    work.run();
    return (System.nanoTime() - start) / 1e9;
  }

  private static Measurement measured(Path file) throws Unreadable {
    return Measuring.measure(file, () -> false).orElseThrow();
  }

  private static void decode(Path file) throws Unreadable {
    try (SoundFile sound = SoundFile.open(file)) {
      float[] block = new float[16_384];
      int got = sound.read(block);
      while (got >= 0) {
        got = sound.read(block);
      }
    }
  }

  /** From the wish to the first frames in the device's hands, in the middle of a file. */
  private static void latency(PrintStream out, Path file) throws InterruptedException {
    double worst = 0;
    double sum = 0;
    int tries = 30;
    for (int i = 0; i < tries; i++) {
      SilentOutputs device = new SilentOutputs(1);
      try (Player player = new Player(device, device, "")) {
        long start = System.nanoTime();
        player.load(file, 20 + i, true);
        while (device.taken() == 0) {
          Thread.onSpinWait();
        }
        double millis = (System.nanoTime() - start) / 1e6;
        worst = Math.max(worst, millis);
        sum += millis;
      }
    }
    out.printf(
        Locale.ROOT,
        "from the key to the first frames at the device: %.1f ms on average, %.1f ms at worst; a"
            + " device holds 60 ms at most%n",
        sum / tries,
        worst);
  }

  private static long heap() {
    return ManagementFactory.getMemoryPoolMXBeans().stream()
        .map(MemoryPoolMXBean::getCollectionUsage)
        .filter(java.util.Objects::nonNull)
        .mapToLong(MemoryUsage::getUsed)
        .sum();
  }
}
