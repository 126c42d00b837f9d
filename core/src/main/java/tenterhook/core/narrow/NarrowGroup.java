package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;

/**
 * One question by which a list is narrowed. Values of one group stand for either; groups for both.
 */
public sealed interface NarrowGroup {
  /** The name that it is kept under. */
  String key();

  /** Its head in the window. */
  String title();

  /** Whether its values are many and differ from list to list, so that the fullest come first. */
  default boolean open() {
    return false;
  }

  /**
   * The codes of a facet.
   *
   * @param name the facet's
   */
  record OfFacet(String name) implements NarrowGroup {
    @Override
    public String key() {
      return "facet " + name;
    }

    @Override
    public String title() {
      return name;
    }
  }

  /** What every collection can be narrowed by. */
  enum Own implements NarrowGroup {
    /** A genre with all that is part of it. */
    GENRE(true),
    /** An artist, of several each. */
    ARTIST(true),
    /** Ten years. */
    DECADE(false),
    /** One year. */
    YEAR(true),
    /** A range of beats a minute. */
    TEMPO(false),
    /** A key, or a key with its neighbours. */
    KEY(false),
    /** A fifth of the scale. */
    ENERGY(false),
    /** So many of five. */
    RATING(false),
    /** How often it was played. */
    PLAYS(false),
    /** A folder with all below it. */
    FOLDER(true),
    /** The codec. */
    FORMAT(false),
    /** What the program knows of a track besides. */
    STATE(false);

    private final boolean open;

    Own(boolean open) {
      this.open = open;
    }

    @Override
    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }

    @Override
    public String title() {
      return name().charAt(0) + key().substring(1);
    }

    @Override
    public boolean open() {
      return open;
    }
  }

  /** All groups for a codebook, in the order in which they are shown. */
  static List<NarrowGroup> all(Codebook codebook) {
    List<NarrowGroup> all = new ArrayList<>();
    for (Facet facet : codebook.facets()) {
      all.add(new OfFacet(facet.name()));
    }
    all.addAll(Arrays.asList(Own.values()));
    return all;
  }

  /** The group that is kept under a name; empty when the codebook has no such facet any more. */
  static Optional<NarrowGroup> named(String key, Codebook codebook) {
    return all(codebook).stream().filter(g -> g.key().equals(key)).findFirst();
  }
}
