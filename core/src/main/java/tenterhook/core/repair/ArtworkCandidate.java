package tenterhook.core.repair;

import tenterhook.core.field.Artwork;

/**
 * A cover that a track could have.
 *
 * @param artwork the picture
 * @param from where it is, in words
 * @param certainty 0 to 100
 * @param sharedBy how many tracks of the album have it
 */
public record ArtworkCandidate(Artwork artwork, String from, int certainty, int sharedBy) {}
