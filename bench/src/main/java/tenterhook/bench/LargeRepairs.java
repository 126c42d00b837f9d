package tenterhook.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;

/**
 * All inspectors over 100,000 made-up messy tracks, and what one edit costs afterwards. The
 * baseline in the same run is a plain read of every field of every track.
 */
public final class LargeRepairs {
  private static final int YEAR = 2026;
  private static final int EDITS = 200;
  private static final int IN_FOLDER = 14;

  private final Random random = new Random(3);
  private final Codebook codebook = DemoCollection.codebook();

  private LargeRepairs() {}

  /**
   * Prints the figures.
   *
   * @param args the number of tracks, 100,000 without
   */
  public static void main(String[] args) {
    new LargeRepairs().run(args.length > 0 ? Integer.parseInt(args[0]) : 100_000);
  }

  private void run(int tracks) {
    Snapshot snapshot = snapshot(tracks);
    long start = System.nanoTime();
    long letters = readAll(snapshot);
    double baseline = seconds(start);
    start = System.nanoTime();
    Repairs repairs =
        Repairs.of(
            snapshot, codebook, RepairRules.DEFAULT, ExternalEvidence.none(YEAR), Progress.SILENT);
    double inspect = seconds(start);
    start = System.nanoTime();
    List<Proposal> proposals = repairs.proposals();
    double list = seconds(start);
    print("%,d tracks, %,d letters read once: %.2f s", tracks, letters, baseline);
    print(
        "all inspectors: %.2f s, %.1f times that; %,d looked at",
        inspect, inspect / baseline, repairs.inspected());
    print("the list of %,d proposals: %.2f s", proposals.size(), list);
    Map<String, Integer> kinds = new TreeMap<>();
    proposals.forEach(p -> kinds.merge(p.kind().key(), 1, Integer::sum));
    print("%s", kinds);
    edits(snapshot, repairs);
    Runtime runtime = Runtime.getRuntime();
    System.gc();
    print("heap with all of it: %.0f MB", (runtime.totalMemory() - runtime.freeMemory()) / 1e6);
  }

  private void edits(Snapshot first, Repairs repairs) {
    Snapshot snapshot = first;
    List<Double> millis = new ArrayList<>();
    List<Long> looked = new ArrayList<>();
    for (int i = 0; i < EDITS; i++) {
      int id = 1 + random.nextInt(first.count());
      RoaringBitmap one = RoaringBitmap.bitmapOf(id);
      snapshot = edited(snapshot, id, i, one);
      long start = System.nanoTime();
      repairs.follow(snapshot, codebook, RepairRules.DEFAULT, ExternalEvidence.none(YEAR), one);
      millis.add(seconds(start) * 1000);
      looked.add(repairs.inspected());
    }
    print(millis, looked);
  }

  private Snapshot edited(Snapshot snapshot, int id, int number, RoaringBitmap one) {
    return Derived.refreshed(
        snapshot.with(
            List.of(
                new Cell(id, Fields.ARTIST, artist()), new Cell(id, Fields.TITLE, title(number)))),
        codebook,
        one);
  }

  private static void print(List<Double> millis, List<Long> looked) {
    millis.sort(null);
    looked.sort(null);
    print(
        "one edit of artist and title: median %.2f ms, worst of %d %.1f ms; looked at %d in the"
            + " median, %d at the most",
        millis.get(EDITS / 2), EDITS, millis.getLast(), looked.get(EDITS / 2), looked.getLast());
  }

  private static long readAll(Snapshot snapshot) {
    long[] letters = {0};
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                Fields.all().forEach(field -> letters[0] += snapshot.raw(id, field).length()));
    return letters[0];
  }

  private Snapshot snapshot(int tracks) {
    List<Cell> cells = new ArrayList<>();
    String artist = artist();
    for (int id = 1; id <= tracks; id++) {
      if (id % IN_FOLDER == 0 || id / IN_FOLDER % 5 == 0) {
        artist = artist(); // an album by one artist, every fifth folder a compilation
      }
      cells.add(new Cell(id, Fields.ROOT, "Music"));
      cells.add(new Cell(id, Fields.STATE, "present"));
      names(id, artist, cells);
      numbers(id, cells);
    }
    Snapshot snapshot = Snapshot.empty().with(cells);
    return Derived.refreshed(snapshot, codebook, snapshot.known());
  }

  private void names(int id, String artist, List<Cell> cells) {
    int folder = id / IN_FOLDER;
    String title = title(id);
    String album = "Album " + folder % 5000;
    String name = String.format(Locale.ROOT, "%02d %s %d.mp3", id % IN_FOLDER + 1, title, id);
    cells.add(new Cell(id, Fields.PATH, "Shelf " + folder % 97 + "/" + album + "/" + name));
    boolean stuck = hit(4);
    String kept = hit(3) ? artist.toLowerCase(Locale.ROOT) : artist;
    cells.add(new Cell(id, Fields.ARTIST, stuck || hit(3) ? "" : kept));
    String spoiled =
        hit(4) ? title + " (Official Video)" : hit(3) ? title.toUpperCase(Locale.ROOT) : title;
    cells.add(new Cell(id, Fields.TITLE, hit(3) ? "" : stuck ? artist + " - " + title : spoiled));
    cells.add(new Cell(id, Fields.ALBUM, hit(8) ? "" : album));
    String genre = hit(8) ? "hip-hop" : hit(4) ? "Hip Hop / Soul" : "Genre " + folder % 60;
    cells.add(new Cell(id, Fields.GENRE, hit(7) ? "" : genre));
    String comment = hit(5) ? "www.tape-swap.example" : hit(50) ? "/80S/SKA/" : "";
    cells.add(new Cell(id, Fields.COMMENT, comment));
  }

  private void numbers(int id, List<Cell> cells) {
    int folder = id / IN_FOLDER;
    String year = hit(3) ? "2099" : hit(4) ? "1987-05-03" : String.valueOf(1960 + folder % 60);
    cells.add(new Cell(id, Fields.YEAR, hit(8) ? "" : year));
    String track = String.valueOf(id % IN_FOLDER + 1);
    cells.add(new Cell(id, Fields.TRACK, hit(7) ? "" : track));
    cells.add(new Cell(id, Fields.BPM, hit(10) ? "" : String.valueOf(80 + folder % 60)));
    Artwork cover = new Artwork("c" + folder, 600, 600, 9000, "image/jpeg");
    cells.add(new Cell(id, Fields.ARTWORK, hit(15) ? "" : cover.raw()));
  }

  private boolean hit(int percent) {
    return random.nextInt(100) < percent;
  }

  /** One of about 20,000 names of two made-up words. */
  private String artist() {
    return word(random.nextInt(140)) + " " + word(random.nextInt(140));
  }

  private static String title(int number) {
    return word(number % 1013) + " " + word(number / 7 % 1013);
  }

  private static String word(int number) {
    String[] first = {"Bra", "Cor", "Del", "Fen", "Gor", "Hal", "Ist", "Jor", "Kel", "Lum", "Mor"};
    String[] second = {"ba", "de", "fi", "go", "hu", "ka", "le", "mi", "no", "pu"};
    String[] third = {"ck", "dra", "ff", "gen", "lm", "nd", "rth", "st", "wen", "x"};
    return first[number % 11] + second[number / 11 % 10] + third[number / 110 % 10];
  }

  private static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }

  private static void print(String form, Object... values) {
    System.out.println(String.format(Locale.ROOT, form, values));
  }
}
