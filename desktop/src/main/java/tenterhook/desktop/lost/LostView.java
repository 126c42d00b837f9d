package tenterhook.desktop.lost;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.lost.LostSheets.LostChoice;
import tenterhook.desktop.lost.LostSheets.Sheet;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The station: what is not where it should be, by folder, and one decision for each. */
public final class LostView extends StationOutline {
  /** The share of the height that decisions may take from the tracks they concern. */
  private static final double DECISIONS = 0.45;

  private static final double ROW = 59;
  private static final double FRAME = 6;

  private final LostModel model;
  private final LostSheets sheets;
  private final ListView<LostItem> items = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final FlowPane buttons = new FlowPane(8, 8);
  private final ListView<LostChoice> decisions = new ListView<>();
  private final TrackPane pane;
  private final VBox main = new VBox(10);
  private boolean showing;

  /** The view. */
  public LostView(Workspace workspace, LostModel model) {
    super(workspace, "keys.tracks", new TrackPane(workspace, "lost"));
    this.pane = tracks().orElseThrow();
    this.model = model;
    this.sheets =
        new LostSheets(
            workspace,
            model,
            new LostActions(workspace, model, pane::selection, () -> node.getScene().getWindow()));
    listItems();
    VBox left = side(250, items, Look.label(Words.of("lost.folders"), "second"), items);
    words.setWrapText(true);
    decisions.setId("lost-decisions");
    decisions.getStyleClass().add("decisions");
    decisions.setAccessibleText(Words.of("lost.decisions"));
    decisions.setCellFactory(l -> new LostDecisionCell());
    main.getStyleClass().add("main");
    main.setAlignment(Pos.TOP_LEFT);
    main.getChildren().setAll(head(title, words), buttons);
    node.setLeft(left);
    node.setCenter(main);
    model.follow(() -> show(model.items().get()));
    workspace.whileInView(node, model::refresh);
  }

  private void listItems() {
    items.setId("lost-folders");
    items.getStyleClass().add("picked");
    items.setAccessibleText(Words.of("lost.folders"));
    items.setCellFactory(l -> new TwoLineCell<>(LostItem::name, LostItem::second));
    items
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, before, after) -> {
              if (!showing) {
                choose(after);
              }
            });
    items.setPlaceholder(Look.label(Words.of("lost.noneShort"), "empty"));
  }

  /** Looks for all lost files in the folders of the collection. */
  public void look() {
    model.look(List.of());
  }

  private void show(List<LostItem> now) {
    LostItem chosen = items.getSelectionModel().getSelectedItem();
    showing = true;
    items.getItems().setAll(now);
    int at = now.stream().map(LostItem::name).toList().indexOf(chosen == null ? "" : chosen.name());
    items.getSelectionModel().clearAndSelect(Math.max(0, at));
    showing = false;
    choose(items.getSelectionModel().getSelectedItem());
  }

  private void choose(@Nullable LostItem item) {
    Sheet sheet = item == null ? sheets.nothing() : sheets.of(item);
    Look.data(title, sheet.title());
    Look.data(words, sheet.words());
    buttons.getChildren().setAll(sheet.buttons());
    decisions.getItems().setAll(sheet.decisions());
    main.getChildren().removeAll(decisions, pane);
    if (!sheet.decisions().isEmpty()) {
      main.getChildren().add(decisions);
      VBox.setVgrow(decisions, sheet.tracks().isPresent() ? Priority.NEVER : Priority.ALWAYS);
    }
    decisions.maxHeightProperty().unbind();
    decisions.setMaxHeight(Double.MAX_VALUE);
    decisions.setPrefHeight(ROW * sheet.decisions().size() + FRAME);
    sheet.tracks().ifPresent(ids -> tracks(sheet, ids));
  }

  private void tracks(Sheet sheet, RoaringBitmap ids) {
    TrackList list = TrackList.of(sheet.title(), ids);
    if (!list.equals(pane.list())) {
      pane.show(list);
    }
    main.getChildren().add(pane);
    VBox.setVgrow(pane, Priority.ALWAYS);
    decisions.maxHeightProperty().bind(main.heightProperty().multiply(DECISIONS));
  }

  @Override
  public void shown() {
    model.refresh();
  }
}
