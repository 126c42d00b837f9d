package tenterhook.desktop.duplicate;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.core.duplicate.Doubt;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** A group in the list: the song, the evidence, how many copies, and what speaks against it. */
final class GroupCell extends ListCell<Group> {
  private final Workspace workspace;
  private final Label name = Look.label("", "strong");
  private final Label evidence = Look.label("", "mono");
  private final Label second = Look.label("", "second");
  private final VBox box;

  GroupCell(Workspace workspace) {
    this.workspace = workspace;
    name.setWrapText(true);
    second.setWrapText(true);
    evidence.setMinWidth(USE_PREF_SIZE);
    HBox below = new HBox(6, second, Look.spring(), evidence);
    HBox.setHgrow(second, Priority.SOMETIMES);
    box = new VBox(1, name, below);
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(Group item, boolean empty) {
    super.updateItem(item, empty);
    if (empty || item == null) {
      setGraphic(null);
      return;
    }
    Look.data(name, workspace.state().get().snapshot().name(item.survivor()));
    evidence.setText(item.evidence().words());
    for (Evidence one : Evidence.values()) {
      evidence.getStyleClass().remove(style(one));
    }
    evidence.getStyleClass().add(style(item.evidence()));
    String size = Words.megabytes(item.bytesFreed());
    String doubt = item.doubt() == Doubt.NONE ? "" : " · " + DuplicatesView.doubt(item);
    second.setText(Words.of("duplicates.group", item.tracks().size(), size) + doubt);
    setGraphic(box);
  }

  private static String style(Evidence evidence) {
    return "evidence-" + evidence.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  @Override
  protected double computePrefHeight(double width) {
    return isEmpty() || getListView() == null
        ? super.computePrefHeight(width)
        : TwoLineCell.brokenHeight(this, box, getListView().getWidth());
  }
}
