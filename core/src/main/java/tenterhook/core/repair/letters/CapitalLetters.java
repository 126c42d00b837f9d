package tenterhook.core.repair.letters;

import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.Capitals;

/**
 * Mends names in capitals only, in small letters only, and initials that are written as words.
 *
 * <p>Capitals only, or small letters only, may be a style. They are surely a habit of whoever made
 * the file only where artist and title both have them, and small ones where the artist is known
 * otherwise; what has letters outside ASCII is never sure, since its language is not known.
 */
public final class CapitalLetters implements Inspector.TrackInspector {
  private static final List<Field<?>> FIELDS = Fields.with(Trait.NAME);
  private static final List<Field<?>> NAMES_OF_PEOPLE = List.of(Fields.ARTIST, Fields.ALBUM_ARTIST);
  private static final Pattern INITIALS =
      Pattern.compile("\\b(Dj|Ep|Lp)\\b|(?<=\\p{Ll}\\s)(Ii|Iii|Vi|Vii|Viii)(?=$|[:,)\\]])");
  private static final Pattern TURNED = Pattern.compile("\\b\\p{Ll}\\p{Lu}{2,}\\b");

  /** Something that is spoken as a word, not letter by letter. */
  private static final Pattern SPOKEN =
      Pattern.compile("(?U)\\b(?=\\w*[AEIOUY])(?=\\w*[^AEIOUY\\W])\\w{4,}\\b");

  private static final int LEAST_LETTERS = 6;
  private static final int SURE = 92;
  private static final int DOUBTFUL = 80;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = context.raw(id, field);
      if (!before.isEmpty()) {
        inspect(id, field, before, context, out);
      }
    }
  }

  private static void inspect(
      int id, Field<?> field, String before, InspectionContext context, Consumer<Proposal> out) {
    boolean words = before.strip().indexOf(' ') > 0 && letters(before) >= LEAST_LETTERS;
    if (words && Capitals.allUpper(before)) {
      boolean habit = allOf(id, context, Capitals::allUpper) && SPOKEN.matcher(before).find();
      proper(id, field, "all in capitals", habit, context, out);
    } else if (words && Capitals.allLower(before)) {
      boolean habit =
          allOf(id, context, Capitals::allLower)
              && context.isKnownOtherwise(context.raw(id, Fields.ARTIST));
      proper(id, field, "all in small letters", habit, context, out);
    } else if (words && turned(before) && TURNED.matcher(before).results().count() > 1) {
      proper(id, field, "capitals turned round", false, context, out);
    } else {
      Matcher initials = INITIALS.matcher(before);
      String after = initials.replaceAll(m -> m.group().toUpperCase(Locale.ROOT));
      propose(id, field, after, "initials written as words", true, context, out);
    }
  }

  /** Whether artist and title are written so: a habit of whoever made the file, hardly a style. */
  private static boolean allOf(int id, InspectionContext context, Predicate<String> so) {
    return Stream.of(Fields.ARTIST, Fields.TITLE).map(f -> context.raw(id, f)).allMatch(so);
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

  private static void proper(
      int id,
      Field<?> field,
      String what,
      boolean habit,
      InspectionContext context,
      Consumer<Proposal> out) {
    String before = context.raw(id, field);
    if (NAMES_OF_PEOPLE.contains(field) && context.isKnownOtherwise(before)) {
      return; // how the collection writes a name counts more than a rule
    }
    String after =
        FieldType.each(
            before, NAMES_OF_PEOPLE.contains(field) ? Capitals::properName : Capitals::proper);
    propose(id, field, after, what, habit, context, out);
  }

  private static void propose(
      int id,
      Field<?> field,
      String after,
      String what,
      boolean habit,
      InspectionContext context,
      Consumer<Proposal> out) {
    boolean plain = after.chars().allMatch(c -> c < 128);
    int certainty = habit && plain ? SURE : DOUBTFUL;
    String reason = what + "; small words, initials and roman numbers by rule";
    context.proposal(RepairKind.CAPITALS, what, id, field, after, certainty, reason).ifPresent(out);
  }
}
