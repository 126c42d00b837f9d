package tenterhook.desktop.code;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.core.code.Code;
import tenterhook.core.code.Facet;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.StationView;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.table.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Gives codes by key to the tracks selected; beside it the codebook and the strays. */
public final class CodingView implements StationView {
  private static final PseudoClass ALL = PseudoClass.getPseudoClass("all");
  private static final PseudoClass SOME = PseudoClass.getPseudoClass("some");

  private final Desk desk;
  private final BorderPane node = new BorderPane();
  private final StackPane stage = new StackPane();
  private final ComboBox<String> queue = new ComboBox<>();
  private final VBox caps = new VBox(4);
  private final Label written = Look.label("", "mono");
  private final Map<String, Button> buttons = new HashMap<>();
  private final TrackPane pane;
  private final CodebookPane codebook;
  private final StraysPane strays;
  private final VBox giving;
  private int lastCoded;
  private boolean giveInView = true;

  /** The view. */
  public CodingView(Desk desk) {
    this.desk = desk;
    this.pane = new TrackPane(desk);
    this.codebook = new CodebookPane(desk);
    this.strays = new StraysPane(desk);
    HBox choices =
        Look.choices(
            List.of(
                Words.of("coding.give"), Words.of("coding.codebook"), Words.of("coding.strays")),
            0,
            this::choose);
    choices.setId("coding-choice");
    HBox head =
        new HBox(12, Look.label(Words.of("station.coding"), "heading"), Look.spring(), choices);
    queue.setId("queue");
    queue.setAccessibleText(Words.of("coding.queue"));
    queue.setOnAction(e -> fill());
    Label hint = Look.label(Words.of("coding.hint"), "second");
    HBox wish = new HBox(8, Look.label(Words.of("coding.queue"), "second"), queue, hint);
    wish.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    written.setId("written");
    HBox literal = new HBox(10, Look.label(Words.of("coding.written"), "second"), written);
    literal.getStyleClass().add("decide");
    giving = new VBox(8, wish, caps, literal, pane);
    VBox.setVgrow(pane, javafx.scene.layout.Priority.ALWAYS);
    node.getStyleClass().add("main");
    node.setTop(head);
    node.setCenter(stage);
    BorderPane.setMargin(stage, new javafx.geometry.Insets(10, 0, 0, 0));
    giving.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    desk.state().addListener((o, before, after) -> refresh(before, after));
    desk.chosen().addListener((o, before, after) -> mark());
    build();
    choose(0);
  }

  private void choose(int which) {
    giveInView = which == 0;
    stage.getChildren().setAll(List.of(giving, codebook, strays).get(which));
    codebook.refresh();
    strays.refresh();
  }

  private void refresh(CollectionState before, CollectionState after) {
    if (!before.codebook().equals(after.codebook())) {
      build();
    }
    mark();
    codebook.refresh();
    strays.refresh();
  }

  private void build() {
    caps.getChildren().clear();
    buttons.clear();
    Map<String, Character> keys = CodingModel.keys(desk.state().get().codebook());
    for (Facet facet : desk.state().get().codebook().facets()) {
      FlowPane row = new FlowPane(6, 6);
      row.setPrefWrapLength(1100);
      for (Code code : facet.codes()) {
        row.getChildren().add(cap(code, keys.get(code.token())));
      }
      Label name = Look.dataLabel(facet.name(), "strong");
      name.setMinWidth(76);
      HBox line = new HBox(8, name, row);
      HBox.setHgrow(row, javafx.scene.layout.Priority.ALWAYS);
      line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      caps.getChildren().add(line);
    }
    List<String> wishes = new ArrayList<>();
    wishes.add(Words.of("coding.any"));
    desk.state().get().codebook().facets().stream()
        .filter(Facet::demanded)
        .forEach(f -> wishes.add(Words.of("coding.without", f.name())));
    int at = Math.max(0, queue.getSelectionModel().getSelectedIndex());
    queue.getItems().setAll(wishes);
    queue.getSelectionModel().select(Math.min(at, wishes.size() - 1));
  }

  private Button cap(Code code, @org.jspecify.annotations.Nullable Character key) {
    Label cap = Look.label(key == null ? " " : String.valueOf(key), "cap");
    HBox face =
        new HBox(
            7, cap, Look.label(code.token(), "token"), Look.dataLabel(code.meaning(), "second"));
    face.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    Button button = new Button("", face);
    button.getStyleClass().add("key-cap");
    button.setId("code-" + code.token());
    button.setAccessibleText(code.token() + " " + code.meaning());
    button.setOnAction(e -> toggle(code.token()));
    buttons.put(code.token(), button);
    return button;
  }

  private void typed(KeyEvent event) {
    if (event.getTarget() instanceof TextInputControl
        || event.isShortcutDown()
        || event.isAltDown()
        || event.getCharacter().isEmpty()) {
      return;
    }
    char typed = event.getCharacter().charAt(0);
    if (typed == '.') {
      sameAsLast();
      event.consume();
      return;
    }
    CodingModel.keys(desk.state().get().codebook()).entrySet().stream()
        .filter(e -> e.getValue() == typed)
        .findFirst()
        .ifPresent(
            e -> {
              toggle(e.getKey());
              event.consume();
            });
  }

  private void toggle(String token) {
    RoaringBitmap ids = pane.selection();
    if (ids.isEmpty()) {
      desk.frame().tell(Words.of("coding.noTracks"), false, 0);
      return;
    }
    lastCoded = ids.first();
    desk.apply(CodingModel.toggle(desk.state().get(), ids, token));
  }

  private void sameAsLast() {
    RoaringBitmap ids = pane.selection();
    if (lastCoded > 0 && !ids.isEmpty()) {
      desk.apply(CodingModel.sameAs(desk.state().get(), ids, lastCoded));
    }
  }

  private void mark() {
    RoaringBitmap ids = pane.selection();
    Snapshot snapshot = desk.state().get().snapshot();
    buttons.forEach(
        (token, button) -> {
          int carriers = CodingModel.carriers(snapshot, ids, token);
          boolean all = !ids.isEmpty() && carriers == ids.getCardinality();
          button.pseudoClassStateChanged(ALL, all);
          button.pseudoClassStateChanged(SOME, carriers > 0 && !all);
        });
    String text =
        ids.isEmpty()
            ? ""
            : snapshot.raw(ids.first(), desk.state().get().codebook().notation().target());
    Look.data(written, text.isEmpty() ? Words.of("none") : text);
  }

  /** Gives codes to a list of tracks from elsewhere. */
  public void give(TrackList list) {
    pane.show(list);
    pane.table().getSelectionModel().selectFirst();
  }

  private void fill() {
    int at = queue.getSelectionModel().getSelectedIndex();
    if (at < 0) {
      return;
    }
    CollectionState state = desk.state().get();
    List<WeaveColumn> facets =
        WeaveColumn.all(state.codebook()).stream().filter(WeaveColumn::facet).toList();
    RoaringBitmap ids =
        at == 0 || at > facets.size()
            ? CodingModel.waiting(state)
            : CodingModel.without(state, facets.get(at - 1));
    pane.show(TrackList.of(queue.getItems().get(at), ids));
    pane.table().getSelectionModel().selectFirst();
  }

  @Override
  public void shown() {
    fill();
    codebook.refresh();
    strays.refresh();
    pane.table().requestFocus();
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public Optional<TrackPane> tracks() {
    return giveInView ? Optional.of(pane) : Optional.empty();
  }

  @Override
  public String keys() {
    return Words.of("keys.coding");
  }
}
