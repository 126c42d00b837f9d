package tenterhook.adapters.repair;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Brings covers that are too large, or of another type, to a size and type that players take. */
final class FittedCovers {
  private FittedCovers() {}

  /**
   * The covers that do not fit, each with what it becomes.
   *
   * @param known what was made before; not made again
   */
  static Map<String, Artwork> of(
      CollectionState state, Map<String, Artwork> known, Progress progress) {
    Map<String, Artwork> fitted = new HashMap<>();
    state
        .snapshot()
        .tracks(id -> !state.snapshot().lost(id))
        .forEach(
            (int id) -> {
              Artwork art = state.snapshot().value(id, Fields.ARTWORK).orElse(null);
              if (art != null && !art.fits() && !fitted.containsKey(art.sha256())) {
                Artwork made = known.get(art.sha256());
                if (made == null && !progress.stopped()) {
                  made = bytes(state, id).map(ArtworkImages::describe).orElse(null);
                }
                if (made != null) {
                  fitted.put(art.sha256(), made);
                }
              }
            });
    return fitted;
  }

  /** A track's own cover, made to fit: always the same bytes for the same cover. */
  static Optional<byte[]> bytes(CollectionState state, int id) {
    try {
      Optional<byte[]> own = TagFiles.picture(state.path(id));
      return own.isEmpty() ? Optional.empty() : fit(own.get());
    } catch (Unreadable gone) {
      return Optional.empty();
    }
  }

  private static Optional<byte[]> fit(byte[] picture) {
    try {
      BufferedImage image = ImageIO.read(new ByteArrayInputStream(picture));
      if (image == null) {
        return Optional.empty();
      }
      double scale =
          Math.min(1, (double) Artwork.MOST_SIDE / Math.max(image.getWidth(), image.getHeight()));
      int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
      int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
      BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
      Graphics2D pen = small.createGraphics();
      pen.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
      pen.drawImage(image, 0, 0, width, height, null);
      pen.dispose();
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(small, "jpg", out);
      return Optional.of(out.toByteArray());
    } catch (IOException | RuntimeException broken) {
      return Optional.empty();
    }
  }
}
