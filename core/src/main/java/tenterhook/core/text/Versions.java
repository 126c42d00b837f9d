package tenterhook.core.text;

import java.util.Arrays;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words by which a title says which version of a song it is. They are never taken away. */
public final class Versions {
  private static final Set<String> WORDS =
      Set.of(
          "remix",
          "rmx",
          "mix",
          "edit",
          "live",
          "dub",
          "extended",
          "instrumental",
          "bootleg",
          "radio",
          "remaster",
          "remastered",
          "version",
          "acoustic",
          "acapella",
          "rework",
          "vip",
          "reprise",
          "demo",
          "club",
          "original",
          "unplugged",
          "session",
          "mono",
          "stereo",
          "cover",
          "reissue",
          "intro",
          "outro",
          "part",
          "feat",
          "ft",
          "featuring",
          "with");
  private static final String GUEST = "(?:feat|ft|featuring)\\b\\.?";
  private static final Pattern GUESTS =
      Pattern.compile(
          "(?i)\\s*[(\\[]" + GUEST + "[^()\\[\\]]*[)\\]]|\\s+" + GUEST + "[^()\\[\\]]*$");
  private static final Pattern BRACKET = Pattern.compile("[(\\[{]([^()\\[\\]{}]*)[)\\]}]");

  private Versions() {}

  /** Whether a piece of a title, such as what stands in brackets, tells a version. */
  public static boolean tells(String piece) {
    return Arrays.stream(Fold.fold(piece).split("[^\\p{L}\\p{N}]+")).anyMatch(WORDS::contains);
  }

  /** Whether a word by itself tells a version, or that guests play: lower case. */
  public static boolean isWord(String word) {
    return WORDS.contains(word);
  }

  /** A title or an artist without the guests that are named behind {@code feat.} and the like. */
  public static String withoutGuests(String name) {
    return GUESTS.matcher(name).replaceAll("").strip();
  }

  /** The title without its versions and other brackets: what the song itself is called. */
  public static String base(String title) {
    if (title.indexOf('(') < 0
        && title.indexOf('[') < 0
        && title.indexOf('{') < 0
        && title.indexOf(" - ") < 0
        && title.indexOf(" – ") < 0) {
      return title.strip();
    }
    String plain = BRACKET.matcher(title).replaceAll(" ").strip();
    int dash = Math.max(plain.lastIndexOf(" - "), plain.lastIndexOf(" – "));
    if (dash > 0 && tells(plain.substring(dash))) {
      plain = plain.substring(0, dash);
    }
    return plain.replaceAll("\\s+", " ").strip();
  }

  /** The versions that a title tells, joined by blanks; empty for the song itself. */
  public static String of(String title) {
    StringBuilder found = new StringBuilder();
    Matcher bracket = BRACKET.matcher(title);
    while (bracket.find()) {
      if (tells(bracket.group(1))) {
        found.append(' ').append(bracket.group(1));
      }
    }
    String plain = BRACKET.matcher(title).replaceAll(" ").strip();
    int dash = Math.max(plain.lastIndexOf(" - "), plain.lastIndexOf(" – "));
    if (dash > 0 && tells(plain.substring(dash))) {
      found.append(' ').append(plain.substring(dash + 3));
    }
    return found.toString().strip();
  }
}
