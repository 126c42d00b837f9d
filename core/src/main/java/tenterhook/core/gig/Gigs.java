package tenterhook.core.gig;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.Subject;

/**
 * All gigs. Immutable; every edit gives another one.
 *
 * @param all by date, then title; no two of one title
 */
public record Gigs(List<Gig> all) {
  /** No gig. */
  public static final Gigs NONE = new Gigs(List.of());

  /** Checks and sorts. */
  public Gigs {
    all =
        all.stream()
            .sorted(
                Comparator.comparing((Gig g) -> g.evening().date())
                    .thenComparing(g -> g.evening().from())
                    .thenComparing(Gig::title))
            .toList();
    GigNames.checkEachOnce(all.stream().map(Gig::title).toList(), "gig");
  }

  /** The gig of a title, upper and lower case alike. */
  public Optional<Gig> named(String title) {
    return all.stream().filter(g -> g.title().equalsIgnoreCase(title.strip())).findFirst();
  }

  /** The same with one more gig. */
  public Gigs plus(Gig gig) {
    List<Gig> more = new ArrayList<>(all);
    more.add(gig);
    return new Gigs(more);
  }

  /** The same without a gig; an unknown title changes nothing. */
  public Gigs minus(String title) {
    return new Gigs(all.stream().filter(g -> !g.title().equalsIgnoreCase(title.strip())).toList());
  }

  /**
   * The same with one gig replaced.
   *
   * @throws IllegalArgumentException when there is no such gig
   */
  public Gigs with(String title, UnaryOperator<Gig> edit) {
    Gig gig =
        named(title)
            .orElseThrow(() -> new IllegalArgumentException("there is no gig '" + title + "'"));
    return new Gigs(all.stream().map(g -> g.equals(gig) ? edit.apply(g) : g).toList());
  }

  /** Those that are not over yet. */
  public List<Gig> coming(LocalDate today) {
    return all.stream().filter(g -> !g.evening().date().isBefore(today)).toList();
  }

  /** Those that are over, the last one first. */
  public List<Gig> played(LocalDate today) {
    return all.stream().filter(g -> g.evening().date().isBefore(today)).toList().reversed();
  }

  /**
   * The titles of the gigs that ask for a crate or a shelf, in a part or in what is never played.
   *
   * @param subject {@link Subject.Own#CRATE} or {@link Subject.Own#SHELF}
   * @param name of the crate or the shelf
   */
  public List<String> askingFor(Subject subject, String name) {
    return all.stream()
        .filter(
            g ->
                g.lines()
                    .map(Rule.Line::condition)
                    .filter(c -> c.subject().equals(subject))
                    .flatMap(c -> c.values().stream())
                    .anyMatch(v -> v.text().equalsIgnoreCase(name)))
        .map(Gig::title)
        .toList();
  }

  /**
   * The titles of the gigs to come that plan to play a track by name: picked by hand for a part, a
   * must-play, or chosen for a wish.
   *
   * @param tracks ids
   * @param today the first day on which a gig is not over
   */
  public List<String> planning(RoaringBitmap tracks, LocalDate today) {
    return coming(today).stream()
        .filter(g -> g.plannedTracks().anyMatch(tracks::contains))
        .map(Gig::title)
        .toList();
  }

  /**
   * The same with every track that a gig names replaced, such as a spare by the copy that stays.
   *
   * @param heir of an id: another or the same
   */
  public Gigs withTracks(UnaryOperator<Integer> heir) {
    return new Gigs(all.stream().map(g -> g.withTracks(heir)).toList());
  }

  /** The same with every line of every gig read anew, such as when a crate has another name. */
  public Gigs withLines(UnaryOperator<Rule.Line> edit) {
    return new Gigs(all.stream().map(g -> g.withLines(edit)).toList());
  }
}
