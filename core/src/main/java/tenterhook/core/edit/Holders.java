package tenterhook.core.edit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;

/**
 * All that names tracks and asks by rules. The names follow when a copy takes a track's place; the
 * rules follow when what they ask for is called otherwise or stands elsewhere.
 *
 * @param crates with the never-play lists of shelves
 * @param gigs with theirs
 */
public record Holders(Crates crates, Gigs gigs) {
  /**
   * The edits after which all lines follow.
   *
   * @param edit one of {@link tenterhook.core.crate.LineEdits}
   * @return only what becomes other
   */
  public List<Edit> following(UnaryOperator<Rule.Line> edit) {
    return following(crates.withLines(edit), edit);
  }

  /**
   * The edits after which crates are others, and the lines of all else follow.
   *
   * @param after the crates, whose own lines follow already
   * @param edit one of {@link tenterhook.core.crate.LineEdits}
   * @return only what becomes other
   */
  public List<Edit> following(Crates after, UnaryOperator<Rule.Line> edit) {
    return editsTo(new Holders(after, gigs.withLines(edit)));
  }

  /**
   * The same with every track that is named replaced by another or by itself.
   *
   * @param heir of an id
   */
  public Holders withTracks(UnaryOperator<Integer> heir) {
    return new Holders(crates.withTracks(heir), gigs.withTracks(heir));
  }

  /**
   * The names of what is other afterwards: crates, shelves for their never-play list, gigs.
   *
   * @param after with the same crates, shelves and gigs in the same order
   */
  public List<String> namesOfOthers(Holders after) {
    Stream<String> hands = others(crates.all(), after.crates.all(), Crate::name);
    Stream<String> shelves =
        others(
            crates.placed(),
            after.crates.placed(),
            s -> s.shelf().never(),
            s -> s.path().toString());
    Stream<String> nights = others(gigs.all(), after.gigs.all(), Gig::title);
    return Stream.of(hands, shelves, nights).flatMap(s -> s).toList();
  }

  private static <T> Stream<String> others(
      List<T> before, List<T> after, Function<T, String> name) {
    return others(before, after, t -> t, name);
  }

  private static <T> Stream<String> others(
      List<T> before, List<T> after, Function<T, Object> part, Function<T, String> name) {
    return IntStream.range(0, before.size())
        .filter(i -> !part.apply(before.get(i)).equals(part.apply(after.get(i))))
        .mapToObj(i -> name.apply(before.get(i)));
  }

  /**
   * The gigs to come that plan to play tracks by name which a change takes out of the collection or
   * holds, unless the change lets the gigs follow.
   *
   * @param today the first day on which a gig is not over
   * @return titles
   */
  public List<String> nightsMissing(Change change, LocalDate today) {
    RoaringBitmap gone = new RoaringBitmap();
    Gigs after = gigs;
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetField set
          && set.field() == Fields.LIFECYCLE
          && !set.after().isEmpty()) {
        gone.add(set.id());
      } else if (edit instanceof Edit.SetGigs set) {
        after = set.after();
      }
    }
    return after.planning(gone, today);
  }

  /** The edits that lead from these to others; only for what is other. */
  public List<Edit> editsTo(Holders after) {
    List<Edit> edits = new ArrayList<>();
    if (!after.crates.equals(crates)) {
      edits.add(new Edit.SetCrates(crates, after.crates));
    }
    if (!after.gigs.equals(gigs)) {
      edits.add(new Edit.SetGigs(gigs, after.gigs));
    }
    return edits;
  }
}
