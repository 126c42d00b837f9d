package tenterhook.desktop.gig;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.listen.Status;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.GigProgram.Stretch;
import tenterhook.core.gig.GigSearch;
import tenterhook.core.gig.GigStanding;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.control.LineWords;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * A gig on its night, in big type for a dark room: the people, the part, what must still be played,
 * what must not, and find within the gig. Nothing can be altered from here but ticks, and no file
 * of music is while it is open.
 */
final class NightView extends BorderPane {
  private static final PseudoClass TALL = PseudoClass.getPseudoClass("tall");
  private static final PseudoClass TALLER = PseudoClass.getPseudoClass("taller");
  private static final double TALL_FROM = 940;
  private static final double TALLER_FROM = 1060;
  private static final int MOST_FOUND = 6;

  private final Workspace workspace;
  private final GigEdits edits;
  private final Label clock = Look.label("", "night-clock");
  private final Label partName = Look.label("", "night-part");
  private final Label partWords = Look.label("", "night-second");
  private final VBox people = new VBox();
  private final NightMusts musts = new NightMusts(this::tick);
  private final VBox found = new VBox();
  private final ScrollPane foundScroll = NightMusts.scrolled(found);
  private final VBox never = new VBox();
  private final VBox middle = new VBox();
  private final TextField find = new TextField();
  private final Label said = Look.label("", "night-said");
  private final Label held = Look.label("", "night-second");
  private final Timeline ticking = new Timeline(new KeyFrame(Duration.seconds(5), e -> part()));
  private final Deque<Integer> ticks = new ArrayDeque<>();
  private String title = "";
  private String chosenPart = "";
  private String partByClock = "";
  private boolean numberTaken;
  private Optional<NightLook> look = Optional.empty();

  /** What is shown, at one moment. */
  private record NightLook(GigStanding standing, GigProgram program, GigSearch search) {
    static NightLook of(
        Gig gig, CollectionState state, CrateContents contents, Optional<NightLook> before) {
      Snapshot snapshot = state.snapshot();
      RoaringBitmap away = state.tracksAway();
      GigStanding standing =
          GigStanding.after(before.map(NightLook::standing), gig, snapshot, contents, away);
      GigProgram program = GigProgram.of(standing);
      return new NightLook(standing, program, GigSearch.of(program, snapshot));
    }

    Gig gig() {
      return standing.gig();
    }

    Snapshot snapshot() {
      return standing.snapshot();
    }
  }

  NightView(Workspace workspace, GigEdits edits) {
    this.workspace = workspace;
    this.edits = edits;
    setId("night");
    getStyleClass().add("on-the-night");
    heightProperty().addListener((o, before, after) -> size(after.doubleValue()));
    people.setId("night-people");
    found.setId("night-found");
    never.setId("night-never");
    clock.setId("night-clock");
    partName.setId("night-part");
    said.setId("night-said");
    held.setId("night-held");
    find.setId("night-find");
    find.setPromptText(Words.of("night.find"));
    find.setAccessibleText(Words.of("night.find"));
    find.textProperty().addListener((o, before, after) -> search());
    setTop(head());
    setCenter(columns());
    setBottom(foot());
    addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    ticking.setCycleCount(Animation.INDEFINITE);
    workspace.whileInView(this, this::refresh);
  }

  /** The type grows with the window, and is never smaller than is read at two metres. */
  private void size(double height) {
    pseudoClassStateChanged(TALL, height >= TALL_FROM && height < TALLER_FROM);
    pseudoClassStateChanged(TALLER, height >= TALLER_FROM);
  }

  private Node head() {
    partName.setMinWidth(60);
    HBox.setHgrow(partName, Priority.ALWAYS);
    partName.setMaxWidth(Double.MAX_VALUE);
    var leave = Look.button(Words.of("night.leave"), this::leave);
    leave.setId("night-leave");
    leave.setFocusTraversable(false);
    leave.setMinWidth(Region.USE_PREF_SIZE);
    clock.setMinWidth(Region.USE_PREF_SIZE);
    HBox first = new HBox(clock, partName, leave);
    first.getStyleClass().add("night-line");
    partWords.setWrapText(true);
    VBox head = new VBox(first, partWords);
    head.getStyleClass().add("night-head");
    return head;
  }

  private Node columns() {
    VBox left =
        new VBox(Look.label(Words.of("night.people"), "night-title"), NightMusts.scrolled(people));
    VBox right =
        new VBox(Look.label(Words.of("night.never"), "night-title"), NightMusts.scrolled(never));
    middle.getChildren().setAll(musts);
    HBox columns = new HBox(left, middle, right);
    columns.getStyleClass().add("night-columns");
    List.of(left, middle, right).forEach(c -> c.getStyleClass().add("night-column"));
    left.prefWidthProperty().bind(columns.widthProperty().multiply(0.29));
    middle.prefWidthProperty().bind(columns.widthProperty().multiply(0.45));
    right.prefWidthProperty().bind(columns.widthProperty().multiply(0.26));
    return columns;
  }

  private Node foot() {
    HBox.setHgrow(find, Priority.ALWAYS);
    said.setMinWidth(40);
    HBox first = new HBox(find, said);
    first.getStyleClass().add("night-line");
    find.prefWidthProperty().bind(widthProperty().multiply(0.4));
    said.prefWidthProperty().bind(widthProperty().multiply(0.56));
    held.setMinWidth(Region.USE_PREF_SIZE);
    Label keys = Look.label(Words.of("night.keys"), "night-second");
    keys.setMinWidth(40);
    HBox second = new HBox(keys, Look.spring(), held);
    second.getStyleClass().add("night-line");
    VBox foot = new VBox(first, second);
    foot.getStyleClass().add("night-foot");
    return foot;
  }

  /**
   * Opens on a gig: music stops, measuring stops, and files are held as soon as all work is done.
   */
  void open(Gig gig) {
    title = gig.title();
    chosenPart = "";
    ticks.clear();
    find.clear();
    said.setText("");
    if (workspace.listening().status().get().state() == Status.State.PLAYING) {
      workspace.listening().toggle();
    }
    workspace.measuring().stop();
    held.setText(Words.of("night.holding"));
    hold(true, () -> held.setText(Words.of("night.held")));
    workspace.frame().fillWindow(Optional.of(this));
    ticking.play();
    refresh();
    find.requestFocus();
  }

  private void hold(boolean on, Runnable then) {
    workspace.job(
        Words.of("job.night"),
        false,
        p -> {
          workspace.collection().holdStill(on);
          return on;
        },
        done -> then.run());
  }

  private void leave() {
    ticking.stop();
    hold(false, () -> {});
    workspace.frame().fillWindow(Optional.empty());
  }

  private void refresh() {
    CollectionState state = workspace.state().get();
    CrateContents contents = workspace.contents();
    Optional<NightLook> before = look.filter(l -> l.gig().title().equals(title));
    state
        .gigs()
        .named(title)
        .ifPresent(
            gig ->
                workspace.promptly(
                    this, () -> NightLook.of(gig, state, contents, before), this::show));
  }

  private void show(NightLook now) {
    look = Optional.of(now);
    people.getChildren().clear();
    now.gig().evening().people().forEach(p -> people.getChildren().add(row(p)));
    if (people.getChildren().isEmpty()) {
      people.getChildren().add(wrapped(Words.of("night.noPeople"), "night-second"));
    }
    musts.show(now.gig(), now.snapshot(), workspace.state().get().tracksAway());
    never.getChildren().clear();
    now.gig()
        .never()
        .lines()
        .forEach(l -> never.getChildren().add(wrapped(LineWords.of(l), "night-ban")));
    now.gig()
        .never()
        .tracks()
        .forEach(id -> never.getChildren().add(wrapped(now.snapshot().name(id), "night-ban")));
    if (never.getChildren().isEmpty()) {
      never.getChildren().add(wrapped(Words.of("night.nothing"), "night-second"));
    }
    part();
    search();
  }

  private static Node row(Person person) {
    VBox row = new VBox(wrapped(person.name(), "night-name"));
    if (!person.said().isEmpty()) {
      row.getChildren().add(wrapped(person.said(), "night-as-said"));
    }
    if (!person.role().isEmpty()) {
      row.getChildren().add(wrapped(person.role(), "night-second"));
    }
    row.getStyleClass().add("night-row");
    return row;
  }

  static Label wrapped(String words, String style) {
    Label label = Look.dataLabel(words, style);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  private List<Stretch> stretches() {
    return look.map(l -> l.program().stretches()).orElse(List.of()).stream()
        .filter(s -> s.music().part().parts().isEmpty())
        .toList();
  }

  /**
   * Shows which part it is: by the clock on its night, and as chosen by hand until the next one.
   */
  private void part() {
    LocalDateTime now = LocalDateTime.now();
    clock.setText(now.toLocalTime().truncatedTo(ChronoUnit.MINUTES).toString());
    String byClock = look.map(l -> byClock(l.gig(), now)).orElse("");
    if (!byClock.equals(partByClock)) {
      partByClock = byClock;
      chosenPart = "";
    }
    List<String> names = stretches().stream().map(s -> s.music().part().name()).toList();
    int at = names.indexOf(chosenPart.isEmpty() ? byClock : chosenPart);
    if (look.isEmpty() || names.isEmpty()) {
      Look.data(partName, title);
      partWords.setText(Words.of("gigs.noPart"));
      return;
    }
    at = Math.max(0, at);
    Stretch stretch = stretches().get(at);
    Look.data(partName, names.get(at));
    Look.data(partWords, words(look.get().program(), stretch, at + 1));
  }

  private String words(GigProgram program, Stretch stretch, int next) {
    GigPart part = stretch.music().part();
    String times =
        Words.of(
            "night.times",
            program.clock(stretch.begins()),
            program.clock(stretch.begins() + part.planned()));
    String then =
        next < stretches().size()
            ? Words.of("night.then", stretches().get(next).music().part().name())
            : Words.of("night.last");
    String notes = part.notes().lines().findFirst().orElse("");
    return String.join(
        " · ", List.of(title, times, notes, then).stream().filter(s -> !s.isEmpty()).toList());
  }

  private String byClock(Gig gig, LocalDateTime now) {
    LocalDateTime begin = gig.evening().date().atTime(gig.evening().from());
    double minutes = ChronoUnit.SECONDS.between(begin, now) / 60.0;
    return stretches().stream()
        .filter(s -> minutes >= s.begins())
        .filter(s -> minutes < s.begins() + s.music().part().planned())
        .map(s -> s.music().part().name())
        .findFirst()
        .orElse("");
  }

  private void walk(int steps) {
    List<String> names = stretches().stream().map(s -> s.music().part().name()).toList();
    if (!names.isEmpty()) {
      int at = names.indexOf(partName.getText());
      chosenPart = names.get(Math.clamp(at + steps, 0, names.size() - 1));
      part();
    }
  }

  private void search() {
    String typed = find.getText();
    if (typed.isBlank() || look.isEmpty()) {
      middle.getChildren().setAll(musts);
      return;
    }
    GigSearch search = look.get().search();
    workspace.promptly(find, () -> search.find(typed, MOST_FOUND), this::showFound);
  }

  private void showFound(List<GigSearch.Found> tracks) {
    if (find.getText().isBlank()) {
      return;
    }
    found.getChildren().setAll(Look.label(Words.of("night.found"), "night-title"));
    if (tracks.isEmpty()) {
      found.getChildren().add(wrapped(Words.of("night.notHere"), "night-ban"));
    }
    Snapshot snapshot = look.orElseThrow().snapshot();
    for (GigSearch.Found one : tracks) {
      String where =
          one.part().isEmpty()
              ? Words.of("night.noPart")
              : one.part()
                  + one.at().map(t -> " · " + t.truncatedTo(ChronoUnit.MINUTES)).orElse("");
      VBox row =
          new VBox(wrapped(snapshot.name(one.id()), "night-name"), wrapped(where, "night-second"));
      row.getStyleClass().add("night-row");
      found.getChildren().add(row);
    }
    middle.getChildren().setAll(foundScroll);
  }

  private void keys(KeyEvent event) {
    boolean plain = !event.isShortcutDown() && !event.isAltDown() && find.getText().isEmpty();
    KeyCode key = event.getCode();
    numberTaken = false;
    if (key == KeyCode.F11) {
      leave();
    } else if (key == KeyCode.ESCAPE) {
      find.clear();
      musts.rest();
    } else if (key == KeyCode.Z && event.isShortcutDown()) {
      untick();
    } else if (plain && (key == KeyCode.LEFT || key == KeyCode.RIGHT)) {
      walk(key == KeyCode.LEFT ? -1 : 1);
    } else if (plain && (key == KeyCode.UP || key == KeyCode.DOWN)) {
      musts.choose(key == KeyCode.UP ? -1 : 1);
    } else if (plain && key == KeyCode.ENTER) {
      musts.chosen().ifPresent(this::tick);
    } else if (plain && key.isDigitKey()) {
      number(key);
    } else {
      return;
    }
    event.consume();
  }

  /** The digit is the last letter of the key's name, whatever it writes on this keyboard. */
  private void number(KeyCode key) {
    int at = Character.digit(key.getName().charAt(key.getName().length() - 1), 10);
    numberTaken = true;
    if (at >= 1) {
      musts.numbered(at).ifPresent(this::tick);
    }
  }

  /** A number that ticked something off is not the beginning of a search. */
  private void typed(KeyEvent event) {
    if (numberTaken) {
      event.consume();
    }
  }

  private void tick(MustPlay must) {
    if (must.heard().isPresent() || ticks.contains(must.track())) {
      return;
    }
    String name = workspace.state().get().snapshot().name(must.track());
    LocalTime now = LocalTime.now().truncatedTo(ChronoUnit.MINUTES);
    ticks.push(must.track());
    edits.edit(
        title, Words.of("change.gigHeard", name), g -> g.heard(must.track(), Optional.of(now)));
    Look.data(said, Words.of("night.ticked", now, name));
  }

  private void untick() {
    if (ticks.isEmpty()) {
      said.setText(Words.of("night.noTick"));
      return;
    }
    int track = ticks.pop();
    String name = workspace.state().get().snapshot().name(track);
    edits.edit(title, Words.of("change.gigUnheard", name), g -> g.heard(track, Optional.empty()));
    Look.data(said, Words.of("night.unticked", name));
  }
}
