package tenterhook.core.album;

import java.util.List;
import tenterhook.core.field.Artwork;
import tenterhook.core.track.TrackIds;

/**
 * An album, as far as a list holds it.
 *
 * @param title as most of its tracks write it; empty for the tracks of a folder that name no album
 * @param artist of the album, else of all its tracks; empty when these are by several
 * @param folder that its first track lies in, below its root
 * @param year that most of its tracks name; 0 for none
 * @param tracks in the order of the list
 * @param total how many tracks it has by what the files say, all discs together; 0 when unknown
 * @param holes the values that the Weave misses in its tracks
 * @param covers its different pictures, the most frequent first
 * @param bare how many of its tracks have no picture
 */
public record Album(
    String title,
    String artist,
    String folder,
    int year,
    TrackIds tracks,
    int total,
    int holes,
    List<AlbumCover> covers,
    int bare) {
  /** Copies. */
  public Album {
    covers = List.copyOf(covers);
  }

  /**
   * A picture of an album.
   *
   * @param artwork what it is
   * @param track one that carries it
   * @param tracks how many carry it
   */
  public record AlbumCover(Artwork artwork, int track, int tracks) {}

  /** Whether its tracks do not all carry one picture, though some carry one. */
  public boolean mixed() {
    return covers.size() > 1 || bare > 0 && !covers.isEmpty();
  }

  /**
   * What is wrong with its most frequent picture.
   *
   * @return as {@link Artwork#trouble} says it; empty when nothing is, or when it has no picture
   */
  public String trouble() {
    return covers.isEmpty() ? "" : covers.getFirst().artwork().trouble();
  }
}
