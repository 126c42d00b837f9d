package tenterhook.bench;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.CodebookJson;
import tenterhook.adapters.store.Store;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.standins.demo.DemoCollection;

/**
 * How time and heap grow with the number of made-up tracks: opening, a key in the find field, a
 * sort, an edit with 300 crates. The exponent between two sizes is 1 where ten times the tracks
 * take ten times as long. {@code java tenterhook.bench.LargeGrowth [sizes]}
 */
public final class LargeGrowth {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
  private static final int[] SIZES = {10_000, 100_000, 1_000_000};
  private static final int ROUNDS = 9;
  private static final int CRATES = 300;
  private static final int BATCH = 5_000;

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
  private final Codebook codebook = DemoCollection.codebook();
  private final Map<String, List<Double>> figures = new LinkedHashMap<>();

  private LargeGrowth() {}

  /** Prints the figures. */
  public static void main(String[] args) throws Exception {
    int[] sizes =
        args.length == 0 ? SIZES : Arrays.stream(args).mapToInt(Integer::parseInt).toArray();
    new LargeGrowth().run(sizes);
  }

  private void run(int[] sizes) throws Exception {
    for (int tracks : sizes) {
      Path folder = Files.createTempDirectory("growth");
      try {
        make(folder, tracks);
        measure(folder, tracks);
      } finally {
        SafeFiles.removeTree(folder);
      }
    }
    out.printf("%-40s", "milliseconds (MB, bytes a track) for");
    for (int tracks : sizes) {
      out.printf(Locale.ROOT, " %,12d", tracks);
    }
    out.println("   exponents");
    figures.forEach((name, values) -> print(name, values, sizes));
  }

  private void print(String name, List<Double> values, int[] sizes) {
    out.printf("%-40s", name);
    values.forEach(v -> out.printf(Locale.ROOT, " %12.2f", v));
    out.print("  ");
    for (int i = 1; i < values.size(); i++) {
      double growth = Math.log(values.get(i) / values.get(i - 1));
      out.printf(Locale.ROOT, " %.2f", growth / Math.log(sizes[i] / (double) sizes[i - 1]));
    }
    out.println();
  }

  private void make(Path folder, int tracks) throws Exception {
    Random random = new Random(7);
    Snapshot snapshot = Snapshot.empty();
    RoaringBitmap ids = new RoaringBitmap();
    Store store = Store.open(folder);
    store.putDocument("codebook", CodebookJson.write(codebook));
    for (int id = 1; id <= tracks; ) {
      List<Cell> cells = new ArrayList<>();
      for (int i = 0; i < BATCH && id <= tracks; i++, id++) {
        LargeCollection.track(id, random, cells);
        ids.add(id);
      }
      store.put(cells);
      snapshot = snapshot.with(cells);
    }
    store.close(Derived.refreshed(snapshot, codebook, ids));
  }

  private void measure(Path folder, int tracks) throws Exception {
    long empty = Measure.heap();
    note("open", warmed(3, () -> opened(folder).count()));
    Snapshot snapshot = opened(folder);
    note("heap when opened, MB", (Measure.heap() - empty) / 1e6);
    finding(snapshot);
    note(
        "sort by title",
        warmed(
            ROUNDS,
            () -> TrackIds.of(snapshot.tracks()).sorted(snapshot, Fields.TITLE, false).at(0)));
    editing(snapshot);
    double bytes = Measure.heap() - empty;
    note("heap with all made, MB", bytes / 1e6);
    note("heap with all made, bytes a track", bytes / snapshot.count());
  }

  private static Snapshot opened(Path folder) throws Exception {
    try (MusicCollection open = MusicCollection.open(folder, InstantSource.system())) {
      return open.state().snapshot();
    }
  }

  private void finding(Snapshot snapshot) throws Exception {
    CrateContents contents = new CrateContents(snapshot, codebook, Crates.NONE, TODAY);
    for (String text : List.of("h", "lantern", "cold lam", "genre:ska year:1980..1989")) {
      Query query = ((Parsed.Good) FindParser.parse(text, codebook)).query();
      note(
          "key: find " + text,
          warmed(ROUNDS, () -> contents.finder().find(query).getCardinality()));
    }
  }

  private void editing(Snapshot snapshot) throws Exception {
    Weave weave = Weave.of(snapshot, codebook, WeaveBy.FOLDER);
    CrateContents contents =
        new CrateContents(snapshot, codebook, LargeCrates.crates(CRATES, new ArrayList<>()), TODAY);
    note("count the Weave", warmed(3, () -> fresh(snapshot)));
    RoaringBitmap one = RoaringBitmap.bitmapOf(5);
    int[] year = {1900};
    note(
        "edit one track, Weave and crates follow",
        warmed(
            ROUNDS,
            () -> {
              Cell cell = new Cell(5, Fields.YEAR, String.valueOf(year[0]++));
              Snapshot after = snapshot.with(List.of(cell));
              weave.after(after, one);
              return contents.after(after, one).finder().find(Query.ALL).getCardinality();
            }));
  }

  private int fresh(Snapshot snapshot) {
    return Weave.of(snapshot, codebook, WeaveBy.FOLDER).total().tracks();
  }

  private void note(String name, double value) {
    figures.computeIfAbsent(name, n -> new ArrayList<>()).add(value);
  }

  /** What is worked out once is not the key's. */
  private static double warmed(int rounds, Callable<Integer> work) throws Exception {
    work.call();
    return Measure.median(rounds, work);
  }
}
