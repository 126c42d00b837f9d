package tenterhook.bench;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.sound.SoundPrints;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.PrintIndex.Hit;
import tenterhook.core.measure.SoundPrint;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;
import tenterhook.standins.synth.Synth;

/**
 * Whether sound prints tell the same recording in other clothes: 60 recordings in eight forms each,
 * found in an index of the 60 originals among 100,000 other prints; and what {@code fpcalc} (where
 * installed) takes for the same files. The other prints are made of stretches of a second of the
 * originals' own, a few bits of them changed.
 */
public final class PrintTable {
  private static final int FIRST_SEED = 20_001;
  private static final int OTHERS = 100_000;
  private static final int STRETCH = 8;
  private static final int ROUNDS = 3;

  private PrintTable() {}

  /**
   * Prints the table as Markdown.
   *
   * @param args how many recordings, 60 when nothing is said; the seed of the first, for recordings
   *     that nothing was settled by
   */
  public static void main(String[] args) throws IOException, Unreadable {
    int recordings = args.length > 0 ? Integer.parseInt(args[0]) : 60;
    int firstSeed = args.length > 1 ? Integer.parseInt(args[1]) : FIRST_SEED;
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Path folder = Files.createTempDirectory("prints");
    Map<Integer, SoundPrint> originals = new LinkedHashMap<>();
    Map<String, List<Path>> forms = new LinkedHashMap<>();
    make(recordings, firstSeed, folder, originals, forms);
    Map<Integer, SoundPrint> all = amongOthers(originals);
    PrintIndex index = index(out, all);
    out.println("| form | found | equal bits, least | other recordings taken for it |");
    out.println("|---|---|---|---|");
    int found = 0;
    int files = 0;
    int wrong = 0;
    for (Map.Entry<String, List<Path>> form : forms.entrySet()) {
      int hits = 0;
      int strangers = 0;
      double least = 1;
      for (int i = 0; i < recordings; i++) {
        int own = i;
        SoundPrint print = SoundPrints.of(form.getValue().get(i));
        List<Hit> matches = index.find(print);
        hits += matches.stream().anyMatch(m -> m.id() == own) ? 1 : 0;
        strangers += (int) matches.stream().filter(m -> m.id() != own).count();
        least = Math.min(least, likest(print, originals.get(own)));
      }
      out.printf(Locale.ROOT, "| %s | %d | %.3f | %d |%n", form.getKey(), hits, least, strangers);
      found += hits;
      files += recordings;
      wrong += strangers;
    }
    out.printf(
        Locale.ROOT,
        "%nRecall %.2f %%, %d false pairs; two different originals are alike in %.3f of their bits"
            + " at most.%n",
        100.0 * found / files,
        wrong,
        strangest(originals));
    queries(out, index, all);
    speed(out, forms.values());
    clear(folder);
  }

  private static void make(
      int recordings,
      int firstSeed,
      Path folder,
      Map<Integer, SoundPrint> originals,
      Map<String, List<Path>> forms)
      throws IOException, Unreadable {
    for (int i = 0; i < recordings; i++) {
      short[] samples = PieceSynth.render(Piece.of(firstSeed + i));
      Path original = folder.resolve(i + ".flac");
      Encoder.writeFull(samples, original, AudioForm.FLAC, 0);
      originals.put(i, SoundPrints.of(original));
      for (Map.Entry<String, Path> form : forms(folder, i, samples).entrySet()) {
        forms.computeIfAbsent(form.getKey(), f -> new ArrayList<>()).add(form.getValue());
      }
    }
  }

  /** The originals, and others from number 1000 on. */
  private static Map<Integer, SoundPrint> amongOthers(Map<Integer, SoundPrint> originals) {
    Random random = new Random(7);
    List<SoundPrint> pool = List.copyOf(originals.values());
    Map<Integer, SoundPrint> all = new HashMap<>(originals);
    for (int id = 1000; id < 1000 + OTHERS; id++) {
      ByteBuffer words = ByteBuffer.allocate(4 * SoundPrint.MOST);
      while (words.hasRemaining()) {
        SoundPrint from = pool.get(random.nextInt(pool.size()));
        int at = random.nextInt(Math.max(1, from.length() - STRETCH));
        for (int i = 0; i < STRETCH; i++) {
          int flipped = 1 << random.nextInt(32) | 1 << random.nextInt(32);
          words.putInt(from.word(at + i) ^ (random.nextInt(3) == 0 ? 0 : flipped));
        }
      }
      all.put(id, SoundPrint.ofBytes(words.array()));
    }
    return all;
  }

  private static PrintIndex index(PrintStream out, Map<Integer, SoundPrint> all) {
    int[] ids = all.keySet().stream().mapToInt(i -> i).toArray();
    long before = heap();
    long start = System.nanoTime();
    PrintIndex index = PrintIndex.of(ids, all::get);
    double seconds = (System.nanoTime() - start) / 1e9;
    out.printf(
        Locale.ROOT,
        "Index of %,d prints, %,d words: built in %.1f s, %d MB besides the prints' own.%n%n",
        ids.length,
        all.values().stream().mapToLong(SoundPrint::length).sum(),
        seconds,
        (heap() - before) >> 20);
    return index;
  }

  private static long heap() {
    System.gc();
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }

  /** The time of one query, and of comparing a print with every other as a baseline. */
  private static void queries(PrintStream out, PrintIndex index, Map<Integer, SoundPrint> all) {
    List<SoundPrint> some =
        all.entrySet().stream().filter(e -> e.getKey() % 37 == 0).map(Map.Entry::getValue).toList();
    long start = System.nanoTime();
    int found = some.stream().mapToInt(p -> index.find(p).size()).sum();
    double each = (System.nanoTime() - start) / 1e6 / some.size();
    start = System.nanoTime();
    long same = all.values().stream().filter(p -> p.at(some.getFirst(), 0).same()).count();
    double one = (System.nanoTime() - start) / 1e6;
    out.printf(
        Locale.ROOT,
        "%nA query, on one core: %.2f ms (%d asked, %d found); one offset of one print laid over"
            + " every other, for comparison: %.0f ms (%d the same).%n",
        each,
        some.size(),
        found,
        one,
        same);
  }

  private static double likest(SoundPrint one, SoundPrint other) {
    double best = 0;
    for (int offset = -24; offset <= 24; offset++) {
      SoundPrint.Likeness likeness = one.at(other, offset);
      best = likeness.words() < 40 ? best : Math.max(best, likeness.share());
    }
    return best;
  }

  private static double strangest(Map<Integer, SoundPrint> prints) {
    double most = 0;
    for (int a = 0; a < prints.size(); a++) {
      for (int b = 0; b < a; b++) {
        most = Math.max(most, likest(prints.get(a), prints.get(b)));
      }
    }
    return most;
  }

  private static Map<String, Path> forms(Path folder, int number, short[] samples)
      throws IOException {
    Map<String, Path> files = new LinkedHashMap<>();
    coded(files, "mp3 320", folder, number, samples, AudioForm.MP3, 320);
    coded(files, "mp3 128", folder, number, samples, AudioForm.MP3, 128);
    coded(files, "mp3 64", folder, number, samples, AudioForm.MP3, 64);
    coded(files, "m4a 128", folder, number, samples, AudioForm.M4A, 128);
    coded(files, "ogg", folder, number, samples, AudioForm.OGG, 128);
    short[] softer = samples.clone();
    for (int i = 0; i < softer.length; i++) {
      softer[i] /= 2;
    }
    coded(files, "6 dB softer", folder, number, softer, AudioForm.FLAC, 0);
    short[] cut = Arrays.copyOfRange(samples, 2 * (int) (1.5 * Synth.RATE), samples.length);
    coded(files, "1.5 s cut from the start", folder, number, cut, AudioForm.FLAC, 0);
    coded(files, "low-pass at 8 kHz", folder, number, dull(samples), AudioForm.FLAC, 0);
    return files;
  }

  private static void coded(
      Map<String, Path> files,
      String name,
      Path folder,
      int number,
      short[] samples,
      AudioForm form,
      int kbps)
      throws IOException {
    Path file = folder.resolve(number + " " + name + "." + form.ending());
    Encoder.writeFull(samples, file, form, kbps);
    files.put(name, file);
  }

  /** A windowed sinc of 101 taps at 8 kHz. */
  private static short[] dull(short[] samples) {
    int half = 50;
    double[] taps = new double[2 * half + 1];
    double sum = 0;
    for (int i = -half; i <= half; i++) {
      double x = 2.0 * 8000 / Synth.RATE * i;
      double window = 0.54 + 0.46 * Math.cos(Math.PI * i / half);
      taps[i + half] = window * (i == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
      sum += taps[i + half];
    }
    short[] out = new short[samples.length];
    for (int i = 2 * half; i < samples.length - 2 * half; i++) {
      double value = 0;
      for (int k = -half; k <= half; k++) {
        value += taps[k + half] * samples[i + 2 * k];
      }
      out[i] = (short) Math.round(value / sum);
    }
    return out;
  }

  private static void decode(Path file) throws Unreadable {
    try (SoundFile sound = SoundFile.open(file)) {
      float[] block = new float[8192 * sound.channels()];
      int got = sound.read(block);
      while (got >= 0 && sound.position() < 125L * sound.rate()) {
        got = sound.read(block);
      }
    }
  }

  private interface OnFile {
    void on(Path file) throws IOException, Unreadable;
  }

  private static double seconds(List<Path> files, OnFile each) throws IOException, Unreadable {
    long start = System.nanoTime();
    for (Path file : files) {
      each.on(file);
    }
    return (System.nanoTime() - start) / 1e9;
  }

  /**
   * Each lot is taken by all three in turn, some rounds of it, and the best of each counts, since
   * other work on the machine only ever adds.
   */
  private static void speed(PrintStream out, Collection<List<Path>> lots)
      throws IOException, Unreadable {
    double decoding = 0;
    double printing = 0;
    double theirs = 0;
    for (List<Path> lot : lots) {
      double[] best = {
        Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY
      };
      measure(lot, best);
      decoding += best[0];
      printing += best[1];
      theirs += best[2];
    }
    told(out, lots, decoding, printing, theirs);
  }

  private static void measure(List<Path> lot, double[] best) throws IOException, Unreadable {
    for (int round = 0; round < ROUNDS; round++) {
      best[0] = Math.min(best[0], seconds(lot, PrintTable::decode));
      best[1] = Math.min(best[1], seconds(lot, SoundPrints::of));
      best[2] = Math.min(best[2], fpcalc(lot));
    }
  }

  private static void told(
      PrintStream out,
      Collection<List<Path>> lots,
      double decoding,
      double printing,
      double theirs) {
    out.printf(
        Locale.ROOT,
        "%nOn one core, %d files in %d lots, best of %d rounds of each: decoding alone %.1f s,"
            + " decoding and print %.1f s",
        lots.stream().mapToInt(List::size).sum(),
        lots.size(),
        ROUNDS,
        decoding,
        printing);
    out.printf(
        Locale.ROOT,
        theirs < Double.POSITIVE_INFINITY ? "; fpcalc %.1f s; ours / theirs %.2f%n" : "%n",
        theirs,
        printing / theirs);
  }

  /** Seconds, or infinity where it is not installed. */
  private static double fpcalc(List<Path> files) {
    List<String> call = new ArrayList<>(List.of("fpcalc", "-ignore-errors", "-json"));
    files.forEach(f -> call.add(f.toString()));
    try {
      long start = System.nanoTime();
      new ProcessBuilder(call)
          .redirectOutput(ProcessBuilder.Redirect.DISCARD)
          .redirectError(ProcessBuilder.Redirect.DISCARD)
          .start()
          .waitFor();
      return (System.nanoTime() - start) / 1e9;
    } catch (IOException notInstalled) {
      return Double.POSITIVE_INFINITY;
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      return Double.POSITIVE_INFINITY;
    }
  }

  private static void clear(Path folder) throws IOException {
    try (var files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.delete(file);
      }
    }
    Files.delete(folder);
  }
}
