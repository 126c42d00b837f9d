package tenterhook.desktop.control;

import tenterhook.desktop.theme.Words;

/** Says lengths and sizes of many tracks. */
final class Sums {
  private static final double MEGA = 1e6;
  private static final double GIGA = 1e9;

  private Sums() {}

  /** Hours and minutes. */
  static String hours(double seconds) {
    long minutes = Math.round(seconds / 60);
    return Words.of("table.hours", minutes / 60, minutes % 60);
  }

  /** Megabytes, or gigabytes from a thousand of them on. */
  static String size(double bytes) {
    return bytes < GIGA
        ? Words.of("table.mega", Math.round(bytes / MEGA))
        : Words.of("table.giga", Math.round(bytes / GIGA * 10) / 10.0);
  }
}
