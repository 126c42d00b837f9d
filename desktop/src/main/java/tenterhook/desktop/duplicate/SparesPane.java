package tenterhook.desktop.duplicate;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import tenterhook.core.change.Place;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What becomes of spares: the holding bay, a code, or a folder of choice. */
final class SparesPane extends VBox {
  private final Workspace workspace;
  private final DuplicatesModel model;
  private final ComboBox<String> fates = new ComboBox<>();
  private final Label words = Look.label("", "second");
  private boolean filling;

  SparesPane(Workspace workspace, DuplicatesModel model, Runnable bay) {
    super(6);
    this.workspace = workspace;
    this.model = model;
    fates.setId("spare-fate");
    fates.setAccessibleText(Words.of("spares.title"));
    fates.setMaxWidth(Double.MAX_VALUE);
    fates.setOnAction(e -> chosen());
    words.setWrapText(true);
    var open = Look.button(Words.of("spares.bay"), bay);
    open.setId("holding-bay");
    getChildren().addAll(Look.label(Words.of("spares.title"), "strong"), fates, words, open);
    fill();
  }

  private void fill() {
    filling = true;
    fates.getItems().setAll(Words.of("spares.hold"), Words.of("spares.move"));
    workspace
        .state()
        .get()
        .codebook()
        .tokens()
        .forEach(t -> fates.getItems().add(Words.of("spares.mark", t)));
    fates.getSelectionModel().select(0);
    filling = false;
  }

  void show(List<Group> groups) {
    int files = groups.stream().mapToInt(g -> g.spares().size()).sum();
    long bytes = groups.stream().mapToLong(Group::bytesFreed).sum();
    words.setText(
        switch (model.fate()) {
          case SpareFate.Hold hold -> Words.of("spares.holdWords", files, Words.megabytes(bytes));
          case SpareFate.Remove remove -> "";
          case SpareFate.Mark mark -> Words.of("spares.markWords", mark.code());
          case SpareFate.Move move ->
              Words.of("spares.moveWords", move.folder().root() + "/" + move.folder().path());
        });
  }

  private void chosen() {
    int at = fates.getSelectionModel().getSelectedIndex();
    if (filling || at < 0) {
      return;
    }
    if (at == 0) {
      model.fate(new SpareFate.Hold());
    } else if (at == 1) {
      File folder = new DirectoryChooser().showDialog(getScene().getWindow());
      move(folder);
    } else {
      model.fate(new SpareFate.Mark(workspace.state().get().codebook().tokens().get(at - 2)));
    }
    show(model.groups().get());
  }

  /** Only below a root can a file be brought back by undo. */
  private void move(File folder) {
    Path target = folder == null ? null : folder.toPath().toAbsolutePath().normalize();
    workspace.state().get().roots().entrySet().stream()
        .filter(r -> !r.getKey().equals(Place.HOLDING_BAY))
        .filter(r -> target != null && target.startsWith(r.getValue()))
        .findFirst()
        .ifPresentOrElse(
            r ->
                model.fate(
                    new SpareFate.Move(
                        new Place(
                            r.getKey(),
                            r.getValue().relativize(target).toString().replace('\\', '/')))),
            () -> {
              model.fate(new SpareFate.Hold());
              fates.getSelectionModel().select(0);
              workspace.frame().inform(Words.of("spares.noRoot"), target != null, 0);
            });
  }
}
