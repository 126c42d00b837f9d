package tenterhook.core.crate;

import java.util.List;

/** A list of tracks with a name of its own. */
public sealed interface Crate {
  /** The name, unique among all crates. */
  String name();

  /** The same crate under another name. */
  Crate named(String other);

  /**
   * A crate filled by hand.
   *
   * @param name its name
   * @param tracks ids in the order the DJ put them
   */
  record HandCrate(String name, List<Integer> tracks) implements Crate {
    /** Checks and copies. */
    public HandCrate {
      check(name);
      tracks = List.copyOf(tracks);
    }

    @Override
    public HandCrate named(String other) {
      return new HandCrate(other, tracks);
    }
  }

  /**
   * A crate that fills itself.
   *
   * @param name its name
   * @param rule what it keeps
   * @param sort key of the field it is sorted by
   * @param falling whether the highest stands first
   * @param limit the most tracks it holds, 0 for no limit
   */
  record RuleCrate(String name, Rule.Group rule, String sort, boolean falling, int limit)
      implements Crate {
    /** Checks. */
    public RuleCrate {
      check(name);
      if (limit < 0) {
        throw new IllegalArgumentException("a limit is 0 or more, was " + limit);
      }
    }

    /** A crate sorted by artist, without a limit. */
    public RuleCrate(String name, Rule.Group rule) {
      this(name, rule, "artist", false, 0);
    }

    @Override
    public RuleCrate named(String other) {
      return new RuleCrate(other, rule, sort, falling, limit);
    }

    /** The same crate with another rule. */
    public RuleCrate with(Rule.Group other) {
      return new RuleCrate(name, other, sort, falling, limit);
    }
  }

  private static void check(String name) {
    if (name.isBlank() || name.indexOf('/') >= 0) {
      throw new IllegalArgumentException("a crate needs a name without /, was '" + name + "'");
    }
  }
}
