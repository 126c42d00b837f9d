package tenterhook.core.repair.names;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.Versions;

/**
 * Puts the version of a song, and its guests, into one form: in round brackets behind the title.
 * Guests that stand with the artist move there where the artist is known without them.
 */
public final class VersionForm implements Inspector.TrackInspector {
  private static final Pattern DASHED = Pattern.compile("^(.+?)\\s+[-–—]\\s+([^-–—()\\[\\]]+)$");
  private static final Pattern SQUARE = Pattern.compile("[\\[{]([^()\\[\\]{}]+)[\\]}]");
  private static final Pattern SHORT = Pattern.compile("(?i)\\brmx\\b");

  /** "feat. X" at the end, with a dash or not; group 1 the title, 2 the word, 3 the guests. */
  private static final Pattern GUESTS =
      Pattern.compile(
          "(?iu)^(.*[^\\s–—,-]),?\\s+(?:[-–—]\\s+)?(feat\\.?|ft\\.?|featuring)\\s+(?!of\\b|in\\b|for\\b|on\\b)([^()\\[\\]]+)$");

  private static final Pattern GUESTS_IN_BRACKETS =
      Pattern.compile(
          "(?iu)^(.*\\S)\\s*[(\\[](feat\\.?|ft\\.?|featuring)\\s+([^()\\[\\]]+)[)\\]](.*)$");

  /** An artist has a name without guests when it stands on so many tracks. */
  private static final int KNOWN = 2;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    if (!guests(id, context, out)) {
      versions(id, context, out);
    }
  }

  /** Guests in their place; false when there are none, or they stand right. */
  private static boolean guests(int id, InspectionContext context, Consumer<Proposal> out) {
    String title = context.raw(id, Fields.TITLE);
    String artist = context.raw(id, Fields.ARTIST);
    Matcher inTitle = read(title);
    if (inTitle != null) {
      String behind = inTitle.groupCount() > 3 ? inTitle.group(4) : "";
      String after = inTitle.group(1) + " (feat. " + inTitle.group(3).strip() + ")" + behind;
      boolean sure = behind.isBlank() && (inTitle.groupCount() > 3 || isSaid(inTitle, context));
      return propose(id, Map.of(Fields.TITLE, after), sure ? 93 : 85, context, out);
    }
    Matcher withArtist = read(artist);
    if (withArtist == null || title.isBlank() || !Versions.base(title).equals(title)) {
      return false;
    }
    String alone = withArtist.group(1).strip();
    int known = context.tracksBy(alone);
    if (known < KNOWN || known < 2 * context.tracksBy(artist)) {
      return false;
    }
    String after = title + " (feat. " + withArtist.group(3).strip() + ")";
    return propose(id, Map.of(Fields.ARTIST, alone, Fields.TITLE, after), 91, context, out);
  }

  private static @Nullable Matcher read(String text) {
    if (!mayName(text)) {
      return null;
    }
    Matcher brackets = GUESTS_IN_BRACKETS.matcher(text);
    if (brackets.matches()) {
      return brackets;
    }
    Matcher plain = GUESTS.matcher(text);
    return plain.matches() ? plain : null;
  }

  /** Told at a glance, without matching: most names hold neither "feat" nor "ft". */
  private static boolean mayName(String text) {
    for (int i = text.length() - 3; i > 0; i--) {
      if (text.regionMatches(true, i, "feat", 0, 4) || text.regionMatches(true, i, "ft", 0, 2)) {
        return true;
      }
    }
    return false;
  }

  /**
   * "ft." may be a fort and "Feat" a deed: a small letter says that it is neither, or the guest.
   */
  private static boolean isSaid(Matcher guests, InspectionContext context) {
    String word = guests.group(2);
    return Character.isLowerCase(word.charAt(0))
        || word.length() > 5
        || context.tracksBy(guests.group(3).strip()) > 0;
  }

  private static boolean propose(
      int id,
      Map<Field<?>, String> values,
      int certainty,
      InspectionContext context,
      Consumer<Proposal> out) {
    List<SetField> edits = context.edits(id, values);
    if (!edits.isEmpty()) {
      out.accept(
          new Proposal(
              RepairKind.VERSIONS,
              "guests in round brackets behind the title",
              id,
              edits,
              certainty,
              "who plays as a guest stays, in the form that the others have"));
    }
    return !edits.isEmpty();
  }

  private static void versions(int id, InspectionContext context, Consumer<Proposal> out) {
    String before = context.raw(id, Fields.TITLE);
    boolean shaped = before.indexOf('[') >= 0 || before.indexOf('{') >= 0;
    if (!shaped
        && !before.contains(" - ")
        && !before.contains(" – ")
        && !SHORT.matcher(before).find()) {
      return;
    }
    String after = formed(before);
    if (!after.equals(before)) {
      out.accept(
          new Proposal(
              RepairKind.VERSIONS,
              "versions in round brackets",
              id,
              context.edits(id, Map.of(Fields.TITLE, after)),
              88,
              "the version stays, in the form that the others have"));
    }
  }

  private static String formed(String title) {
    String now = title;
    Matcher dashed = DASHED.matcher(now);
    if (dashed.matches() && endsInVersion(dashed.group(2))) {
      now = dashed.group(1) + " (" + dashed.group(2).strip() + ")";
    }
    Matcher square = SQUARE.matcher(now);
    StringBuilder out = new StringBuilder();
    while (square.find()) {
      boolean version = Versions.tells(square.group(1));
      square.appendReplacement(
          out, Matcher.quoteReplacement(version ? "(" + square.group(1) + ")" : square.group()));
    }
    now = square.appendTail(out).toString();
    return SHORT.matcher(now).replaceAll("Remix");
  }

  /** "Ferry Remix" is a version; "Live at the Gate of Winter" may be a name. */
  private static boolean endsInVersion(String piece) {
    String[] words = piece.strip().split("\\s+");
    return words.length <= 4 && Versions.tells(words[words.length - 1]);
  }
}
