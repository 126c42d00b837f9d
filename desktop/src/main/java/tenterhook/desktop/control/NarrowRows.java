package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tenterhook.core.narrow.NarrowCounts;
import tenterhook.core.narrow.NarrowCounts.GroupCounts;
import tenterhook.core.narrow.NarrowGroup;
import tenterhook.core.narrow.NarrowValue;
import tenterhook.core.narrow.TempoSpread;
import tenterhook.core.text.Fold;

/**
 * The rows of the pane that narrows: heads, values, the spread of tempi, and what is not listed.
 */
final class NarrowRows {
  private NarrowRows() {}

  /** One row. */
  sealed interface NarrowRow {
    /** The name of a group above its values. */
    record Head(NarrowGroup group) implements NarrowRow {}

    /** A value with its count. */
    record Value(NarrowValue value) implements NarrowRow {}

    /** How the tempi are spread. */
    record Tempo(TempoSpread spread) implements NarrowRow {}

    /** So many values of a group are not listed. */
    record More(NarrowGroup group, int values) implements NarrowRow {}
  }

  /** The rows for what was counted. */
  static List<NarrowRow> of(NarrowCounts counts) {
    List<NarrowRow> rows = new ArrayList<>();
    for (GroupCounts group : counts.groups()) {
      rows.add(new NarrowRow.Head(group.group()));
      group.tempi().ifPresent(spread -> rows.add(new NarrowRow.Tempo(spread)));
      group.values().forEach(value -> rows.add(new NarrowRow.Value(value)));
      if (group.more() > 0) {
        rows.add(new NarrowRow.More(group.group(), group.more()));
      }
    }
    return rows;
  }

  /**
   * The value that typed words mean: the first that is called so, else the first that begins so,
   * else the first in which they occur.
   *
   * @param rows those that have the words
   */
  static Optional<NarrowValue> meant(List<NarrowRow> rows, String typed) {
    String words = Fold.fold(typed);
    List<NarrowValue> values =
        rows.stream()
            .flatMap(r -> r instanceof NarrowRow.Value v ? Stream.of(v.value()) : Stream.empty())
            .toList();
    return first(values.stream().filter(v -> Fold.fold(v.words()).equals(words)))
        .or(() -> first(values.stream().filter(v -> Fold.fold(v.words()).startsWith(words))))
        .or(() -> first(values.stream()));
  }

  /** Of values that fit alike, one that a click makes a difference with. */
  private static Optional<NarrowValue> first(Stream<NarrowValue> values) {
    List<NarrowValue> all = values.toList();
    return all.stream().filter(v -> !v.idle()).findFirst().or(() -> all.stream().findFirst());
  }
}
