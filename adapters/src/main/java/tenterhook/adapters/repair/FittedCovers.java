package tenterhook.adapters.repair;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
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
      return TagFiles.picture(state.path(id))
          .flatMap(p -> ArtworkImages.reduced(p, Artwork.MOST_SIDE));
    } catch (Unreadable gone) {
      return Optional.empty();
    }
  }
}
