package tenterhook.core.repair.numbers;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.NameKeys;

/**
 * Mends years that cannot be, and takes the year out of a whole date. What cannot be is replaced by
 * what the folder's path or the album's other tracks say; where nothing is known it is taken away.
 */
public final class Years implements Inspector.OfFolder {
  /** The first year that is believed: nothing that a DJ plays was recorded in 1900 or before. */
  static final int FIRST = 1901;

  private static final Pattern PLAIN = Pattern.compile("\\d{4}");

  /** Ways in which a date or the year of a right is written; the year is the one group. */
  private static final List<Pattern> DATES =
      List.of(
          Pattern.compile("\\s*((?:19|20)\\d\\d)[-./ ]\\d.*"),
          Pattern.compile("\\s*((?:19|20)\\d\\d)(?:0\\d|1[0-2])(?:[0-2]\\d|3[01])\\s*"),
          Pattern.compile("\\s*\\d{1,2}[-./ ]\\d{1,2}[-./ ]((?:19|20)\\d\\d)\\s*"),
          Pattern.compile(
              "(?iu)\\s*(?:\\d{1,2}\\.?\\s+)?\\p{L}{3,9}\\.?,?\\s+(?:\\d{1,2},?\\s+)?((?:19|20)\\d\\d)\\s*"),
          Pattern.compile(
              "(?iu)\\s*[(\\[]?(?:[pc©℗]|c\\.|ca\\.?)?[)\\]]?\\s*((?:19|20)\\d\\d)[)\\]]?\\.?(?:\\s*\\(\\p{L}{2,}\\))?\\s*"));

  private static final Pattern SHORT = Pattern.compile("\\s*['’]?(\\d\\d)\\s*");
  private static final Pattern IN_PATH = Pattern.compile("(?<!\\d)((?:19|20)\\d\\d)(?!\\d)");

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    folder.ids().forEach((int id) -> inspect(id, folder, context, out));
  }

  /** Whether a year is one in which a recording may have been made. */
  public static boolean plausible(int year, InspectionContext context) {
    return year >= FIRST && year <= context.externalEvidence().thisYear() + 1;
  }

  private static void inspect(
      int id, Folder folder, InspectionContext context, Consumer<Proposal> out) {
    String raw = context.raw(id, Fields.YEAR);
    if (raw.isBlank()) {
      return;
    }
    int meant = meant(raw, context);
    int dated = PLAIN.matcher(raw).matches() ? 0 : dated(raw, context);
    if (dated > 0) {
      propose(id, dated, "dates", 97, "the year of “" + raw.strip() + "”", context, out);
    } else if (meant == 0) {
      elsewhere(id, raw, folder, context, out);
    } else if (SHORT.matcher(raw).matches()) {
      propose(id, meant, "two figures", 80, "two figures only", context, out);
    }
  }

  /** The year of a text that holds one in another form; 0 for none that can be. */
  private static int dated(String raw, InspectionContext context) {
    return dates(raw).filter(y -> plausible(y, context)).findFirst().orElse(0);
  }

  /** The years that a text may mean which is a date or the year of a right, likeliest first. */
  public static Stream<Integer> dates(String raw) {
    return DATES.stream()
        .map(p -> p.matcher(raw))
        .filter(Matcher::matches)
        .map(m -> Integer.parseInt(m.group(1)));
  }

  /** The year that a text means by itself, or 0 when it cannot be. */
  private static int meant(String raw, InspectionContext context) {
    Matcher two = SHORT.matcher(raw);
    if (two.matches() && !two.group(1).equals("00")) {
      int year = Integer.parseInt(two.group(1));
      return (year <= context.externalEvidence().thisYear() % 100 + 1 ? 2000 : 1900) + year;
    }
    return Fields.YEAR.type().parse(raw).filter(y -> plausible(y, context)).orElse(0);
  }

  private static void elsewhere(
      int id, String raw, Folder folder, InspectionContext context, Consumer<Proposal> out) {
    String wrong = raw.strip() + " cannot be";
    Set<Integer> album = new TreeSet<>();
    int tracks = ofAlbum(id, folder.ids(), context, album);
    int path = inPath(folder, context);
    if (path > 0 && album.equals(Set.of(path))) {
      propose(id, path, wrong, 94, "the folder's path and the album say so", context, out);
    } else if (path > 0 && album.isEmpty()) {
      propose(id, path, wrong, 82, "the folder's path says so", context, out);
    } else if (path == 0 && album.size() == 1 && tracks >= 3) {
      int year = album.iterator().next();
      propose(id, year, wrong, 92, "the album's other tracks agree on it", context, out);
    } else if (!Fields.YEAR.isHole(raw)) {
      propose(id, 0, wrong, 70, "nothing else is known; an honest hole is better", context, out);
    }
  }

  private static int inPath(Folder folder, InspectionContext context) {
    Matcher path = IN_PATH.matcher(folder.path());
    int last = 0;
    while (path.find()) {
      int year = Integer.parseInt(path.group(1));
      last = plausible(year, context) ? year : last;
    }
    return last;
  }

  /** The years that the other tracks of the same album and folder have; how many tracks. */
  private static int ofAlbum(
      int id, RoaringBitmap folder, InspectionContext context, Set<Integer> years) {
    String album = NameKeys.key(Fields.ALBUM, context.raw(id, Fields.ALBUM));
    int[] tracks = {0};
    folder.forEach(
        (int other) -> {
          boolean same = NameKeys.key(Fields.ALBUM, context.raw(other, Fields.ALBUM)).equals(album);
          int year = same && !album.isEmpty() ? meant(context.raw(other, Fields.YEAR), context) : 0;
          if (year > 0) {
            years.add(year);
            tracks[0]++;
          }
        });
    return tracks[0];
  }

  private static void propose(
      int id,
      int after,
      String decision,
      int certainty,
      String reason,
      InspectionContext context,
      Consumer<Proposal> out) {
    String raw = after == 0 ? "" : String.valueOf(after);
    context
        .proposal(RepairKind.YEARS, decision, id, Fields.YEAR, raw, certainty, reason)
        .ifPresent(out);
  }
}
