package tenterhook.desktop.code;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;

/** What the coding station knows, without a node: keys, who carries what, and what waits. */
public final class CodingModel {
  private static final String[] KEY_ROWS = {"qwertyuiop", "asdfghjkl", "zxcvbnm", "1234567890"};

  private CodingModel() {}

  /**
   * A key for each code: the facets take the rows of the keyboard in turn; codes beyond a row's end
   * take what is left, then none.
   *
   * @param codebook the legend
   * @return key by token, in the order of facets
   */
  public static Map<String, Character> keys(Codebook codebook) {
    List<Character> left = new ArrayList<>();
    Map<String, Character> keys = new LinkedHashMap<>();
    for (int f = 0; f < KEY_ROWS.length; f++) {
      List<Code> codes =
          f < codebook.facets().size() ? codebook.facets().get(f).codes() : List.of();
      String row = KEY_ROWS[f];
      for (int i = 0; i < row.length(); i++) {
        if (i < codes.size()) {
          keys.put(codes.get(i).token(), row.charAt(i));
        } else {
          left.add(row.charAt(i));
        }
      }
    }
    for (String token : codebook.tokens()) {
      if (!keys.containsKey(token) && !left.isEmpty()) {
        keys.put(token, left.removeFirst());
      }
    }
    return keys;
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
    RoaringBitmap ids = new RoaringBitmap();
    for (WeaveColumn column : WeaveColumn.all(state.codebook())) {
      if (column.facet()) {
        ids.or(without(state, column));
      }
    }
    return ids;
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
}
