package tenterhook.core.code;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * What a plain search for a code, as players and other programs do it ("contains", case does not
 * count), would find besides the tracks that carry it: longer codes, and words in names and
 * comments.
 */
public final class Clashes {
  private static final List<Field<?>> SEARCHED =
      Fields.inFile().stream().filter(f -> f.is(Trait.SEARCHED)).toList();
  private static final int LONGEST = 12;

  private final Snapshot snapshot;
  private final Codebook codebook;

  /** The clashes of a codebook in a collection. */
  public Clashes(Snapshot snapshot, Codebook codebook) {
    this.snapshot = snapshot;
    this.codebook = codebook;
  }

  /**
   * What a search for one code finds besides.
   *
   * @param token the code
   * @param written what is searched for
   * @param hits how many tracks by what they are found for: another code, or a field
   * @param tracks all of them
   */
  public record Clash(
      String token, String written, Map<String, Integer> hits, RoaringBitmap tracks) {}

  /** The codes that a plain search does not tell alone, in the order of the codebook. */
  public List<Clash> all() {
    return codebook.tokens().stream().flatMap(t -> of(t, t).stream()).toList();
  }

  /** The codes that are not told alone by who types only their letters, as on a player's keys. */
  public List<Clash> bare() {
    return codebook.tokens().stream().flatMap(t -> found(t, t, t).stream()).toList();
  }

  /** What a search finds besides a code's own tracks if the code were spelled another way. */
  private Optional<Clash> of(String token, String spelled) {
    return found(token, spelled, codebook.notation().written(spelled));
  }

  private Optional<Clash> found(String token, String spelled, String written) {
    boolean bare = written.equals(spelled);
    String wanted = written.toLowerCase(Locale.ROOT);
    RoaringBitmap own = carriers(token);
    RoaringBitmap found = new RoaringBitmap();
    Map<String, Integer> hits = new TreeMap<>();
    for (String other : codebook.tokens()) {
      boolean longer =
          !other.equals(token)
              && (bare ? other : codebook.notation().written(other))
                  .toLowerCase(Locale.ROOT)
                  .contains(wanted);
      if (longer) {
        RoaringBitmap theirs = RoaringBitmap.andNot(carriers(other), own);
        hits.put("code " + other, theirs.getCardinality());
        found.or(theirs);
      }
    }
    for (Field<?> field : SEARCHED) {
      RoaringBitmap words = containing(field, wanted);
      words.andNot(own);
      if (field == codebook.notation().target()) {
        words.andNot(found); // found for a longer code already
      }
      if (!words.isEmpty()) {
        hits.put(field.label(), words.getCardinality());
        found.or(words);
      }
    }
    return hits.isEmpty() ? Optional.empty() : Optional.of(new Clash(token, written, hits, found));
  }

  private RoaringBitmap carriers(String token) {
    return snapshot.tracks(
        id -> snapshot.value(id, Fields.CODES).orElse(List.of()).contains(token));
  }

  private RoaringBitmap containing(Field<?> field, String wanted) {
    Column column = snapshot.column(field);
    Map<Integer, Boolean> seen = new HashMap<>(); // each distinct text is looked at once
    return snapshot.tracks(
        id ->
            seen.computeIfAbsent(
                column.number(id), n -> column.text(id).toLowerCase(Locale.ROOT).contains(wanted)));
  }

  /**
   * Other tokens for a code that a plain search would tell alone, the shortest change first.
   *
   * @param token a code that clashes
   */
  public List<String> otherTokens(String token) {
    Set<String> ideas = new LinkedHashSet<>();
    String bare = token.charAt(0) + token.substring(1).replaceAll("(?i)[aeiou]", "");
    ideas.add(bare);
    for (char letter : new char[] {'X', 'Q', 'Z', '1', '2', '+', '#'}) {
      Stream.of(bare + letter, token + letter).forEach(ideas::add);
    }
    return ideas.stream()
        .filter(t -> t.length() > 1 && t.length() <= LONGEST)
        .filter(t -> codebook.known(t).isEmpty())
        .filter(t -> of(token, t).isEmpty())
        .limit(3)
        .toList();
  }

  /** How many codes clash in each style of notation. */
  public Map<Notation.Style, Integer> byStyle() {
    Map<Notation.Style, Integer> counts = new TreeMap<>();
    for (Notation.Style style : Notation.Style.values()) {
      Notation now = codebook.notation();
      Notation other = now.in(style);
      counts.put(style, new Clashes(snapshot, codebook.with(other)).all().size());
    }
    return counts;
  }

  /**
   * The tracks with codes whose field is longer than a player shows, so that codes may be cut.
   *
   * @param letters such as 30 for the old short tag of mp3 files
   */
  public RoaringBitmap longerThan(int letters) {
    return snapshot.tracks(
        id ->
            !snapshot.value(id, Fields.CODES).orElse(List.of()).isEmpty()
                && snapshot.raw(id, codebook.notation().target()).length() > letters);
  }
}
