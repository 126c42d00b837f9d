package tenterhook.core.gig;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Somebody whose name must be said right.
 *
 * @param name as it is written
 * @param said how it is said; empty when it is said as it is written
 * @param role what they are on the night, such as {@code host}; may be empty
 */
public record Person(String name, String said, String role) {
  /** Checks that there is a name. */
  public Person {
    name = GigNames.checked(name, "person");
  }

  private static final Pattern LINE =
      Pattern.compile("([^(,]+)(?:\\(([^)]*)\\)?)?\\s*(?:,\\s*(.*))?");

  /**
   * Reads {@code Oda Brennick (OH-da BREN-ik), host}; how it is said and the role may be left out.
   *
   * @throws IllegalArgumentException when there is no name
   */
  public static Person of(String line) {
    Matcher parts = LINE.matcher(line.strip());
    if (!parts.matches()) {
      throw new IllegalArgumentException(
          "a person is written as Name (how it is said), what they are; was '" + line + "'");
    }
    return new Person(parts.group(1).strip(), text(parts, 2), text(parts, 3));
  }

  private static String text(Matcher parts, int group) {
    String text = parts.group(group);
    return text == null ? "" : text.strip();
  }

  /** What {@link #of} reads. */
  public String line() {
    return name + (said.isEmpty() ? "" : " (" + said + ")") + (role.isEmpty() ? "" : ", " + role);
  }
}
