package tenterhook.core.repair.names;

import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.Versions;

/** Puts the version of a song into one form: in round brackets behind the title. */
public final class VersionForm implements Inspector.TrackInspector {
  private static final Pattern DASHED = Pattern.compile("^(.+?)\\s+[-–—]\\s+([^-–—()\\[\\]]+)$");
  private static final Pattern SQUARE = Pattern.compile("[\\[{]([^()\\[\\]{}]+)[\\]}]");
  private static final Pattern SHORT = Pattern.compile("(?i)\\brmx\\b");

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
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
