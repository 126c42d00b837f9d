package tenterhook.desktop.play;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.play.SetLists;
import tenterhook.adapters.play.SetLists.SetList;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.NightQuestion;
import tenterhook.desktop.control.PlaylistChooser;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Which nights were played, and set lists read in. */
public final class PlaysView extends StationOutline {
  private static final double LINE = 26;
  private static final double FRAME = 4;
  private static final int MOST_LINES = 6;

  private final ListView<Night> nights = new ListView<>();
  private final Label title = Look.label(Words.of("plays.title"), "heading");
  private final Label words = Look.label(Words.of("plays.words"), "second");
  private final Label unmatchedWords = Look.label("", "hole");
  private final ListView<String> unmatched = new ListView<>();
  private final VBox notFound = new VBox(4, unmatchedWords, unmatched);
  private final TrackPane pane;

  /** What was played on a date. */
  record Night(String date, RoaringBitmap tracks) {}

  /** The view. */
  public PlaysView(Workspace workspace) {
    super(workspace, "keys.tracks", new TrackPane(workspace, "nights"));
    this.pane = tracks().orElseThrow();
    prepareNights();
    prepareUnmatched();
    VBox left = side(200, nights, Look.label(Words.of("plays.nights"), "second"), nights);
    var read = Look.primary(Words.of("plays.read"), this::choose);
    read.setId("plays-read");
    words.setWrapText(true);
    VBox main = new VBox(10, head(title, words), new HBox(8, read), notFound, pane);
    VBox.setVgrow(pane, Priority.ALWAYS);
    main.getStyleClass().add("main");
    unmatched(List.of(), "");
    node.setLeft(left);
    node.setCenter(main);
    workspace.whileInView(node, this::refresh);
  }

  private void prepareNights() {
    nights.setId("nights");
    nights.getStyleClass().add("picked");
    nights.setAccessibleText(Words.of("plays.nights"));
    nights.setCellFactory(
        l ->
            new TwoLineCell<>(
                Night::date, n -> Words.of("plays.count", n.tracks().getCardinality())));
    nights.setPlaceholder(Look.label(Words.of("plays.none"), "empty"));
    nights.getSelectionModel().selectedItemProperty().addListener((o, b, after) -> show(after));
  }

  private void prepareUnmatched() {
    unmatched.setId("unmatched");
    unmatched.setFixedCellSize(LINE);
    unmatched.setAccessibleText(Words.of("plays.unmatchedList"));
    unmatched.setCellFactory(l -> new LineCell());
  }

  /** A line of a set list, in any script. */
  private static final class LineCell extends ListCell<String> {
    @Override
    protected void updateItem(String line, boolean empty) {
      super.updateItem(line, empty);
      Look.data(this, empty || line == null ? "" : line);
    }
  }

  private void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    workspace.latestOnly(this, () -> nights(snapshot), this::fill);
  }

  private static List<Night> nights(Snapshot snapshot) {
    Map<String, RoaringBitmap> byDate = new TreeMap<>(Comparator.reverseOrder());
    snapshot
        .tracks(id -> !snapshot.raw(id, Fields.NIGHTS).isEmpty())
        .forEach(
            (int id) ->
                snapshot
                    .value(id, Fields.NIGHTS)
                    .orElse(List.of())
                    .forEach(
                        date -> byDate.computeIfAbsent(date, d -> new RoaringBitmap()).add(id)));
    List<Night> found = new ArrayList<>();
    byDate.forEach((date, ids) -> found.add(new Night(date, ids)));
    return found;
  }

  private void fill(List<Night> now) {
    Night chosen = nights.getSelectionModel().getSelectedItem();
    nights.getItems().setAll(now);
    int at = now.stream().map(Night::date).toList().indexOf(chosen == null ? "" : chosen.date());
    nights.getSelectionModel().clearAndSelect(Math.max(0, at));
    if (now.isEmpty()) {
      show(null);
    }
  }

  private void show(@Nullable Night night) {
    title.setText(night == null ? Words.of("plays.title") : Words.of("plays.night", night.date()));
    pane.show(
        night == null
            ? TrackList.of(Words.of("plays.title"), new RoaringBitmap())
            : TrackList.of(night.date(), night.tracks()));
  }

  private void unmatched(List<String> lines, String list) {
    notFound.setVisible(!lines.isEmpty());
    notFound.setManaged(!lines.isEmpty());
    unmatchedWords.setText(Words.of("plays.unmatched", lines.size(), list));
    unmatched.getItems().setAll(lines);
    double height = LINE * Math.min(MOST_LINES, lines.size()) + FRAME;
    unmatched.setPrefHeight(height);
    unmatched.setMinHeight(height);
  }

  private void choose() {
    PlaylistChooser.open(node.getScene().getWindow()).ifPresent(this::read);
  }

  /** Reads a set list; asks for its night, proposing the one it says. */
  public void read(Path file) {
    workspace.job(
        Words.of("plays.job"),
        false,
        p -> SetLists.night(file),
        found ->
            NightQuestion.ask(
                workspace,
                file.getFileName().toString(),
                found,
                night ->
                    workspace.job(
                        Words.of("plays.job"),
                        false,
                        p -> count(file, night),
                        list -> told(file, list))));
  }

  private SetList count(Path file, LocalDate night) throws IOException {
    return SetLists.read(workspace.collection().state(), file, night);
  }

  private void told(Path file, SetList list) {
    unmatched(list.unmatched(), file.getFileName().toString());
    if (list.change().isEmpty()) {
      workspace
          .frame()
          .inform(
              Words.of("plays.counted", list.tracks().size(), list.night().toString()), false, 0);
    } else {
      workspace.apply(list.change());
    }
  }

  @Override
  public void shown() {
    refresh();
  }
}
