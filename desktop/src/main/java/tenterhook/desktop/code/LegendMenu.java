package tenterhook.desktop.code;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.stage.FileChooser;
import tenterhook.adapters.code.LegendFile;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The codebook out of the program and back: a table, pages to keep by the decks. */
final class LegendMenu {
  private final Workspace workspace;
  private final MenuButton button = new MenuButton(Words.of("legend.menu"));

  LegendMenu(Workspace workspace, Runnable bringOver) {
    this.workspace = workspace;
    button.setId("legend");
    for (LegendFile form : LegendFile.values()) {
      button.getItems().add(Look.item("legend." + form.ending(), () -> chooseOut(form)));
    }
    button
        .getItems()
        .addAll(Look.item("legend.read", this::chooseIn), Look.item("legend.bring", bringOver));
  }

  MenuButton button() {
    return button;
  }

  private void chooseOut(LegendFile form) {
    FileChooser chooser = chooser(form);
    chooser.setInitialFileName(Words.of("legend.file") + "." + form.ending());
    Optional.ofNullable(chooser.showSaveDialog(button.getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(this::writeTo);
  }

  /** Writes the legend in the form that the file's ending says. */
  private void writeTo(Path file) {
    Codebook book = workspace.state().get().codebook();
    try {
      LegendFile.write(file, book, Words.of("legend.title"));
      workspace.frame().inform(Words.of("legend.written", file), false, 0);
    } catch (IOException | IllegalArgumentException trouble) {
      failed(file, trouble);
    }
  }

  private void chooseIn() {
    Optional.ofNullable(chooser(LegendFile.CSV).showOpenDialog(button.getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(this::readFrom);
  }

  /** Adds what a table says to the codebook. */
  private void readFrom(Path file) {
    Codebook now = workspace.state().get().codebook();
    try {
      Codebook after = LegendFile.read(file, now);
      workspace.apply(
          new Change(
              Words.of("legend.reads", file.getFileName()),
              true,
              after.equals(now) ? List.of() : List.of(new Edit.SetCodebook(now, after))));
    } catch (IOException | IllegalArgumentException trouble) {
      failed(file, trouble);
    }
  }

  private void failed(Path file, Exception trouble) {
    workspace
        .frame()
        .inform(Words.of("told.failed", file.getFileName(), trouble.getMessage()), true, 0);
  }

  private static FileChooser chooser(LegendFile form) {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(form.name(), "*." + form.ending()));
    return chooser;
  }
}
