package tenterhook.desktop.code;

import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.collections.FXCollections;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.Crate;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** One track after the other: hear it, press a key for each code, next. */
final class CodingDesk extends BorderPane {
  private static final String BY_ITSELF = "desk plays by itself";

  private final Workspace workspace;
  private final ComboBox<String> wish = new ComboBox<>();
  private final ListView<Integer> queue = new ListView<>();
  private final Label left = Look.label("", "second");
  private final TrackHead head;
  private final KeyCaps caps = new KeyCaps(this::toggle);
  private final Label willRead = Look.label("", "mono");
  private final Label lands = Look.label("");
  private final Label counted = Look.label("", "second");
  private final CheckBox byItself = new CheckBox(Words.of("coding.byItself"));
  private final Sitting sitting = new Sitting(InstantSource.system());
  private Likely likely = Likely.NOTHING;
  private int lastCoded;

  CodingDesk(Workspace workspace) {
    this.workspace = workspace;
    this.head = new TrackHead(workspace);
    wish.setId("queue");
    wish.setMaxWidth(Double.MAX_VALUE);
    wish.setAccessibleText(Words.of("coding.queue"));
    wish.setOnAction(e -> fill());
    prepareQueue();
    VBox side = side();
    setLeft(side);
    setCenter(main());
    addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    workspace.state().addListener((o, before, after) -> refresh(before, after));
    build();
  }

  private void prepareQueue() {
    queue.setId("queue-tracks");
    queue.getStyleClass().add("picked");
    queue.setAccessibleText(Words.of("coding.queue"));
    queue.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    queue.setCellFactory(l -> new TwoLineCell<>(this::name, this::codes));
    queue.setPlaceholder(Look.label(Words.of("coding.done"), "empty"));
    queue
        .getSelectionModel()
        .getSelectedItems()
        .addListener((ListChangeListener<Integer>) c -> chosen());
  }

  private VBox side() {
    VBox.setVgrow(queue, Priority.ALWAYS);
    VBox side = new VBox(8, wish, left, queue);
    side.getStyleClass().addAll("side", "left");
    side.setPrefWidth(262);
    return side;
  }

  private ScrollPane main() {
    willRead.setId("written");
    willRead.setWrapText(true);
    lands.setId("lands");
    lands.setWrapText(true);
    GridPane grid = new GridPane(14, 5);
    grid.addRow(0, Look.label(Words.of("coding.written"), "second"), willRead);
    grid.addRow(1, Look.label(Words.of("coding.lands"), "second"), lands);
    grid.getStyleClass().add("decide-box");
    Button next = Look.primary(Words.of("coding.next"), this::next);
    next.setId("desk-next");
    Button same = Look.button(Words.of("coding.same"), this::sameAsLast);
    Button take = Look.button(Words.of("coding.take"), this::takeAll);
    take.setId("desk-take");
    Button skip = Look.button(Words.of("coding.skip"), () -> walk(1));
    byItself.setId("by-itself");
    byItself.setSelected(!workspace.collection().setting(BY_ITSELF).orElse("yes").equals("no"));
    byItself.setOnAction(
        e -> workspace.keepSetting(BY_ITSELF, byItself.isSelected() ? "yes" : "no"));
    for (var control : List.of(next, same, take, skip, byItself)) {
      control.setFocusTraversable(false); // letters and Enter belong to the queue
    }
    counted.setId("sitting");
    HBox buttons = new HBox(8, next, same, take, skip, byItself, Look.spring(), counted);
    buttons.setAlignment(Pos.CENTER_LEFT);
    VBox main = new VBox(12, head, caps, grid, buttons);
    main.getStyleClass().add("main");
    ScrollPane scroll = new ScrollPane(main);
    scroll.setFitToWidth(true);
    return scroll;
  }

  private Snapshot snapshot() {
    return workspace.state().get().snapshot();
  }

  private Codebook book() {
    return workspace.state().get().codebook();
  }

  private String name(int id) {
    return snapshot().name(id);
  }

  /** A track's codes, and a dot for each demanded facet that is open. */
  private String codes(int id) {
    List<String> own = snapshot().value(id, Fields.CODES).orElse(List.of());
    List<String> shown = new ArrayList<>(own);
    book().facets().stream()
        .filter(f -> f.demanded() && own.stream().noneMatch(c -> f.code(c).isPresent()))
        .forEach(f -> shown.add("·"));
    return String.join(" ", shown);
  }

  private void refresh(CollectionState before, CollectionState after) {
    if (!before.codebook().equals(after.codebook())) {
      build();
    }
    if (getScene() != null) {
      queue.refresh();
      look();
    }
  }

  private void build() {
    caps.build(book());
    List<String> wishes = new ArrayList<>();
    wishes.add(Words.of("coding.any"));
    book().facets().stream()
        .filter(Facet::demanded)
        .forEach(f -> wishes.add(Words.of("coding.without", f.name())));
    int at = Math.max(0, wish.getSelectionModel().getSelectedIndex());
    wish.getItems().setAll(wishes);
    wish.getSelectionModel().select(Math.min(at, wishes.size() - 1));
  }

  /** Lists what waits; what is coded meanwhile stays in the list until it is filled again. */
  void fill() {
    int at = wish.getSelectionModel().getSelectedIndex();
    if (at < 0) {
      return;
    }
    CollectionState state = workspace.state().get();
    String title = wish.getItems().get(at);
    workspace.promptly(queue, () -> TrackList.of(title, wished(state, at)), this::give);
  }

  private static RoaringBitmap wished(CollectionState state, int place) {
    List<WeaveColumn> facets =
        WeaveColumn.all(state.codebook()).stream().filter(WeaveColumn::facet).toList();
    return place == 0 || place > facets.size()
        ? CodingModel.waiting(state)
        : CodingModel.without(state, facets.get(place - 1));
  }

  /** Puts a list of tracks before the DJ. */
  void give(TrackList list) {
    queue.setItems(FXCollections.observableList(list.ids()));
    queue.getSelectionModel().selectFirst();
    left.setText(Words.of("coding.left", list.ids().size()));
  }

  void focus() {
    queue.requestFocus();
  }

  /** The chosen tracks. */
  RoaringBitmap selection() {
    RoaringBitmap ids = new RoaringBitmap();
    queue.getSelectionModel().getSelectedItems().forEach(id -> ids.add(id == null ? 0 : id));
    ids.remove(0);
    return ids;
  }

  private void chosen() {
    RoaringBitmap ids = selection();
    if (!ids.isEmpty()) {
      workspace.choose(this, ids.first());
    }
    likely = Likely.NOTHING;
    head.show(ids);
    look();
  }

  /** What is likely is worked out beside the window, for one track at a time. */
  private void look() {
    RoaringBitmap ids = selection();
    mark();
    if (ids.getCardinality() == 1) {
      int id = ids.first();
      workspace.latestOnly(
          this,
          () -> Likely.of(workspace.collection(), id),
          found -> {
            likely = found;
            mark();
          });
    }
  }

  private void mark() {
    RoaringBitmap ids = selection();
    caps.mark(snapshot(), ids, likely);
    counted.setText(
        sitting.tracks() == 0
            ? ""
            : Words.of(
                "coding.sitting",
                sitting.tracks(),
                String.format(Locale.ROOT, "%.1f", sitting.secondsEach())));
    if (ids.isEmpty()) {
      willRead.setText("");
      lands.setText("");
      return;
    }
    int id = ids.first();
    String text = snapshot().raw(id, book().notation().target());
    String will = book().rewritten(text, likely.derived(), List.of());
    Look.data(willRead, will.isEmpty() ? Words.of("none") : will);
    Look.data(lands, crates(id));
  }

  /** The crates that hold a track now, and those that it comes into with all that is likely. */
  private String crates(int id) {
    List<String> in =
        workspace.state().get().crates().all().stream()
            .map(Crate::name)
            .filter(c -> workspace.contents().holds(c, id))
            .toList();
    List<String> also =
        CodingModel.cratesWith(workspace.state().get(), workspace.contents(), id, likely.all());
    String now = in.isEmpty() ? Words.of("coding.noCrate") : String.join(", ", in);
    return also.isEmpty()
        ? now
        : now
            + " · "
            + Words.of("coding.also", String.join(" ", likely.all()), String.join(", ", also));
  }

  private void typed(KeyEvent event) {
    boolean words = event.getTarget() instanceof TextInputControl;
    if (words || event.isShortcutDown() || event.isAltDown() || event.getCharacter().isEmpty()) {
      return;
    }
    char typed = event.getCharacter().charAt(0);
    if (typed == CodingModel.SAME) {
      sameAsLast();
      event.consume();
    } else if (typed == CodingModel.TAKE) {
      takeAll();
      event.consume();
    } else {
      CodingModel.keys(book()).entrySet().stream()
          .filter(e -> e.getValue() == typed)
          .findFirst()
          .ifPresent(
              e -> {
                toggle(e.getKey());
                event.consume();
              });
    }
  }

  private void pressed(KeyEvent event) {
    if (event.getCode() == KeyCode.ENTER && event.getTarget() == queue) {
      next();
      event.consume();
    }
  }

  private void toggle(String token) {
    RoaringBitmap ids = selection();
    if (ids.isEmpty()) {
      workspace.frame().inform(Words.of("coding.noTracks"), false, 0);
      return;
    }
    apply(ids, now -> CodingModel.toggle(now, ids, token));
  }

  private void sameAsLast() {
    RoaringBitmap ids = selection();
    if (lastCoded > 0 && !ids.isEmpty()) {
      int other = lastCoded;
      apply(ids, now -> CodingModel.sameAs(now, ids, other));
    }
  }

  private void takeAll() {
    RoaringBitmap ids = selection();
    if (ids.getCardinality() == 1 && !likely.all().isEmpty()) {
      give(ids, likely.all());
    }
  }

  private void give(RoaringBitmap ids, List<String> codes) {
    apply(ids, now -> TrackEdits.code(now.snapshot(), now.codebook(), ids, codes, List.of()));
  }

  private void apply(RoaringBitmap ids, MusicCollection.Command command) {
    workspace.command(Words.of("job.code"), ids.getCardinality(), command);
  }

  /** Writes what follows from the data, and goes on to the next track. */
  private void next() {
    RoaringBitmap ids = selection();
    if (ids.getCardinality() == 1) {
      int id = ids.first();
      if (likely.id() == id && !likely.derived().isEmpty()) {
        give(ids, likely.derived());
      }
      lastCoded = id;
      sitting.coded(id);
    }
    walk(1);
    if (byItself.isSelected() && !workspace.listening().here()) {
      workspace.listening().loudest();
    }
  }

  /** Goes to another track of the queue; stays at its ends. */
  void walk(int steps) {
    int size = queue.getItems().size();
    if (size > 0) {
      int at = queue.getSelectionModel().getSelectedIndex();
      int to = Math.clamp(at + (long) steps, 0, size - 1);
      queue.getSelectionModel().clearAndSelect(to);
      queue.scrollTo(Math.max(0, to - 3));
    }
    mark();
  }
}
