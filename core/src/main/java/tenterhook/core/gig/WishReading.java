package tenterhook.core.gig;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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
  private final List<String> texts;

  WishReading(WishLine line) {
    this.line = line;
    this.texts = line.words().stream().map(Word::text).toList();
  }

  /** A run of words and how well it names something. */
  record Run(int from, int to, Likeness likeness, double like) {
    int size() {
      return to - from;
    }

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
      version.removeAll(WishLine.ROMAN);
      return new Names(entry, title(title), plain(Versions.withoutGuests(entry.artist())), version);
    }

    /** A part of something keeps its number, also when that stands in brackets. */
    private static List<String> title(String title) {
      List<String> words = plain(Versions.base(title));
      Optional<String> part = WishLine.part(WishLine.words(title));
      return part.filter(p -> !words.contains(p)).isEmpty()
          ? words
          : Stream.concat(words.stream(), part.stream()).toList();
    }

    private static List<String> plain(String name) {
      List<String> words = WishLine.words(name);
      return words.size() > 1 && words.getFirst().equals("the")
          ? words.subList(1, words.size())
          : words;
    }
  }

  /** How the names of a recording compare, and which words of the line they are. */
  record Read(Matcher.Compared compared, Run title, Optional<Run> artist) {
    /** The comparison; when a longer title of this artist stands there, more is named than this. */
    Matcher.Compared among(List<Read> all) {
      return all.stream().anyMatch(this::isWithin)
          ? new Matcher.Compared(
              compared.entry(), Likeness.MORE, compared.artist(), compared.version())
          : compared;
    }

    private boolean isWithin(Read other) {
      return other.title.size() > title.size()
          && other.title.likeness() != Likeness.NEAR
          && other.title.holds(title.from())
          && other.title.holds(title.to() - 1)
          && other.artist.map(Run::likeness).equals(artist.map(Run::likeness));
    }
  }

  /** How the names compare; empty when the title is not in the line. */
  Optional<Read> of(Names names) {
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
    if (artist.isEmpty()) {
      artist = part(names.artist(), title.get());
    }
    return Optional.of(new Read(compared(names, title.get(), artist), title.get(), artist));
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
      } else if (!isAside(i, title, artist)) {
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

  /** Whether a word belongs to a note or to guests: not when the song is named there. */
  private boolean isAside(int at, Run title, Optional<Run> artist) {
    Word word = line.words().get(at);
    if (word.role() == Role.NEGATION) {
      return false;
    }
    boolean guest =
        word.guestSince() >= 0 && isClear(word.guestSince(), word.piece(), title, artist);
    return guest || word.noted() && isClear(0, word.piece(), title, artist);
  }

  /** Whether neither title nor artist has a word of a piece, from a place on. */
  private boolean isClear(int from, int piece, Run title, Optional<Run> artist) {
    return IntStream.range(from, line.words().size())
        .filter(i -> line.words().get(i).piece() == piece)
        .noneMatch(i -> title.holds(i) || artist.filter(a -> a.holds(i)).isPresent());
  }

  /** A surname, or what else is said of an artist's name: the longest stretch of its words. */
  private Optional<Run> part(List<String> name, Run title) {
    for (int size = name.size() - 1; size > 0; size--) {
      for (int from = 0; from + size <= name.size(); from++) {
        List<String> some = name.subList(from, from + size);
        if (some.stream().mapToInt(String::length).sum() > FEW_LETTERS) {
          Optional<Run> run = exactly(some, title);
          if (run.isPresent()) {
            return run;
          }
        }
      }
    }
    return Optional.empty();
  }

  private Optional<Run> exactly(List<String> words, Run clearOf) {
    return IntStream.rangeClosed(0, line.words().size() - words.size())
        .mapToObj(i -> new Run(i, i + words.size(), Likeness.PART, 0))
        .filter(r -> !r.meets(clearOf))
        .filter(r -> texts.subList(r.from(), r.to()).equals(words))
        .findFirst();
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
    for (int size = 1; size <= name.size() + 1; size++) {
      for (int from = 0; from + size <= count; from++) {
        Run run = compared(from, from + size, name, key);
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
        ? run.likeness().compareTo(best.likeness()) < 0
        : run.like() > best.like();
  }

  private Run compared(int from, int to, List<String> name, String key) {
    List<String> words = texts.subList(from, to);
    String run = String.join("", words);
    if (run.equals(key)) {
      return new Run(from, to, Likeness.SAME, 1);
    }
    if (to - from < name.size() - 1 || isAnotherPart(words, name)) {
      return new Run(from, to, Likeness.OTHER, 0);
    }
    if (name.size() > 2 && isAllButOne(words, name)) {
      return new Run(from, to, Likeness.PART, 0);
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

  private static boolean isAnotherPart(List<String> words, List<String> name) {
    Optional<String> part = WishLine.part(words);
    return part.isPresent() && !part.equals(WishLine.part(name));
  }

  private static boolean isAllButOne(List<String> words, List<String> name) {
    if (words.size() != name.size() - 1) {
      return false;
    }
    int missing = 0;
    while (missing < words.size() && words.get(missing).equals(name.get(missing))) {
      missing++;
    }
    return words.subList(missing, words.size()).equals(name.subList(missing + 1, name.size()));
  }
}
