package tenterhook.core.text;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * File names that every system takes (the stricter of POSIX and of Windows' "Naming Files, Paths,
 * and Namespaces"), each given once in a folder. Not for several threads at once.
 */
public final class PortableNames {
  private static final Pattern REFUSED = Pattern.compile("[\\p{Cntrl}<>:\"/\\\\|?*]+");
  private static final Pattern EDGES = Pattern.compile("^[\\s.]+|[\\s.]+$");
  private static final Pattern DEVICE =
      Pattern.compile("(?i)(con|prn|aux|nul|conin\\$|conout\\$|com[\\d¹²³]|lpt[\\d¹²³])(\\..*)?");

  /** In bytes of UTF-8: most disks take 255 with ending and number. */
  private static final int LONGEST = 200;

  private final Set<String> taken = new HashSet<>();

  /**
   * The name for a file that is put into the folder.
   *
   * @param name as it is now, with its ending
   * @return letters as they are but composed (NFC), what systems refuse replaced by {@code _}; at
   *     most 200 bytes of UTF-8 and the ending; a number behind it where it was given before
   */
  public String give(String name) {
    int dot = name.lastIndexOf('.');
    boolean ended = dot > 0 && name.length() - dot <= 6;
    String ending = ended ? plain(name.substring(dot + 1)) : "";
    String base = safe(ended ? name.substring(0, dot) : name);
    String tail = ending.isEmpty() ? "" : "." + ending;
    String given = base + tail;
    for (int i = 2; !taken.add(given.toLowerCase(Locale.ROOT)); i++) {
      given = base + " " + i + tail;
    }
    return given;
  }

  /**
   * A name without an ending, or the name of a folder, that every system takes.
   *
   * @return never empty; at most 200 bytes of UTF-8
   */
  public static String safe(String name) {
    String safe = plain(name);
    if (safe.isEmpty() || DEVICE.matcher(safe).matches()) {
      safe = "_" + safe;
    }
    while (safe.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
      safe = safe.substring(0, safe.offsetByCodePoints(safe.length(), -1)).strip();
    }
    return safe;
  }

  private static String plain(String text) {
    String composed = Normalizer.normalize(text, Normalizer.Form.NFC);
    return EDGES.matcher(REFUSED.matcher(composed).replaceAll("_")).replaceAll("");
  }
}
