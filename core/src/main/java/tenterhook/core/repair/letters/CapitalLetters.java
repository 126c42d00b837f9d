package tenterhook.core.repair.letters;

import java.util.List;
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
import tenterhook.core.text.Capitals;

/** Mends names in capitals only, in small letters only, and initials that are written as words. */
public final class CapitalLetters implements Inspector.TrackInspector {
  private static final List<Field<?>> FIELDS = Fields.with(Trait.NAME);
  private static final Pattern INITIALS = Pattern.compile("\\b(Dj|Mc|Ep|Lp|Ii|Iii|Vi|Vii|Viii)\\b");
  private static final Pattern TURNED = Pattern.compile("\\b\\p{Ll}\\p{Lu}{2,}\\b");
  private static final int LEAST_LETTERS = 6;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = context.raw(id, field);
      if (before.isEmpty()) {
        continue;
      }
      boolean words = before.strip().indexOf(' ') > 0 && letters(before) >= LEAST_LETTERS;
      if (words && Capitals.allUpper(before)) {
        propose(
            id,
            field,
            FieldType.each(before, Capitals::proper),
            "all in capitals",
            93,
            context,
            out);
      } else if (words && Capitals.allLower(before)) {
        propose(
            id,
            field,
            FieldType.each(before, Capitals::proper),
            "all in small letters",
            91,
            context,
            out);
      } else if (words && turned(before) && TURNED.matcher(before).results().count() > 1) {
        propose(
            id,
            field,
            FieldType.each(before, Capitals::proper),
            "capitals turned round",
            91,
            context,
            out);
      } else {
        Matcher initials = INITIALS.matcher(before);
        String after = initials.replaceAll(m -> m.group().toUpperCase(java.util.Locale.ROOT));
        propose(id, field, after, "initials written as words", 94, context, out);
      }
    }
  }

  /** Whether a small letter stands before a capital anywhere. */
  private static boolean turned(String text) {
    for (int i = 1; i < text.length(); i++) {
      if (Character.isUpperCase(text.charAt(i)) && Character.isLowerCase(text.charAt(i - 1))) {
        return true;
      }
    }
    return false;
  }

  private static long letters(String text) {
    return text.chars().filter(Character::isLetter).count();
  }

  private static void propose(
      int id,
      Field<?> field,
      String after,
      String what,
      int certainty,
      InspectionContext context,
      Consumer<Proposal> out) {
    String reason = what + "; small words, initials and roman numbers by rule";
    context.proposal(RepairKind.CAPITALS, what, id, field, after, certainty, reason).ifPresent(out);
  }
}
