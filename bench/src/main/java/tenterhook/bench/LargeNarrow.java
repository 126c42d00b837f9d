package tenterhook.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.narrow.NarrowCounter;
import tenterhook.core.narrow.NarrowCounts.GroupCounts;
import tenterhook.core.narrow.NarrowGroup;
import tenterhook.core.narrow.NarrowRequest;
import tenterhook.core.narrow.NarrowValue;
import tenterhook.core.narrow.Narrowing;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.place.FolderTree;
import tenterhook.core.standing.StandingList;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;

/**
 * Counts what a list of 100,000 tracks can be narrowed by, all groups at once, beside one {@code
 * GROUP BY} for each of eight plain columns in SQLite (in memory) in the same run; and the counts
 * at the station Tracks.
 */
public final class LargeNarrow {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final int ROUNDS = 31;
  private static final List<Field<?>> GROUPED =
      List.of(
          Fields.GENRE,
          Fields.ARTIST,
          Fields.YEAR,
          Fields.BPM,
          Fields.KEY,
          Fields.RATING,
          Fields.FOLDER,
          Fields.CODEC);
  private static final String[] KEYS = {"Am", "C", "F#m", "Ebm", "G", "", "Gb minor"};

  private final int tracks;
  private final Codebook codebook = DemoCollection.codebook();
  private Snapshot snapshot = Snapshot.empty();

  private LargeNarrow(int tracks) {
    this.tracks = tracks;
  }

  /**
   * Prints the figures.
   *
   * @param args the number of tracks, 100,000 without
   */
  public static void main(String[] args) throws Exception {
    new LargeNarrow(args.length > 0 ? Integer.parseInt(args[0]) : 100_000).run();
  }

  private void run() throws Exception {
    fill();
    print("%,d tracks; medians of %d, milliseconds: ours, SQLite, ratio", tracks, ROUNDS);
    try (Connection db = DriverManager.getConnection("jdbc:sqlite::memory:")) {
      fill(db);
      Narrowings narrowings = Narrowings.NONE;
      for (int step = 0; step < 4; step++) {
        compare(db, narrowings);
        narrowings = narrowings.toggled(fullest(narrowings, step));
      }
    }
    CrateContents contents = new CrateContents(snapshot, codebook, Crates.NONE, TODAY);
    print(
        "all folders with how whole they are %8.2f",
        Measure.median(ROUNDS, () -> FolderTree.of(snapshot, codebook)));
    print(
        "all standing lists                  %8.2f",
        Measure.median(
            ROUNDS,
            () -> {
              int sum = 0;
              for (StandingList list : StandingList.values()) {
                sum += list.count(contents);
              }
              return sum;
            }));
  }

  private void compare(Connection db, Narrowings narrowings) throws Exception {
    NarrowCounter counter = new NarrowCounter(codebook);
    counter.count(request(narrowings));
    double ours = Measure.median(ROUNDS, () -> counter.count(request(narrowings)));
    double theirs = Measure.median(ROUNDS, () -> grouped(db));
    print(
        "all groups after %d narrowings       %8.2f %8.2f %6.3f",
        narrowings.all().size(), ours, theirs, ours / theirs);
  }

  private NarrowRequest request(Narrowings narrowings) {
    Finder finder = new Finder(snapshot, codebook, NamedLists.NONE, TODAY);
    return new NarrowRequest(
        snapshot, finder, snapshot.tracks(), narrowings, "", Set.of(), Optional.empty());
  }

  /** The value of a group that leaves most. */
  private Narrowing fullest(Narrowings narrowings, int step) {
    List<NarrowGroup> order =
        List.of(
            new NarrowGroup.OfFacet("Style"),
            NarrowGroup.Own.DECADE,
            NarrowGroup.Own.GENRE,
            NarrowGroup.Own.KEY);
    GroupCounts group =
        new NarrowCounter(codebook).count(request(narrowings)).of(order.get(step)).orElseThrow();
    return group.values().stream()
        .max(Comparator.comparingInt(NarrowValue::tracks))
        .orElseThrow()
        .narrowing();
  }

  private void fill() {
    snapshot = LargeCollection.made(tracks, new Random(7), codebook, LargeNarrow::more);
  }

  private static void more(int id, Random random, List<Cell> cells) {
    cells.add(new Cell(id, Fields.KEY, KEYS[random.nextInt(KEYS.length)]));
    cells.add(new Cell(id, Fields.RATING, random.nextInt(6) + ""));
    cells.add(new Cell(id, Fields.CODEC, random.nextInt(3) == 0 ? "flac" : "mp3"));
    cells.add(new Cell(id, Fields.ENERGY, random.nextInt(101) + ""));
    cells.add(new Cell(id, Fields.PLAYS, random.nextInt(3) == 0 ? random.nextInt(40) + "" : ""));
  }

  private void fill(Connection db) throws SQLException {
    List<String> names = GROUPED.stream().map(Field::key).toList();
    try (Statement statement = db.createStatement()) {
      statement.execute(
          "CREATE TABLE t (id INTEGER PRIMARY KEY, " + String.join(" TEXT, ", names) + " TEXT)");
    }
    db.setAutoCommit(false);
    String marks = "?" + ", ?".repeat(names.size());
    try (PreparedStatement insert = db.prepareStatement("INSERT INTO t VALUES (" + marks + ")")) {
      for (int id = 1; id <= tracks; id++) {
        insert.setInt(1, id);
        for (int i = 0; i < GROUPED.size(); i++) {
          insert.setString(i + 2, snapshot.raw(id, GROUPED.get(i)));
        }
        insert.addBatch();
      }
      insert.executeBatch();
    }
    db.commit();
  }

  private static int grouped(Connection db) throws SQLException {
    int rows = 0;
    try (Statement statement = db.createStatement()) {
      for (Field<?> field : GROUPED) {
        String sql = "SELECT " + field.key() + ", count(*) FROM t GROUP BY " + field.key();
        try (ResultSet counts = statement.executeQuery(sql)) {
          while (counts.next()) {
            rows += counts.getInt(2) > 0 ? 1 : 0;
          }
        }
      }
    }
    return rows;
  }

  private static void print(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
