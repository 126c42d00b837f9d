package tenterhook.desktop.control;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.TableRow;
import tenterhook.core.crate.Crate;
import tenterhook.core.find.Query;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * The order of a hand crate, changed in the table that lists it: by dragging rows, which other
 * crates take as well, or by keys.
 */
final class HandOrder {
  private final Workspace workspace;
  private final TrackPane pane;
  private final HandCrates hands;

  HandOrder(Workspace workspace, TrackPane pane) {
    this.workspace = workspace;
    this.pane = pane;
    this.hands = new HandCrates(workspace);
  }

  /** A row that can be dragged, and that takes rows where they have an order of their own. */
  TableRow<Integer> row() {
    TableRow<Integer> row = new TableRow<>();
    Drop.from(row, HandCrates.TRACKS, () -> row.isEmpty() ? null : dragged());
    Drop.onto(
        row,
        HandCrates.TRACKS,
        () -> ordered().isPresent(),
        carried ->
            ordered()
                .ifPresent(
                    hand ->
                        hands.move(
                            hand,
                            Arrays.stream((int[]) carried).boxed().collect(Collectors.toSet()),
                            row.isEmpty() ? 0 : row.getItem())));
    return row;
  }

  private int[] dragged() {
    return pane.rows().in(pane.selection()).stream().mapToInt(Integer::intValue).toArray();
  }

  /** The hand crate that is listed, while its rows stand in its own order. */
  private Optional<Crate.HandCrate> ordered() {
    boolean own =
        pane.order().isEmpty() && pane.narrowings().isEmpty() && pane.query().equals(Query.ALL);
    return own ? hands.named(pane.list().title()) : Optional.empty();
  }

  /** Moves the chosen rows past one more, or says why they cannot be moved. */
  void move(boolean down) {
    ordered()
        .ifPresentOrElse(
            hand ->
                hands.move(hand, pane.rows(), Set.copyOf(pane.rows().in(pane.selection())), down),
            () -> workspace.frame().inform(Words.of("table.noOrder"), false, 0));
  }
}
