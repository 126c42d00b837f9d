package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.text.Versions;

/**
 * Takes from names what says nothing about the music. Brackets that tell a version or a name stay;
 * only a bracket that holds nothing but phrases of the DJ's list, or an address, goes.
 */
final class Junk implements Inspector.OfTrack {
  private static final List<Field<?>> FIELDS =
      List.of(Fields.TITLE, Fields.ARTIST, Fields.ALBUM, Fields.ALBUM_ARTIST);
  private static final Pattern BRACKET = Pattern.compile("\\s*[(\\[{]([^()\\[\\]{}]*)[)\\]}]");
  static final Pattern ADDRESS =
      Pattern.compile(
          "(?i)\\b(?:https?://\\S+|www\\.[^\\s()\\[\\]]+|[a-z0-9][a-z0-9-]{2,}\\.(?:com|net|org|info|biz|example)\\b)");
  private static final Pattern TAIL_ADDRESS =
      Pattern.compile("(?:\\s*[-–—|_:]+)?\\s*(?:from\\s+)?" + ADDRESS.pattern() + "\\s*$");
  private static final Pattern NUMBERED =
      Pattern.compile("^(\\d{1,2})(?:\\s*[-.)]\\s*|\\s+-\\s+)(?=\\p{L})");

  @Override
  public void inspect(int id, Ground ground, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = ground.raw(id, field);
      if (!before.isEmpty()) {
        List<String> taken = new ArrayList<>();
        String named = field == Fields.TITLE ? unnumbered(id, before, ground, taken) : before;
        String after = cleaned(named, ground.rules().junk(), taken);
        if (!after.equals(before) && !after.isBlank()) {
          propose(id, field, after, taken, ground, out);
        }
      }
    }
  }

  private static void propose(
      int id,
      Field<?> field,
      String after,
      List<String> taken,
      Ground ground,
      Consumer<Proposal> out) {
    String what = taken.isEmpty() ? "blanks and empty brackets" : taken.getFirst();
    out.accept(
        new Proposal(
            RepairKind.JUNK,
            what + " in names",
            id,
            ground.edits(id, Map.of(field, after)),
            taken.stream().anyMatch(t -> t.equals("numbering")) ? 93 : 96,
            taken.isEmpty()
                ? "blanks, underscores and brackets that hold nothing"
                : "says nothing about the music: " + String.join(", ", taken)));
  }

  /** A name without junk; what was taken is noted. */
  static String cleaned(String text, List<String> phrases, List<String> taken) {
    String now = text;
    String before;
    do {
      before = now;
      now = spaced(brackets(now, phrases, taken), taken);
      now = tail(now, phrases, taken);
      now = now.replaceAll("\\s*[\\[(]\\s*[\\])]", "").replaceAll("\\s*[\\[(]\\s*$", "");
      now = now.replaceAll("\\s+", " ").strip();
    } while (!now.equals(before));
    return now;
  }

  private static String brackets(String text, List<String> phrases, List<String> taken) {
    Matcher bracket = BRACKET.matcher(text);
    StringBuilder kept = new StringBuilder();
    while (bracket.find()) {
      String inside = bracket.group(1).strip();
      boolean junk =
          !Versions.tells(inside)
              && (onlyPhrases(inside, phrases) || ADDRESS.matcher(inside).find());
      if (junk) {
        taken.add(inside.isEmpty() ? "empty brackets" : "“" + inside + "”");
      }
      bracket.appendReplacement(kept, junk ? "" : Matcher.quoteReplacement(bracket.group()));
    }
    return bracket.appendTail(kept).toString();
  }

  private static boolean onlyPhrases(String inside, List<String> phrases) {
    String left = " " + Fold.fold(inside).replaceAll("[^\\p{L}\\p{N}]+", " ").strip() + " ";
    for (String phrase : longestFirst(phrases)) {
      left = left.replace(" " + phrase.toLowerCase(Locale.ROOT) + " ", " ");
    }
    return left.isBlank();
  }

  private static List<String> longestFirst(List<String> phrases) {
    return phrases.stream().sorted((a, b) -> b.length() - a.length()).toList();
  }

  /** Underscores stand for blanks only where there are none, or where they stand before junk. */
  private static String spaced(String text, List<String> taken) {
    if (text.indexOf('_') < 0) {
      return text;
    }
    if (taken.isEmpty()) {
      taken.add("underscores");
    }
    return text.replace('_', ' ');
  }

  /**
   * Addresses and phrases at the end, behind a dash or, when they are two words, behind a blank.
   */
  private static String tail(String text, List<String> phrases, List<String> taken) {
    Matcher address = TAIL_ADDRESS.matcher(text);
    if (address.find() && address.start() > 0) {
      taken.add("an address");
      return text.substring(0, address.start()).strip();
    }
    String folded = text.toLowerCase(Locale.ROOT);
    for (String phrase : longestFirst(phrases)) {
      String end = phrase.toLowerCase(Locale.ROOT);
      if (folded.endsWith(end) && folded.length() > end.length()) {
        String front = text.substring(0, text.length() - end.length());
        boolean dashed = front.matches(".*[-–—|]\\s*");
        if (dashed || front.endsWith(" ") && end.indexOf(' ') > 0) {
          taken.removeIf(t -> t.equals("underscores"));
          taken.add("“" + phrase + "”");
          return front.replaceAll("[\\s\\-–—|]+$", "");
        }
      }
    }
    return text;
  }

  /** A number in front goes when it is the track's own number. */
  private static String unnumbered(int id, String title, Ground ground, List<String> taken) {
    Matcher number = NUMBERED.matcher(title);
    if (number.find()
        && Agreement.same(Fields.TRACK, ground.raw(id, Fields.TRACK), number.group(1))) {
      taken.add("numbering");
      return title.substring(number.end());
    }
    return title;
  }
}
