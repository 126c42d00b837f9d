package tenterhook.desktop.crate;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;
import tenterhook.core.find.Subject;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Shelves and crates, the lines of a rule crate with what each does, and the tracks it holds. */
public final class CratesView extends StationOutline {
  private final CrateCommands commands;
  private final HandCrates hands;
  private final ListView<CrateEntry> entries = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final RuleEditor editor;
  private final RuleText text;
  private final OrderRow order;
  private final ShelfPane never;
  private final VBox head = new VBox(6);
  private final HBox buttons = new HBox(8);
  private final TrackPane pane;
  private final WhyPane why;
  private final CoveragePane coverage;
  private final BuildPane build;
  private final SendOutPane sendOut;
  private final VBox main;
  private final Button loose = Look.button("", this::showLoose, "quiet");
  private final Button idle = Look.button("", this::onlyIdle, "quiet");
  private List<CrateEntry> all = List.of();
  private boolean idleOnly;
  private boolean asText;
  private Optional<CrateEntry> chosen = Optional.empty();

  /** The view. */
  public CratesView(Workspace workspace) {
    super(workspace, "keys.crates", new TrackPane(workspace, "crates"));
    this.pane = tracks().orElseThrow();
    this.commands = new CrateCommands(workspace, this::choose);
    this.hands = new HandCrates(workspace);
    this.editor =
        new RuleEditor(
            workspace, rule -> rule().map(c -> commands.replace(c, c.with(rule))).orElse(false));
    this.text =
        new RuleText(workspace, rule -> rule().ifPresent(c -> commands.replace(c, c.with(rule))));
    this.order = new OrderRow(other -> rule().ifPresent(c -> commands.replace(c, other)));
    this.never = new ShelfPane(workspace);
    this.why = new WhyPane(workspace);
    this.coverage = new CoveragePane(workspace, this::back);
    this.build = new BuildPane(workspace, this::back);
    this.sendOut = new SendOutPane(workspace, this::back);
    this.main = new VBox(8, headLine(), head, pane);
    main.getStyleClass().add("main");
    VBox.setVgrow(pane, Priority.ALWAYS);
    node.setLeft(left());
    node.setCenter(main);
    node.setRight(why);
    workspace.whileInView(node, this::refresh);
    workspace
        .chosen()
        .addListener(
            (o, before, after) -> {
              if (node.getScene() != null) {
                why();
              }
            });
  }

  private HBox headLine() {
    VBox said = head(title, words);
    words.setWrapText(true);
    HBox.setHgrow(said, Priority.ALWAYS);
    buttons.setMinWidth(Region.USE_PREF_SIZE);
    return new HBox(8, said, buttons);
  }

  private VBox left() {
    prepareEntries();
    MenuButton add = add();
    loose.setId("in-none");
    idle.setId("idle-crates");
    Button across = Look.button(Words.of("coverage.open"), this::showCoverage);
    across.setId("coverage-open");
    VBox left = new VBox(4, entries, loose, idle, new HBox(6, add, across));
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(222);
    VBox.setVgrow(entries, Priority.ALWAYS);
    return left;
  }

  private void prepareEntries() {
    entries.setId("crates");
    entries.setCellFactory(
        l -> new CrateCell(this::move, n -> hands.named(n).isPresent(), this::add));
    entries.setPlaceholder(Look.label(Words.of("crates.none"), "empty"));
    entries
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> picked(after));
    entries.addEventFilter(KeyEvent.KEY_PRESSED, this::moveByKey);
    entries.setOnMouseClicked(e -> back());
  }

  private void add(String crate, List<Integer> tracks) {
    hands.named(crate).ifPresent(hand -> hands.add(hand, tracks));
  }

  private MenuButton add() {
    MenuButton add = new MenuButton(Words.of("crates.add"));
    add.setId("crates-add");
    add.getItems()
        .addAll(
            Look.item("crates.addRule", () -> commands.addRule(shelf())),
            Look.item("crates.addHand", () -> commands.addHand(shelf())),
            Look.item("crates.addShelf", commands::addShelf),
            Look.item("crates.build", this::showBuild),
            Look.item("crates.import", () -> commands.bringIn(node.getScene().getWindow())));
    return add;
  }

  private Crates crates() {
    return workspace.state().get().crates();
  }

  private void refresh() {
    if (node.getCenter() == coverage) {
      coverage.refresh();
    } else if (node.getCenter() == build) {
      build.refresh();
    }
    CrateContents contents = workspace.contents();
    all = CratesModel.entries(workspace.state().get(), contents);
    List<CrateEntry> now = idleOnly ? CratesModel.idle(all) : all;
    entries.getItems().setAll(now);
    sayUse(contents);
    pickAgain(now);
  }

  private void sayUse(CrateContents contents) {
    loose.setText(Words.of("crates.inNone", contents.inNone().getCardinality()));
    int empty = CratesModel.count(all, CratesModel.Use.EMPTY);
    int unplayed = CratesModel.count(all, CratesModel.Use.NEVER_PLAYED);
    idle.setText(Words.of(idleOnly ? "crates.showAll" : "crates.idle", empty, unplayed));
    idle.setVisible(idleOnly || empty + unplayed > 0);
  }

  private void pickAgain(List<CrateEntry> now) {
    Optional<CrateEntry> again =
        now.stream().filter(e -> chosen.filter(e::sameAs).isPresent()).findFirst();
    CrateEntry first = now.stream().filter(e -> !e.isShelf()).findFirst().orElse(null);
    if (again.isPresent() || first != null) {
      entries.getSelectionModel().select(again.orElse(first));
      picked(again.orElse(first)); // a rule may be another though its crate counts the same
    } else {
      nothing();
    }
  }

  /** Two facets crossed, in the place of a crate. */
  public void showCoverage() {
    instead(coverage);
    coverage.refresh();
  }

  /** Many crates made at once, in the place of a crate. */
  public void showBuild() {
    instead(build);
    build.refresh();
  }

  private void showSendOut() {
    chosen.ifPresent(
        e -> {
          instead(sendOut);
          sendOut.show(
              e.isShelf()
                  ? crates().shelf(e.shelf()).orElseThrow().crates()
                  : List.of(crates().crate(e.crate()).orElseThrow()),
              e.name());
        });
  }

  private void instead(Node other) {
    node.setCenter(other);
    node.setRight(null);
  }

  private void back() {
    if (node.getCenter() != main) {
      node.setCenter(main);
      refresh();
    }
  }

  private void showLoose() {
    workspace
        .frame()
        .show(TrackList.of(Words.of("crates.looseTitle"), workspace.contents().inNone()));
  }

  private void onlyIdle() {
    idleOnly = !idleOnly;
    refresh();
  }

  private void choose(String shelf, String crate) {
    chosen = Optional.of(new CrateEntry(shelf, crate, 0, CratesModel.Use.USED));
  }

  private void picked(CrateEntry entry) {
    if (entry == null) {
      return;
    }
    if (node.getCenter() != main && chosen.filter(entry::sameAs).isEmpty()) {
      node.setCenter(main);
    }
    chosen = Optional.of(entry);
    if (entry.isShelf()) {
      crates().shelf(entry.shelf()).ifPresent(this::show);
    } else {
      crates().crate(entry.crate()).ifPresent(this::show);
    }
  }

  private Optional<Crate> crate() {
    return chosen.filter(e -> !e.isShelf()).flatMap(e -> crates().crate(e.crate()));
  }

  private Optional<Crate.RuleCrate> rule() {
    return crate().filter(Crate.RuleCrate.class::isInstance).map(Crate.RuleCrate.class::cast);
  }

  private String shelf() {
    return chosen.map(CrateEntry::shelf).orElse(Words.of("crates.firstShelf"));
  }

  private void nothing() {
    title.setText(Words.of("crates.noneTitle"));
    head.getChildren().clear();
    buttons.getChildren().clear();
    node.setRight(null);
    list(() -> new CrateListing(TrackList.NONE, Words.of("crates.none")));
  }

  private void show(Shelf shelf) {
    Look.data(title, shelf.name());
    never.show(shelf);
    head.getChildren().setAll(never);
    buttons
        .getChildren()
        .setAll(
            button("crates.sort", () -> commands.sort(shelf)),
            button("crates.sendOut", this::showSendOut),
            button("crates.rename", () -> commands.rename(shelf)),
            button("crates.remove", () -> commands.remove(shelf)));
    CrateContents contents = workspace.contents();
    Snapshot snapshot = workspace.state().get().snapshot();
    list(
        () -> {
          TrackIds ids = TrackIds.of(contents.union(shelf)).sorted(snapshot, Fields.ARTIST, false);
          int crates = shelf.crates().size();
          return new CrateListing(
              new TrackList(shelf.name(), ids).asking(named(Subject.Own.SHELF, shelf.name())),
              Words.of("crates.shelfWords", ids.size(), minutes(ids, snapshot), crates));
        });
    why();
  }

  private void show(Crate crate) {
    Look.data(title, crate.name());
    buttons.getChildren().clear();
    showRule(crate);
    buttons
        .getChildren()
        .addAll(
            button("crates.sendOut", this::showSendOut),
            button("crates.rename", () -> commands.rename(crate)),
            button("crates.remove", () -> commands.remove(crate)));
    CrateContents contents = workspace.contents();
    CollectionState state = workspace.state().get();
    list(
        () -> {
          List<Integer> ids = contents.list(crate);
          return new CrateListing(listed(crate, ids), said(crate, ids, state));
        });
    why();
  }

  /** A crate with a limit holds less than a rule that asks for it would find. */
  private static TrackList listed(Crate crate, List<Integer> ids) {
    TrackList list = new TrackList(crate.name(), ids);
    boolean limited = crate instanceof Crate.RuleCrate rule && rule.limit().cuts();
    return limited ? list : list.asking(named(Subject.Own.CRATE, crate.name()));
  }

  private static Query named(Subject subject, String name) {
    return new Query.Term(
        new Condition(subject, new Condition.AnyOf(List.of(new Condition.Part(name)))));
  }

  /** What a crate or shelf holds, and what is said of it. */
  private record CrateListing(TrackList list, String words) {}

  /** Works out beside the window what is held. */
  private void list(Callable<CrateListing> work) {
    workspace.promptly(
        pane,
        work,
        found -> {
          Look.data(words, found.words());
          pane.show(found.list());
        });
  }

  private void showRule(Crate crate) {
    if (crate instanceof Crate.RuleCrate rule) {
      Button other = button(asText ? "rule.asLines" : "rule.asText", this::otherForm);
      other.setId("rule-form");
      buttons.getChildren().add(other);
      if (asText) {
        text.show(rule);
        head.getChildren().setAll(text, order);
      } else {
        editor.show(rule);
        head.getChildren().setAll(editor, order);
      }
      order.show(rule);
    } else {
      head.getChildren().clear();
    }
  }

  private static Button button(String key, Runnable action) {
    Button button = Look.button(Words.of(key), action);
    button.setId(key.replace('.', '-'));
    return button;
  }

  /** How much it holds, what it is built on, and what is built on it. */
  private static String said(Crate crate, List<Integer> ids, CollectionState state) {
    Snapshot snapshot = state.snapshot();
    String kind = Words.of(crate instanceof Crate.RuleCrate ? "crates.rule" : "crates.hand");
    StringBuilder said =
        new StringBuilder(Words.of("crates.words", ids.size(), minutes(ids, snapshot), kind));
    List<String> base = List.copyOf(state.crates().uses(crate));
    List<String> users = state.crates().usersOf(crate.name());
    if (crate instanceof Crate.HandCrate hand) {
      RoaringBitmap in = TrackIds.copyOf(ids).set();
      long out = hand.tracks().stream().filter(id -> !in.contains(id) && snapshot.has(id)).count();
      said.append(out == 0 ? "" : " · " + Words.of("crates.keptOut", out));
    }
    if (!base.isEmpty()) {
      said.append(" · ").append(Words.of("crates.builtOn", Change.joined(base)));
    }
    if (!users.isEmpty()) {
      said.append(" · ").append(Words.of("crates.usedBy", Change.joined(users)));
    }
    return said.toString();
  }

  private static long minutes(List<Integer> ids, Snapshot snapshot) {
    return Math.round(
        ids.stream().mapToDouble(id -> snapshot.value(id, Fields.DURATION).orElse(0.0)).sum() / 60);
  }

  private void otherForm() {
    asText = !asText;
    crate().ifPresent(this::show);
  }

  private void why() {
    if (node.getCenter() == main) {
      node.setRight(rule().isPresent() ? why : null);
    }
    rule().ifPresent(r -> why.show(r, workspace.contents()));
  }

  private void moveByKey(KeyEvent event) {
    boolean down = event.getCode() == KeyCode.DOWN;
    if (event.isAltDown() && (down || event.getCode() == KeyCode.UP)) {
      int at = entries.getSelectionModel().getSelectedIndex();
      move(at, at + (down ? 1 : -1));
      event.consume();
    }
  }

  private void move(int from, int to) {
    if (!idleOnly) {
      CratesModel.moved(crates(), all, from, to)
          .ifPresent(
              after -> {
                CrateEntry moving = all.get(from);
                String shelf =
                    moving.isShelf()
                        ? moving.shelf()
                        : after.shelfOf(moving.crate()).orElseThrow().name();
                choose(shelf, moving.crate());
                commands.set(Words.of("change.moveCrate", moving.name()), () -> after);
              });
    }
  }

  @Override
  public void shown() {
    node.setCenter(main);
    refresh();
  }
}
