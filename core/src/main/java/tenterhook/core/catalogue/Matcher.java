package tenterhook.core.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;
import tenterhook.core.text.Versions;

/**
 * Says which entries a track may be, and how sure that is.
 *
 * <p>Each entry gets points for and against: title, artist, version, length, album, number, year,
 * and whether other tracks of the folder point to the same album. Points are log-odds; an entry's
 * share against all others and against "none of them" is its raw probability (a conditional logit,
 * D. McFadden, 1974). Raw probabilities are too sure of themselves and are brought down by a table
 * that was read off a labelled set; docs/matching.md shows it and how well it holds on another set.
 */
public final class Matcher {
  /** Raw probability to certainty, both in percent; straight lines between the points. */
  private static final double[][] CALIBRATION = {
    {0, 0},
    {14, 4},
    {25, 7},
    {35, 20},
    {46, 37},
    {54, 40},
    {65, 50},
    {77, 70},
    {86, 76},
    {93, 87},
    {95, 92},
    {96.4, 97},
    {98.8, 99},
    {100, 99.5}
  };

  private static final double UNLISTED = 0.04;
  private static final int MOST = 5;
  private static final int LEAST_CERTAINTY = 5;
  private static final JaroWinklerSimilarity LIKE = new JaroWinklerSimilarity();

  private Matcher() {}

  /** One thing that speaks for or against an entry, be it its recording or its release. */
  private record Point(double weight, String words, boolean ofRelease) {
    Point(double weight, String words) {
      this(weight, words, false);
    }
  }

  /** How one name compares with another. */
  public enum Likeness {
    /** The same, however it is spelled. */
    SAME,
    /** A slip or a part of it apart. */
    NEAR,
    /** Some of its words are missing. */
    PART,
    /** The whole of it, and more that is not understood. */
    MORE,
    /** Another one. */
    OTHER,
    /** Nothing is said of it. */
    UNKNOWN
  }

  /**
   * An entry that was held against names only, by whoever reads them.
   *
   * @param entry the entry
   * @param title of the song, without versions
   * @param artist who plays
   * @param version {@link Likeness#NEAR} when only a part of the entry's version is told, {@link
   *     Likeness#MORE} when one is told that it is not
   */
  public record Compared(CatalogueEntry entry, Likeness title, Likeness artist, Likeness version) {}

  /** An entry with its points. */
  private record Scored(CatalogueEntry entry, double sum, List<Point> points) {
    static Scored of(CatalogueEntry entry, List<Point> points) {
      return new Scored(entry, Matcher.sum(points), points);
    }
  }

  /**
   * Holds entries against a track.
   *
   * @param facts what is known of the track
   * @param entries what the catalogue offers
   * @param neighbours album keys ({@link NameKey}) to how many other tracks of the folder may be on
   *     that album
   * @return at most five matches, the likeliest first
   */
  public static Answer answer(
      Facts facts, List<CatalogueEntry> entries, Map<String, Integer> neighbours) {
    return ranked(
        entries.stream().map(e -> Scored.of(e, points(facts, e, neighbours))).toList(),
        LEAST_CERTAINTY);
  }

  /**
   * Weighs entries of which only names were compared.
   *
   * @param entries each recording once
   * @return at most five matches, the likeliest first
   */
  public static Answer answer(List<Compared> entries) {
    return ranked(
        entries.stream()
            .map(
                c ->
                    Scored.of(
                        c.entry(),
                        List.of(
                            new Point(-3, ""),
                            title(c.title()),
                            artist(c.artist()),
                            version(c.version()))))
            .toList(),
        1);
  }

  private static Answer ranked(List<Scored> unsorted, int least) {
    List<Scored> scored = new ArrayList<>(unsorted);
    double all = 1;
    for (Scored one : scored) {
      all += Math.exp(one.sum()) + elsewhere(one.points());
    }
    scored.sort(
        Comparator.comparingDouble((Scored s) -> -s.sum()).thenComparing(s -> s.entry().id()));
    List<Match> matches = new ArrayList<>();
    for (Scored one : scored.subList(0, Math.min(MOST, scored.size()))) {
      double raw = 100 * Math.exp(one.sum()) / all;
      int certainty = (int) Math.floor(calibrated(raw));
      if (certainty >= least) {
        matches.add(new Match(one.entry(), certainty, reason(one.points())));
      }
    }
    return new Answer(matches);
  }

  /**
   * The raw probability of the likeliest entry, before the table: what the table is made from.
   *
   * @return 0 to 100, 0 when there is no entry
   */
  public static double raw(
      Facts facts, List<CatalogueEntry> entries, Map<String, Integer> neighbours) {
    double all = 1;
    double best = 0;
    for (CatalogueEntry entry : entries) {
      List<Point> points = points(facts, entry, neighbours);
      double one = Math.exp(sum(points));
      all += one + elsewhere(points);
      best = Math.max(best, one);
    }
    return 100 * best / all;
  }

  private static double sum(List<Point> points) {
    return points.stream().mapToDouble(Point::weight).sum();
  }

  /**
   * The same recording on a release that the catalogue does not list: what no release speaks for.
   */
  private static double elsewhere(List<Point> points) {
    double recording = points.stream().filter(p -> !p.ofRelease()).mapToDouble(Point::weight).sum();
    return UNLISTED * Math.exp(recording);
  }

  private static double calibrated(double raw) {
    for (int i = 1; i < CALIBRATION.length; i++) {
      if (raw <= CALIBRATION[i][0]) {
        double[] a = CALIBRATION[i - 1];
        double[] b = CALIBRATION[i];
        return a[1] + (raw - a[0]) / (b[0] - a[0]) * (b[1] - a[1]);
      }
    }
    return CALIBRATION[CALIBRATION.length - 1][1];
  }

  private static List<Point> points(
      Facts facts, CatalogueEntry entry, Map<String, Integer> neighbours) {
    List<Point> points = new ArrayList<>();
    points.add(new Point(-3, ""));
    points.add(title(facts, entry));
    points.add(artist(facts, entry));
    points.add(version(facts, entry));
    points.add(length(facts, entry));
    if (!facts.album().isBlank() && !entry.album().isBlank()) {
      boolean same = NameKey.of(facts.album()).equals(NameKey.of(entry.album()));
      points.add(same ? new Point(2.5, "same album", true) : new Point(-1, "another album", true));
    }
    if (facts.track() > 0 && entry.track() > 0) {
      boolean same = facts.track() == entry.track();
      points.add(
          same ? new Point(0.8, "same number", true) : new Point(-0.6, "another number", true));
    }
    if (facts.year() > 0 && entry.year() > 0) {
      boolean same = Math.abs(facts.year() - entry.year()) <= 1;
      points.add(same ? new Point(0.9, "same year", true) : new Point(-0.5, "another year", true));
    }
    int others = neighbours.getOrDefault(NameKey.of(entry.album()), 0);
    if (others > 0 && !entry.album().isBlank()) {
      points.add(
          new Point(
              0.8 * Math.min(4, others),
              others + (others == 1 ? " other track" : " other tracks") + " here on this album",
              true));
    }
    return points;
  }

  private static Point title(Facts facts, CatalogueEntry entry) {
    String a = NameKey.of(Versions.base(facts.title()));
    String b = NameKey.of(Versions.base(entry.title()));
    if (a.isEmpty()) {
      return title(Likeness.UNKNOWN);
    }
    if (a.equals(b)) {
      return title(Likeness.SAME);
    }
    return title(LIKE.apply(a, b) > 0.93 ? Likeness.NEAR : Likeness.OTHER);
  }

  private static Point title(Likeness likeness) {
    return switch (likeness) {
      case SAME -> new Point(4.5, "same title");
      case NEAR -> new Point(2.2, "title nearly the same");
      case PART -> new Point(1.2, "a part of the title");
      case MORE -> new Point(-1.5, "more is named than this title");
      case OTHER -> new Point(-6, "another title");
      case UNKNOWN -> new Point(-4, "no title to compare");
    };
  }

  private static Point artist(Facts facts, CatalogueEntry entry) {
    String a = NameKey.of(facts.artist());
    String b = NameKey.of(entry.artist());
    if (a.isEmpty()) {
      return artist(Likeness.UNKNOWN);
    }
    if (a.equals(b)) {
      return artist(Likeness.SAME);
    }
    boolean near = LIKE.apply(a, b) > 0.93;
    boolean part = a.length() > 4 && b.length() > 4 && (a.contains(b) || b.contains(a));
    return artist(near || part ? Likeness.NEAR : Likeness.OTHER);
  }

  private static Point artist(Likeness likeness) {
    return switch (likeness) {
      case SAME -> new Point(3.5, "same artist");
      case NEAR, MORE -> new Point(1.5, "artist nearly the same");
      case PART -> new Point(1.2, "a part of the artist's name");
      case OTHER -> new Point(-5, "another artist");
      case UNKNOWN -> new Point(-0.5, "artist not known");
    };
  }

  private static Point version(Facts facts, CatalogueEntry entry) {
    Set<String> a = versionWords(facts.title());
    if (!a.equals(versionWords(entry.title()))) {
      return version(Likeness.OTHER);
    }
    return version(a.isEmpty() ? Likeness.UNKNOWN : Likeness.SAME);
  }

  private static Point version(Likeness likeness) {
    return switch (likeness) {
      case SAME -> new Point(1, "same version");
      case NEAR, PART -> new Point(-1, "not all of the version told");
      case MORE -> new Point(-7, "more versions told");
      case OTHER -> new Point(-5, "another version");
      case UNKNOWN -> new Point(1, "");
    };
  }

  /** The words by which a title tells its version; empty for the song itself. */
  public static Set<String> versionWords(String title) {
    return words(Versions.of(title));
  }

  private static Set<String> words(String text) {
    Set<String> words = new TreeSet<>(Arrays.asList(Fold.fold(text).split("[^\\p{L}\\p{N}]+")));
    words.removeAll(Set.of("", "the", "version", "original"));
    return words;
  }

  private static Point length(Facts facts, CatalogueEntry entry) {
    if (facts.seconds() == 0 || entry.seconds() == 0) {
      return new Point(0, "");
    }
    double apart = Math.abs(facts.seconds() - entry.seconds());
    if (apart <= 2) {
      return new Point(2, "same length");
    }
    String words = Math.round(apart) + " s apart";
    return apart <= 4
        ? new Point(0.8, words)
        : apart <= 9 ? new Point(-1.2, words) : new Point(-4, words);
  }

  /** The words, the strongest against first, then the strongest for. */
  private static String reason(List<Point> points) {
    List<Point> said = new ArrayList<>(points);
    said.removeIf(p -> p.words().isEmpty());
    said.sort(
        Comparator.comparing((Point p) -> p.weight() >= 0)
            .thenComparingDouble(p -> -Math.abs(p.weight())));
    return String.join(", ", said.stream().limit(5).map(Point::words).toList());
  }
}
