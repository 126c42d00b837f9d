package tenterhook.bench;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tenterhook.backstage.sound.SoundFile;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.PrintIndex.Match;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.measure.SoundPrinter;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.Form;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;
import tenterhook.standins.synth.Synth;

/**
 * Whether sound prints tell the same recording in other clothes: 60 recordings in eight forms each,
 * found in an index of the 60 originals; and what {@code fpcalc} (where installed) takes for the
 * same files.
 */
public final class PrintTable {
  private static final int FIRST_SEED = 20_001;
  private static final int RECORDINGS = 60;

  private PrintTable() {}

  /** Prints the table as Markdown. */
  public static void main(String[] args) throws IOException, Unreadable {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Path folder = Files.createTempDirectory("prints");
    Map<Integer, SoundPrint> originals = new LinkedHashMap<>();
    Map<String, List<Path>> forms = new LinkedHashMap<>();
    for (int i = 0; i < RECORDINGS; i++) {
      short[] samples = PieceSynth.render(Piece.of(FIRST_SEED + i));
      Path original = folder.resolve(i + ".flac");
      Encoder.writeFull(samples, original, Form.FLAC, 0);
      originals.put(i, print(original));
      for (Map.Entry<String, Path> form : forms(folder, i, samples).entrySet()) {
        forms.computeIfAbsent(form.getKey(), f -> new ArrayList<>()).add(form.getValue());
      }
    }
    PrintIndex index = PrintIndex.of(originals);
    out.println("| form | found | equal bits, least | other recordings taken for it |");
    out.println("|---|---|---|---|");
    int found = 0;
    int all = 0;
    int wrong = 0;
    for (Map.Entry<String, List<Path>> form : forms.entrySet()) {
      int hits = 0;
      int strangers = 0;
      double least = 1;
      for (int i = 0; i < RECORDINGS; i++) {
        int own = i;
        SoundPrint print = print(form.getValue().get(i));
        List<Match> matches = index.find(print);
        hits += matches.stream().anyMatch(m -> m.id() == own) ? 1 : 0;
        strangers += (int) matches.stream().filter(m -> m.id() != own).count();
        least = Math.min(least, likest(print, originals.get(own)));
      }
      out.printf(Locale.ROOT, "| %s | %d | %.3f | %d |%n", form.getKey(), hits, least, strangers);
      found += hits;
      all += RECORDINGS;
      wrong += strangers;
    }
    out.printf(
        Locale.ROOT,
        "%nRecall %.2f %%, %d false pairs; two different originals are alike in %.3f of their bits"
            + " at most.%n",
        100.0 * found / all,
        wrong,
        strangest(originals));
    speed(out, forms.values().stream().flatMap(List::stream).toList());
    clear(folder);
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
    coded(files, "mp3 320", folder, number, samples, Form.MP3, 320);
    coded(files, "mp3 128", folder, number, samples, Form.MP3, 128);
    coded(files, "mp3 64", folder, number, samples, Form.MP3, 64);
    coded(files, "m4a 128", folder, number, samples, Form.M4A, 128);
    coded(files, "ogg", folder, number, samples, Form.OGG, 128);
    short[] softer = samples.clone();
    for (int i = 0; i < softer.length; i++) {
      softer[i] /= 2;
    }
    coded(files, "6 dB softer", folder, number, softer, Form.FLAC, 0);
    short[] cut = Arrays.copyOfRange(samples, 2 * (int) (1.5 * Synth.RATE), samples.length);
    coded(files, "1.5 s cut from the start", folder, number, cut, Form.FLAC, 0);
    coded(files, "low-pass at 8 kHz", folder, number, dull(samples), Form.FLAC, 0);
    return files;
  }

  private static void coded(
      Map<String, Path> files,
      String name,
      Path folder,
      int number,
      short[] samples,
      Form form,
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

  private static SoundPrint print(Path file) throws Unreadable {
    try (SoundFile sound = SoundFile.open(file)) {
      SoundPrinter printer = new SoundPrinter(sound.rate(), sound.channels());
      float[] block = new float[8192 * sound.channels()];
      int got = sound.read(block);
      while (got >= 0 && printer.add(block, got)) {
        got = sound.read(block);
      }
      return printer.print();
    }
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

  private interface Each {
    void on(Path file) throws IOException, Unreadable;
  }

  private static double seconds(List<Path> files, Each each) throws IOException, Unreadable {
    long start = System.nanoTime();
    for (Path file : files) {
      each.on(file);
    }
    return (System.nanoTime() - start) / 1e9;
  }

  private static void speed(PrintStream out, List<Path> files) throws IOException, Unreadable {
    double decoding = seconds(files, PrintTable::decode);
    double printing = seconds(files, PrintTable::print);
    out.printf(
        Locale.ROOT,
        "%nOn one core, %d files: decoding alone %.1f s, decoding and print %.1f s",
        files.size(),
        decoding,
        printing);
    List<String> call = new ArrayList<>(List.of("fpcalc", "-ignore-errors", "-json"));
    files.forEach(f -> call.add(f.toString()));
    try {
      long start = System.nanoTime();
      Process process =
          new ProcessBuilder(call)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .redirectError(ProcessBuilder.Redirect.DISCARD)
              .start();
      int said = process.waitFor();
      double theirs = (System.nanoTime() - start) / 1e9;
      out.printf(
          Locale.ROOT,
          "; fpcalc %.1f s (ended with %d); ours / theirs %.2f%n",
          theirs,
          said,
          printing / theirs);
    } catch (IOException notInstalled) {
      out.println("; fpcalc is not installed");
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
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
