package tenterhook.core.repair.names;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.JunkText;

/**
 * Takes from names what says nothing about the music. Brackets that tell a version or a name stay;
 * only a bracket that holds nothing but phrases of the DJ's list, or an address, goes.
 */
public final class Junk implements Inspector.TrackInspector {
  private static final List<Field<?>> FIELDS = Fields.with(Trait.NAME);
  private static final Pattern NUMBERED =
      Pattern.compile("^(\\d{1,2})(?:\\s*[-.)]\\s*|\\s+-\\s+)(?=\\p{L})");

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = context.raw(id, field);
      if (!before.isEmpty()) {
        List<String> taken = new ArrayList<>();
        String named = field == Fields.TITLE ? unnumbered(id, before, context, taken) : before;
        List<String> junk = context.rules().junk();
        String after = FieldType.each(named, name -> JunkText.cleaned(name, junk, taken));
        if (!after.equals(before) && !after.isBlank()) {
          propose(id, field, after, taken, context, out);
        }
      }
    }
  }

  private static void propose(
      int id,
      Field<?> field,
      String after,
      List<String> taken,
      InspectionContext context,
      Consumer<Proposal> out) {
    String what = taken.isEmpty() ? "blanks and empty brackets" : taken.getFirst();
    out.accept(
        new Proposal(
            RepairKind.JUNK,
            what + " in names",
            id,
            context.edits(id, Map.of(field, after)),
            taken.stream().anyMatch(t -> t.equals("numbering")) ? 93 : 96,
            taken.isEmpty()
                ? "blanks, underscores and brackets that hold nothing"
                : "says nothing about the music: " + String.join(", ", taken)));
  }

  /** A number in front goes when it is the track's own number. */
  private static String unnumbered(
      int id, String title, InspectionContext context, List<String> taken) {
    if (title.isEmpty() || !Character.isDigit(title.charAt(0))) {
      return title;
    }
    Matcher number = NUMBERED.matcher(title);
    if (number.find()
        && Agreement.same(Fields.TRACK, context.raw(id, Fields.TRACK), number.group(1), context)) {
      taken.add("numbering");
      return title.substring(number.end());
    }
    return title;
  }
}
