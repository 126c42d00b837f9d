package tenterhook.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Finder;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.standins.demo.DemoCollection;

/**
 * Finds, edits crates and counts holes in 100,000 made-up tracks, each beside the same query in
 * SQLite (in memory, with indexes) in the same run; and the heap that the collection takes.
 */
public final class LargeCollection {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final int ROUNDS = 15;
  private static final String[] FIRST = {
    "Cold", "Slow", "Third", "Paper", "Harbour", "Copper", "Late", "Hollow", "Salt", "Amber"
  };
  private static final String[] SECOND = {
    "Lamps", "Freeze", "Bell", "Edge", "Ferry", "Lantern", "Rail", "Water", "Gate", "Tide"
  };
  private static final String[] GENRES = {
    "Ska", "Soul", "Electro", "Synth Pop", "Highlife", "City Pop", "Dub", "Garage"
  };
  private static final List<Field<?>> COLUMNS =
      List.of(
          Fields.ARTIST,
          Fields.TITLE,
          Fields.ALBUM,
          Fields.YEAR,
          Fields.GENRE,
          Fields.BPM,
          Fields.COMMENT,
          Fields.PATH,
          Fields.ROOT,
          Fields.DURATION,
          Fields.SIZE,
          Fields.STATE);

  private static final int BATCH = 300_000;

  private final int tracks;
  private final Codebook codebook = DemoCollection.codebook();
  private Snapshot snapshot = Snapshot.empty();

  private LargeCollection(int tracks) {
    this.tracks = tracks;
  }

  /**
   * Prints the figures.
   *
   * @param args the number of tracks, 100,000 without
   */
  public static void main(String[] args) throws Exception {
    new LargeCollection(args.length > 0 ? Integer.parseInt(args[0]) : 100_000).run();
  }

  private void run() throws Exception {
    long before = Measure.heap();
    fill();
    print(
        "%,d tracks take %.0f MB of heap (folded texts not yet made)",
        tracks, (Measure.heap() - before) / 1e6);
    try (Connection db = DriverManager.getConnection("jdbc:sqlite::memory:")) {
      fill(db);
      printHeads();
      byWords(db);
      byFields(db);
      crateEdit(db);
      weave(db);
      oneEdit(db);
    }
    print("with everything searched once: %.0f MB of heap", (Measure.heap() - before) / 1e6);
  }

  private static void printHeads() {
    print(
        "%-44s %10s %10s %8s %8s",
        "median of " + ROUNDS + ", milliseconds", "ours", "SQLite", "ratio", "found");
  }

  private void byWords(Connection db) throws Exception {
    find(db, "lantern", "SELECT count(*) FROM t WHERE " + anyLike("lantern"));
    find(
        db,
        "cold lam",
        "SELECT count(*) FROM t WHERE " + anyLike("cold") + " AND " + anyLike("lam"));
    typing(db);
  }

  private void byFields(Connection db) throws Exception {
    find(
        db,
        "year:1990..1999 genre:ska",
        "SELECT count(*) FROM t WHERE CAST(year AS INT) BETWEEN 1990 AND 1999 AND lower(genre)"
            + " LIKE '%ska%'");
    find(
        db,
        "missing:artist or missing:year",
        "SELECT count(*) FROM t WHERE artist = '' OR year = ''");
    find(
        db,
        "code:SKA code:SPR bpm:120..140",
        "SELECT count(*) FROM t WHERE comment LIKE '%/SKA/%' AND comment LIKE '%/SPR/%' AND"
            + " CAST(bpm AS REAL) BETWEEN 120 AND 140");
  }

  private static String anyLike(String word) {
    List<String> parts = new ArrayList<>();
    for (String column : List.of("title", "artist", "album", "genre", "comment", "path")) {
      parts.add("lower(" + column + ") LIKE '%" + word + "%'");
    }
    return "(" + String.join(" OR ", parts) + ")";
  }

  private void fill() {
    snapshot = made(tracks, new Random(7), codebook, (id, random, cells) -> {});
  }

  /** What a made-up track has besides. */
  @FunctionalInterface
  interface MoreCells {
    void add(int id, Random random, List<Cell> cells);
  }

  /** A made-up collection. */
  static Snapshot made(int tracks, Random random, Codebook codebook, MoreCells more) {
    Snapshot made = Snapshot.empty();
    List<Cell> cells = new ArrayList<>();
    RoaringBitmap ids = new RoaringBitmap();
    for (int id = 1; id <= tracks; id++) {
      track(id, random, cells);
      more.add(id, random, cells);
      ids.add(id);
      if (cells.size() > BATCH) {
        made = made.with(cells);
        cells.clear();
      }
    }
    return Derived.refreshed(made.with(cells), codebook, ids);
  }

  /** Adds a made-up track. */
  static void track(int id, Random random, List<Cell> cells) {
    String title =
        FIRST[random.nextInt(10)] + " " + SECOND[random.nextInt(10)] + " " + random.nextInt(50_000);
    tags(id, title, random, cells);
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(
        new Cell(
            id,
            Fields.PATH,
            "Folder " + id / 60 + "/" + String.format("%02d", id % 60) + " " + title + ".mp3"));
    cells.add(new Cell(id, Fields.DURATION, String.valueOf(120 + random.nextInt(200))));
    cells.add(new Cell(id, Fields.SIZE, String.valueOf(4_000_000 + random.nextInt(4_000_000))));
    cells.add(new Cell(id, Fields.STATE, "present"));
  }

  private static void tags(int id, String title, Random random, List<Cell> cells) {
    String artist = random.nextInt(20) == 0 ? "" : "Artist " + random.nextInt(9000);
    cells.add(new Cell(id, Fields.TITLE, title));
    cells.add(new Cell(id, Fields.ARTIST, artist));
    cells.add(new Cell(id, Fields.ALBUM, "Album " + random.nextInt(15_000)));
    cells.add(
        new Cell(
            id,
            Fields.YEAR,
            random.nextInt(10) == 0 ? "" : String.valueOf(1960 + random.nextInt(66))));
    cells.add(new Cell(id, Fields.GENRE, GENRES[random.nextInt(8)]));
    cells.add(new Cell(id, Fields.BPM, String.valueOf(70 + random.nextInt(900) / 10.0)));
    comment(id, random, cells);
  }

  private static void comment(int id, Random random, List<Cell> cells) {
    String codes =
        random.nextInt(3) == 0
            ? ""
            : " /90S/"
                + (random.nextBoolean() ? "SKA/" : "SOU/")
                + (random.nextBoolean() ? "SPR/" : "LAP/");
    cells.add(new Cell(id, Fields.COMMENT, ("note " + random.nextInt(20_000) + codes).strip()));
  }

  private void fill(Connection db) throws SQLException {
    List<String> names = COLUMNS.stream().map(Field::key).toList();
    try (Statement statement = db.createStatement()) {
      statement.execute(
          "CREATE TABLE t (id INTEGER PRIMARY KEY, " + String.join(" TEXT, ", names) + " TEXT)");
      db.setAutoCommit(false);
      String marks = "?" + ", ?".repeat(names.size());
      insertAll(db, marks);
      statement.execute("CREATE INDEX y ON t (year)");
      statement.execute("CREATE INDEX g ON t (genre)");
      statement.execute("CREATE INDEX a ON t (artist)");
      db.commit();
    }
  }

  private void insertAll(Connection db, String marks) throws SQLException {
    try (PreparedStatement insert = db.prepareStatement("INSERT INTO t VALUES (" + marks + ")")) {
      for (int id = 1; id <= tracks; id++) {
        insert.setInt(1, id);
        for (int i = 0; i < COLUMNS.size(); i++) {
          insert.setString(i + 2, snapshot.raw(id, COLUMNS.get(i)));
        }
        insert.addBatch();
      }
      insert.executeBatch();
    }
  }

  private Finder finder() {
    return new Finder(snapshot, codebook, tenterhook.core.find.NamedLists.NONE, TODAY);
  }

  private void find(Connection db, String text, String sql) throws Exception {
    var query = ((Parsed.Good) FindParser.parse(text, codebook)).query();
    compare("find " + text, () -> finder().find(query).getCardinality(), () -> count(db, sql));
  }

  /** The last keystroke of "cold lam": looked for in what "cold la" found, as the table does. */
  private void typing(Connection db) throws Exception {
    var before = ((Parsed.Good) FindParser.parse("cold la", codebook)).query();
    var query = ((Parsed.Good) FindParser.parse("cold lam", codebook)).query();
    RoaringBitmap scope = Finder.narrows(before, query) ? finder().find(before) : snapshot.tracks();
    compare(
        "the next letter of cold la",
        () -> finder().find(query, scope).getCardinality(),
        () ->
            count(
                db, "SELECT count(*) FROM t WHERE " + anyLike("cold") + " AND " + anyLike("lam")));
  }

  private void crateEdit(Connection db) throws Exception {
    Rule.RuleGroup rule =
        new Rule.RuleGroup(
            Rule.Kind.ALL,
            List.of(
                CrateJson.line("Style:SKA|SOU"),
                CrateJson.line("year:1980..1999"),
                CrateJson.line("bpm:100..140")));
    Crates crates = Crates.NONE.plus("Shelf", new Crate.RuleCrate("Crate", rule));
    compare(
        "edit a crate of three lines, accounted",
        () ->
            new CrateContents(snapshot, codebook, crates, TODAY)
                .explanation(new Crate.RuleCrate("Crate", rule))
                .lines()
                .getLast()
                .leftAfter(),
        () -> {
          int last = 0;
          String style = "(comment LIKE '%/SKA/%' OR comment LIKE '%/SOU/%')";
          String year = "CAST(year AS INT) BETWEEN 1980 AND 1999";
          String bpm = "CAST(bpm AS REAL) BETWEEN 100 AND 140";
          for (String where :
              List.of(
                  style,
                  year,
                  bpm,
                  style + " AND " + year,
                  year + " AND " + bpm,
                  style + " AND " + bpm,
                  style + " AND " + year + " AND " + bpm)) {
            last = count(db, "SELECT count(*) FROM t WHERE " + where);
          }
          return last;
        });
  }

  private void weave(Connection db) throws Exception {
    compare(
        "count the Weave from nothing (holes of year)",
        () -> {
          Weave weave = Weave.of(snapshot, codebook, WeaveBy.GENRE);
          return weave.total().holes().get(4);
        },
        () -> {
          return holes(db);
        });
  }

  private int holes(Connection db) throws Exception {
    for (String column :
        List.of(
            "state", "artist", "title", "album", "bpm", "genre", "comment", "comment", "comment",
            "comment")) {
      count(
          db,
          "SELECT sum(c) FROM (SELECT count(*) c FROM t WHERE " + column + " = '' GROUP BY genre)");
    }
    return count(
        db, "SELECT sum(c) FROM (SELECT count(*) c FROM t WHERE year = '' GROUP BY genre)");
  }

  private void oneEdit(Connection db) throws Exception {
    Weave weave = Weave.of(snapshot, codebook, WeaveBy.GENRE);
    compare(
        "edit one track, Weave kept in step",
        () -> {
          Snapshot after = snapshot.with(List.of(new Cell(5, Fields.YEAR, "1987")));
          return weave.after(after, RoaringBitmap.bitmapOf(5)).total().tracks();
        },
        () -> {
          try (Statement statement = db.createStatement()) {
            statement.executeUpdate("UPDATE t SET year = '1987' WHERE id = 5");
          }
          count(db, "SELECT sum(c) FROM (SELECT count(*) c FROM t WHERE year = '' GROUP BY genre)");
          return tracks;
        });
  }

  private static int count(Connection db, String sql) throws SQLException {
    try (Statement statement = db.createStatement();
        ResultSet rows = statement.executeQuery(sql)) {
      rows.next();
      return rows.getInt(1);
    }
  }

  private static void compare(String name, Callable<Integer> ours, Callable<Integer> theirs)
      throws Exception {
    int found = ours.call();
    int same = theirs.call();
    if (found != same) {
      throw new IllegalStateException(name + ": " + found + " here, " + same + " in SQLite");
    }
    double mine = Measure.median(ROUNDS, ours);
    double other = Measure.median(ROUNDS, theirs);
    print("%-44s %10.2f %10.2f %8.2f %8d", name, mine, other, mine / other, found);
  }

  private static void print(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
