package tenterhook.desktop.backup;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import tenterhook.adapters.backup.Backup;
import tenterhook.adapters.backup.MirrorCheck;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Backs the collection up into one file, and compares the music with a second disk. */
public final class BackupView extends StationOutline {
  private final Label last = Look.label("", "second");
  private final CheckBox remind = new CheckBox(Words.of("backup.remind"));
  private final Label summary = Look.label(Words.of("mirror.none"), "second");
  private final ListView<String> found = new ListView<>();

  /** The view. */
  public BackupView(Workspace workspace) {
    super(workspace, "keys.backup");
    remind.setId("backup-remind");
    remind.setOnAction(e -> Backup.remind(workspace.collection(), remind.isSelected()));
    found.setId("mirror-found");
    found.setPlaceholder(Look.label(Words.of("mirror.empty"), "empty"));
    summary.setId("mirror-summary");
    summary.setWrapText(true);
    HBox backup =
        new HBox(
            14,
            Look.button(Words.of("backup.write"), this::chooseBackup),
            last,
            Look.spring(),
            remind);
    backup.setAlignment(Pos.CENTER_LEFT);
    HBox mirror = new HBox(14, Look.button(Words.of("mirror.check"), this::chooseMirror), summary);
    mirror.setAlignment(Pos.CENTER_LEFT);
    VBox head =
        new VBox(
            8,
            Look.label(Words.of("backup.title"), "heading"),
            Look.label(Words.of("backup.words"), "second"),
            backup,
            Look.label(Words.of("mirror.title"), "heading"),
            Look.label(Words.of("mirror.words"), "second"),
            mirror);
    node.getStyleClass().add("main");
    node.setTop(head);
    node.setCenter(found);
    BorderPane.setMargin(found, new Insets(10, 0, 0, 0));
  }

  private Optional<Path> folder(String title) {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(title);
    File chosen = chooser.showDialog(node.getScene().getWindow());
    return Optional.ofNullable(chosen).map(File::toPath);
  }

  private void chooseBackup() {
    folder(Words.of("backup.write")).ifPresent(this::backUp);
  }

  /** Writes a backup into a folder. */
  public void backUp(Path folder) {
    workspace.independentJob(
        Words.of("backup.job"),
        p -> Backup.write(workspace.collection(), folder),
        zip -> {
          workspace.frame().inform(Words.of("backup.done", zip), false, 0);
          shown();
        });
  }

  private void chooseMirror() {
    folder(Words.of("mirror.check")).ifPresent(this::check);
  }

  /** Compares the music with a folder. */
  public void check(Path folder) {
    workspace.independentJob(
        Words.of("mirror.job"),
        p -> MirrorCheck.of(workspace.collection().state(), folder, p),
        this::show);
  }

  private void show(MirrorCheck check) {
    List<String> lines = new ArrayList<>();
    check.missing().forEach(f -> lines.add(Words.of("mirror.missing", f)));
    check.different().forEach(f -> lines.add(Words.of("mirror.different", f)));
    check.moved().forEach(f -> lines.add(Words.of("mirror.moved", f)));
    check.extra().forEach(f -> lines.add(Words.of("mirror.extra", f)));
    for (Refusal one : check.unread()) {
      lines.add(one.path() + ": " + one.reason());
    }
    found.getItems().setAll(lines);
    summary.setText(
        Words.of(
            check.whole() ? "mirror.whole" : "mirror.summary",
            check.same() + check.moved().size(),
            check.missing().size(),
            check.different().size(),
            check.extra().size()));
  }

  /** Says that it is time for a backup, if it is and the DJ wants to hear it. */
  public static void remind(Workspace workspace) {
    Backup.due(workspace.collection())
        .ifPresent(days -> workspace.frame().inform(Words.of("backup.due", days), false, 0));
  }

  @Override
  public void shown() {
    remind.setSelected(Backup.reminds(workspace.collection()));
    last.setText(
        Backup.last(workspace.collection())
            .map(day -> Words.of("backup.last", day.toString()))
            .orElse(Words.of("backup.never")));
  }
}
