package tenterhook.adapters.repair;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.collection.Covers;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.Match;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.track.Snapshot;

/**
 * Fetches the covers that a catalogue has for tracks without a good one. A cover is fetched once
 * for all tracks of its release, brought to a size that players take, and kept on disk; what is no
 * usable picture is left out.
 */
final class CatalogueCovers {
  /** A release that is less likely is not the track's, and its cover would be another's. */
  private static final int LIKELY = 75;

  private static final int MOST = 5000;

  /** One cover may be gone from where it was; several in a row mean that nobody answers. */
  private static final int TROUBLES_IN_A_ROW = 3;

  private final Catalogue catalogue;
  private final Covers covers;
  private final Map<String, Optional<Artwork>> fetched = new HashMap<>();
  private String trouble = "";
  private int troublesInARow;

  CatalogueCovers(Catalogue catalogue, Covers covers) {
    this.catalogue = catalogue;
    this.covers = covers;
  }

  /** Why covers are missing, empty when none is. */
  String trouble() {
    return trouble;
  }

  /**
   * The covers for tracks whose own is missing or not good enough.
   *
   * @param answers what the catalogue said of tracks
   * @param progress told of each track; a stop keeps what is there
   */
  Map<Integer, ArtworkCandidate> of(
      Snapshot snapshot, Map<Integer, Answer> answers, Progress progress) {
    Map<Integer, ArtworkCandidate> offered = new HashMap<>();
    long done = 0;
    for (Map.Entry<Integer, Answer> one : answers.entrySet()) {
      if (progress.stopped() || troublesInARow == TROUBLES_IN_A_ROW) {
        break;
      }
      progress.at(++done, answers.size(), snapshot.name(one.getKey()));
      if (!one.getValue().matches().isEmpty() && wanted(snapshot, one.getKey())) {
        Match best = one.getValue().matches().getFirst();
        cover(best).ifPresent(a -> offered.put(one.getKey(), candidate(a, best.certainty())));
      }
    }
    return offered;
  }

  /** A cover of a catalogue, as sure as it is that the release is the track's. */
  static ArtworkCandidate candidate(Artwork artwork, int certainty) {
    return new ArtworkCandidate(artwork, "the catalogue", certainty, 0);
  }

  private static boolean wanted(Snapshot snapshot, int id) {
    return snapshot.value(id, Fields.ARTWORK).map(a -> !a.trouble().isEmpty()).orElse(true);
  }

  private Optional<Artwork> cover(Match match) {
    String where = match.entry().artwork();
    if (where.isEmpty() || match.certainty() < LIKELY) {
      return Optional.empty();
    }
    Optional<Artwork> known = fetched.get(where);
    if (known == null && fetched.size() < MOST) {
      known = fetch(match);
      fetched.put(where, known);
    }
    return known == null ? Optional.empty() : known;
  }

  private Optional<Artwork> fetch(Match match) {
    try {
      Optional<byte[]> bytes = catalogue.artwork(match.entry());
      troublesInARow = 0;
      return bytes.isEmpty() ? Optional.empty() : kept(bytes.get());
    } catch (Catalogue.Unanswered unanswered) {
      trouble = unanswered.getMessage();
      troublesInARow++;
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      trouble = "stopped";
      troublesInARow = TROUBLES_IN_A_ROW;
    }
    return Optional.empty();
  }

  private Optional<Artwork> kept(byte[] bytes) {
    Artwork described = ArtworkImages.describe(bytes);
    Optional<byte[]> fitting =
        described.fits() ? Optional.of(bytes) : ArtworkImages.reduced(bytes, Artwork.MOST_SIDE);
    try {
      return fitting.isPresent() && ArtworkImages.describe(fitting.get()).trouble().isEmpty()
          ? Optional.of(covers.keep(fitting.get()))
          : Optional.empty();
    } catch (Unreadable noPicture) {
      return Optional.empty(); // a catalogue that sends none offers none
    }
  }
}
