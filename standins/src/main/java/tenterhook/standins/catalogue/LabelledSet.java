package tenterhook.standins.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Facts;
import tenterhook.core.catalogue.Match;
import tenterhook.core.catalogue.Matcher;
import tenterhook.core.text.Versions;

/**
 * Tracks whose entry is known, with what a messy collection would know of each. The likeliest match
 * for each is right or wrong; that is what certainties are read off, and on another set held
 * against.
 */
public final class LabelledSet {
  private static final int ABSENT_PERCENT = 12;

  private final Random random;

  private LabelledSet(Random random) {
    this.random = random;
  }

  /** What a messy collection would know of a recording. */
  @FunctionalInterface
  public interface Damage {
    /**
     * Damages.
     *
     * @param entry the recording as it is
     * @param random decides what happens to it
     */
    Facts damaged(CatalogueEntry entry, Random random);

    /** Holes, single slips, wrong numbers: the damage that the table was read off. */
    static Damage holes() {
      return (entry, random) -> new LabelledSet(random).damaged(entry);
    }
  }

  /**
   * A match that was judged.
   *
   * @param raw probability before the table, 0 to 100
   * @param certainty what the program says, 0 to 100
   * @param right whether it is the entry, on the very release
   */
  public record Judged(double raw, int certainty, boolean right) {}

  /**
   * Judges the likeliest match of many tracks.
   *
   * @param book the catalogue
   * @param seed another seed gives other tracks and other damage
   * @param count how many tracks
   * @param damage what happened to each
   */
  public static List<Judged> judge(CatalogueBook book, long seed, int count, Damage damage) {
    Random random = new Random(seed);
    List<Judged> judged = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      CatalogueEntry meant = book.entries().get(random.nextInt(book.entries().size()));
      Facts facts = damage.damaged(meant, random);
      boolean absent = random.nextInt(100) < ABSENT_PERCENT;
      List<CatalogueEntry> offered =
          book.search(facts.words()).stream()
              .filter(e -> !absent || !e.id().equals(meant.id()))
              .toList();
      Answer answer = Matcher.answer(facts, offered, Map.of());
      if (!answer.matches().isEmpty()) {
        Match best = answer.matches().getFirst();
        judged.add(
            new Judged(
                Matcher.raw(facts, offered, Map.of()),
                best.certainty(),
                best.entry().id().equals(meant.id())));
      }
    }
    return judged;
  }

  private boolean hit(int percent) {
    return random.nextInt(100) < percent;
  }

  /** What a collection may know of a recording. */
  private Facts damaged(CatalogueEntry entry) {
    String title = entry.title();
    if (hit(6)) {
      title = Versions.base(title);
    }
    if (hit(8)) {
      title = slipped(title);
    }
    String artist = hit(12) ? "" : hit(6) ? slipped(entry.artist()) : entry.artist();
    String album = hit(45) ? "" : hit(5) ? "Best of" : entry.album();
    int year = hit(35) ? 0 : hit(8) ? entry.year() + 1 + random.nextInt(9) : entry.year();
    int track = hit(40) ? 0 : hit(8) ? 1 + random.nextInt(12) : entry.track();
    double seconds =
        hit(5) ? 0 : Math.max(1, entry.seconds() + random.nextGaussian() * (hit(10) ? 4 : 0.6));
    return new Facts(artist, title, album, year, track, seconds);
  }

  private String slipped(String text) {
    if (text.length() < 4) {
      return text;
    }
    int at = 1 + random.nextInt(text.length() - 2);
    return text.substring(0, at) + text.substring(at + 1);
  }
}
