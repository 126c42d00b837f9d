package tenterhook.adapters.tagfile.tag;

import java.util.Comparator;

/**
 * A picture for a tag.
 *
 * @param mime media type, such as {@code image/jpeg}
 * @param bytes the picture itself; not to be changed
 * @param width in pixels
 * @param height in pixels
 */
public record Picture(String mime, byte[] bytes, int width, int height) {
  /** The number that stands for a front cover in ID3, FLAC and what follows them. */
  public static final int FRONT = 3;

  private static final int OTHER = 0;

  /**
   * How near pictures of a kind are to a cover, nearest first: a front cover, one of no kind, any
   * other. Of several that are as near, the first in the file is shown.
   */
  public static final Comparator<Integer> NEAREST_TO_COVER =
      Comparator.comparing(kind -> kind == FRONT ? 0 : kind == OTHER ? 1 : 2);

  /** The depth of a colour as FLAC wants to know it: three bytes, four where there may be alpha. */
  public int bitsPerPixel() {
    return mime.equals("image/png") ? 32 : 24;
  }
}
