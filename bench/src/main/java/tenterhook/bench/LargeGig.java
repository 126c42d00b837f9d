package tenterhook.bench;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.IntConsumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.DraftOrder;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.GigSearch;
import tenterhook.core.gig.GigStanding;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;

/**
 * A gig of many parts over a large collection: how long it takes after an edit until it is known
 * what is left to do, beside a first look.
 */
public final class LargeGig {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
  private static final int ROUNDS = 301;
  private static final int WARM = 100;
  private static final int PICKED = 40;
  private static final int DRAFTED = 200;

  private final int tracks;
  private final int parts;
  private final Codebook codebook = DemoCollection.codebook();
  private final Random random = new Random(31);
  private final RoaringBitmap away = new RoaringBitmap();
  private Snapshot snapshot;
  private CrateContents contents;
  private Gig gig;
  private GigStanding standing;

  private LargeGig(int tracks, int parts) {
    this.tracks = tracks;
    this.parts = parts;
    this.snapshot = LargeCrates.tracks(tracks, codebook);
    Crates crates = LargeCrates.crates(100, new ArrayList<>());
    this.contents = new CrateContents(snapshot, codebook, crates, TODAY);
    this.gig = gig();
    this.standing = GigStanding.of(gig, snapshot, contents, away);
  }

  /**
   * Prints the figures.
   *
   * @param args tracks and parts, 100,000 and 12 without
   */
  public static void main(String[] args) {
    int tracks = args.length > 0 ? Integer.parseInt(args[0]) : 100_000;
    new LargeGig(tracks, args.length > 1 ? Integer.parseInt(args[1]) : 12).run();
  }

  private Gig gig() {
    Gig made = Gig.of("Large", Evening.on(TODAY, LocalTime.of(18, 0), LocalTime.of(3, 0)));
    List<String> styles = List.of("SKA", "SOU", "ELC", "SYN", "HIL", "CIT");
    for (int i = 0; i < parts; i++) {
      GigPart part =
          GigPart.of("Part " + i, 45)
              .withTracks(random.ints(PICKED, 1, tracks + 1).distinct().boxed().toList())
              .filledBy(
                  Optional.of(
                      LargeCrates.rule(styles.get(i % styles.size()), "GLD", 1960, 80 + 5 * i)),
                  List.of());
      made = made.plus(part, Optional.empty());
    }
    for (int i = 0; i < 20; i++) {
      made = made.plus(new MustPlay(1 + random.nextInt(tracks), "Part " + i % parts, ""));
    }
    return made.with(made.never().plus(random.ints(50, 1, tracks + 1).boxed().toList()));
  }

  private void run() {
    long held = standing.readiness().times().size();
    print("%,d tracks, a gig of %d parts; milliseconds: median, 95 of 100, worst", tracks, held);
    double first = measure("a first look", i -> GigStanding.of(gig, snapshot, contents, away));
    settles("a tempo is altered, crates and gig settle", first, i -> edit(Fields.BPM, "101.5"));
    settles("a track is coded, the same", first, i -> edit(Fields.COMMENT, "x /SKA/GLD/"));
    settles("a file is lost, the same", first, i -> edit(Fields.STATE, "lost"));
    settles("a track is picked for a part", first, i -> pick());
    settles("a track becomes a must-play", first, i -> must());
    settles("a track is never played", first, i -> never());
    settles("years come under the never-play, or out of it", first, i -> neverLine());
    find();
    draft();
  }

  private void settles(String what, double first, IntConsumer act) {
    double median = measure(what, act);
    print("  %.4f of a first look", median / first);
  }

  private void edit(Field<?> field, String value) {
    int id = 1 + random.nextInt(tracks);
    Snapshot after = snapshot.with(List.of(new Cell(id, field, value)));
    contents = contents.after(after, RoaringBitmap.bitmapOf(id));
    snapshot = after;
    standing = standing.after(gig, snapshot, contents, away);
  }

  private void alter(Gig after) {
    gig = after;
    standing = standing.after(gig, snapshot, contents, away);
  }

  private void pick() {
    int id = 1 + random.nextInt(tracks);
    alter(gig.withPart("Part " + random.nextInt(parts), p -> p.plus(List.of(id))));
  }

  private void must() {
    alter(gig.plus(new MustPlay(1 + random.nextInt(tracks), "", "")));
  }

  private void never() {
    alter(gig.with(gig.never().plus(List.of(1 + random.nextInt(tracks)))));
  }

  private void neverLine() {
    Rule.Line line = CrateJson.line("year:" + (1960 + random.nextInt(6)));
    boolean there = gig.never().lines().contains(line);
    alter(gig.with(there ? gig.never().minus(line) : gig.never().plus(line)));
  }

  /** What the view for the night does at each key, in a gig that holds half of the collection. */
  private void find() {
    Gig half = gig.withPart("Part 0", p -> p.filledBy(Optional.of(everySecond()), List.of()));
    GigProgram program = GigProgram.of(GigStanding.of(half, snapshot, contents, away));
    GigSearch search = GigSearch.of(program, snapshot);
    List<String> typed = List.of("m", "mp", "mp3", "1", "12 mp", "nowhere");
    measure(
        "a word is typed on the night", i -> search.find(typed.get(Math.abs(i) % typed.size()), 6));
  }

  private static Rule.RuleGroup everySecond() {
    return new Rule.RuleGroup(Rule.Kind.ALL, List.of(CrateJson.line("year:1960..1993")));
  }

  private void draft() {
    List<Integer> some = random.ints(DRAFTED, 1, tracks + 1).distinct().boxed().toList();
    measure(
        "an order of " + some.size() + " tracks is drafted",
        11,
        i -> DraftOrder.of(some, Set.of(), DraftOrder.steps(snapshot, 0.06)));
  }

  private double measure(String what, IntConsumer act) {
    return measure(what, ROUNDS, act);
  }

  private double measure(String what, int rounds, IntConsumer act) {
    double[] times = new double[rounds];
    for (int i = -Math.min(WARM, rounds); i < rounds; i++) {
      long start = System.nanoTime();
      act.accept(i);
      if (i >= 0) {
        times[i] = (System.nanoTime() - start) / 1e6;
      }
    }
    Arrays.sort(times);
    double median = times[rounds / 2];
    print("%-46s %9.3f %9.3f %9.3f", what, median, times[rounds * 95 / 100], times[rounds - 1]);
    return median;
  }

  private static void print(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
