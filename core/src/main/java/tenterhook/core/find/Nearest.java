package tenterhook.core.find;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Finds the name that was probably meant. */
final class Nearest {
  private Nearest() {}

  /** The nearest name within two edits (Levenshtein), or empty. */
  static Optional<String> of(String typed, List<String> names) {
    String wanted = typed.toLowerCase(Locale.ROOT);
    return names.stream()
        .min(Comparator.comparingInt(n -> distance(wanted, n.toLowerCase(Locale.ROOT))))
        .filter(n -> distance(wanted, n.toLowerCase(Locale.ROOT)) <= 2);
  }

  static int distance(String a, String b) {
    int[] row = new int[b.length() + 1];
    for (int j = 0; j <= b.length(); j++) {
      row[j] = j;
    }
    for (int i = 1; i <= a.length(); i++) {
      int diagonal = row[0];
      row[0] = i;
      for (int j = 1; j <= b.length(); j++) {
        int above = row[j];
        int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
        row[j] = Math.min(change, Math.min(above, row[j - 1]) + 1);
        diagonal = above;
      }
    }
    return row[b.length()];
  }
}
