package tenterhook.adapters.tagfile.bytes;

import java.io.IOException;

/** A file is not built as its format says; the message tells a DJ what is wrong with it. */
public final class Malformed extends IOException {
  /** A trouble in plain words. */
  public Malformed(String message) {
    super(message);
  }

  /**
   * A part that ends before its own length is reached.
   *
   * @param what the part, such as "the tag"
   * @param claimed bytes that it says it has
   * @param there bytes that are there
   */
  public static Malformed cut(String what, long claimed, long there) {
    return new Malformed(
        what + " is said to have " + amount(claimed) + ", but ends after " + amount(there));
  }

  /** An amount of bytes as a person reads it: {@code 44 KB}. */
  public static String amount(long bytes) {
    if (bytes < 1_000) {
      return bytes + " bytes";
    }
    String[] units = {"KB", "MB", "GB", "TB", "PB", "EB"};
    double amount = bytes / 1000.0;
    int unit = 0;
    while (amount >= 999.5 && unit < units.length - 1) {
      amount /= 1000;
      unit++;
    }
    return Math.round(amount) + " " + units[unit];
  }
}
