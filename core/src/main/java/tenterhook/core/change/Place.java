package tenterhook.core.change;

/**
 * Where a file is: a named root and a path below it.
 *
 * @param root name of the root, or {@link #HOLDING_BAY}
 * @param path relative to the root, parts separated by {@code /}
 */
public record Place(String root, String path) {
  /** The root name of the holding bay. */
  public static final String HOLDING_BAY = ".holding";

  /** Checks the values. */
  public Place {
    if (root.isEmpty() || path.isEmpty() || path.startsWith("/")) {
      throw new IllegalArgumentException(
          "a place needs a root and a relative path: " + root + ", " + path);
    }
  }
}
