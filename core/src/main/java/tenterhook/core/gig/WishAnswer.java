package tenterhook.core.gig;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tenterhook.core.catalogue.Match;
import tenterhook.core.gig.WishIndex.Offer;

/**
 * A wish and what it may be.
 *
 * @param wish as it stands in the gig
 * @param offers the likeliest first; empty when the wish is settled, or nothing is like it
 */
public record WishAnswer(Wish wish, List<Offer> offers) {
  /** Below this certainty an offer only helps to see what there is instead. */
  public static final int POSSIBLE = 20;

  /** Where a wish stands. */
  public enum Standing {
    /** The DJ said which track it is. */
    CHOSEN,
    /** It will not be played. */
    REFUSED,
    /** One recording is as good as sure. */
    CERTAIN,
    /** There are some to choose from. */
    POSSIBLE,
    /** The collection does not have it. */
    MISSING;

    /** In lower case, as it is shown. */
    public String words() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** Copies. */
  public WishAnswer {
    offers = List.copyOf(offers);
  }

  /** Where it stands. */
  public Standing standing() {
    if (wish.refused()) {
      return Standing.REFUSED;
    }
    if (!wish.open()) {
      return Standing.CHOSEN;
    }
    int best = first().map(Offer::certainty).orElse(0);
    return best >= Match.CERTAIN
        ? Standing.CERTAIN
        : best >= POSSIBLE ? Standing.POSSIBLE : Standing.MISSING;
  }

  /** The likeliest offer. */
  public Optional<Offer> first() {
    return offers.stream().findFirst();
  }
}
