package tenterhook.adapters.collection;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.SmallCovers;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;

/** The covers of a collection's tracks, and pictures kept so that a change can name them. */
public final class Covers implements AutoCloseable {
  private final Store store;
  private final SmallCovers small;
  private final Supplier<CollectionState> state;

  Covers(Store store, SmallCovers small, Supplier<CollectionState> state) {
    this.store = store;
    this.small = small;
    this.state = state;
  }

  /**
   * Keeps a picture so that a change can name it.
   *
   * @param bytes a JPEG or PNG
   * @return what it is, to be set as {@link Fields#ARTWORK}
   * @throws Unreadable when it is no picture
   */
  public Artwork keep(byte[] bytes) throws Unreadable {
    Artwork artwork = ArtworkImages.describe(bytes);
    if (artwork.width() == 0 || !List.of("image/jpeg", "image/png").contains(artwork.mime())) {
      throw new Unreadable("this is no JPEG or PNG picture; nothing was changed");
    }
    store.putPicture(artwork.sha256(), bytes);
    return artwork;
  }

  /** The bytes of a picture that was kept. */
  public Optional<byte[]> kept(String sha256) {
    return store.picture(sha256);
  }

  /**
   * The bytes of a track's cover.
   *
   * @return empty when it has none, or its file cannot be read
   */
  public Optional<byte[]> of(int id) {
    CollectionState now = state.get();
    Optional<Artwork> known = Artwork.parse(now.snapshot().raw(id, Fields.ARTWORK));
    if (known.isEmpty()) {
      return Optional.empty();
    }
    try {
      return TagFiles.picture(now.path(id));
    } catch (Unreadable gone) {
      return store.picture(known.get().sha256());
    }
  }

  /**
   * A track's cover brought down to at most {@link ArtworkImages#SMALL_SIDE} pixels, from what is
   * kept ready on disk, else from its file; kept then. May be asked from any thread, not from the
   * toolkit's.
   *
   * @return a JPEG; empty when the track has no cover, or it cannot be read
   */
  public Optional<byte[]> small(int id) {
    Optional<String> known =
        Artwork.parse(state.get().snapshot().raw(id, Fields.ARTWORK)).map(Artwork::sha256);
    Optional<byte[]> ready = known.flatMap(small::get);
    if (known.isEmpty() || ready.isPresent()) {
      return ready;
    }
    Optional<byte[]> whole = of(id);
    Optional<byte[]> made = whole.flatMap(p -> ArtworkImages.reduced(p, ArtworkImages.SMALL_SIDE));
    if (made.isPresent() && ArtworkImages.sha256(whole.get()).equals(known.get())) {
      small.put(known.get(), made.get());
    }
    return made;
  }

  /** Ends what is kept ready. */
  @Override
  public void close() {
    small.close();
  }
}
