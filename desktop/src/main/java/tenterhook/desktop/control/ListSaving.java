package tenterhook.desktop.control;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.stage.FileChooser;
import tenterhook.adapters.playlist.ListFile;
import tenterhook.core.field.Field;
import tenterhook.core.text.PortableNames;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Saves what a table shows, its columns in their order, as a table for spreadsheets or a page. */
final class ListSaving {
  private ListSaving() {}

  /** Asks for a file and writes it. */
  static void ask(Workspace workspace, TrackPane pane) {
    FileChooser chooser = new FileChooser();
    for (ListFile form : ListFile.values()) {
      String key = "list." + form.name().toLowerCase(Locale.ROOT);
      chooser
          .getExtensionFilters()
          .add(new FileChooser.ExtensionFilter(Words.of(key), "*." + form.ending()));
    }
    chooser.setInitialFileName(
        PortableNames.safe(pane.list().title()) + "." + ListFile.TABLE.ending());
    File file = chooser.showSaveDialog(pane.getScene().getWindow());
    if (file != null) {
      write(workspace, pane, file.toPath());
    }
  }

  /** Writes it beside the window, and says where it is. */
  static void write(Workspace workspace, TrackPane pane, Path file) {
    Snapshot snapshot = workspace.state().get().snapshot();
    List<Field<?>> fields = pane.fields();
    TrackIds rows = pane.rows();
    String title = pane.list().title();
    workspace.background(
        () -> {
          ListFile.write(file, title, fields, snapshot, rows);
          return file;
        },
        done -> workspace.frame().inform(Words.of("told.saved", rows.size(), done), false, 0));
  }
}
