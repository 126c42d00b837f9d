package tenterhook.desktop.crate;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.backstage.collection.Playlists;
import tenterhook.backstage.playlist.PlaylistFile;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.desktop.play.PlaylistChooser;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.StationView;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.table.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Shelves and crates, the lines of a rule crate with what each does, and the tracks it holds. */
public final class CratesView implements StationView {
  private final Desk desk;
  private final BorderPane node = new BorderPane();
  private final ListView<Entry> entries = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final RuleEditor editor;
  private final TrackPane pane;
  private final WhyPane why;
  private final CoveragePane coverage;
  private final VBox main;
  private final Button loose = Look.button("", this::showLoose, "quiet");
  private Optional<String> chosen = Optional.empty();

  /** A shelf (without a crate) or a crate on it. */
  record Entry(String shelf, String crate, int count) {}

  /** The view. */
  public CratesView(Desk desk) {
    this.desk = desk;
    this.pane = new TrackPane(desk);
    this.editor = new RuleEditor(desk, this::edited, desk::contents);
    this.why = new WhyPane(desk);
    this.coverage = new CoveragePane(desk, this::hideCoverage);
    entries.setId("crates");
    entries.setCellFactory(l -> new CrateCell());
    entries.setPlaceholder(Look.label(Words.of("crates.none"), "empty"));
    entries
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> picked(after));
    MenuButton add = new MenuButton(Words.of("crates.add"));
    add.setId("crates-add");
    add.getItems()
        .addAll(
            item("crates.addRule", this::addRule),
            item("crates.addHand", this::addHand),
            item("crates.addShelf", this::addShelf),
            item("crates.import", this::bringIn));
    loose.setId("in-none");
    Button across = Look.button(Words.of("coverage.open"), this::showCoverage);
    across.setId("coverage-open");
    VBox left = new VBox(8, entries, loose, new HBox(6, add, across));
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(222);
    VBox.setVgrow(entries, Priority.ALWAYS);
    HBox head =
        new HBox(
            8,
            new VBox(2, title, words),
            Look.spring(),
            Look.button(Words.of("crates.export"), this::export),
            Look.button(Words.of("crates.rename"), this::rename),
            Look.button(Words.of("crates.remove"), this::remove));
    VBox main = new VBox(8, head, editor, pane);
    main.getStyleClass().add("main");
    VBox.setVgrow(pane, Priority.ALWAYS);
    node.setLeft(left);
    this.main = main;
    node.setCenter(main);
    node.setRight(why);
    desk.whileInView(node, this::refresh);
    desk.chosen()
        .addListener(
            (o, before, after) -> {
              if (node.getScene() != null) {
                why();
              }
            });
  }

  private static MenuItem item(String key, Runnable action) {
    MenuItem item = new MenuItem(Words.of(key));
    item.setId(key.replace('.', '-'));
    item.setOnAction(e -> action.run());
    return item;
  }

  private void refresh() {
    if (node.getCenter() == coverage) {
      coverage.refresh();
    }
    CrateContents contents = desk.contents();
    List<Entry> now = new ArrayList<>();
    for (Shelf shelf : desk.state().get().crates().shelves()) {
      now.add(new Entry(shelf.name(), "", shelf.crates().size()));
      shelf.crates().forEach(c -> now.add(new Entry(shelf.name(), c.name(), contents.count(c))));
    }
    entries.getItems().setAll(now);
    loose.setText(Words.of("crates.inNone", contents.inNone().getCardinality()));
    Optional<Entry> again =
        now.stream().filter(e -> chosen.isPresent() && e.crate().equals(chosen.get())).findFirst();
    Entry first = now.stream().filter(e -> !e.crate().isEmpty()).findFirst().orElse(null);
    if (again.isPresent() || first != null) {
      entries.getSelectionModel().select(again.orElse(first));
      picked(again.orElse(first)); // a rule may be another though its crate counts the same
    } else {
      show(Optional.empty());
    }
  }

  /** Two facets crossed, in the place of a crate. */
  public void showCoverage() {
    node.setCenter(coverage);
    node.setRight(null);
    coverage.refresh();
  }

  private void hideCoverage() {
    node.setCenter(main);
    node.setRight(why);
    refresh();
  }

  private void showLoose() {
    desk.frame().show(TrackList.of(Words.of("crates.looseTitle"), desk.contents().inNone()));
  }

  private void picked(Entry entry) {
    if (entry == null || entry.crate().isEmpty()) {
      return;
    }
    chosen = Optional.of(entry.crate());
    show(desk.state().get().crates().crate(entry.crate()));
  }

  private Optional<Crate> crate() {
    return chosen.flatMap(desk.state().get().crates()::crate);
  }

  private void show(Optional<Crate> crate) {
    if (crate.isEmpty()) {
      title.setText(Words.of("crates.noneTitle"));
      words.setText(Words.of("crates.none"));
      editor.clear();
      pane.show(new TrackList("", List.of(), false));
      return;
    }
    List<Integer> ids = desk.contents().list(crate.get());
    var snapshot = desk.state().get().snapshot();
    double minutes =
        ids.stream().mapToDouble(id -> snapshot.value(id, Fields.DURATION).orElse(0.0)).sum() / 60;
    String kind = Words.of(crate.get() instanceof Crate.RuleCrate ? "crates.rule" : "crates.hand");
    Look.data(title, crate.get().name());
    words.setText(Words.of("crates.words", ids.size(), Math.round(minutes), kind));
    if (crate.get() instanceof Crate.RuleCrate rule) {
      editor.show(rule.rule());
    } else {
      editor.clear();
    }
    pane.show(new TrackList(crate.get().name(), ids, false));
    why();
  }

  private void why() {
    if (crate().isPresent() && crate().get() instanceof Crate.RuleCrate rule) {
      why.show(rule, desk.contents());
    } else {
      why.clear();
    }
  }

  private void edited(Rule.Group rule) {
    crate()
        .ifPresent(
            c -> {
              if (c instanceof Crate.RuleCrate old) {
                set(
                    Words.of("change.rule", old.name()),
                    () -> crates().with(old.name(), x -> old.with(rule)));
              }
            });
  }

  private Crates crates() {
    return desk.state().get().crates();
  }

  private void set(String what, Supplier<Crates> after) {
    try {
      desk.apply(new Change(what, true, List.of(new Edit.SetCrates(crates(), after.get()))));
    } catch (IllegalArgumentException wrong) {
      desk.frame().tell(String.valueOf(wrong.getMessage()), true, 0);
      show(crate());
    }
  }

  private String shelf() {
    Entry entry = entries.getSelectionModel().getSelectedItem();
    return entry == null ? Words.of("crates.firstShelf") : entry.shelf();
  }

  private void addRule() {
    Rule.Group empty = new Rule.Group(Rule.Kind.ALL, List.of());
    add(name -> new Crate.RuleCrate(name, empty));
  }

  private void addHand() {
    add(name -> new Crate.HandCrate(name, List.of()));
  }

  private void add(java.util.function.Function<String, Crate> make) {
    String shelf = shelf();
    desk.frame()
        .askText(
            Words.of("crates.askName", shelf),
            "",
            Words.of("crates.add"),
            name -> {
              chosen = Optional.of(name);
              set(Words.of("change.addCrate", name), () -> crates().plus(shelf, make.apply(name)));
            });
  }

  private void addShelf() {
    desk.frame()
        .askText(
            Words.of("crates.askShelf"),
            "",
            Words.of("crates.addShelf"),
            name -> set(Words.of("change.addShelf", name), () -> crates().plusShelf(name)));
  }

  private void rename() {
    crate()
        .ifPresent(
            c ->
                desk.frame()
                    .askText(
                        Words.of("crates.askRename", c.name()),
                        c.name(),
                        Words.of("crates.rename"),
                        other -> {
                          chosen = Optional.of(other);
                          set(
                              Words.of("change.renameCrate", c.name(), other),
                              () -> crates().renamed(c.name(), other));
                        }));
  }

  private void remove() {
    crate()
        .ifPresent(
            c -> {
              List<String> users = crates().usersOf(c.name());
              String question =
                  users.isEmpty()
                      ? Words.of("crates.askRemove", c.name())
                      : Words.of("crates.askRemoveUsed", c.name(), Change.joined(users));
              desk.frame()
                  .ask(
                      question,
                      Words.of("crates.remove"),
                      () ->
                          set(
                              Words.of("change.removeCrate", c.name()),
                              () -> crates().minus(c.name())));
            });
  }

  private void export() {
    crate()
        .ifPresent(
            c -> {
              PlaylistChooser.save(node.getScene().getWindow(), c.name())
                  .ifPresent(file -> export(c, file));
            });
  }

  private void export(Crate crate, Path file) {
    desk.job(
        Words.of("crates.export"),
        false,
        p -> Playlists.export(desk.collection(), crate, file, PlaylistFile.Paths.from(file)),
        n ->
            desk.frame().tell(Words.of("told.export", n, file.getFileName().toString()), false, 0));
  }

  private void bringIn() {
    PlaylistChooser.open(node.getScene().getWindow()).ifPresent(this::bringIn);
  }

  private void bringIn(Path file) {
    try {
      Playlists.Imported imported =
          Playlists.read(desk.state().get(), file, Words.of("crates.firstShelf"));
      desk.apply(imported.change());
      if (!imported.unknown().isEmpty()) {
        desk.frame()
            .tell(
                Words.of("told.import", imported.unknown().size(), imported.unknown().getFirst()),
                true,
                0);
      }
    } catch (IOException trouble) {
      desk.frame()
          .tell(
              Words.of("told.failed", file.getFileName().toString(), trouble.getMessage()),
              true,
              0);
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
