package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.track.TrackOrder;

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

    /** The same crate with more tracks at its end; those that are in it stay where they are. */
    public HandCrate plus(List<Integer> more) {
      LinkedHashSet<Integer> all = new LinkedHashSet<>(tracks);
      all.addAll(more);
      return new HandCrate(name, List.copyOf(all));
    }

    /**
     * The same crate with some of its tracks elsewhere, together and in their order.
     *
     * @param some the tracks that move
     * @param before the track that they go before; 0, or one that moves itself, for the end
     */
    public HandCrate moved(Set<Integer> some, int before) {
      List<Integer> others = new ArrayList<>(tracks);
      others.removeIf(some::contains);
      int at = others.indexOf(before);
      others.addAll(at < 0 ? others.size() : at, tracks.stream().filter(some::contains).toList());
      return new HandCrate(name, others);
    }
  }

  /**
   * A crate that fills itself.
   *
   * @param name its name
   * @param rule what it keeps
   * @param order the fields it is sorted by
   * @param limit how much it holds at most
   * @param resting whether tracks that rest come in as well
   */
  record RuleCrate(
      String name, Rule.RuleGroup rule, List<TrackOrder.Key> order, Limit limit, boolean resting)
      implements Crate {
    private static final List<TrackOrder.Key> USUAL = List.of(new TrackOrder.Key("artist", false));

    /** Checks and copies. */
    public RuleCrate {
      check(name);
      order = List.copyOf(order);
    }

    /** A crate sorted by artist, without a limit. */
    public RuleCrate(String name, Rule.RuleGroup rule) {
      this(name, rule, USUAL, Limit.NONE, false);
    }

    @Override
    public RuleCrate named(String other) {
      return new RuleCrate(other, rule, order, limit, resting);
    }

    /** The same crate with another rule. */
    public RuleCrate with(Rule.RuleGroup other) {
      return new RuleCrate(name, other, order, limit, resting);
    }

    /** The same crate sorted otherwise. */
    public RuleCrate sorted(List<TrackOrder.Key> other) {
      return new RuleCrate(name, rule, other, limit, resting);
    }

    /** The same crate with another limit. */
    public RuleCrate with(Limit other) {
      return new RuleCrate(name, rule, order, other, resting);
    }

    /**
     * Whether a line asks for kinds of items, so that not only tracks may come in.
     *
     * @param codebook tells facets from fields
     */
    public boolean asksForKind(Codebook codebook) {
      return Rule.lines(rule).stream()
          .flatMap(l -> l.condition().subject().field(codebook).stream())
          .anyMatch(f -> f == Fields.KIND);
    }

    /** The same crate with or without tracks that rest. */
    public RuleCrate resting(boolean in) {
      return new RuleCrate(name, rule, order, limit, in);
    }
  }

  private static void check(String name) {
    if (name.isBlank() || name.indexOf('/') >= 0) {
      throw new IllegalArgumentException("a crate needs a name without /, was '" + name + "'");
    }
  }
}
