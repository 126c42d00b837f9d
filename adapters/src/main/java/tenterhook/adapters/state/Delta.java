package tenterhook.adapters.state;

import org.roaringbitmap.RoaringBitmap;

/**
 * What changed, for those who keep computed things in step.
 *
 * @param before the collection before
 * @param after the collection after
 * @param changed the tracks that may have changed; not to be altered
 */
public record Delta(CollectionState before, CollectionState after, RoaringBitmap changed) {
  /** Whether counts under the codebook must be made anew. */
  public boolean codebookChanged() {
    return !before.codebook().equals(after.codebook());
  }

  /** Whether shelves or crates are others. */
  public boolean cratesChanged() {
    return !before.crates().equals(after.crates());
  }
}
