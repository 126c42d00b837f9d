package tenterhook.core.gig;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Matcher;
import tenterhook.core.catalogue.Matcher.Likeness;
import tenterhook.core.gig.WishLine.Role;
import tenterhook.core.gig.WishLine.Word;
import tenterhook.core.text.NameKey;
import tenterhook.core.text.Romanized;
import tenterhook.core.text.Versions;

/**
 * Holds a wish against one recording: the run of words that is its title, the one that is its
 * artist, and what the words that are left say.
 */
final class WishReading {
  private static final JaroWinklerSimilarity LIKE = new JaroWinklerSimilarity();
  private static final double NEAR = 0.9;
  private static final int FEW_LETTERS = 3;

  private final WishLine line;

  WishReading(WishLine line) {
    this.line = line;
  }

  /** A run of words and how well it names something. */
  private record Run(int from, int to, Likeness likeness, double like) {
    boolean holds(int at) {
      return at >= from && at < to;
    }

    boolean meets(Run other) {
      return from < other.to && other.from < to;
    }
  }

  /**
   * A recording with its names in plain letters.
   *
   * @param entry the recording
   * @param title words of the song without versions and guests
   * @param artist words of the artist without guests
   * @param version words of the version
   */
  record Names(CatalogueEntry entry, List<String> title, List<String> artist, Set<String> version) {
    static Names of(CatalogueEntry entry) {
      String title = Versions.withoutGuests(entry.title());
      Set<String> version = new HashSet<>(Matcher.versionWords(Romanized.of(title)));
      version.removeAll(WishLine.SAME_RECORDING);
      version.removeIf(w -> w.chars().allMatch(Character::isDigit));
      return new Names(
          entry,
          plain(Versions.base(title)),
          plain(Versions.withoutGuests(entry.artist())),
          version);
    }

    private static List<String> plain(String name) {
      List<String> words = Romanized.words(name);
      return words.size() > 1 && words.getFirst().equals("the")
          ? words.subList(1, words.size())
          : words;
    }
  }

  /** How the names compare; empty when the title is not in the line. */
  Optional<Matcher.Compared> of(Names names) {
    Optional<Run> title = run(names.title(), Optional.empty());
    if (title.isEmpty()) {
      return Optional.empty();
    }
    Optional<Run> artist = run(names.artist(), title);
    if (artist.isEmpty()) { // it may stand where the title was seen
      Optional<Run> first = run(names.artist(), Optional.empty());
      Optional<Run> behind = first.isEmpty() ? first : run(names.title(), first);
      title = behind.isPresent() ? behind : title;
      artist = behind.isPresent() ? first : artist;
    }
    return Optional.of(compared(names, title.get(), artist));
  }

  private Matcher.Compared compared(Names names, Run title, Optional<Run> artist) {
    List<Integer> left =
        IntStream.range(0, line.words().size())
            .filter(i -> !title.holds(i) && artist.filter(a -> a.holds(i)).isEmpty())
            .boxed()
            .toList();
    Set<Integer> negated = negated(left);
    boolean more = false;
    Set<String> asked = new HashSet<>();
    Set<String> unwanted = new HashSet<>();
    for (int i : left) {
      Word word = line.words().get(i);
      if (negated.contains(i)) {
        unwanted.add(word.text());
      } else if (word.role() == Role.VERSION || names.version().contains(word.text())) {
        asked.add(word.text());
      } else {
        more |= word.role() == Role.NAME || word.role() == Role.NEGATION;
      }
    }
    if (more && artist.isPresent()) {
      return new Matcher.Compared(
          names.entry(), Likeness.MORE, artist.get().likeness(), Likeness.UNKNOWN);
    }
    return new Matcher.Compared(
        names.entry(),
        title.likeness(),
        artist.map(Run::likeness).orElse(more ? Likeness.OTHER : Likeness.UNKNOWN),
        version(names.version(), asked, unwanted));
  }

  /** What "not", "no" and the like take out: the rest of their piece when it tells a version. */
  private Set<Integer> negated(List<Integer> left) {
    Set<Integer> negated = new HashSet<>();
    for (int i : left) {
      Word negation = line.words().get(i);
      List<Integer> rest =
          left.stream()
              .filter(k -> k >= i && line.words().get(k).piece() == negation.piece())
              .toList();
      if (negation.role() == Role.NEGATION
          && rest.stream()
              .map(line.words()::get)
              .anyMatch(w -> w.role() == Role.VERSION && !WishLine.MIXED.contains(w.text()))) {
        negated.addAll(rest);
      }
    }
    return negated;
  }

  private static Likeness version(Set<String> is, Set<String> asked, Set<String> unwanted) {
    if (is.stream().anyMatch(unwanted::contains)) {
      return Likeness.MORE;
    }
    if (is.equals(asked)) {
      return is.isEmpty() ? Likeness.UNKNOWN : Likeness.SAME;
    }
    return !asked.isEmpty() && is.containsAll(asked) ? Likeness.NEAR : Likeness.MORE;
  }

  /** The run that names something best, clear of another run. */
  private Optional<Run> run(List<String> name, Optional<Run> clearOf) {
    if (name.isEmpty()) {
      return Optional.empty();
    }
    String key = String.join("", name);
    Run best = null;
    int count = line.words().size();
    for (int size = Math.max(1, name.size() - 1); size <= name.size() + 1; size++) {
      for (int from = 0; from + size <= count; from++) {
        Run run = compared(from, from + size, key);
        boolean clear = clearOf.filter(run::meets).isEmpty();
        if (clear && run.likeness() != Likeness.OTHER && (best == null || better(run, best))) {
          best = run;
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static boolean better(Run run, Run best) {
    return run.likeness() != best.likeness()
        ? run.likeness() == Likeness.SAME
        : run.like() > best.like();
  }

  private Run compared(int from, int to, String key) {
    String run =
        line.words().subList(from, to).stream().map(Word::text).collect(Collectors.joining());
    if (run.equals(key)) {
      return new Run(from, to, Likeness.SAME, 1);
    }
    double like = Math.max(LIKE.apply(run, key), LIKE.apply(run, "the" + key));
    boolean longEnough = Math.min(run.length(), key.length()) > FEW_LETTERS;
    boolean near =
        longEnough
            && (like > NEAR
                || NameKey.near(run, key)
                || like > 0.7 && Romanized.sound(run).equals(Romanized.sound(key)));
    return new Run(from, to, near ? Likeness.NEAR : Likeness.OTHER, like);
  }
}
