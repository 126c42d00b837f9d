package tenterhook.core.repair.letters;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.JunkText;
import tenterhook.core.text.MachineText;

/** Takes machine-made text out of comments. The DJ's own words and the codes stay to the letter. */
public final class Comments implements Inspector.TrackInspector {
  private static final Pattern ADVERT =
      Pattern.compile(
          "(?i)(?:\\b(?:downloaded|ripped|encoded|converted|visit|get more|more music|free"
              + " music)\\b[^.!/|\\n"
              + "\\x00]{0,60}?\\s*)?"
              + JunkText.ADDRESS.pattern()
              + "[.!]?");

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    String before = context.raw(id, Fields.COMMENT);
    if (before.isEmpty()) {
      return;
    }
    Notation notation = context.codebook().notation();
    boolean coded = context.codebook().notation().target() == (Field<?>) Fields.COMMENT;
    Notation.Content reading =
        coded ? notation.read(before) : new Notation.Content(before, List.of(), "");
    if (reading.own().isBlank()) {
      return;
    }
    List<String> found = new ArrayList<>();
    String own = without(MachineText.FIGURES, reading.own(), "machine-made figures", found);
    own = without(ADVERT, own, "addresses and advertisements", found);
    own = without(MachineText.PROGRAMS, own, "names of programs", found);
    own = oneOfEach(own, found);
    if (!found.isEmpty()) {
      String after = coded ? notation.write(reading.withOwn(own.strip())) : own.strip();
      out.accept(
          new Proposal(
              RepairKind.COMMENTS,
              found.getFirst(),
              id,
              context.edits(id, Map.of(Fields.COMMENT, after)),
              found.contains("several comments") ? 85 : 94,
              String.join(", ", found) + "; own words and codes stay"));
    }
  }

  private static String without(Pattern what, String text, String name, List<String> found) {
    String after = what.matcher(text).replaceAll(" ");
    if (after.equals(text)) {
      return text;
    }
    found.add(name);
    return after.replaceAll(" {2,}", " ").replaceAll("(^|\\s)[-–|:,;]+(?=\\s*$)", "").strip();
  }

  /** Several comments in one become one; the same one twice stays once. */
  private static String oneOfEach(String text, List<String> found) {
    if (text.indexOf('\u0000') < 0) {
      return text;
    }
    found.add("several comments");
    Set<String> parts = new LinkedHashSet<>();
    for (String part : text.split("\u0000")) {
      if (!part.isBlank()) {
        parts.add(part.strip());
      }
    }
    return String.join(" · ", parts);
  }
}
