package tenterhook.desktop.tracks;

import java.util.Optional;
import tenterhook.core.place.Place;
import tenterhook.core.standing.StandingList;

/**
 * A row of what one browses.
 *
 * @param of what it opens
 * @param words its name
 * @param depth how far it is set in
 * @param count how many tracks it has; less than 0 for none to be said
 * @param whole the share of values that are there, 0 to 1; less than 0 for none to be said
 * @param folding whether something hangs below it, and whether that is shown
 */
record BrowseRow(
    Source of, String words, int depth, int count, double whole, Optional<Boolean> folding) {

  /** What a row opens. */
  sealed interface Source {
    /** The words above several rows open nothing. */
    record Heading(String words) implements Source {}

    /** The whole collection. */
    record Whole() implements Source {}

    /** A list that the program keeps. */
    record Standing(StandingList list) implements Source {}

    /** The tracks of ten years. */
    record Decade(int first) implements Source {}

    /** A folder, as one of the places within a click. */
    record AtPlace(Place place) implements Source {}

    /** A folder of the tree. */
    record InFolder(Place place) implements Source {}
  }

  boolean isHeading() {
    return of instanceof Source.Heading;
  }
}
