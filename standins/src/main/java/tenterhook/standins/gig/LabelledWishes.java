package tenterhook.standins.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tenterhook.core.catalogue.Match;
import tenterhook.core.gig.WishIndex;
import tenterhook.core.track.Snapshot;

/** A made-up collection and wishes for it as guests write them, each with what was meant. */
public interface LabelledWishes {
  /** The collection. */
  Snapshot collection();

  /** What makes a wish hard. */
  List<String> kinds();

  /** So many wishes of all kinds, mixed. */
  List<Labelled> wishes(int count);

  /**
   * A wish of which it is known what was meant.
   *
   * @param kind what makes it hard
   * @param line as it was written
   * @param meant any of these tracks is right; empty when the collection does not have it
   */
  record Labelled(String kind, String line, Set<Integer> meant) {}

  /**
   * What was said of a wish.
   *
   * @param wish what was meant
   * @param certainty of the first offer, 0 for none
   * @param first whether the first offer is what was meant
   * @param offered whether any is
   */
  record Judged(Labelled wish, int certainty, boolean first, boolean offered) {
    /**
     * Whether a DJ was served well: the first offer is the one; a bare title may be another
     * artist's, so there it is enough to be offered; nothing is certain that is not there.
     */
    public boolean right() {
      return wish.meant().isEmpty()
          ? certainty < Match.CERTAIN
          : first || offered && wish.kind().equals("only a title") && certainty < Match.CERTAIN;
    }

    /** Whether it would be taken without a look, and should not. */
    public boolean wronglyCertain() {
      return certainty >= Match.CERTAIN && !first;
    }
  }

  /** Judges what is said of so many wishes. */
  default List<Judged> judge(WishIndex index, int count) {
    List<Judged> judged = new ArrayList<>();
    for (Labelled wish : wishes(count)) {
      List<WishIndex.Offer> offers = index.offers(wish.line());
      boolean offered =
          offers.stream().anyMatch(o -> o.tracks().stream().anyMatch(wish.meant()::contains));
      boolean first =
          !offers.isEmpty() && offers.getFirst().tracks().stream().anyMatch(wish.meant()::contains);
      int certainty = offers.isEmpty() ? 0 : offers.getFirst().certainty();
      judged.add(new Judged(wish, certainty, first, offered));
    }
    return judged;
  }
}
