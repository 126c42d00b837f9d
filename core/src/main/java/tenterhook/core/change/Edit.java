package tenterhook.core.change;

import java.util.Map;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.CodebookMerge;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.CratesMerge;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.GigsMerge;
import tenterhook.core.merge.MergeConflict;

/** One step of a {@link Change}. Each knows how to be taken back. */
public sealed interface Edit {
  /** The same step backwards. */
  Edit inverse();

  /** A step that concerns one track. */
  sealed interface OfTrack extends Edit {
    /** The track. */
    int id();
  }

  /**
   * A field of a track gets another value.
   *
   * @param id the track
   * @param field which attribute
   * @param before the raw value that must hold for the edit to be made
   * @param after the raw value afterwards
   */
  record SetField(int id, Field<?> field, String before, String after) implements OfTrack {
    /** Whether it writes to the tags of the file, and not in the collection alone. */
    public boolean inFile() {
      return field.origin() == FieldOrigin.FILE;
    }

    @Override
    public SetField inverse() {
      return new SetField(id, field, after, before);
    }
  }

  /**
   * A track's file moves on the disk, and the collection with it.
   *
   * @param id the track
   * @param from where it is
   * @param to where it goes; must be free
   */
  record MoveFile(int id, Place from, Place to) implements OfTrack {
    @Override
    public MoveFile inverse() {
      return new MoveFile(id, to, from);
    }
  }

  /**
   * The collection learns that a track's file is elsewhere; nothing moves on the disk.
   *
   * @param id the track
   * @param from where the collection said
   * @param to where the file is
   * @param kept raw values that the collection keeps of a track whose file is not where it points:
   *     taken up again when this is taken back and nothing lies there
   */
  record Relocate(int id, Place from, Place to, Map<Field<?>, String> kept) implements OfTrack {
    /** Copies. */
    public Relocate {
      kept = Map.copyOf(kept);
    }

    @Override
    public Relocate inverse() {
      return new Relocate(id, to, from, kept);
    }
  }

  /**
   * Shelves and crates become others.
   *
   * @param before as they must be now
   * @param after as they will be
   */
  record SetCrates(Crates before, Crates after) implements Edit {
    @Override
    public SetCrates inverse() {
      return new SetCrates(after, before);
    }

    /**
     * The same edit on shelves that were edited elsewhere meanwhile.
     *
     * @throws MergeConflict when both edits alter the same part
     */
    public SetCrates on(Crates now) throws MergeConflict {
      return new SetCrates(now, CratesMerge.merge(before, after, now));
    }
  }

  /**
   * Gigs become others.
   *
   * @param before as they must be now
   * @param after as they will be
   */
  record SetGigs(Gigs before, Gigs after) implements Edit {
    @Override
    public SetGigs inverse() {
      return new SetGigs(after, before);
    }

    /**
     * The same edit on gigs that were edited elsewhere meanwhile.
     *
     * @throws MergeConflict when both edits alter the same part
     */
    public SetGigs on(Gigs now) throws MergeConflict {
      return new SetGigs(now, GigsMerge.merge(before, after, now));
    }
  }

  /**
   * A named folder that holds music is elsewhere; nothing moves on the disk.
   *
   * @param name of the root
   * @param before absolute path as it must be now
   * @param after absolute path as it will be
   */
  record SetRoot(String name, String before, String after) implements Edit {
    @Override
    public SetRoot inverse() {
      return new SetRoot(name, after, before);
    }
  }

  /**
   * The codebook becomes another.
   *
   * @param before as it must be now
   * @param after as it will be
   */
  record SetCodebook(Codebook before, Codebook after) implements Edit {
    @Override
    public SetCodebook inverse() {
      return new SetCodebook(after, before);
    }

    /**
     * The same edit on a codebook that was edited elsewhere meanwhile.
     *
     * @throws MergeConflict when both edits alter the same part
     */
    public SetCodebook on(Codebook now) throws MergeConflict {
      return new SetCodebook(now, CodebookMerge.merge(before, after, now));
    }
  }
}
