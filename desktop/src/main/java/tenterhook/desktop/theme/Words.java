package tenterhook.desktop.theme;

import java.text.MessageFormat;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;

/** All wording of the window, from {@code messages.properties}. */
public final class Words {
  private static final ResourceBundle BUNDLE =
      ResourceBundle.getBundle("tenterhook.desktop.messages", Locale.ENGLISH);

  /** Taken apart once, which takes longer than to put values in. */
  private static final Map<String, MessageFormat> FORMATS = new ConcurrentHashMap<>();

  private Words() {}

  /**
   * A wording.
   *
   * @param key its name in {@code messages.properties}
   * @param values put in the places {0}, {1} …
   * @throws java.util.MissingResourceException when there is no such wording
   */
  public static String of(String key, Object... values) {
    MessageFormat format =
        FORMATS.computeIfAbsent(key, k -> new MessageFormat(BUNDLE.getString(k), Locale.ENGLISH));
    synchronized (format) { // which has no safety of its own
      return format.format(values);
    }
  }

  /** Whether there is a wording of this name. */
  public static boolean has(String key) {
    return BUNDLE.containsKey(key);
  }

  public static String megabytes(long bytes) {
    return String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
  }
}
