package tenterhook.desktop.lost;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.LostFiles;
import tenterhook.core.change.Place;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.StationView;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.table.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;

/** Lost files by folder: look for them, point a folder elsewhere, or take them out. */
public final class LostView implements StationView {
  private final Desk desk;
  private final BorderPane node = new BorderPane();
  private final ListView<LostFolder> folders = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final VBox decisions = new VBox(6);
  private final TrackPane pane;

  /** The lost files of one folder. */
  record LostFolder(String name, RoaringBitmap tracks) {}

  /** The view. */
  public LostView(Desk desk) {
    this.desk = desk;
    this.pane = new TrackPane(desk);
    folders.setId("lost-folders");
    folders.getStyleClass().add("picked");
    folders.setCellFactory(
        l ->
            new TwoLineCell<>(
                LostFolder::name, f -> Words.of("lost.count", f.tracks().getCardinality())));
    folders
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> choose(after));
    folders.setPlaceholder(Look.label(Words.of("lost.none"), "empty"));
    VBox left = new VBox(8, Look.label(Words.of("lost.folders"), "second"), folders);
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(240);
    VBox.setVgrow(folders, Priority.ALWAYS);
    var look = Look.primary(Words.of("lost.look"), this::lookEverywhere);
    look.setId("lost-look");
    HBox buttons =
        new HBox(
            8,
            look,
            Look.button(Words.of("lost.repoint"), this::chooseFolder),
            Look.button(Words.of("lost.remove"), this::remove, "danger"));
    decisions.setId("lost-decisions");
    VBox head = new VBox(8, new VBox(2, title, words), buttons, decisions);
    BorderPane main = new BorderPane(pane);
    main.setTop(head);
    main.getStyleClass().add("main");
    node.setLeft(left);
    node.setCenter(main);
    desk.whileInView(node, this::refresh);
  }

  private void refresh() {
    Snapshot snapshot = desk.state().get().snapshot();
    Map<String, RoaringBitmap> byFolder = new TreeMap<>();
    LostFinder.lost(snapshot)
        .forEach(
            (int id) ->
                byFolder
                    .computeIfAbsent(snapshot.raw(id, Fields.FOLDER), f -> new RoaringBitmap())
                    .add(id));
    List<LostFolder> items = new ArrayList<>();
    byFolder.forEach((name, ids) -> items.add(new LostFolder(name, ids)));
    items.sort((a, b) -> b.tracks().getCardinality() - a.tracks().getCardinality());
    if (!items.equals(folders.getItems())) {
      decisions.getChildren().clear();
      folders.getItems().setAll(items);
      folders.getSelectionModel().selectFirst();
    }
    if (items.isEmpty()) {
      choose(new LostFolder("", new RoaringBitmap()));
    }
  }

  private void choose(LostFolder folder) {
    if (folder == null) {
      return;
    }
    boolean none = folder.tracks().isEmpty();
    title.setText(none ? Words.of("lost.noneTitle") : "");
    if (!none) {
      Look.data(title, Words.of("lost.title", folder.name()));
    }
    words.setText(none ? Words.of("lost.none") : Words.of("lost.words"));
    pane.show(TrackList.of(folder.name(), folder.tracks()));
  }

  private void lookEverywhere() {
    List<Path> places = new ArrayList<>();
    desk.state()
        .get()
        .roots()
        .forEach(
            (name, path) -> {
              if (!name.equals(Place.HOLDING_BAY)) {
                places.add(path);
              }
            });
    look(places);
  }

  private void look(List<Path> places) {
    desk.job(Words.of("lost.job"), true, p -> search(places, p), this::found);
  }

  /** What a search found: worked out beside the window. */
  private record Found(Map<Integer, List<Candidate>> candidates, List<FolderMove> moves) {}

  private Found search(List<Path> places, Progress progress) throws IOException {
    List<LostFinder.FoundFile> files = new ArrayList<>();
    for (Path place : places) {
      files.addAll(LostFiles.filesBelow(desk.collection().state(), place, progress));
    }
    Snapshot snapshot = desk.collection().state().snapshot();
    Map<Integer, List<Candidate>> candidates = LostFinder.candidates(snapshot, files);
    return new Found(candidates, LostFinder.moves(snapshot, candidates));
  }

  private void found(Found search) {
    Snapshot snapshot = desk.state().get().snapshot();
    decisions.getChildren().clear();
    RoaringBitmap explained = new RoaringBitmap();
    for (FolderMove move : search.moves()) {
      move.files().forEach(c -> explained.add(c.id()));
      decisions
          .getChildren()
          .add(
              decision(
                  Words.of("lost.move", move.from(), move.to()),
                  Words.of("lost.moveWords", move.files().size(), move.lost()),
                  move.files()));
    }
    for (Map.Entry<Integer, List<Candidate>> one : search.candidates().entrySet()) {
      if (!explained.contains(one.getKey()) && one.getValue().size() == 1) {
        Candidate only = one.getValue().getFirst();
        decisions
            .getChildren()
            .add(
                decision(
                    snapshot.fileName(one.getKey()) + " → " + only.file().place().path(),
                    Words.of("lost.certainty", only.certainty(), only.reason()),
                    List.of(only)));
      }
    }
    if (decisions.getChildren().isEmpty()) {
      decisions.getChildren().add(Look.label(Words.of("lost.notFound"), "second"));
    }
  }

  private HBox decision(String what, String why, List<Candidate> files) {
    Label name = Look.dataLabel(what, "strong");
    name.setWrapText(true);
    VBox text = new VBox(1, name, Look.label(why, "second"));
    HBox.setHgrow(text, Priority.ALWAYS);
    var close =
        Look.primary(
            Words.of("lost.close", files.size()),
            () -> desk.apply(LostFinder.repoint(desk.state().get().snapshot(), files)));
    close.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    HBox box = new HBox(text, close);
    box.getStyleClass().add("decide");
    return box;
  }

  private void chooseFolder() {
    File chosen = new DirectoryChooser().showDialog(node.getScene().getWindow());
    if (chosen != null) {
      look(List.of(chosen.toPath()));
    }
  }

  private void remove() {
    RoaringBitmap ids = pane.selection();
    if (ids.isEmpty()) {
      pane.rows().forEach(ids::add);
    }
    ids.and(LostFinder.lost(desk.state().get().snapshot()));
    if (!ids.isEmpty()) {
      desk.frame()
          .ask(
              Words.of("ask.removeLost", ids.getCardinality()),
              Words.of("do.remove", ids.getCardinality()),
              () -> desk.apply(TrackEdits.remove(desk.state().get().snapshot(), ids)));
    }
  }

  @Override
  public void shown() {
    refresh();
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
