package tenterhook.bench;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.duplicate.SoundPairs;
import tenterhook.core.duplicate.SoundPairs.Pair;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * Copies and lost files in a collection of 100,000: groups by tags, groups by sound, and the
 * folders that 20,000 lost files moved to. Baselines in the same run: a plain read of the fields
 * that are compared, and a plain read of all prints. The prints are made of words of which each
 * differs from the last in a few bits, as those of music do; one track in twenty is a worn copy of
 * another.
 */
public final class LargeCopies {
  private static final int TRACKS = 100_000;
  private static final int COPIES = TRACKS / 20;
  private static final int WORN_PERCENT = 10;

  private final Random random = new Random(5);

  private LargeCopies() {}

  /** Prints the figures. */
  public static void main(String[] args) {
    LargeCopies bench = new LargeCopies();
    bench.tags();
    bench.sounds();
    new LargeMoves(bench.random).run();
  }

  static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }

  static void say(String words, Object... values) {
    System.out.printf(Locale.ROOT, words + "%n", values);
  }

  static long heap() {
    System.gc();
    return (Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) >> 20;
  }

  private Snapshot tagged() {
    List<Cell> cells = new ArrayList<>();
    String[][] names = new String[TRACKS + 1][];
    for (int id = 1; id <= TRACKS; id++) {
      boolean copy = id > TRACKS - COPIES;
      String[] own = own(copy, names);
      names[id] = own;
      cells(cells, id, own, copy);
    }
    return Snapshot.empty().with(cells);
  }

  private String[] own(boolean copy, String[][] names) {
    return copy
        ? names[1 + random.nextInt(TRACKS - COPIES)]
        : new String[] {
          "The Artist " + random.nextInt(9000),
          "Song of " + random.nextInt(50_000) + (random.nextInt(9) == 0 ? " (Live)" : ""),
          String.valueOf(120 + random.nextInt(300))
        };
  }

  private void cells(List<Cell> cells, int id, String[] own, boolean copy) {
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(new Cell(id, Fields.PATH, "Folder " + id / 14 + "/" + id + ".mp3"));
    cells.add(new Cell(id, Fields.ARTIST, copy ? own[0].toUpperCase(Locale.ROOT) : own[0]));
    cells.add(new Cell(id, Fields.TITLE, own[1]));
    cells.add(new Cell(id, Fields.DURATION, own[2]));
    cells.add(new Cell(id, Fields.SIZE, String.valueOf(4_000_000 + random.nextInt(4_000_000))));
  }

  private void tags() {
    Snapshot snapshot = tagged();
    Duplicates.Wish wish =
        new Duplicates.Wish(Optional.of(Criteria.USUAL), Preferences.USUAL, Set.of());
    double read = Double.POSITIVE_INFINITY;
    double best = Double.POSITIVE_INFINITY;
    List<Group> groups = List.of();
    for (int round = 0; round < 5; round++) {
      read = Math.min(read, readFields(snapshot));
      long start = System.nanoTime();
      groups = Duplicates.find(snapshot, Crates.NONE, List.of(), wish);
      best = Math.min(best, seconds(start));
    }
    told(groups, read, best);
  }

  private static double readFields(Snapshot snapshot) {
    long start = System.nanoTime();
    long letters = 0;
    for (Field<?> field : List.of(Fields.ARTIST, Fields.TITLE, Fields.DURATION)) {
      for (int id = 1; id <= TRACKS; id++) {
        letters += snapshot.raw(id, field).length();
      }
    }
    return letters > 0 ? seconds(start) : Double.POSITIVE_INFINITY;
  }

  private static void told(List<Group> groups, double read, double best) {
    long tagged = groups.stream().filter(g -> g.evidence() == Evidence.SAME_TAGS).count();
    say(
        "%,d tracks by artist, title and length: %.2f s, %,d groups; the same fields read once"
            + " %.3f s, ratio %.0f; heap %d MB",
        TRACKS, best, tagged, read, best / read, heap());
  }

  private SoundPrint made() {
    ByteBuffer words = ByteBuffer.allocate(4 * SoundPrint.MOST);
    int word = random.nextInt();
    while (words.hasRemaining()) {
      for (int flips = 4 + random.nextInt(9); flips > 0; flips--) {
        word ^= 1 << random.nextInt(32);
      }
      words.putInt(word);
    }
    return SoundPrint.ofBytes(words.array());
  }

  private SoundPrint worn(SoundPrint of) {
    int shift = random.nextInt(20);
    ByteBuffer words = ByteBuffer.allocate(4 * (of.length() - shift));
    for (int i = shift; i < of.length(); i++) {
      int word = of.word(i);
      for (int bit = 0; bit < 32; bit++) {
        word ^= random.nextInt(100) < WORN_PERCENT ? 1 << bit : 0;
      }
      words.putInt(word);
    }
    return SoundPrint.ofBytes(words.array());
  }

  private void sounds() {
    long before = heap();
    SoundPrint[] prints = new SoundPrint[TRACKS + 1];
    int[] original = new int[TRACKS + 1];
    make(prints, original);
    long held = heap();
    double read = readAll(prints);
    long start = System.nanoTime();
    List<Pair> pairs =
        SoundPairs.of(
            IntStream.rangeClosed(1, TRACKS).toArray(), id -> prints[id], Progress.SILENT);
    double found = seconds(start);
    told(pairs, original, found, read, held - before);
  }

  private void make(SoundPrint[] prints, int[] original) {
    for (int id = 1; id <= TRACKS; id++) {
      boolean copy = id > TRACKS - COPIES;
      original[id] = copy ? id - (TRACKS - COPIES) : id;
      prints[id] = copy ? worn(prints[original[id]]) : made();
    }
  }

  private static void told(
      List<Pair> pairs, int[] original, double found, double read, long bytes) {
    long right = pairs.stream().filter(p -> original[p.other()] == p.one()).count();
    say(
        "%,d prints: %.1f s to index and to look each up, on %d processors; %,d of %,d copies"
            + " found, %d wrong pairs; all prints read once %.2f s, ratio %.0f; prints %d MB",
        TRACKS,
        found,
        Runtime.getRuntime().availableProcessors(),
        right,
        COPIES,
        pairs.size() - right,
        read,
        found / read,
        bytes);
  }

  private static double readAll(SoundPrint[] prints) {
    long start = System.nanoTime();
    long bits = 0;
    for (int id = 1; id <= TRACKS; id++) {
      for (int i = 0; i < prints[id].length(); i++) {
        bits += Integer.bitCount(prints[id].word(i));
      }
    }
    return bits > 0 ? seconds(start) : 0;
  }
}
