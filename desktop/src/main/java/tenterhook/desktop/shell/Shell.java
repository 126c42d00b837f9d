package tenterhook.desktop.shell;

import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.listen.Status;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.find.Finder;
import tenterhook.desktop.backup.BackupView;
import tenterhook.desktop.change.ChangeManyView;
import tenterhook.desktop.control.Once;
import tenterhook.desktop.control.StationView;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.goeswith.GoesWithView;
import tenterhook.desktop.history.HistoryView;
import tenterhook.desktop.listen.ListeningStrip;
import tenterhook.desktop.measure.MeasuringView;
import tenterhook.desktop.play.PlaysView;
import tenterhook.desktop.play.StaleView;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.tracks.TracksView;
import tenterhook.desktop.weave.WeaveModel;
import tenterhook.desktop.workspace.Destination;
import tenterhook.desktop.workspace.Frame;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The frame: wordmark, rail, find field, the station in view, strip; and the keys of all. */
public final class Shell extends BorderPane implements Frame {
  private static final double LEAST_FIND = 84;
  private static final double MOST_FIND = 250;
  private static final double RAIL_ENDS = 14;

  private final Workspace workspace;
  private final Notifications notifications;
  private final Rail rail;
  private final FindBar find;
  private final StackPane stage = new StackPane();
  private final VBox header = new VBox();
  private final ListeningStrip strip;
  private final Stations stations;
  private final Once<HistoryView> history;
  private final Once<BackupView> backup;
  private final Once<GoesWithView> goesWith;
  private final Once<MeasuringView> measuring;
  private final Once<PlaysView> plays;
  private final Once<ChangeManyView> changeMany;
  private final Once<StaleView> stale;
  private final ListeningKeys listeningKeys;
  private final Arriving arriving;
  private StationView inView;
  private Station last = Station.WEAVE;
  private boolean night;

  /**
   * The frame of a collection.
   *
   * @param workspace what the stations work with
   */
  public Shell(Workspace workspace) {
    this(workspace, new WeaveModel(workspace.collection()));
  }

  /**
   * The same with a Weave that was counted before, beside the window.
   *
   * @param weave of the workspace's collection
   */
  public Shell(Workspace workspace, WeaveModel weave) {
    this.workspace = workspace;
    this.notifications = new Notifications(workspace);
    this.rail = new Rail(this::go, this::beforeFind);
    this.history = new Once<>(() -> new HistoryView(workspace));
    this.backup = new Once<>(() -> new BackupView(workspace));
    this.goesWith = new Once<>(() -> new GoesWithView(workspace));
    this.measuring = new Once<>(() -> new MeasuringView(workspace));
    this.changeMany = new Once<>(() -> new ChangeManyView(workspace));
    this.plays = new Once<>(() -> new PlaysView(workspace));
    this.stale = new Once<>(() -> new StaleView(workspace));
    this.listeningKeys = new ListeningKeys(workspace.listening(), this::walk);
    this.arriving = new Arriving(workspace, this);
    this.strip = new ListeningStrip(workspace, this::walk);
    workspace.frame(this);
    this.stations = new Stations(workspace, weave, this::count);
    this.inView = stations.view(Station.WEAVE);
    this.find = new FindBar(workspace, () -> inView.tracks(), this::wholeCollection);
    night = workspace.collection().setting("theme").map("night"::equals).orElse(false);
    Look.apply(this, night);
    lay();
    go(Station.WEAVE);
    recount();
    sayProblems();
  }

  private void lay() {
    getStyleClass().add("root");
    HBox head = new HBox(12, Look.label(Words.of("name"), "wordmark"), Look.spring(), find, menu());
    head.getStyleClass().add("head");
    find.field()
        .prefWidthProperty()
        .bind(
            widthProperty()
                .map(w -> Math.clamp((w.doubleValue() - 740) * 0.34, LEAST_FIND, MOST_FIND)));
    StackPane top = new StackPane(head, rail);
    rail.setPickOnBounds(false);
    StackPane.setAlignment(rail, javafx.geometry.Pos.BOTTOM_LEFT);
    header.getChildren().setAll(top, notifications);
    setTop(header);
    setCenter(stage);
    setBottom(strip);
    addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    setOnDragOver(arriving::over);
    setOnDragDropped(arriving::dropped);
  }

  private double beforeFind() {
    return find.getLayoutX() - RAIL_ENDS;
  }

  /** What was wrong when the collection was opened; without it, whether a backup is due. */
  private void sayProblems() {
    List<Refusal> problems = workspace.collection().startupProblems();
    if (problems.isEmpty()) {
      BackupView.remind(workspace);
    } else {
      Refusal first = problems.getFirst();
      inform(Words.of("told.problems", first.path(), first.reason(), problems.size() - 1), true, 0);
    }
  }

  private MenuButton menu() {
    MenuButton menu = new MenuButton(Words.of("more"));
    menu.setId("more");
    menu.getItems()
        .addAll(
            Look.item("more.folder", this::addFolder),
            Look.item("more.rescan", this::rescan),
            Look.item("more.measuring", this::showMeasuring),
            Look.item("more.follow", this::goesWith),
            Look.item("more.plays", this::showPlays),
            Look.item("more.stale", this::showStale),
            Look.item("more.history", () -> view(history.get(), null)),
            Look.item("more.backup", () -> view(backup.get(), null)),
            Look.item("more.undo", workspace::undo),
            Look.item("more.redo", workspace::redo),
            Look.item("more.theme", this::otherTheme),
            Look.item("more.wheel", workspace::otherKeys),
            Look.item("more.keys", this::showKeys));
    return menu;
  }

  @Override
  public void go(Station station) {
    last = station;
    view(stations.view(station), station);
  }

  private void view(StationView view, @Nullable Station station) {
    inView = view;
    stage.getChildren().setAll(view.node());
    rail.choose(station);
    notifications.dismiss();
    view.shown();
    find.viewChanged();
  }

  @Override
  public void fillWindow(Optional<Node> view) {
    header.getChildren().remove(notifications);
    setTop(view.isPresent() ? notifications : header);
    notifications.dismiss();
    notifications.large(view.isPresent());
    setCenter(view.orElse(stage));
    setBottom(view.isPresent() ? null : strip);
    if (view.isEmpty()) {
      header.getChildren().add(notifications);
      inView.shown();
    }
  }

  /** Whether a view has the whole window. */
  private boolean filled() {
    return getCenter() != stage;
  }

  @Override
  public void show(TrackList list) {
    stations.tracks().show(list);
    view(stations.tracks(), Station.TRACKS);
    stations.tracks().tracks().ifPresent(p -> p.table().requestFocus());
  }

  @Override
  public void changeMany(TrackList list) {
    changeMany.get().show(list);
    view(changeMany.get(), null);
  }

  @Override
  public void listed() {
    find.scope();
  }

  @Override
  public void go(Destination to) {
    go(to.station());
    inView.open(to);
  }

  private void wholeCollection() {
    stations.tracks().showWhole();
    view(stations.tracks(), Station.TRACKS);
  }

  /**
   * Goes to the next track of the table in view, or to the one before; plays on if one is heard.
   */
  private void walk(int steps) {
    boolean heard = workspace.listening().status().get().state() == Status.State.PLAYING;
    inView.walk(steps);
    if (heard && !workspace.listening().here()) {
      workspace.listening().toggle();
    }
  }

  private RoaringBitmap around() {
    return inView.tracks().map(p -> p.rows().set()).orElseGet(RoaringBitmap::new);
  }

  @Override
  public void goesWith() {
    if (!goesWith.is(inView)) {
      goesWith.get().show(workspace.chosen().get(), around());
      view(goesWith.get(), null);
    } else {
      goesWith.get().show(workspace.chosen().get(), new RoaringBitmap());
    }
  }

  /** Shows how far measuring is. */
  public void showMeasuring() {
    measuring.get().around(around());
    view(measuring.get(), null);
  }

  /** Lets the stations begin what they do when the program has started. */
  public void started() {
    Finder finder = workspace.contents().finder();
    workspace.latestOnly(
        find,
        () -> {
          finder.prepare();
          return true;
        },
        done -> {});
    stations.started();
    arriving.catchUp();
    workspace.repairs().look();
  }

  /** Shows which nights were played. */
  public void showPlays() {
    view(plays.get(), null);
  }

  /** Shows what nobody plays. */
  public void showStale() {
    view(stale.get(), null);
  }

  @Override
  public void recount() {
    stations.recount(this::count);
  }

  private void count() {
    for (Station station : Station.values()) {
      rail.waiting(station, stations.waiting(station));
    }
  }

  @Override
  public void edit() {
    inView.tracks().ifPresent(TrackPane::openEdit);
  }

  @Override
  public void inform(String words, boolean trouble, long change) {
    if (trouble || !filled()) {
      notifications.show(words, trouble, change);
    }
  }

  @Override
  public void ask(String question, String button, Runnable yes) {
    notifications.ask(question, button, yes);
  }

  @Override
  public void askText(String question, String now, String button, Consumer<String> answer) {
    notifications.askText(question, now, button, false, answer);
  }

  @Override
  public void askWords(String question, String now, String button, Consumer<String> answer) {
    notifications.askText(question, now, button, true, answer);
  }

  /** The station or view in view, for tests and pictures. */
  public StationView inView() {
    return inView;
  }

  /** Turns to the other theme and remembers it. */
  public void otherTheme() {
    night = !night;
    Look.apply(this, night);
    getStyleClass().add(0, "root");
    workspace.keepSetting("theme", night ? "night" : "linen");
  }

  /** Shows the ledger. */
  public void showHistory() {
    view(history.get(), null);
  }

  private void showKeys() {
    inform(inView.keys() + "  ·  " + Words.of("keys.all"), false, 0);
  }

  private void addFolder() {
    File chosen = new DirectoryChooser().showDialog(getScene().getWindow());
    if (chosen != null) {
      scan(chosen.toPath());
    }
  }

  /** Brings a folder in or up to date as a job. */
  public void scan(java.nio.file.Path folder) {
    arriving.scan(folder);
  }

  /** What comes in from outside: scans, drops, watched folders. */
  public Arriving arriving() {
    return arriving;
  }

  private void rescan() {
    workspace
        .state()
        .get()
        .roots()
        .forEach(
            (name, path) -> {
              if (!name.equals(tenterhook.core.change.Place.HOLDING_BAY)) {
                scan(path);
              }
            });
  }

  private void keys(KeyEvent event) {
    if (filled()) {
      return; // that view has all keys
    }
    if (event.getCode() == KeyCode.F1) {
      showKeys();
      event.consume();
    } else if (event.getCode() == KeyCode.ESCAPE
        && !(event.getTarget() instanceof TextInputControl)) {
      escape(event);
    } else if (!(event.getTarget() instanceof TextInputControl) && inView.take(event)
        || listeningKeys.take(event)) {
      event.consume();
    } else if (event.isShortcutDown()) {
      shortcut(event);
    }
  }

  private void escape(KeyEvent event) {
    notifications.dismiss();
    if (inView.tracks().map(TrackPane::closeEdit).orElse(false)) {
      event.consume();
    } else if (!stations.has(inView) || isGuest()) {
      go(last);
      event.consume();
    }
  }

  /** Whether the list in view was opened from the station before. */
  private boolean isGuest() {
    return last != Station.TRACKS && inView instanceof TracksView;
  }

  private void shortcut(KeyEvent event) {
    int digit = event.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
    boolean typing = event.getTarget() instanceof TextInputControl;
    if (event.getCode().isDigitKey() && digit >= 0 && digit < Station.values().length) {
      go(Station.values()[digit]);
    } else if (event.getCode() == KeyCode.F) {
      find.field().requestFocus();
    } else if (event.getCode() == KeyCode.E && event.isShiftDown()) {
      inView.tracks().ifPresent(TrackPane::changeMany);
    } else if (event.getCode() == KeyCode.E) {
      edit();
    } else if (event.getCode() == KeyCode.N) {
      inView.tracks().ifPresent(TrackPane::goNarrow);
    } else if (event.getCode() == KeyCode.L) {
      inView.tracks().ifPresent(p -> p.openCovers(!p.coversOpen()));
    } else if (event.getCode() == KeyCode.K) {
      inView.tracks().ifPresent(TrackPane::keepAsCrate);
    } else if (event.getCode() == KeyCode.M) {
      showMeasuring();
    } else if (event.getCode() == KeyCode.G) {
      goesWith();
    } else if (event.getCode() == KeyCode.Z && !typing) {
      workspace.undo();
    } else if (event.getCode() == KeyCode.Y && !typing) {
      workspace.redo();
    } else {
      return;
    }
    event.consume();
  }
}
