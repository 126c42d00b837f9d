package tenterhook.desktop.tracks;

import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A row of what one browses: name, how whole it is, count; folded and unfolded by its mark. */
final class BrowseCell extends ListCell<BrowseRow> {
  private static final PseudoClass HEAD = PseudoClass.getPseudoClass("head");
  private static final PseudoClass OPEN = PseudoClass.getPseudoClass("open");
  private static final double STEP = 14;
  private static final double BAR = 34;

  private final TracksView view;
  private final Region mark = new Region();
  private final Label name = Look.label("");
  private final Label count = Look.label("", "second");
  private final Region whole = new Region();
  private final HBox bar = new HBox(whole);
  private final HBox box = new HBox(6, mark, name, Look.spring(), bar, count);

  BrowseCell(TracksView view) {
    this.view = view;
    setPrefWidth(0);
    getStyleClass().add("browse-cell");
    mark.getStyleClass().add("fold-mark");
    bar.getStyleClass().add("bar-ground");
    whole.getStyleClass().add("bar-certain");
    bar.setMinSize(BAR, 4);
    bar.setMaxSize(BAR, 4);
    count.setMinWidth(USE_PREF_SIZE);
    name.setMinWidth(20);
    box.setAlignment(Pos.CENTER_LEFT);
    mark.addEventHandler(MouseEvent.MOUSE_PRESSED, this::fold);
    Drop.from(this, TracksView.FOLDER, () -> getItem() == null ? null : view.dragged(getItem()));
    setOnContextMenuRequested(
        e -> {
          if (getItem() != null) {
            view.menu(getItem()).show(this, e.getScreenX(), e.getScreenY());
          }
        });
  }

  private void fold(MouseEvent event) {
    if (event.getButton() == MouseButton.PRIMARY && getItem() != null) {
      view.fold(getItem());
      event.consume();
    }
  }

  @Override
  protected void updateItem(BrowseRow row, boolean empty) {
    super.updateItem(row, empty);
    setText(null);
    pseudoClassStateChanged(HEAD, row != null && row.isHeading());
    if (empty || row == null) {
      setGraphic(null);
      setAccessibleText(null);
      return;
    }
    Look.data(name, row.words());
    count.setText(row.count() < 0 ? "" : String.valueOf(row.count()));
    mark.setVisible(row.folding().isPresent());
    mark.setManaged(row.folding().isPresent() || row.depth() > 0 || row.whole() >= 0);
    mark.pseudoClassStateChanged(OPEN, row.folding().orElse(false));
    bar.setVisible(row.whole() >= 0);
    bar.setManaged(row.whole() >= 0);
    whole.setMinWidth(BAR * Math.max(0, row.whole()));
    box.setPadding(new Insets(0, 0, 0, row.depth() * STEP));
    setGraphic(box);
    setAccessibleText(
        row.whole() < 0
            ? row.words() + " " + count.getText()
            : Words.of(
                "tracks.folderName", row.words(), row.count(), Math.floor(row.whole() * 100)));
  }
}
