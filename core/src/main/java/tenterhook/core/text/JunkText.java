package tenterhook.core.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What stands in names and says nothing about the music. */
public final class JunkText {
  /** The phrases that a new collection starts with. */
  public static final List<String> USUAL =
      List.of(
          "official video",
          "official music video",
          "official lyrics video",
          "official clip",
          "clip officiel",
          "music video",
          "video",
          "official",
          "official audio",
          "official lyric video",
          "lyric video",
          "lyrics video",
          "visualizer",
          "lyrics",
          "with lyrics",
          "mv",
          "m v",
          "audio",
          "free dl",
          "free download",
          "download now",
          "full song",
          "final master",
          "master final",
          "hq",
          "hd",
          "4k",
          "hq audio",
          "new release",
          "out now",
          "preview",
          "promo only",
          "320 kbps",
          "320kbps");

  private static final Pattern BRACKET = Pattern.compile("\\s*[(\\[{]([^()\\[\\]{}]*)[)\\]}]");

  /** An address of the web. */
  public static final Pattern ADDRESS =
      Pattern.compile(
          "(?i)\\b(?:https?://\\S+|www\\.[^\\s()\\[\\]]+|[a-z0-9][a-z0-9-]{2,}\\.(?:com|net|org|info|biz|example)\\b)");

  private static final Pattern WITH = Pattern.compile("(?i)^with\\s+");
  private static final Pattern CAPITALED =
      Pattern.compile("(?<![\\p{L}\\p{N}'’])\\p{Lu}['’]?\\p{L}+");

  private static final Pattern TAIL_ADDRESS =
      Pattern.compile("(?:\\s*[-–—|_:]+)?\\s*(?:from\\s+)?" + ADDRESS.pattern() + "\\s*$");

  /** What a file is, behind its name. */
  private static final Pattern ENDING =
      Pattern.compile("(?i)(?<=\\p{L}{2})\\.(?:mp3|flac|wav|m4a|aiff?|ogg|opus)\\s*$");

  /** News of a first showing, in front of the name. */
  private static final Pattern PREMIERE =
      Pattern.compile(
          "(?iu)^\\s*(?:[\\[(]premi[eè]re[\\])]\\s*[:|–-]?|premi[eè]re\\s*[:|])\\s*(?=\\S)");

  private JunkText() {}

  /**
   * A name without junk. Brackets that tell a version or a name stay; only a bracket that holds
   * nothing but phrases, or an address, goes.
   *
   * @param text any name
   * @param phrases what counts as junk
   * @param taken gets what was taken, in words
   */
  public static String cleaned(String text, List<String> phrases, List<String> taken) {
    if (!suspicious(text, phrases)) {
      return text;
    }
    String now = without(PREMIERE, text, "“premiere”", taken);
    now = without(ENDING, now, "the ending of a file", taken);
    String before;
    do {
      before = now;
      now = spaced(brackets(now, phrases, taken), phrases, taken);
      now = tail(now, phrases, taken);
      now = now.replaceAll("\\s*[\\[(]\\s*[\\])]", "").replaceAll("\\s*[\\[(]\\s*$", "");
      now = now.replaceAll("\\s+", " ").strip();
    } while (!now.equals(before));
    return now;
  }

  /** Whether there is anything to look at closely; most names are clean. */
  private static boolean suspicious(String text, List<String> phrases) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean blank =
          Character.isWhitespace(c)
              && (i == 0 || i + 1 == text.length() || text.charAt(i + 1) == ' ');
      if (blank || "_[](){}|.\t\n".indexOf(c) >= 0) {
        return true;
      }
    }
    for (String phrase : phrases) {
      if (text.regionMatches(true, text.length() - phrase.length(), phrase, 0, phrase.length())) {
        return true;
      }
    }
    return text.regionMatches(true, 0, "www", 0, 3)
        || text.regionMatches(true, 0, "premi", 0, 5)
        || text.contains("://");
  }

  private static String without(Pattern junk, String text, String what, List<String> taken) {
    Matcher found = junk.matcher(text);
    if (!found.find()) {
      return text;
    }
    taken.add(what);
    return found.replaceFirst("");
  }

  private static String brackets(String text, List<String> phrases, List<String> taken) {
    Matcher bracket = BRACKET.matcher(text);
    StringBuilder kept = new StringBuilder();
    while (bracket.find()) {
      String inside = bracket.group(1).strip();
      boolean opens = bracket.start() == 0 && inside.indexOf(' ') < 0; // "(Official) Secrets"
      boolean junk =
          !Versions.tells(WITH.matcher(inside).replaceFirst(""))
              && (!opens && onlyPhrases(inside, phrases) || ADDRESS.matcher(inside).find());
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

  /**
   * Underscores stand for blanks where there is no blank and two words begin with a capital, or
   * where junk stands behind them; in "take_04b" they belong to the name.
   */
  private static String spaced(String text, List<String> phrases, List<String> taken) {
    if (text.indexOf('_') < 0) {
      return text;
    }
    String blanks = text.replace('_', ' ');
    boolean words = text.indexOf(' ') < 0 && CAPITALED.matcher(text).results().count() > 1;
    boolean junk = !taken.isEmpty() || !tail(blanks, phrases, new ArrayList<>()).equals(blanks);
    if (!words && !junk) {
      return text;
    }
    if (taken.isEmpty()) {
      taken.add("underscores");
    }
    return blanks;
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
}
