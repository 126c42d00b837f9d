package tenterhook.desktop.goeswith;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Crate;
import tenterhook.core.field.Fields;
import tenterhook.core.goeswith.Follower;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.KeyWords;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Tracks that follow one track: limited to a scope and a share of tempo, each row says why. */
public final class GoesWithView extends StationOutline {
  private static final int MOST = 100;
  private static final int[] SHARES = {2, 4, 6, 8, 12};
  private static final String SHARE = "follow tempo share";

  private final Label heading = Look.label("", "heading");
  private final Label facts = Look.label("", "second");
  private final Label count = Look.label("", "second");
  private final ComboBox<String> scope = new ComboBox<>();
  private final ListView<Follower> rows = new ListView<>();
  private List<String> crates = List.of();
  private RoaringBitmap list = new RoaringBitmap();
  private int share;
  private int id;

  /** The view. */
  public GoesWithView(Workspace workspace) {
    super(workspace, "keys.follow");
    this.share = workspace.collection().setting(SHARE).map(Integer::parseInt).orElse(6);
    scope.setId("follow-scope");
    scope.setAccessibleText(Words.of("follow.scope"));
    scope.setOnAction(e -> fill());
    listRows();
    HBox wishes = wishes();
    heading.setId("follow-heading");
    facts.setId("follow-facts");
    node.getStyleClass().add("main");
    node.setTop(new VBox(6, heading, facts, wishes));
    node.setCenter(rows);
    BorderPane.setMargin(rows, new Insets(10, 0, 0, 0));
    workspace.whileInView(node, this::fill);
    workspace.wheelKeys().addListener((o, was, now) -> fill());
  }

  private void listRows() {
    rows.setId("followers");
    rows.getStyleClass().add("picked");
    rows.setAccessibleText(Words.of("follow.rows"));
    rows.setCellFactory(l -> new FollowerCell(workspace));
    rows.getSelectionModel().selectedItemProperty().addListener((o, was, now) -> chosen(now));
    rows.setOnKeyPressed(this::keys);
  }

  private HBox wishes() {
    HBox shares =
        Look.choices(
            java.util.Arrays.stream(SHARES).mapToObj(s -> "± " + s + " %").toList(),
            Math.max(0, java.util.Arrays.binarySearch(SHARES, share)),
            this::share);
    shares.setId("follow-share");
    HBox wishes =
        new HBox(
            10,
            Look.label(Words.of("follow.scope"), "second"),
            scope,
            Look.label(Words.of("follow.share"), "second"),
            shares,
            Look.spring(),
            count);
    wishes.setAlignment(Pos.CENTER_LEFT);
    return wishes;
  }

  /**
   * Shows what follows a track.
   *
   * @param track any track
   * @param around the list that was in view, as one of the scopes
   */
  public void show(int track, RoaringBitmap around) {
    id = track;
    list = around;
    crates = workspace.state().get().crates().all().stream().map(Crate::name).toList();
    List<String> names = new ArrayList<>();
    names.add(Words.of("follow.whole"));
    names.add(Words.of("follow.list", list.getCardinality()));
    names.addAll(crates);
    scope.getItems().setAll(names);
    scope.getSelectionModel().select(0);
    fill();
  }

  private void share(int place) {
    share = SHARES[place];
    workspace.keepSetting(SHARE, String.valueOf(share));
    fill();
  }

  private RoaringBitmap within() {
    int place = scope.getSelectionModel().getSelectedIndex();
    if (place == 1) {
      return list;
    }
    return place > 1
        ? workspace.contents().members(crates.get(place - 2)).orElseGet(RoaringBitmap::new)
        : workspace.state().get().snapshot().tracks();
  }

  private void fill() {
    Snapshot snapshot = workspace.state().get().snapshot();
    if (id == 0 || !snapshot.has(id)) {
      heading.setText(Words.of("follow.none"));
      facts.setText(Words.of("follow.noneWords"));
      rows.getItems().clear();
      return;
    }
    Look.data(heading, Words.of("follow.heading", snapshot.name(id)));
    Look.data(facts, facts(snapshot));
    int track = id;
    double tempoShare = share / 100.0;
    RoaringBitmap scoped = within().clone();
    workspace.latestOnly(
        this, () -> new GoesWith(snapshot, tempoShare).of(track, scoped, MOST), this::found);
  }

  private void found(List<Follower> found) {
    Follower before = rows.getSelectionModel().getSelectedItem();
    rows.getItems().setAll(found);
    found.stream()
        .filter(f -> before != null && f.id() == before.id())
        .findFirst()
        .ifPresent(f -> rows.getSelectionModel().select(f));
    count.setText(Words.of("follow.count", found.size()));
    rows.setPlaceholder(Look.label(Words.of("follow.empty"), "empty"));
  }

  private String facts(Snapshot snapshot) {
    List<String> words = new ArrayList<>();
    GoesWith.tempo(snapshot, id)
        .ifPresent(t -> words.add(String.format(Locale.ROOT, "%.1f bpm", t)));
    GoesWith.key(snapshot, id).ifPresent(k -> words.add(KeyWords.of(workspace, k.name())));
    Optional.of(snapshot.shown(id, Fields.ENERGY))
        .filter(e -> !e.isEmpty())
        .ifPresent(e -> words.add(Words.of("follow.energy", e)));
    snapshot.value(id, Fields.CODES).ifPresent(c -> words.add(String.join(" ", c)));
    return String.join(" · ", words) + " — " + Words.of("follow.points");
  }

  private void chosen(Follower follower) {
    if (follower != null) {
      workspace.chosen().set(follower.id());
    }
  }

  /** Enter goes on from the chosen row: what follows that one. */
  private void keys(KeyEvent event) {
    Follower follower = rows.getSelectionModel().getSelectedItem();
    if (event.getCode() == KeyCode.ENTER && follower != null) {
      show(follower.id(), list);
      event.consume();
    }
  }

  @Override
  public void shown() {
    rows.requestFocus();
  }
}
