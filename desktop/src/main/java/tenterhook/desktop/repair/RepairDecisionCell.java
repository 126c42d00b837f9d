package tenterhook.desktop.repair;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Decision;
import tenterhook.core.repair.Proposal;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** A decision: what it says, what it rests on, and the button that takes all that is certain. */
final class RepairDecisionCell extends ListCell<Decision> {
  private static final int FOLDERS_NAMED = 2;

  private final Workspace workspace;
  private final Label name = Look.label("", "strong");
  private final Label words = Look.label("", "second");
  private final Button take = Look.primary("", () -> {});
  private final HBox box;

  RepairDecisionCell(Workspace workspace, Consumer<Decision> onTake) {
    this.workspace = workspace;
    VBox text = new VBox(1, name, words);
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMinWidth(0);
    take.setMinWidth(Region.USE_PREF_SIZE);
    take.setFocusTraversable(false);
    take.setOnAction(e -> onTake.accept(getItem()));
    box = new HBox(12, text, take);
    box.getStyleClass().add("decide");
    getStyleClass().add("decision-cell");
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(Decision decision, boolean empty) {
    super.updateItem(decision, empty);
    if (empty || decision == null) {
      setGraphic(null);
      return;
    }
    List<Proposal> certain = workspace.repairs().certain(decision.proposals());
    Look.data(name, decision.name());
    Look.data(words, words(decision, certain.size()));
    take.setText(Words.of("repairs.apply", certain.size()));
    take.setAccessibleText(take.getText() + ": " + decision.name());
    take.setVisible(!certain.isEmpty());
    setGraphic(box);
  }

  private String words(Decision decision, int certain) {
    Snapshot snapshot = workspace.state().get().snapshot();
    List<String> folders =
        decision.proposals().stream()
            .map(p -> snapshot.raw(p.id(), Fields.FOLDER))
            .distinct()
            .collect(Collectors.toList());
    int more = folders.size() - FOLDERS_NAMED;
    String where = String.join(", ", folders.subList(0, Math.min(FOLDERS_NAMED, folders.size())));
    int all = decision.proposals().size();
    return Words.of("repairs.decision", all, certain, decision.closes())
        + " · "
        + (more > 0 ? Words.of("repairs.folders", where, more) : where);
  }
}
