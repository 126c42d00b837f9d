package tenterhook.desktop.arrival;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.StationView;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.table.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;

/** What is new, in batches, the oldest unfinished first; a track leaves when it has no hole. */
public final class ArrivalsView implements StationView {
  private final Desk desk;
  private final BorderPane node = new BorderPane();
  private final ListView<Batch> batches = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final TrackPane pane;

  /** Tracks that one scan found. */
  record Batch(String name, int all, RoaringBitmap open) {}

  /** The view. */
  public ArrivalsView(Desk desk) {
    this.desk = desk;
    this.pane = new TrackPane(desk);
    batches.setId("batches");
    batches.getStyleClass().add("picked");
    batches.setCellFactory(
        l ->
            new TwoLineCell<>(
                b -> b.name(),
                b -> Words.of("arrivals.batch", b.open().getCardinality(), b.all())));
    batches
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> choose(after));
    batches.setPlaceholder(Look.label(Words.of("arrivals.none"), "empty"));
    VBox left = new VBox(8, Look.label(Words.of("arrivals.words"), "second"), batches);
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(240);
    VBox.setVgrow(batches, javafx.scene.layout.Priority.ALWAYS);
    BorderPane main = new BorderPane(pane);
    main.setTop(new VBox(2, title, words));
    main.getStyleClass().add("main");
    node.setLeft(left);
    node.setCenter(main);
  }

  /** The arrivals that still have a hole. */
  public static RoaringBitmap waiting(CollectionState state) {
    Snapshot snapshot = state.snapshot();
    RoaringBitmap ids = new RoaringBitmap();
    for (WeaveColumn column : WeaveColumn.all(state.codebook())) {
      var hole = column.holes(snapshot, state.codebook());
      snapshot
          .tracks()
          .forEach(
              (int id) -> {
                if (!snapshot.lost(id) && hole.test(id)) {
                  ids.add(id);
                }
              });
    }
    return ids;
  }

  private void choose(Batch batch) {
    if (batch != null) {
      title.setText(Words.of("arrivals.title", batch.name()));
      words.setText(Words.of("arrivals.open", batch.open().getCardinality()));
      pane.show(TrackList.of(batch.name(), batch.open()));
    }
  }

  @Override
  public void shown() {
    CollectionState state = desk.state().get();
    RoaringBitmap waiting = waiting(state);
    Map<String, Batch> byName = new TreeMap<>();
    state
        .snapshot()
        .tracks()
        .forEach(
            (int id) -> {
              String name = state.snapshot().raw(id, Fields.ARRIVAL);
              Batch old = byName.getOrDefault(name, new Batch(name, 0, new RoaringBitmap()));
              RoaringBitmap open = old.open();
              if (waiting.contains(id)) {
                open.add(id);
              }
              byName.put(name, new Batch(name, old.all() + 1, open));
            });
    batches.getItems().setAll(byName.values().stream().filter(b -> !b.open().isEmpty()).toList());
    if (batches.getItems().isEmpty()) {
      title.setText(Words.of("arrivals.done"));
      words.setText("");
      pane.show(new TrackList("", java.util.List.of(), false));
    } else {
      batches.getSelectionModel().selectFirst();
    }
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public Optional<TrackPane> tracks() {
    return Optional.of(pane);
  }

  @Override
  public String keys() {
    return Words.of("keys.tracks");
  }
}
