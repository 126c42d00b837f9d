package tenterhook.desktop.change;

import java.util.List;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Node;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.recipe.RecipeRun.TrackOutcome;
import tenterhook.desktop.control.MarkedText;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What would become of each track: before and after, with the letters marked, or why not. */
final class OutcomeTable extends TableView<TrackOutcome> {
  private final Workspace workspace;

  OutcomeTable(Workspace workspace) {
    this.workspace = workspace;
    setId("change-outcomes");
    setAccessibleText(Words.of("change.outcomes"));
    setPlaceholder(Look.label(Words.of("change.nothingYet"), "empty"));
    getColumns().add(column("change.track", 200, this::track));
    getColumns().add(column("change.field", 84, OutcomeTable::field));
    getColumns().add(column("change.before", 250, t -> texts(t, MarkedText::before)));
    getColumns().add(column("change.after", 250, OutcomeTable::after));
    setColumnResizePolicy(CONSTRAINED_RESIZE_POLICY_ALL_COLUMNS);
  }

  private TableColumn<TrackOutcome, TrackOutcome> column(
      String key, double width, Function<TrackOutcome, Node> graphic) {
    TableColumn<TrackOutcome, TrackOutcome> column = new TableColumn<>(Words.of(key));
    column.setPrefWidth(width);
    column.setSortable(false);
    column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
    column.setCellFactory(
        c ->
            new TableCell<>() {
              @Override
              protected void updateItem(TrackOutcome track, boolean empty) {
                super.updateItem(track, empty);
                setGraphic(empty || track == null ? null : graphic.apply(track));
              }
            });
    return column;
  }

  private Node track(TrackOutcome track) {
    return Look.dataLabel(workspace.state().get().snapshot().name(track.id()));
  }

  private static Node field(TrackOutcome track) {
    List<Node> names =
        track.edits().stream().<Node>map(e -> Look.label(e.field().label(), "second")).toList();
    return new VBox(2, names.toArray(Node[]::new));
  }

  private static Node texts(TrackOutcome track, Function<SetField, Node> text) {
    return new VBox(2, track.edits().stream().map(text).toArray(Node[]::new));
  }

  private static Node after(TrackOutcome track) {
    return track
        .refused()
        .<Node>map(why -> Look.dataLabel(Words.of("change.refused", why), "hole"))
        .orElseGet(() -> texts(track, MarkedText::after));
  }
}
