package tenterhook.core.duplicate;

import java.util.List;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Field;

/** Something that a survivor receives from its spares; each can be declined. */
public sealed interface Gain {
  /** A short name by which it is declined: the key of a field, or {@code crates}. */
  String key();

  /**
   * A field gets another value.
   *
   * @param field of the survivor
   * @param from the spare it comes from, 0 when it is made of several
   * @param before the raw value now
   * @param after the raw value afterwards
   */
  record ValueGain(Field<?> field, int from, String before, String after) implements Gain {
    @Override
    public String key() {
      return field.key();
    }
  }

  /**
   * Crates that are filled by hand, gigs and never-play lists point to the survivor, at the place
   * of the spare.
   *
   * @param names the crates, shelves and gigs that change
   * @param after all that names tracks afterwards
   */
  record Places(List<String> names, Holders after) implements Gain {
    /** Copies. */
    public Places {
      names = List.copyOf(names);
    }

    @Override
    public String key() {
      return "crates";
    }
  }
}
