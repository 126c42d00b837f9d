package tenterhook.core.measure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import tenterhook.core.measure.SoundPrint.Likeness;

/**
 * Finds the prints that are of the same recording among very many: words that are equal to the bit
 * vote for a print and an offset (the search of Haitsma and Kalker, 2002), and the places with most
 * votes are compared bit by bit. Every word of a query is looked up once, so a query costs a few
 * thousand steps whatever the number of prints. Of the prints that are searched only every {@value
 * #STEP}th word is kept, 6 bytes each: some 150 MB for 100,000 prints of two minutes; the prints
 * themselves stay where they are and are asked for when two are to be compared. Immutable; may be
 * used from several threads when the source of the prints may.
 */
public final class PrintIndex {
  private static final int STEP = 4;

  /** A word that stands in so many prints tells nothing. */
  private static final int COMMON = 100;

  private static final int MOST_COMPARED = 64;

  /** Bits of a place within a print, in steps. */
  private static final int PLACE_BITS = 8;

  /** Spreads words evenly over the buckets; odd, so that different words stay different. */
  private static final int SPREAD = 0x9E3779B1;

  private final int[] ids;
  private final IntFunction<SoundPrint> prints;

  /** A bucket holds the words that share their first bits after spreading. */
  private final int bucketBits;

  private final int[] bucketStarts;

  /** Of each word the bits that its bucket does not say, and the number of its print and place. */
  private final short[] rests;

  private final int[] places;

  private PrintIndex(int[] ids, IntFunction<SoundPrint> prints) {
    this.ids = ids;
    this.prints = prints;
    bucketBits = ids.length > 4000 ? 20 : 16;
    int[] ends = new int[(1 << bucketBits) + 1];
    for (int id : ids) {
      SoundPrint print = prints.apply(id);
      for (int i = 0; i < print.length(); i += STEP) {
        ends[bucket(print.word(i) * SPREAD) + 1]++;
      }
    }
    for (int b = 1; b < ends.length; b++) {
      ends[b] += ends[b - 1];
    }
    bucketStarts = ends.clone();
    rests = new short[ends[ends.length - 1]];
    places = new int[rests.length];
    for (int p = 0; p < ids.length; p++) {
      SoundPrint print = prints.apply(ids[p]);
      for (int i = 0; i < print.length(); i += STEP) {
        int spread = print.word(i) * SPREAD;
        int at = ends[bucket(spread)]++;
        rests[at] = (short) spread;
        places[at] = p << PLACE_BITS | i / STEP;
      }
    }
  }

  private int bucket(int spread) {
    return spread >>> 32 - bucketBits;
  }

  /**
   * The index of some prints.
   *
   * @param prints by the id of a track
   */
  public static PrintIndex of(Map<Integer, SoundPrint> prints) {
    Map<Integer, SoundPrint> held = Map.copyOf(prints);
    return of(held.keySet().stream().mapToInt(i -> i).sorted().toArray(), held::get);
  }

  /**
   * The index of prints that are kept elsewhere.
   *
   * @param ids of the tracks, at most 16 million
   * @param prints gives the print of an id; asked twice for each now, and later for each that may
   *     be what is looked for; must give the same every time
   */
  public static PrintIndex of(int[] ids, IntFunction<SoundPrint> prints) {
    return new PrintIndex(ids.clone(), prints);
  }

  /**
   * A print of the same recording.
   *
   * @param id the track
   * @param likeness how the two fit
   */
  public record Hit(int id, Likeness likeness) {}

  /**
   * The prints of the same recording, the likest first.
   *
   * @param query any print; one that is in the index finds itself as well
   */
  public List<Hit> find(SoundPrint query) {
    Votes votes = new Votes();
    for (int i = 0; i < query.length(); i++) {
      vote(query.word(i), i, votes);
    }
    return best(query, votes);
  }

  /**
   * The same at half the cost, for when every print of the index is asked in turn: a pair then has
   * two chances, one from either side. Looks up every second run of {@value #STEP} words.
   *
   * @param query a print of the index
   */
  public List<Hit> findFromOneSide(SoundPrint query) {
    Votes votes = new Votes();
    for (int run = 0; run < query.length(); run += 2 * STEP) {
      for (int i = run; i < Math.min(query.length(), run + STEP); i++) {
        vote(query.word(i), i, votes);
      }
    }
    return best(query, votes);
  }

  private List<Hit> best(SoundPrint query, Votes votes) {
    Map<Integer, Likeness> best = new HashMap<>();
    for (long likely : votes.most(MOST_COMPARED)) {
      int print = (int) (likely >> 32);
      Likeness likeness = nearby(query, prints.apply(ids[print]), (int) likely);
      if (likeness.same()) {
        best.merge(ids[print], likeness, (a, b) -> a.share() >= b.share() ? a : b);
      }
    }
    List<Hit> matches = new ArrayList<>();
    best.forEach((id, likeness) -> matches.add(new Hit(id, likeness)));
    matches.sort((a, b) -> Double.compare(b.likeness().share(), a.likeness().share()));
    return matches;
  }

  private static Likeness nearby(SoundPrint query, SoundPrint print, int offset) {
    Likeness best = Likeness.NONE;
    for (int o = offset - 1; o <= offset + 1; o++) {
      Likeness here = query.at(print, o);
      best = here.share() > best.share() ? here : best;
    }
    return best;
  }

  private void vote(int word, int place, Votes votes) {
    int spread = word * SPREAD;
    int bucket = bucket(spread);
    int seen = 0;
    for (int i = bucketStarts[bucket]; i < bucketStarts[bucket + 1] && seen < COMMON; i++) {
      if (rests[i] == (short) spread) {
        seen++;
        int offset = place - STEP * (places[i] & (1 << PLACE_BITS) - 1);
        votes.add((long) (places[i] >>> PLACE_BITS) << 32 | offset & 0xFFFFFFFFL);
      }
    }
  }
}
