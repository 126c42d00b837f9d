package tenterhook.core.duplicate;

import tenterhook.core.change.Place;

/** What becomes of the copies that are not kept. */
public sealed interface SpareFate {
  /** They go to the holding bay. */
  record Hold() implements SpareFate {}

  /**
   * They stay where they are and get a code; nothing else is done, to the survivor neither.
   *
   * @param code a token of the codebook
   */
  record Mark(String code) implements SpareFate {}

  /** They leave the collection, and nothing is done to their files: there are none. */
  record Remove() implements SpareFate {}

  /**
   * Their files go to a folder, and they leave the collection.
   *
   * @param folder a folder of a root
   */
  record Move(Place folder) implements SpareFate {}
}
