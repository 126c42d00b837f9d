package tenterhook.desktop.crate;

import java.io.File;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import tenterhook.adapters.pack.SendingOut;
import tenterhook.adapters.pack.SendingOut.PlacedCrate;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.Workspace;

/** Crates as playlists for other programs and machines, with their music where it is wanted. */
final class SendOutPane extends VBox {
  private static final String FOLDER = "crates are sent to";
  private static final String HERE = "music lies here in";
  private static final String THERE = "music lies elsewhere in";

  /** How playlists name the music. */
  private enum How {
    RELATIVE,
    ABSOLUTE,
    ELSEWHERE,
    COPIES
  }

  private final Workspace workspace;
  private final Runnable back;
  private final Label title = Look.label("", "heading");
  private final Label what = Look.label("", "second");
  private final ComboBox<PlaylistFile> form = new ComboBox<>();
  private final ToggleGroup how = new ToggleGroup();
  private final TextField here = new TextField();
  private final TextField there = new TextField();
  private final TextField folder = new TextField();
  private final Button write = Look.primary(Words.of("sendOut.write"), this::write);
  private final VBox outcome = new VBox(4);
  private List<PlacedCrate> crates = List.of();

  SendOutPane(Workspace workspace, Runnable back) {
    super(10);
    this.workspace = workspace;
    this.back = back;
    setId("send-out");
    getStyleClass().add("main");
    prepare();
    HBox head =
        new HBox(
            10,
            new VBox(2, title, what),
            Look.spring(),
            Look.button(Words.of("coverage.back"), back));
    VBox ways = new VBox(8);
    for (How one : How.values()) {
      ways.getChildren().add(way(one));
    }
    HBox place = new HBox(8, folder, Look.button(Words.of("sendOut.choose"), this::chooseFolder));
    place.setAlignment(Pos.CENTER_LEFT);
    HBox forms = new HBox(8, form);
    getChildren()
        .addAll(
            head,
            Look.label(Words.of("sendOut.form"), "second"),
            forms,
            Look.label(Words.of("sendOut.paths"), "second"),
            ways,
            Look.label(Words.of("sendOut.folder"), "second"),
            place,
            write,
            outcome);
  }

  private void prepare() {
    form.getItems().setAll(PlaylistFile.values());
    form.setValue(PlaylistFile.M3U8);
    form.setId("send-out-form");
    form.setAccessibleText(Words.of("sendOut.form"));
    folder.setId("send-out-folder");
    folder.getStyleClass().add("mono");
    folder.setAccessibleText(Words.of("sendOut.folder"));
    folder.setPrefColumnCount(40);
    write.setId("send-out-write");
  }

  private Node way(How one) {
    String key = "sendOut." + one.name().toLowerCase(Locale.ROOT);
    RadioButton button = new RadioButton(Words.of(key));
    button.setId("send-out-" + one.name().toLowerCase(Locale.ROOT));
    button.setToggleGroup(how);
    button.setUserData(one);
    button.setSelected(one == How.RELATIVE);
    Label words = Look.label(Words.of(key + "Words"), "second");
    VBox box = new VBox(2, button, words);
    if (one == How.ELSEWHERE) {
      box.getChildren().add(elsewhere(button));
    }
    return box;
  }

  private HBox elsewhere(RadioButton button) {
    here.setAccessibleText(Words.of("sendOut.here"));
    there.setAccessibleText(Words.of("sendOut.there"));
    here.setPromptText(Words.of("sendOut.here"));
    there.setPromptText(Words.of("sendOut.there"));
    for (TextField field : List.of(here, there)) {
      field.getStyleClass().add("mono");
      HBox.setHgrow(field, Priority.ALWAYS);
    }
    HBox row = new HBox(8, here, Look.label("→"), there);
    row.setMaxWidth(640);
    row.setAlignment(Pos.CENTER_LEFT);
    row.visibleProperty().bind(button.selectedProperty());
    row.managedProperty().bind(button.selectedProperty());
    return row;
  }

  void show(List<PlacedCrate> some, String name) {
    crates = some;
    Look.data(title, Words.of("sendOut.title", name));
    int tracks = some.stream().mapToInt(c -> workspace.contents().count(c.crate())).sum();
    what.setText(Words.of("sendOut.what", some.size(), tracks));
    folder.setText(workspace.collection().setting(FOLDER).orElse(""));
    here.setText(workspace.collection().setting(HERE).orElse(firstRoot()));
    there.setText(workspace.collection().setting(THERE).orElse(""));
    outcome.getChildren().clear();
  }

  private String firstRoot() {
    return ArrivalsModel.roots(workspace.collection()).stream()
        .findFirst()
        .map(r -> workspace.state().get().roots().get(r).toString())
        .orElse("");
  }

  private void chooseFolder() {
    DirectoryChooser chooser = new DirectoryChooser();
    Optional.ofNullable(chooser.showDialog(getScene().getWindow()))
        .map(File::getPath)
        .ifPresent(folder::setText);
  }

  private void write() {
    if (folder.getText().isBlank()) {
      workspace.frame().inform(Words.of("sendOut.noFolder"), true, 0);
      return;
    }
    try {
      Path to = Path.of(folder.getText().strip());
      SendingOut.Naming paths = paths();
      PlaylistFile chosen = form.getValue();
      List<PlacedCrate> some = crates;
      workspace.keepSetting(FOLDER, folder.getText().strip());
      outcome.getChildren().clear();
      write.setDisable(true);
      workspace.independentJob(
          Words.of("sendOut.job"),
          p -> SendingOut.write(workspace.collection(), some, to, chosen, paths, p),
          r -> report(r, to),
          () -> write.setDisable(false));
    } catch (InvalidPathException noPath) {
      workspace.frame().inform(String.valueOf(noPath.getMessage()), true, 0);
    }
  }

  private SendingOut.Naming paths() {
    return switch ((How) how.getSelectedToggle().getUserData()) {
      case RELATIVE -> new SendingOut.Naming.Relative();
      case ABSOLUTE -> new SendingOut.Naming.Absolute();
      case COPIES -> new SendingOut.Naming.Copied();
      case ELSEWHERE -> {
        workspace.keepSetting(HERE, here.getText().strip());
        workspace.keepSetting(THERE, there.getText().strip());
        yield new SendingOut.Naming.Elsewhere(
            Path.of(here.getText().strip()), there.getText().strip());
      }
    };
  }

  private void report(SendingOut.SentReport report, Path to) {
    if (report.stopped()) {
      say(Words.of("sendOut.stopped", report.copied()), "doubt");
    } else {
      int tracks = report.tracks().values().stream().mapToInt(Integer::intValue).sum();
      say(Words.of("sendOut.done", report.tracks().size(), tracks, to), "whole");
    }
    if (report.copied() + report.there() > 0) {
      say(Words.of("sendOut.copied", report.copied(), report.there()), "second");
    }
    report.refused().forEach(r -> say(Words.of("sendOut.refused", r.path(), r.reason()), "hole"));
  }

  private void say(String words, String style) {
    Label label = Look.dataLabel(words, style);
    label.setWrapText(true);
    outcome.getChildren().add(label);
  }
}
