package tenterhook.desktop.history;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.adapters.collection.UndoRedo;
import tenterhook.core.change.LedgerEntry;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The ledger: every change, the newest first; each can be taken back. */
public final class HistoryView extends StationOutline {
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

  private final ListView<LedgerEntry> entries = new ListView<>();
  private final Label cost = Look.label("", "second");
  private final Button shorten = Look.button(Words.of("history.shorten"), this::shorten);
  private final HBox foot = new HBox(14, cost, Look.spring(), shorten);

  /** The view. */
  public HistoryView(Workspace workspace) {
    super(workspace, "keys.history");
    entries.setId("history");
    entries.getStyleClass().add("picked");
    cost.setId("history-cost");
    entries.setCellFactory(l -> new EntryCell());
    entries.setPlaceholder(Look.label(Words.of("history.reading"), "empty"));
    VBox head = head("history.title", "history.words");
    node.getStyleClass().add("main");
    foot.setAlignment(Pos.CENTER_LEFT);
    node.setTop(head);
    node.setBottom(foot);
    BorderPane.setMargin(foot, new javafx.geometry.Insets(10, 0, 0, 0));
    node.setCenter(entries);
    BorderPane.setMargin(entries, new javafx.geometry.Insets(10, 0, 0, 0));
    workspace.whileInView(node, this::refresh);
  }

  /** Read beside the window: a long history is long to add up. */
  private void refresh() {
    workspace.latestOnly(
        this,
        () -> new Shown(workspace.collection().history(), workspace.collection().undoing().cost()),
        shown -> {
          entries.setPlaceholder(Look.label(Words.of("history.none"), "empty"));
          entries.getItems().setAll(shown.entries());
          cost.setText(
              Words.of("history.cost", shown.cost().changes(), shown.cost().bytes() / 1e6));
          shorten.setDisable(shown.cost().changes() == 0);
        });
  }

  /** The ledger and what it costs, of one moment. */
  private record Shown(List<LedgerEntry> entries, UndoRedo.Cost cost) {}

  /** Asks, then ends undo of the chosen change and all before it. */
  private void shorten() {
    LedgerEntry chosen = entries.getSelectionModel().getSelectedItem();
    if (chosen == null) {
      workspace.frame().inform(Words.of("history.choose"), false, 0);
      return;
    }
    workspace
        .frame()
        .ask(
            Words.of("ask.shorten", String.valueOf(chosen.number())),
            Words.of("do.shorten"),
            () ->
                workspace.job(
                    Words.of("history.shorten"),
                    true,
                    p -> workspace.collection().undoing().shorten(chosen.number()),
                    freed -> {
                      workspace.frame().inform(Words.of("history.freed", freed / 1e6), false, 0);
                      refresh();
                    }));
  }

  private final class EntryCell extends ListCell<LedgerEntry> {
    private final Label number = Look.label("", "second", "mono");
    private final Label when = Look.label("", "second", "mono");
    private final Label title = Look.label("", "strong");
    private final Label note = Look.label("", "second");
    private final Button back = Look.button(Words.of("history.back"), () -> {});
    private final HBox box = new HBox(14, number, when, title, note, Look.spring(), back);

    EntryCell() {
      number.setMinWidth(36);
      number.setAlignment(Pos.CENTER_RIGHT);
      when.setMinWidth(120);
      box.setAlignment(Pos.CENTER_LEFT);
      box.setMinHeight(28);
    }

    @Override
    protected void updateItem(LedgerEntry entry, boolean empty) {
      super.updateItem(entry, empty);
      if (empty || entry == null) {
        setGraphic(null);
        return;
      }
      number.setText(String.valueOf(entry.number()));
      when.setText(WHEN.format(entry.at().atZone(ZoneId.systemDefault())));
      Look.data(title, entry.title());
      String tracks = entry.tracks() == 0 ? "" : Words.of("history.tracks", entry.tracks());
      note.setText(
          entry.undoneBy() > 0
              ? Words.of("history.undone", String.valueOf(entry.undoneBy()))
              : entry.partlyUndone()
                  ? Words.of("history.partly", entry.remaining(), entry.tracks())
                  : entry.canUndo() ? tracks : tracks + " " + Words.of("history.final"));
      back.setText(Words.of(entry.undoes() > 0 ? "history.again" : "history.back"));
      back.setId("undo-" + entry.number());
      back.setVisible(entry.canUndo());
      back.setOnAction(e -> workspace.undo(entry.number()));
      setGraphic(box);
    }
  }

  @Override
  public void shown() {
    refresh();
  }
}
