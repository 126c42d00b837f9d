package tenterhook.core.gig;

import java.util.Collection;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** What names of gigs, parts and people must be like. */
final class GigNames {
  private GigNames() {}

  /**
   * A name without blanks around it.
   *
   * @throws IllegalArgumentException when nothing is left
   */
  static String checked(String name, String of) {
    String stripped = name.strip();
    if (stripped.isEmpty()) {
      throw new IllegalArgumentException("a " + of + " has a name");
    }
    return stripped;
  }

  /**
   * Checks that no name is there twice, upper and lower case alike.
   *
   * @throws IllegalArgumentException with the name that is
   */
  static void checkEachOnce(Collection<String> names, String of) {
    Set<String> seen = new HashSet<>();
    for (String name : names) {
      if (!seen.add(name.toLowerCase(Locale.ROOT))) {
        throw new IllegalArgumentException("there is a " + of + " '" + name + "' already");
      }
    }
  }
}
