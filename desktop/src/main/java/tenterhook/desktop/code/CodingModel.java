package tenterhook.desktop.code;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.CrateEffect;
import tenterhook.core.derived.Derived;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;

/** What the coding station knows, without a node: keys, who carries what, and what waits. */
public final class CodingModel {
  /** Gives all that is shown as likely. */
  static final char TAKE = '=';

  /** Gives the codes of the track before. */
  static final char SAME = '.';

  private static final String[] KEY_ROWS = {"qwertyuiop", "asdfghjkl", "zxcvbnm"};
  private static final String MORE_KEYS = "-[];',/";

  private CodingModel() {}

  /**
   * A key for each code that is given: first the keys that the DJ chose, then the facets take the
   * rows of the keyboard in turn; codes beyond a row's end take what is left, then none. Digits
   * stay free for listening.
   *
   * @param codebook the legend
   * @return key by token, in the order of facets
   */
  public static Map<String, Character> keys(Codebook codebook) {
    List<Character> left = new ArrayList<>();
    (String.join("", KEY_ROWS) + MORE_KEYS).chars().forEach(c -> left.add((char) c));
    Map<String, Character> keys = new LinkedHashMap<>();
    wished(codebook, left, keys);
    byRow(codebook, left, keys);
    for (Facet facet : codebook.facets()) {
      for (Code code : facet.given()) {
        if (!left.isEmpty()) {
          take(keys, left, code.token(), left.getFirst());
        }
      }
    }
    return keys;
  }

  private static void wished(Codebook codebook, List<Character> left, Map<String, Character> keys) {
    for (Facet facet : codebook.facets()) {
      for (Code code : facet.given()) {
        if (!code.key().isEmpty() && left.remove((Character) code.key().charAt(0))) {
          keys.put(code.token(), code.key().charAt(0));
        }
      }
    }
  }

  private static void byRow(Codebook codebook, List<Character> left, Map<String, Character> keys) {
    for (int f = 0; f < Math.min(KEY_ROWS.length, codebook.facets().size()); f++) {
      for (Code code : codebook.facets().get(f).given()) {
        KEY_ROWS[f]
            .chars()
            .mapToObj(c -> (char) c)
            .filter(left::contains)
            .findFirst()
            .ifPresent(c -> take(keys, left, code.token(), c));
      }
    }
  }

  private static void take(
      Map<String, Character> keys, List<Character> left, String token, Character key) {
    if (!keys.containsKey(token)) {
      keys.put(token, key);
      left.remove(key);
    }
  }

  /** How many of some tracks carry a code. */
  public static int carriers(Snapshot snapshot, RoaringBitmap ids, String token) {
    return (int)
        ids.stream()
            .filter(id -> snapshot.value(id, Fields.CODES).orElse(List.of()).contains(token))
            .count();
  }

  /** Gives a code to tracks, or takes it when all of them carry it. */
  public static Change toggle(CollectionState state, RoaringBitmap ids, String token) {
    boolean all = carriers(state.snapshot(), ids, token) == ids.getCardinality();
    return TrackEdits.code(
        state.snapshot(),
        state.codebook(),
        ids,
        all ? List.of() : List.of(token),
        all ? List.of(token) : List.of());
  }

  /** Gives tracks the codes that another track carries. */
  public static Change sameAs(CollectionState state, RoaringBitmap ids, int other) {
    List<String> codes = state.snapshot().value(other, Fields.CODES).orElse(List.of());
    return TrackEdits.code(state.snapshot(), state.codebook(), ids, codes, List.of());
  }

  /** The tracks without a code of a demanded facet. */
  public static RoaringBitmap waiting(CollectionState state) {
    return state.snapshot().tracks(waits(state.snapshot(), state.codebook()));
  }

  /** A test for such tracks, for one moment. */
  public static IntPredicate waits(Snapshot snapshot, Codebook codebook) {
    List<IntPredicate> holes =
        WeaveColumn.all(codebook).stream()
            .filter(WeaveColumn::facet)
            .map(c -> c.holes(snapshot, codebook))
            .toList();
    return id -> holes.stream().anyMatch(hole -> hole.test(id));
  }

  /** The tracks without a code of one facet. */
  public static RoaringBitmap without(CollectionState state, WeaveColumn facet) {
    return state.snapshot().tracks(facet.holes(state.snapshot(), state.codebook()));
  }

  /** The code of the codebook that a stray was probably meant to be. */
  public static Optional<String> meant(Codebook codebook, String stray) {
    return codebook.tokens().stream().filter(t -> near(t, stray)).findFirst();
  }

  /** Whether two tokens differ by one letter too many, one too few, or the order of letters. */
  private static boolean near(String token, String stray) {
    if (token.equals(stray)) {
      return false;
    }
    String longer = token.length() >= stray.length() ? token : stray;
    String shorter = longer.equals(token) ? stray : token;
    if (longer.length() - shorter.length() == 1) {
      for (int i = 0; i < longer.length(); i++) {
        if ((longer.substring(0, i) + longer.substring(i + 1)).equals(shorter)) {
          return true;
        }
      }
      return false;
    }
    return longer.length() == shorter.length()
        && token.chars().sorted().boxed().toList().equals(stray.chars().sorted().boxed().toList());
  }

  /** How many tracks carry each code. */
  public static Map<String, Integer> counts(CollectionState state) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    state.codebook().tokens().forEach(t -> counts.put(t, 0));
    Snapshot snapshot = state.snapshot();
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                snapshot
                    .value(id, Fields.CODES)
                    .ifPresent(all -> all.forEach(c -> counts.merge(c, 1, Integer::sum))));
    return counts;
  }

  /** The crates that a track would come into with more codes. */
  public static List<String> cratesWith(
      CollectionState state, CrateContents contents, int id, List<String> codes) {
    Change change =
        TrackEdits.code(
            state.snapshot(), state.codebook(), RoaringBitmap.bitmapOf(id), codes, List.of());
    if (codes.isEmpty() || change.isEmpty()) {
      return List.of();
    }
    Edit.SetField set = (Edit.SetField) change.edits().getFirst();
    Snapshot then =
        Derived.refreshed(
            state.snapshot().with(List.of(new Cell(id, set.field(), set.after()))),
            state.codebook(),
            change.tracks());
    return CrateEffect.of(state.crates(), contents, then, change.tracks()).stream()
        .filter(e -> e.gains() > 0)
        .map(CrateEffect::crate)
        .toList();
  }
}
