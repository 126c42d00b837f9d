package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Field;
import tenterhook.core.track.Snapshot;

/** Has the figures behind the codes follow the values that a change gives, as part of it. */
public final class FiguresInStep {
  private FiguresInStep() {}

  /**
   * The change, with the text behind which figures stand rewritten on every track of which it sets
   * a figure or that text. A change of how codes are written writes figures by itself and stays.
   *
   * @param snapshot the collection as it is
   */
  public static Change with(Snapshot snapshot, Codebook codebook, Change change) {
    Notation notation = codebook.notation();
    if (!notation.figures().on() || change.edits().stream().anyMatch(FiguresInStep::rewrites)) {
      return change;
    }
    Map<Integer, Map<Field<?>, String>> given = given(notation, change);
    Map<Integer, Edit.SetField> texts = new HashMap<>();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetField set && set.field() == notation.target()) {
        texts.put(set.id(), set);
      }
    }
    List<Edit> edits = new ArrayList<>();
    for (Edit edit : change.edits()) {
      boolean text = edit instanceof Edit.SetField set && texts.get(set.id()) == set;
      edits.add(text ? inStep((Edit.SetField) edit, snapshot, notation, given) : edit);
    }
    given.keySet().stream()
        .filter(id -> !texts.containsKey(id))
        .map(id -> unset(id, snapshot, notation))
        .map(set -> inStep(set, snapshot, notation, given))
        .filter(set -> !set.before().equals(set.after()))
        .forEach(edits::add);
    return new Change(change.title(), change.byHand(), edits, change.leader());
  }

  private static boolean rewrites(Edit edit) {
    return edit instanceof Edit.SetCodebook set
        && !set.before().notation().equals(set.after().notation());
  }

  /**
   * What the tracks have afterwards, as far as the text behind which figures stand depends on it.
   */
  private static Map<Integer, Map<Field<?>, String>> given(Notation notation, Change change) {
    Set<Field<?>> seen = new HashSet<>(notation.figures().used());
    seen.add(notation.target());
    Map<Integer, Map<Field<?>, String>> given = new LinkedHashMap<>();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetField set && seen.contains(set.field())) {
        given.computeIfAbsent(set.id(), id -> new HashMap<>()).put(set.field(), set.after());
      }
    }
    return given;
  }

  private static Edit.SetField unset(int id, Snapshot snapshot, Notation notation) {
    String text = snapshot.raw(id, notation.target());
    return new Edit.SetField(id, notation.target(), text, text);
  }

  private static Edit.SetField inStep(
      Edit.SetField set,
      Snapshot snapshot,
      Notation notation,
      Map<Integer, Map<Field<?>, String>> given) {
    Map<Field<?>, String> own = given.get(set.id());
    String after =
        notation.inStep(
            set.after(), field -> own.getOrDefault(field, snapshot.raw(set.id(), field)));
    return new Edit.SetField(set.id(), set.field(), set.before(), after);
  }
}
