package tenterhook.desktop.crate;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.ShelfPath;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
import tenterhook.desktop.crate.CratesModel.MovedEntry;
import tenterhook.desktop.crate.CratesModel.Step;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Shelves in shelves with their crates: one is chosen, folded, or moved by keys or the mouse. */
final class CrateTree extends VBox {
  private static final String FOLDED = "folded shelves";

  private final Workspace workspace;
  private final CrateCommands commands;
  private final HandCrates hands;
  private final Consumer<Optional<CrateEntry>> shows;
  private final ListView<CrateEntry> entries = new ListView<>();
  private final Button loose = Look.button("", this::showLoose, "quiet");
  private final Button idle = Look.button("", this::onlyIdle, "quiet");
  private final Set<ShelfPath> folded = new HashSet<>();
  private List<CrateEntry> all = List.of();
  private Optional<CrateEntry> chosen = Optional.empty();
  private boolean idleOnly;
  private boolean listing;

  /**
   * The tree.
   *
   * @param shows gets what is chosen, also when it may have changed; empty when nothing is there
   */
  CrateTree(Workspace workspace, Consumer<Optional<CrateEntry>> shows) {
    super(4);
    this.workspace = workspace;
    this.shows = shows;
    this.commands = new CrateCommands(workspace, this::choose);
    this.hands = new HandCrates(workspace);
    workspace
        .collection()
        .setting(FOLDED)
        .ifPresent(t -> t.lines().map(ShelfPath::of).forEach(folded::add));
    prepare();
    loose.setId("in-none");
    idle.setId("idle-crates");
    getChildren().addAll(entries, loose, idle);
    VBox.setVgrow(entries, Priority.ALWAYS);
  }

  private void prepare() {
    entries.setId("crates");
    entries.setAccessibleText(Words.of("crates.tree"));
    entries.setCellFactory(l -> new CrateCell(this));
    entries.setPlaceholder(Look.label(Words.of("crates.none"), "empty"));
    entries
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> picked(after));
    entries.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    Drop.onto(
        entries,
        CrateCell.ROW,
        () -> true,
        from -> move(rows().get((Integer) from), e -> CratesModel.top(crates(), e.shelf())));
  }

  /** What can be done with what is chosen. */
  CrateCommands commands() {
    return commands;
  }

  /** What is chosen. */
  Optional<CrateEntry> chosen() {
    return chosen;
  }

  /** The shelf that new crates go to. */
  String shelf() {
    return chosen.map(e -> e.shelf().whole()).orElse(Words.of("crates.firstShelf"));
  }

  private Crates crates() {
    return workspace.state().get().crates();
  }

  private List<CrateEntry> rows() {
    return entries.getItems();
  }

  /** What the tree counts. */
  private record CountedTree(List<CrateEntry> all, int inNone) {}

  /** Counts anew beside the window, and shows it. */
  void refresh() {
    CollectionState state = workspace.state().get();
    CrateContents contents = workspace.contents();
    workspace.promptly(
        this,
        () ->
            new CountedTree(
                CratesModel.entries(state, contents), contents.inNone().getCardinality()),
        counted -> {
          all = counted.all();
          loose.setText(Words.of("crates.inNone", counted.inNone()));
          sayUse();
          list();
        });
  }

  private void sayUse() {
    int empty = CratesModel.count(all, CratesModel.Use.EMPTY);
    int unplayed = CratesModel.count(all, CratesModel.Use.NEVER_PLAYED);
    idle.setText(Words.of(idleOnly ? "crates.showAll" : "crates.idle", empty, unplayed));
    idle.setVisible(idleOnly || empty + unplayed > 0);
  }

  private void list() {
    chosen.filter(e -> all.stream().anyMatch(e::sameAs)).ifPresent(this::unfoldTo);
    List<CrateEntry> now = idleOnly ? CratesModel.idle(all) : CratesModel.shown(all, folded);
    listing = true;
    if (!now.equals(rows())) {
      entries.getItems().setAll(now);
    }
    Optional<CrateEntry> again =
        now.stream().filter(e -> chosen.filter(e::sameAs).isPresent()).findFirst();
    Optional<CrateEntry> shown =
        again
            .or(() -> now.stream().filter(e -> !e.isShelf()).findFirst())
            .or(() -> now.stream().findFirst());
    shown.ifPresentOrElse(
        entries.getSelectionModel()::select, entries.getSelectionModel()::clearSelection);
    listing = false;
    chosen = shown;
    shows.accept(shown); // a rule may be another though its crate counts the same
  }

  private void unfoldTo(CrateEntry entry) {
    folded.removeIf(f -> entry.shelf().within(f) && !(entry.isShelf() && entry.shelf().equals(f)));
  }

  /** Chooses what is to be shown next; it need not be there yet. */
  void choose(ShelfPath shelf, String crate) {
    chosen = Optional.of(new CrateEntry(shelf, crate, 0, CratesModel.Use.USED, Optional.empty()));
  }

  private void picked(CrateEntry entry) {
    if (entry != null && !listing) {
      chosen = Optional.of(entry);
      shows.accept(chosen);
    }
  }

  private void showLoose() {
    workspace
        .frame()
        .show(TrackList.of(Words.of("crates.looseTitle"), workspace.contents().inNone()));
  }

  private void onlyIdle() {
    idleOnly = !idleOnly;
    sayUse();
    list();
  }

  /** Folds away what stands on a shelf, or shows it again; remembered. */
  void fold(CrateEntry shelf) {
    if (shelf.open().isEmpty() || idleOnly) {
      return;
    }
    if (!folded.remove(shelf.shelf())) {
      folded.add(shelf.shelf());
      if (chosen.filter(e -> e.shelf().within(shelf.shelf())).isPresent()) {
        choose(shelf.shelf(), "");
      }
    }
    workspace.keepSetting(
        FOLDED, folded.stream().map(ShelfPath::whole).sorted().collect(Collectors.joining("\n")));
    list();
  }

  private void pressed(KeyEvent event) {
    CrateEntry entry = entries.getSelectionModel().getSelectedItem();
    Optional<Step> step = step(event.getCode());
    if (entry == null || step.isEmpty() || event.isControlDown() || event.isShiftDown()) {
      return;
    }
    if (event.isAltDown()) {
      move(entry, e -> stepped(e, step.get()));
      event.consume();
    } else if (step.get() == Step.IN || step.get() == Step.OUT) {
      foldByKey(entry, step.get() == Step.IN);
      event.consume();
    }
  }

  private static Optional<Step> step(KeyCode key) {
    return Optional.ofNullable(
        switch (key) {
          case UP -> Step.UP;
          case DOWN -> Step.DOWN;
          case RIGHT -> Step.IN;
          case LEFT -> Step.OUT;
          default -> null;
        });
  }

  /** Left leads from a crate, or a folded shelf, to the shelf that it stands on. */
  private void foldByKey(CrateEntry entry, boolean unfold) {
    if (entry.open().filter(open -> open != unfold).isPresent()) {
      fold(entry);
    } else if (!unfold && (!entry.isShelf() || entry.depth() > 0)) {
      ShelfPath shelf = entry.isShelf() ? new ShelfPath(entry.shelf().above()) : entry.shelf();
      rows().stream()
          .filter(e -> e.isShelf() && e.shelf().equals(shelf))
          .findFirst()
          .ifPresent(entries.getSelectionModel()::select);
    }
  }

  private Optional<MovedEntry> stepped(CrateEntry entry, Step step) {
    if (entry.isShelf()) {
      return CratesModel.stepped(crates(), entry.shelf(), step);
    }
    int at = rows().indexOf(entry);
    return switch (step) {
      case UP -> CratesModel.moved(crates(), rows(), at, at - 1);
      case DOWN -> CratesModel.moved(crates(), rows(), at, at + 1);
      case OUT -> CratesModel.out(crates(), entry);
      case IN -> Optional.empty();
    };
  }

  /**
   * A row was dropped on another: a crate takes its place; a shelf goes before a shelf when it was
   * dropped on its upper edge, else into it.
   */
  void dropped(int from, int to, boolean above) {
    CrateEntry target = rows().get(to);
    move(
        rows().get(from),
        moving -> {
          if (!moving.isShelf()) {
            return CratesModel.moved(crates(), rows(), from, to);
          }
          return target.isShelf() && above
              ? CratesModel.before(crates(), moving.shelf(), target.shelf())
              : CratesModel.into(crates(), moving.shelf(), target.shelf());
        });
  }

  /** Finds out where a row goes. */
  private interface EntryMove {
    Optional<MovedEntry> of(CrateEntry moving);
  }

  private void move(CrateEntry moving, EntryMove how) {
    if (idleOnly) {
      return;
    }
    commands.move(moving, () -> how.of(moving));
  }

  /** Whether tracks can be dropped on a row: a hand crate takes them, a shelf makes one of them. */
  boolean takesTracks(CrateEntry entry) {
    return entry.isShelf() || hands.named(entry.crate()).isPresent();
  }

  /** Tracks were dropped on a row. */
  void dropped(List<Integer> tracks, CrateEntry entry) {
    if (entry.isShelf()) {
      commands.addHand(entry.shelf().whole(), tracks);
    } else {
      hands.named(entry.crate()).ifPresent(hand -> hands.add(hand, tracks));
    }
  }
}
