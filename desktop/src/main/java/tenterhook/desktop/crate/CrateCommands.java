package tenterhook.desktop.crate;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.stage.Window;
import tenterhook.adapters.collection.Playlists;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.LineEdits;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.crate.ShelfPath;
import tenterhook.core.find.Subject;
import tenterhook.core.gig.Gigs;
import tenterhook.desktop.control.Once;
import tenterhook.desktop.control.PlaylistChooser;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
import tenterhook.desktop.crate.CratesModel.MovedEntry;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What can be done with shelves and crates; each is one change that can be taken back. */
final class CrateCommands {
  private final Workspace workspace;
  private final BiConsumer<ShelfPath, String> choose;

  /**
   * The commands.
   *
   * @param choose gets the shelf and the crate that are to be shown next
   */
  CrateCommands(Workspace workspace, BiConsumer<ShelfPath, String> choose) {
    this.workspace = workspace;
    this.choose = choose;
  }

  private Crates crates() {
    return workspace.state().get().crates();
  }

  private Gigs gigs() {
    return workspace.state().get().gigs();
  }

  /** Makes the shelves other ones; says why when that cannot be, and is false then. */
  boolean set(String what, Supplier<Crates> after) {
    return set(what, after, then -> UnaryOperator.identity());
  }

  /** The same, and what asks for something that is called otherwise by then follows. */
  private boolean set(
      String what, Supplier<Crates> after, Function<Crates, UnaryOperator<Rule.Line>> follow) {
    try {
      Crates then = after.get();
      if (!then.equals(crates())) {
        List<Edit> edits = workspace.state().get().holders().following(then, follow.apply(then));
        workspace.apply(new Change(what, true, edits));
      }
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
      return false;
    }
    return true;
  }

  /** Puts a crate or a shelf elsewhere; what asks for a shelf, or for those in it, follows. */
  void move(CrateEntry moving, Supplier<Optional<MovedEntry>> how) {
    Crates before = crates();
    Once<Optional<MovedEntry>> moved = new Once<>(how);
    set(
        Words.of("change.moveCrate", moving.name()),
        () -> {
          moved.get().ifPresent(m -> choose.accept(m.shelf(), moving.crate()));
          return moved.get().map(MovedEntry::after).orElse(before);
        },
        then ->
            moving.isShelf()
                ? LineEdits.shelf(before, then, moving.shelf(), moved.get().orElseThrow().shelf())
                : UnaryOperator.identity());
  }

  /** Puts an edited crate in the place of another; false when that cannot be. */
  boolean replace(Crate.RuleCrate old, Crate.RuleCrate edited) {
    return set(Words.of("change.rule", old.name()), () -> crates().with(old.name(), x -> edited));
  }

  void addRule(String shelf) {
    Rule.RuleGroup empty = new Rule.RuleGroup(Rule.Kind.ALL, List.of());
    add(shelf, name -> new Crate.RuleCrate(name, empty));
  }

  void addHand(String shelf, List<Integer> tracks) {
    add(shelf, name -> new Crate.HandCrate(name, tracks));
  }

  private void add(String shelf, Function<String, Crate> make) {
    workspace
        .frame()
        .askText(
            Words.of("crates.askName", ShelfPath.of(shelf)),
            "",
            Words.of("crates.add"),
            name ->
                set(
                    Words.of("change.addCrate", name),
                    () -> {
                      Crates after = crates().plus(shelf, make.apply(name));
                      choose.accept(after.shelfOf(name).orElseThrow().path(), name);
                      return after;
                    }));
  }

  void addShelf() {
    askShelf(Words.of("crates.askShelf"), "");
  }

  /** Asks for the name of a shelf in another. */
  void addShelf(ShelfPath in) {
    askShelf(Words.of("crates.askShelfIn", in), in.whole());
  }

  private void askShelf(String question, String above) {
    workspace
        .frame()
        .askText(
            question,
            "",
            Words.of("crates.addShelf"),
            name ->
                set(
                    Words.of("change.addShelf", name),
                    () -> {
                      ShelfPath path = ShelfPath.of(above + ShelfPath.SEPARATOR + name);
                      Crates after = crates().plusShelf(path.whole());
                      choose.accept(path, "");
                      return after;
                    }));
  }

  void rename(Crate crate) {
    askName(
        crate.name(),
        other -> {
          Crates after = crates().renamed(crate.name(), other);
          after.shelfOf(other).ifPresent(s -> choose.accept(s.path(), other));
          return after;
        },
        (other, then) -> LineEdits.crate(crate.name(), other));
  }

  void rename(ShelfPath shelf) {
    askName(
        shelf.name(),
        other -> {
          Crates after = crates().renamedShelf(shelf.whole(), other);
          choose.accept(shelf.renamed(other), "");
          return after;
        },
        (other, then) -> LineEdits.shelf(crates(), then, shelf, shelf.renamed(other)));
  }

  private void askName(
      String now,
      Function<String, Crates> renamed,
      BiFunction<String, Crates, UnaryOperator<Rule.Line>> follow) {
    workspace
        .frame()
        .askText(
            Words.of("crates.askRename", now),
            now,
            Words.of("crates.rename"),
            other ->
                set(
                    Words.of("change.renameCrate", now, other),
                    () -> renamed.apply(other),
                    then -> follow.apply(other, then)));
  }

  void sort(ShelfPath shelf) {
    set(
        Words.of("change.sortShelf", shelf),
        () -> crates().withShelf(shelf.whole(), Shelf::sorted));
  }

  void remove(Crate crate) {
    List<String> users = new ArrayList<>(crates().usersOf(crate.name()));
    users.addAll(gigs().askingFor(Subject.Own.CRATE, crate.name()));
    askRemove(
        users.isEmpty()
            ? Words.of("crates.askRemove", crate.name())
            : Words.of("crates.askRemoveUsed", crate.name(), Change.joined(users)),
        crate.name(),
        () -> crates().minus(crate.name()));
  }

  void remove(PlacedShelf placed) {
    List<Crate> gone = placed.shelf().all();
    List<String> users =
        Stream.of(
                gone.stream()
                    .flatMap(c -> crates().usersOf(c.name()).stream())
                    .filter(u -> gone.stream().noneMatch(c -> c.name().equals(u))),
                gone.stream().flatMap(c -> gigs().askingFor(Subject.Own.CRATE, c.name()).stream()),
                gigs().askingFor(Subject.Own.SHELF, crates().reference(placed.path())).stream())
            .flatMap(s -> s)
            .distinct()
            .toList();
    askRemove(
        users.isEmpty()
            ? Words.of("crates.askRemoveShelf", placed.path(), gone.size())
            : Words.of(
                "crates.askRemoveShelfUsed", placed.path(), gone.size(), Change.joined(users)),
        placed.path().name(),
        () -> crates().minusShelf(placed.path().whole()));
  }

  private void askRemove(String question, String name, Supplier<Crates> after) {
    workspace
        .frame()
        .ask(
            question,
            Words.of("crates.remove"),
            () -> set(Words.of("change.removeCrate", name), after));
  }

  void bringIn(Window window) {
    PlaylistChooser.open(window).ifPresent(this::bringIn);
  }

  private void bringIn(Path file) {
    try {
      Playlists.Imported imported =
          Playlists.read(workspace.state().get(), file, Words.of("crates.firstShelf"));
      workspace.apply(imported.change());
      if (!imported.unknown().isEmpty()) {
        workspace
            .frame()
            .inform(
                Words.of("told.import", imported.unknown().size(), imported.unknown().getFirst()),
                true,
                0);
      }
    } catch (IOException trouble) {
      workspace
          .frame()
          .inform(
              Words.of("told.failed", file.getFileName().toString(), trouble.getMessage()),
              true,
              0);
    }
  }
}
