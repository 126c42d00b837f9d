package tenterhook.desktop.crate;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.pack.SendingOut.PlacedCrate;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;
import tenterhook.core.find.Subject;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Shelves and crates, the lines of a rule crate with what each does, and the tracks it holds. */
public final class CratesView extends StationOutline {
  private final CrateTree tree;
  private final CrateCommands commands;
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
  private boolean asText;
  private Optional<CrateEntry> shown = Optional.empty();

  /** The view. */
  public CratesView(Workspace workspace) {
    super(workspace, "keys.crates", new TrackPane(workspace, "crates"));
    this.pane = tracks().orElseThrow();
    this.tree = new CrateTree(workspace, this::show);
    this.commands = tree.commands();
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
    title.setId("list-title-crate");
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
    MenuButton add = add();
    Button across = Look.button(Words.of("coverage.open"), this::showCoverage);
    across.setId("coverage-open");
    tree.setOnMouseClicked(e -> back());
    VBox left = new VBox(4, tree, new HBox(6, add, across));
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(222);
    VBox.setVgrow(tree, Priority.ALWAYS);
    return left;
  }

  private MenuButton add() {
    MenuButton add = new MenuButton(Words.of("crates.add"));
    add.setId("crates-add");
    add.getItems()
        .addAll(
            Look.item("crates.addRule", () -> commands.addRule(tree.shelf())),
            Look.item("crates.addHand", () -> commands.addHand(tree.shelf(), List.of())),
            Look.item("crates.addShelf", commands::addShelf),
            Look.item(
                "crates.addShelfIn",
                () ->
                    tree.chosen()
                        .ifPresentOrElse(e -> commands.addShelf(e.shelf()), commands::addShelf)),
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
    tree.refresh();
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
    tree.chosen()
        .ifPresent(
            e -> {
              instead(sendOut);
              sendOut.show(
                  e.isShelf()
                      ? PlacedCrate.of(shelf(e).orElseThrow().shelf())
                      : List.of(
                          new PlacedCrate(List.of(), crates().crate(e.crate()).orElseThrow())),
                  e.name());
            });
  }

  private Optional<PlacedShelf> shelf(CrateEntry entry) {
    return crates().shelf(entry.shelf().whole());
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

  private void show(Optional<CrateEntry> entry) {
    if (entry.isEmpty()) {
      nothing();
      return;
    }
    if (node.getCenter() != main && shown.filter(s -> !s.sameAs(entry.get())).isPresent()) {
      node.setCenter(main);
    }
    shown = entry;
    if (entry.get().isShelf()) {
      shelf(entry.get()).ifPresent(this::show);
    } else {
      crates().crate(entry.get().crate()).ifPresent(this::show);
    }
  }

  private Optional<Crate> crate() {
    return tree.chosen().filter(e -> !e.isShelf()).flatMap(e -> crates().crate(e.crate()));
  }

  private Optional<Crate.RuleCrate> rule() {
    return crate().filter(Crate.RuleCrate.class::isInstance).map(Crate.RuleCrate.class::cast);
  }

  private void nothing() {
    shown = Optional.empty();
    title.setText(Words.of("crates.noneTitle"));
    head.getChildren().clear();
    buttons.getChildren().clear();
    node.setRight(null);
    list(() -> new CrateListing(TrackList.NONE, Words.of("crates.none")));
  }

  private void show(PlacedShelf placed) {
    Shelf shelf = placed.shelf();
    Look.data(title, placed.path().toString());
    never.show(placed);
    head.getChildren().setAll(never);
    buttons
        .getChildren()
        .setAll(
            button("crates.sort", () -> commands.sort(placed.path())),
            button("crates.sendOut", this::showSendOut),
            button("crates.rename", () -> commands.rename(placed.path())),
            button("crates.remove", () -> commands.remove(placed)));
    CrateContents contents = workspace.contents();
    Snapshot snapshot = workspace.state().get().snapshot();
    list(
        () -> {
          TrackIds ids = TrackIds.of(contents.union(shelf)).sorted(snapshot, Fields.ARTIST, false);
          int crates = shelf.all().size();
          return new CrateListing(
              new TrackList(placed.path().toString(), ids)
                  .asking(named(Subject.Own.SHELF, crates().reference(placed.path()))),
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

  @Override
  public void shown() {
    node.setCenter(main);
    refresh();
  }
}
