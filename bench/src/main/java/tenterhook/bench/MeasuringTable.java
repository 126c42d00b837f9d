package tenterhook.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Predicate;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Measurer;
import tenterhook.core.measure.Passage;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;
import tenterhook.standins.synth.Synth;

/**
 * How often measuring is right: 200 made-up pieces that no weight was fitted to, and what {@code
 * aubio tempo} (where installed) says of the same files.
 */
public final class MeasuringTable {
  private static final int FIRST_SEED = 10_001;
  private static final int PIECES = 200;

  private MeasuringTable() {}

  /** One piece, what was measured, and what aubio said (0 when it said nothing). */
  private record PieceRow(Piece piece, Measurement measured, double aubioBpm) {
    double ratio(double bpm) {
      return bpm / piece.bpm();
    }

    boolean tempoWithin(double share) {
      return measured.tempo().filter(t -> Math.abs(ratio(t.bpm()) - 1) <= share).isPresent();
    }

    boolean tempoNear(double bpm) {
      return measured.tempo().filter(t -> Math.abs(t.bpm() - piece.bpm()) <= bpm).isPresent();
    }

    boolean octave(double bpm) {
      return Math.abs(ratio(bpm) - 2) <= 0.02 || Math.abs(ratio(bpm) - 0.5) <= 0.005;
    }

    boolean keyRight() {
      return measured.key().filter(k -> k.key().name().equals(piece.key())).isPresent();
    }

    double startError() {
      return Math.abs(measured.bounds().startSeconds() - piece.leadIn());
    }

    double endError() {
      return Math.abs(measured.bounds().endSeconds() - piece.end());
    }

    double loudestError() {
      return measured
          .loudest()
          .map(Passage::startSeconds)
          .map(s -> Math.abs(s - piece.loudest().start()))
          .orElse(99.0);
    }

    double beatError() {
      double beat = 60 / piece.bpm();
      double off =
          measured.tempo().map(t -> t.firstBeatSeconds() - piece.leadIn()).orElse(9.0) / beat;
      return Math.abs(off - Math.rint(off)) * beat;
    }
  }

  /** Prints the table as Markdown; with {@code -v} also every miss. */
  public static void main(String[] args) throws InterruptedException, ExecutionException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    List<PieceRow> rows = new ArrayList<>();
    try (ExecutorService pool = Executors.newFixedThreadPool(2)) {
      List<Future<PieceRow>> running = new ArrayList<>();
      for (int i = 0; i < PIECES; i++) {
        Piece piece = Piece.of(FIRST_SEED + i);
        running.add(pool.submit(() -> measured(piece)));
      }
      for (Future<PieceRow> one : running) {
        rows.add(one.get());
      }
    }
    print(out, rows);
    if (Arrays.asList(args).contains("-v")) {
      rows.stream()
          .filter(r -> !r.tempoWithin(0.01) || !r.keyRight() || r.loudestError() > 0.5)
          .forEach(r -> miss(out, r));
    }
  }

  private static PieceRow measured(Piece piece) {
    short[] samples = PieceSynth.render(piece);
    Measurer measurer = new Measurer(Synth.RATE, 2);
    MadeMusic.feed(measurer, samples);
    return new PieceRow(piece, measurer.finish(), aubio(samples));
  }

  /** The tempo that aubio says, 0 when it says none or is not installed. */
  private static double aubio(short[] samples) {
    try {
      Path file = Files.createTempFile("piece", ".wav");
      try {
        Encoder.write(samples, file, Encoder.AudioForm.WAV, 0);
        return told(file);
      } finally {
        Files.delete(file);
      }
    } catch (IOException notInstalled) {
      if (String.valueOf(notInstalled.getMessage()).contains("Cannot run program")) {
        return 0;
      }
      throw new UncheckedIOException(notInstalled);
    }
  }

  private static double told(Path file) throws IOException {
    Process process =
        new ProcessBuilder("aubio", "tempo", file.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    try (BufferedReader lines = process.inputReader()) {
      String said = lines.readLine();
      return said == null ? 0 : Double.parseDouble(said.strip().split("\\s")[0]);
    }
  }

  private static void print(PrintStream out, List<PieceRow> rows) {
    out.println("| measured of " + rows.size() + " pieces | Tenterhook | aubio |\n|---|---|---|");
    line(out, rows, "tempo within 1 %", r -> r.tempoWithin(0.01), r -> near(r, 0.01));
    line(out, rows, "tempo within 0.5 bpm", r -> r.tempoNear(0.5), r -> nearBpm(r, 0.5));
    line(
        out,
        rows,
        "half or double (counted as wrong)",
        r -> r.measured.tempo().filter(t -> r.octave(t.bpm())).isPresent(),
        r -> r.octave(r.aubioBpm));
    line(out, rows, "first beat on a beat, within 40 ms", r -> r.beatError() <= 0.04, null);
    line(out, rows, "key", PieceRow::keyRight, null);
    line(out, rows, "start of sound within 0.5 s", r -> r.startError() <= 0.5, null);
    line(out, rows, "end of sound within 0.5 s", r -> r.endError() <= 0.5, null);
    line(out, rows, "loudest passage begins within 0.5 s", r -> r.loudestError() <= 0.5, null);
    out.println();
    certainty(out, rows);
  }

  private static boolean near(PieceRow row, double share) {
    return Math.abs(row.ratio(row.aubioBpm) - 1) <= share;
  }

  private static boolean nearBpm(PieceRow row, double bpm) {
    return Math.abs(row.aubioBpm - row.piece.bpm()) <= bpm;
  }

  private static void line(
      PrintStream out,
      List<PieceRow> rows,
      String name,
      Predicate<PieceRow> ours,
      @org.jspecify.annotations.Nullable Predicate<PieceRow> theirs) {
    boolean there = theirs != null && rows.stream().anyMatch(r -> r.aubioBpm > 0);
    out.printf(
        Locale.ROOT,
        "| %s | %.1f %% | %s |%n",
        name,
        share(rows, ours),
        there ? String.format(Locale.ROOT, "%.1f %%", share(rows, theirs)) : "–");
  }

  private static double share(List<PieceRow> rows, Predicate<PieceRow> test) {
    return 100.0 * rows.stream().filter(test).count() / rows.size();
  }

  /** Whether the certain ones are right more often. */
  private static void certainty(PrintStream out, List<PieceRow> rows) {
    List<PieceRow> sure =
        rows.stream()
            .filter(r -> r.measured.tempo().filter(t -> t.certainty() >= 90).isPresent())
            .toList();
    List<PieceRow> keySure =
        rows.stream()
            .filter(r -> r.measured.key().filter(k -> k.certainty() >= 90).isPresent())
            .toList();
    out.printf(
        Locale.ROOT,
        "Of %d tempi said with 90 or more %.1f %% are right, of %d keys %.1f %%.%n",
        sure.size(),
        share(sure, r -> r.tempoWithin(0.01)),
        keySure.size(),
        share(keySure, PieceRow::keyRight));
  }

  private static void miss(PrintStream out, PieceRow row) {
    out.printf(
        Locale.ROOT,
        "seed %d %s: %.2f bpm %s, said %s %s; aubio %.1f; loudest %.2f (%.2f off)%n",
        row.piece.seed(),
        row.piece.style(),
        row.piece.bpm(),
        row.piece.key(),
        row.measured.tempo(),
        row.measured.key().map(k -> k.key().name() + " " + k.certainty()),
        row.aubioBpm,
        row.piece.loudest().start(),
        row.loudestError());
    out.println("   " + row.measured.passages() + "\n   " + row.piece.sections());
  }
}
