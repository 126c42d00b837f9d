package tenterhook.core.standing;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

/** A list that fills itself, without anybody having made it. */
public enum StandingList {
  /** Known for no longer than a month, the newest first. */
  CAME_IN_LATELY("added:-30d..", Fields.ADDED, true),
  /** The hundred that were played most often. */
  MOST_PLAYED("plays:1..", Fields.PLAYS, true),
  /** Played within two months, the last first. */
  PLAYED_LATELY("lastPlayed:-60d..", Fields.LAST_PLAYED, true),
  /** Of which no play is known. */
  NEVER_PLAYED("not plays:1..", Fields.ARTIST, false),
  /** That no crate holds. */
  IN_NO_CRATE("", Fields.ARTIST, false),
  /** Without a usable cover. */
  WITHOUT_ARTWORK("missing:artwork", Fields.ARTIST, false),
  /** Without words to read. */
  WITHOUT_LYRICS("missing:lyrics", Fields.ARTIST, false),
  /** Whose sound was not measured. */
  NOT_MEASURED("missing:sound", Fields.ARTIST, false),
  /** Whose file is not where it was. */
  LOST("file:lost", Fields.ARTIST, false),
  /** That stay out of rule crates. */
  RESTING("resting:yes", Fields.ARTIST, false),
  /** That no bulk action may alter. */
  GUARDED("guarded:yes", Fields.ARTIST, false),
  /** Of which the file claims a better sound than it has. */
  CLAIMS_MORE("quality:upscaled", Fields.ARTIST, false),
  /** That are no tracks but mixes of many. */
  LONG_MIXES("kind:mix", Fields.ARTIST, false),
  /** That are made to be repeated, or help in mixing. */
  LOOPS_AND_TOOLS("kind:loop|tool", Fields.ARTIST, false);

  /** How many tracks {@link #MOST_PLAYED} has at most. */
  public static final int MOST = 100;

  private final String text;
  private final Field<?> order;
  private final boolean falling;

  StandingList(String text, Field<?> order, boolean falling) {
    this.text = text;
    this.order = order;
    this.falling = falling;
  }

  /** A name by which it is kept, such as {@code came-in-lately}. */
  public String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Whether it is of items that are no tracks, which not every collection has. */
  public boolean ofItems() {
    return this == LONG_MIXES || this == LOOPS_AND_TOOLS;
  }

  /**
   * How it is asked for.
   *
   * @return empty where no text of the find language gives the same tracks
   */
  public Optional<Query> query() {
    return this == IN_NO_CRATE || this == MOST_PLAYED ? Optional.empty() : Optional.of(asked());
  }

  private Query asked() {
    if (FindParser.parse(text, Codebook.EMPTY) instanceof Parsed.Good good) {
      return good.query();
    }
    throw new IllegalStateException(text + " is no text of the find language");
  }

  /** How many tracks it has at a moment. */
  public int count(CrateContents contents) {
    int all = set(contents).getCardinality();
    return this == MOST_PLAYED ? Math.min(all, MOST) : all;
  }

  /**
   * Its tracks at a moment, in its order.
   *
   * @param snapshot the collection that the contents are of
   */
  public TrackIds tracks(Snapshot snapshot, CrateContents contents) {
    TrackIds sorted = TrackIds.of(set(contents)).sorted(snapshot, order, falling);
    return this == MOST_PLAYED && sorted.size() > MOST
        ? TrackIds.copyOf(sorted.subList(0, MOST))
        : sorted;
  }

  private RoaringBitmap set(CrateContents contents) {
    return this == IN_NO_CRATE ? contents.inNone() : contents.finder().find(asked());
  }

  /** How many tracks are of which decade, the first first; years that are holes are left out. */
  public static Map<Integer, Integer> decades(Snapshot snapshot) {
    Map<Integer, Integer> counts = new TreeMap<>();
    var years = snapshot.column(Fields.YEAR);
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              double year = years.dictionary().value(years.number(id), Fields.YEAR.type());
              if (!Double.isNaN(year)) {
                counts.merge(Math.floorDiv((int) year, 10) * 10, 1, Integer::sum);
              }
            });
    return counts;
  }
}
