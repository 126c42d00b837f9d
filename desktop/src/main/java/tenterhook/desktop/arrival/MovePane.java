package tenterhook.desktop.arrival;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Edit;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.Workspace;

/** Where files would go by a path pattern, shown before anything moves. */
final class MovePane extends VBox {
  private static final int PREVIEWED = 4;

  private final Workspace workspace;
  private final Runnable close;
  private final ComboBox<String> root = new ComboBox<>();
  private final TextField pattern = new TextField();
  private final VBox preview = new VBox(2);
  private final Button move = Look.primary("", this::move);
  private RoaringBitmap ids = new RoaringBitmap();

  MovePane(Workspace workspace, Runnable close) {
    super(8);
    this.workspace = workspace;
    this.close = close;
    getStyleClass().add("decide-box");
    prepare();
    HBox.setHgrow(pattern, Priority.ALWAYS);
    HBox wish = wish();
    HBox buttons = new HBox(8, move, Look.button(Words.of("move.leave"), close, "quiet"));
    getChildren().addAll(wish, preview, buttons);
  }

  private void prepare() {
    pattern.setId("move-pattern");
    pattern.setPrefColumnCount(30);
    pattern.setAccessibleText(Words.of("move.pattern"));
    pattern.textProperty().addListener((o, before, after) -> show());
    root.setId("move-root");
    root.setAccessibleText(Words.of("move.root"));
    root.setOnAction(e -> show());
    move.setId("move-go");
  }

  private HBox wish() {
    HBox wish =
        new HBox(
            8,
            Look.label(Words.of("move.root"), "second"),
            root,
            Look.label(Words.of("move.pattern"), "second"),
            pattern);
    wish.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return wish;
  }

  /** Offers to move some tracks. */
  void offer(RoaringBitmap some) {
    ids = some;
    List<String> roots = ArrivalsModel.roots(workspace.collection());
    root.getItems().setAll(roots);
    root.getSelectionModel().selectFirst();
    pattern.setText(ArrivalsModel.pattern(workspace.collection()));
    show();
    pattern.requestFocus();
  }

  private void show() {
    String under = root.getValue();
    String by = pattern.getText();
    if (under == null) {
      preview.getChildren().clear();
    } else {
      RoaringBitmap some = ids;
      move.setDisable(true); // until it is known what would move
      workspace.promptly(this, () -> planned(some, under, by), this::show);
    }
  }

  /** What moving would do, or why the pattern cannot be read. */
  private record Planned(List<Edit> edits, String trouble) {}

  private Planned planned(RoaringBitmap some, String under, String by) {
    try {
      return new Planned(ArrivalsModel.moves(workspace.collection(), some, under, by).edits(), "");
    } catch (IllegalArgumentException unreadable) {
      return new Planned(List.of(), String.valueOf(unreadable.getMessage()));
    }
  }

  private void show(Planned planned) {
    preview.getChildren().clear();
    move.setDisable(planned.edits().isEmpty());
    if (planned.trouble().isEmpty()) {
      preview(planned.edits());
      move.setText(Words.of("move.go", planned.edits().size()));
    } else {
      preview.getChildren().add(Look.dataLabel(planned.trouble(), "hole"));
    }
  }

  private void preview(List<Edit> edits) {
    for (Edit edit : edits.subList(0, Math.min(PREVIEWED, edits.size()))) {
      Edit.MoveFile one = (Edit.MoveFile) edit;
      String name = one.from().path().substring(one.from().path().lastIndexOf('/') + 1);
      preview
          .getChildren()
          .add(Look.dataLabel(Words.of("move.one", name, one.to().path()), "mono"));
    }
    int more = edits.size() - PREVIEWED;
    preview
        .getChildren()
        .add(
            Look.label(
                Words.of(edits.isEmpty() ? "move.none" : "move.more", Math.max(0, more)),
                "second"));
  }

  private void move() {
    RoaringBitmap some = ids;
    String under = root.getValue();
    String by = pattern.getText();
    ArrivalsModel.keepPattern(workspace, by);
    workspace.command(
        move.getText(),
        some.getCardinality(),
        now -> ArrivalsModel.moves(workspace.collection(), some, under, by));
    close.run();
  }
}
