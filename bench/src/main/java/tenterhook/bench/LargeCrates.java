package tenterhook.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Completions;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Subject;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;

/** Hundreds of rule crates over a large collection, beside the same rules in SQLite. */
public final class LargeCrates {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
  private static final int ROUNDS = 31;
  private static final int EDITS = 501;
  private static final List<String> STYLES =
      List.of("SKA", "SOU", "ELC", "SYN", "HIL", "CIT", "DUB", "GAR");
  private static final List<String> PACES = List.of("GLD", "LAP", "SPR");

  private final int tracks;
  private final int crateCount;
  private final Codebook codebook = DemoCollection.codebook();
  private final List<String> wheres = new ArrayList<>();
  private Snapshot snapshot = Snapshot.empty();
  private Crates crates = Crates.NONE;

  private LargeCrates(int tracks, int crateCount) {
    this.tracks = tracks;
    this.crateCount = crateCount;
  }

  /**
   * Prints the figures.
   *
   * @param args tracks and crates, 100,000 and 300 without
   */
  public static void main(String[] args) throws Exception {
    int tracks = args.length > 0 ? Integer.parseInt(args[0]) : 100_000;
    new LargeCrates(tracks, args.length > 1 ? Integer.parseInt(args[1]) : 300).run();
  }

  private void run() throws Exception {
    snapshot = tracks(tracks, codebook);
    crates = crates(crateCount, wheres);
    try (Connection db = DriverManager.getConnection("jdbc:sqlite::memory:");
        Statement statement = db.createStatement()) {
      fill(db);
      CratesInSql sql = new CratesInSql(wheres, statement);
      print(
          "%,d tracks, %d crates of three lines; medians in milliseconds: ours, SQLite," + " ratio",
          tracks, crateCount);
      compare("all crates from nothing", this::recompute, () -> sql.countAll(), 5);
      CrateContents contents = fresh();
      crates.all().forEach(contents::count);
      settling(contents, sql);
      accounts(contents, sql);
      offers(sql);
    }
  }

  private void settling(CrateContents contents, CratesInSql sql) throws Exception {
    int[] id = {0};
    compare(
        "one edited track settles in all crates",
        () -> settle(contents, 1 + id[0]++ % tracks),
        () -> sql.settle(1 + id[0]++ % tracks),
        EDITS);
  }

  private void accounts(CrateContents contents, CratesInSql sql) throws Exception {
    Crate.RuleCrate crate = (Crate.RuleCrate) crates.all().get(7);
    compare(
        "every line of a rule accounted",
        () -> contents.explanation(crate).lines().getLast().leftAfter(),
        () -> sql.account(7),
        ROUNDS);
  }

  private void offers(CratesInSql sql) throws Exception {
    Completions offers = new Completions(snapshot, codebook, TODAY);
    compare(
        "values offered while a text is typed",
        () -> offers.of(Subject.named("comment"), "note 19", snapshot.tracks()).size(),
        () -> sql.offered(),
        ROUNDS);
  }

  /** Made-up tracks with codes, years and tempos. */
  static Snapshot tracks(int tracks, Codebook codebook) {
    Random random = new Random(11);
    List<Cell> cells = new ArrayList<>();
    RoaringBitmap ids = new RoaringBitmap();
    for (int id = 1; id <= tracks; id++) {
      track(id, random, cells);
      ids.add(id);
    }
    return Derived.refreshed(Snapshot.empty().with(cells), codebook, ids);
  }

  private static void track(int id, Random random, List<Cell> cells) {
    String codes =
        "/"
            + STYLES.get(random.nextInt(STYLES.size()))
            + "/"
            + PACES.get(random.nextInt(PACES.size()))
            + "/";
    cells.add(new Cell(id, Fields.COMMENT, "note " + random.nextInt(20_000) + " " + codes));
    cells.add(new Cell(id, Fields.YEAR, String.valueOf(1960 + random.nextInt(66))));
    cells.add(new Cell(id, Fields.BPM, String.valueOf(70 + random.nextInt(900) / 10.0)));
    cells.add(new Cell(id, Fields.DURATION, String.valueOf(120 + random.nextInt(300))));
    cells.add(new Cell(id, Fields.LOUDNESS, String.valueOf(-14 + random.nextInt(80) / 10.0)));
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(new Cell(id, Fields.PATH, id / 60 + "/" + id + ".mp3"));
    cells.add(new Cell(id, Fields.STATE, "present"));
  }

  /**
   * Rule crates of three lines each.
   *
   * @param wheres gets the same rules in SQL
   */
  static Crates crates(int count, List<String> wheres) {
    Crates crates = Crates.NONE;
    Random random = new Random(12);
    for (int n = 0; n < count; n++) {
      String style = STYLES.get(random.nextInt(STYLES.size()));
      String pace = PACES.get(random.nextInt(PACES.size()));
      int year = 1960 + random.nextInt(56);
      int bpm = 70 + random.nextInt(70);
      Rule.RuleGroup rule = rule(style, pace, year, bpm);
      crates = crates.plus("Shelf " + n / 30, new Crate.RuleCrate("Crate " + n, rule));
      wheres.add(where(style, pace, year, bpm));
    }
    return crates;
  }

  static Rule.RuleGroup rule(String style, String pace, int year, int bpm) {
    return new Rule.RuleGroup(
        Rule.Kind.ALL,
        List.of(
            CrateJson.line("code:" + style + "|" + pace),
            CrateJson.line("year:" + year + ".." + (year + 10)),
            CrateJson.line("bpm:" + bpm + ".." + (bpm + 20))));
  }

  private static String where(String style, String pace, int year, int bpm) {
    return "(comment LIKE '%/"
        + style
        + "/%' OR comment LIKE '%/"
        + pace
        + "/%') AND year BETWEEN "
        + year
        + " AND "
        + (year + 10)
        + " AND bpm BETWEEN "
        + bpm
        + " AND "
        + (bpm + 20);
  }

  private void fill(Connection db) throws Exception {
    try (Statement statement = db.createStatement()) {
      statement.execute(
          "CREATE TABLE t (id INTEGER PRIMARY KEY, comment TEXT, year INTEGER, bpm REAL)");
      db.setAutoCommit(false);
      try (PreparedStatement insert = db.prepareStatement("INSERT INTO t VALUES (?, ?, ?, ?)")) {
        for (int id = 1; id <= tracks; id++) {
          insert.setInt(1, id);
          insert.setString(2, snapshot.raw(id, Fields.COMMENT));
          insert.setInt(3, snapshot.value(id, Fields.YEAR).orElseThrow());
          insert.setDouble(4, snapshot.value(id, Fields.BPM).orElseThrow());
          insert.addBatch();
        }
        insert.executeBatch();
      }
      statement.execute("CREATE INDEX y ON t (year)");
      statement.execute("CREATE INDEX b ON t (bpm)");
      db.commit();
    }
  }

  private CrateContents fresh() {
    return new CrateContents(snapshot, codebook, crates, TODAY);
  }

  private int recompute() {
    CrateContents contents = fresh();
    return crates.all().stream().mapToInt(contents::count).sum();
  }

  /** The track gets another tempo, and every crate is asked whether it holds the track. */
  private int settle(CrateContents contents, int id) {
    RoaringBitmap one = RoaringBitmap.bitmapOf(id);
    Snapshot after = snapshot.with(List.of(new Cell(id, Fields.BPM, "101.5")));
    contents.after(after, one);
    return 0;
  }

  private static void compare(
      String name, Callable<Integer> ours, Callable<Integer> theirs, int rounds) throws Exception {
    double[] mine = new double[rounds];
    double[] other = new double[rounds];
    int found = 0;
    for (int i = 0; i < rounds; i++) {
      long start = System.nanoTime();
      found = ours.call();
      mine[i] = (System.nanoTime() - start) / 1e6;
    }
    for (int i = 0; i < rounds; i++) {
      long start = System.nanoTime();
      theirs.call();
      other[i] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(mine);
    Arrays.sort(other);
    double a = mine[rounds / 2];
    double b = other[rounds / 2];
    print("%-42s %10.3f %10.2f %8.4f %10d", name, a, b, a / b, found);
  }

  private static void print(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
