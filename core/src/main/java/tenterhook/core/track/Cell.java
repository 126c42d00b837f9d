package tenterhook.core.track;

import tenterhook.core.field.Field;

/**
 * One value of one track.
 *
 * @param id the track, 1 or more
 * @param field which attribute
 * @param raw the value as text, empty for none
 */
public record Cell(int id, Field<?> field, String raw) {
  /** Checks the values. */
  public Cell {
    if (id < 1) {
      throw new IllegalArgumentException("a track's id is 1 or more, was " + id);
    }
  }
}
