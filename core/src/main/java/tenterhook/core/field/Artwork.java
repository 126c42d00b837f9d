package tenterhook.core.field;

import java.util.Optional;

/**
 * What is known of a track's front cover without holding its bytes.
 *
 * @param sha256 lower-case hex SHA-256 of the picture's bytes
 * @param width in pixels, 0 when the picture cannot be read
 * @param height in pixels, 0 when the picture cannot be read
 * @param bytes size of the picture
 * @param mime media type, such as {@code image/jpeg}
 */
public record Artwork(String sha256, int width, int height, int bytes, String mime) {
  /** A cover with a shorter side than this, in pixels, counts as a hole. */
  public static final int LEAST_SIDE = 200;

  /** An embedded cover's longer side, in pixels, at the most; players choke on larger ones. */
  public static final int MOST_SIDE = 1200;

  /** Checks the values. */
  public Artwork {
    if (sha256.isBlank() || sha256.indexOf(' ') >= 0) {
      throw new IllegalArgumentException("sha256 must be hex, was '" + sha256 + "'");
    }
    if (width < 0 || height < 0 || bytes < 0) {
      throw new IllegalArgumentException("sizes must be 0 or more: " + width + "x" + height);
    }
  }

  /**
   * Reads the raw form that the store keeps.
   *
   * @param raw {@code sha WxH bytes mime}, or empty
   * @return the artwork, or empty when there is none or the text is something else
   */
  public static Optional<Artwork> parse(String raw) {
    String[] parts = raw.split("[ x]", 5);
    if (parts.length != 5) {
      return Optional.empty();
    }
    try {
      return Optional.of(
          new Artwork(
              parts[0],
              Integer.parseInt(parts[1]),
              Integer.parseInt(parts[2]),
              Integer.parseInt(parts[3]),
              parts[4]));
    } catch (NumberFormatException notArtwork) {
      return Optional.empty();
    }
  }

  /**
   * The raw form that {@link #parse} reads.
   *
   * @return {@code sha WxH bytes mime}
   */
  public String raw() {
    return sha256 + " " + width + "x" + height + " " + bytes + " " + mime;
  }

  /**
   * Whether it will do on a screen.
   *
   * @return true when it can be read and its shorter side is at least {@link #LEAST_SIDE}
   */
  public boolean usable() {
    return Math.min(width, height) >= LEAST_SIDE;
  }

  /**
   * Whether players take it as it is.
   *
   * @return true for a JPEG or PNG no larger than {@link #MOST_SIDE}
   */
  public boolean fits() {
    return Math.max(width, height) <= MOST_SIDE
        && (mime.equals("image/jpeg") || mime.equals("image/png"));
  }

  /**
   * What is wrong with it as a cover.
   *
   * @return such as {@code tiny}, {@code broken} or {@code not square}; empty when nothing is
   */
  public String trouble() {
    int longer = Math.max(width, height);
    int shorter = Math.min(width, height);
    if (shorter == 0) {
      return "broken";
    }
    if (!usable()) {
      return "tiny";
    }
    if (!fits()) {
      return longer > MOST_SIDE ? "huge" : "of a type that players do not show";
    }
    return shorter * 10 < longer * 8 ? "not square" : "";
  }

  /**
   * The size in words.
   *
   * @return such as {@code 600×600}, or {@code unreadable}
   */
  public String size() {
    return width == 0 || height == 0 ? "unreadable" : width + "×" + height;
  }
}
