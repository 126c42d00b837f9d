package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Field;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Snapshot;

/**
 * Codes that were kept otherwise so far: as words with commas between them, or in another field.
 * They are read, matched with the codebook, and brought over as one change. Immutable.
 */
public final class OtherCodes {
  private static final Pattern WORDS = Pattern.compile("[^,;|/]+");

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Field<?> field;
  private final Optional<Notation> notation;

  private OtherCodes(
      Snapshot snapshot, Codebook codebook, Field<?> field, Optional<Notation> notation) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.field = field;
    this.notation = notation;
  }

  /** Words with {@code , ; |} or {@code /} between them, which may hold blanks. */
  public static OtherCodes words(Snapshot snapshot, Codebook codebook, Field<?> field) {
    return new OtherCodes(snapshot, codebook, field, Optional.empty());
  }

  /** Codes in a notation and field of their own. */
  public static OtherCodes in(Snapshot snapshot, Codebook codebook, Notation notation) {
    return new OtherCodes(snapshot, codebook, notation.target(), Optional.of(notation));
  }

  /** What a text holds: its words, and what is left without some of them. */
  private List<String> wordsOf(String text) {
    if (notation.isPresent()) {
      return notation.get().read(text).tokens();
    }
    List<String> words = new ArrayList<>();
    Matcher word = WORDS.matcher(text);
    while (word.find()) {
      String one = word.group().strip();
      if (!one.isEmpty()) {
        words.add(one);
      }
    }
    return words;
  }

  private String without(String text, List<String> taken) {
    if (notation.isPresent()) {
      Notation.Content reading = notation.get().read(text);
      List<String> kept = reading.tokens().stream().filter(t -> !taken.contains(t)).toList();
      String own = text.startsWith(" ") ? reading.own() : reading.own().stripLeading();
      return notation.get().write(reading.withOwn(own).withTokens(kept));
    }
    StringBuilder left = new StringBuilder();
    Matcher word = WORDS.matcher(text);
    int from = 0;
    while (word.find()) {
      if (!taken.contains(word.group().strip())) {
        // the signs before the first word that is kept go with the words before it
        left.append(
            left.isEmpty() ? word.group().stripLeading() : text.substring(from, word.end()));
      }
      from = word.end();
    }
    return left.toString();
  }

  /** The words found and the tracks of each, the most frequent first. */
  public Map<String, RoaringBitmap> found() {
    Map<String, RoaringBitmap> found = new TreeMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                wordsOf(snapshot.raw(id, field))
                    .forEach(w -> found.computeIfAbsent(w, x -> new RoaringBitmap()).add(id)));
    Map<String, RoaringBitmap> sorted = new LinkedHashMap<>();
    found.entrySet().stream()
        .sorted(Comparator.comparingInt(e -> -e.getValue().getCardinality()))
        .forEach(e -> sorted.put(e.getKey(), e.getValue()));
    return sorted;
  }

  /** The code that a word probably means: its token or a synonym, or its meaning. */
  public Optional<String> meant(String word) {
    Optional<String> known = codebook.known(word);
    if (known.isPresent()) {
      return known;
    }
    String folded = Fold.fold(word);
    return codebook.facets().stream()
        .flatMap(f -> f.given().stream())
        .filter(c -> Fold.fold(c.meaning()).equals(folded))
        .map(Code::token)
        .findFirst();
  }

  /**
   * Brings codes over.
   *
   * @param codes the code for each word; other words stay where they are
   * @param leave whether the words stay in their field as well
   * @throws IllegalArgumentException when one of the codes is not in the codebook
   */
  public Change brought(Map<String, String> codes, boolean leave) {
    Field<?> target = codebook.notation().target();
    List<Edit> edits = new ArrayList<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              String text = snapshot.raw(id, field);
              List<String> taken = wordsOf(text).stream().filter(codes::containsKey).toList();
              if (!taken.isEmpty()) {
                List<String> give = taken.stream().map(codes::get).distinct().toList();
                String left = leave ? text : without(text, taken);
                if (field == target) {
                  CodebookEdits.set(
                      edits, id, field, text, codebook.rewritten(left, give, List.of()));
                } else {
                  String there = snapshot.raw(id, target);
                  CodebookEdits.set(edits, id, field, text, left);
                  CodebookEdits.set(
                      edits, id, target, there, codebook.rewritten(there, give, List.of()));
                }
              }
            });
    return new Change("brings codes over from " + field.label(), false, edits);
  }
}
