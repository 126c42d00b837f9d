package tenterhook.desktop.crate;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.stage.Window;
import tenterhook.adapters.collection.Playlists;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.desktop.control.PlaylistChooser;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What can be done with shelves and crates; each is one change that can be taken back. */
final class CrateCommands {
  private final Workspace workspace;
  private final BiConsumer<String, String> choose;

  /**
   * The commands.
   *
   * @param choose gets the shelf and the crate that are to be shown next
   */
  CrateCommands(Workspace workspace, BiConsumer<String, String> choose) {
    this.workspace = workspace;
    this.choose = choose;
  }

  private Crates crates() {
    return workspace.state().get().crates();
  }

  /** Makes the shelves other ones; says why when that cannot be, and is false then. */
  boolean set(String what, Supplier<Crates> after) {
    try {
      Crates then = after.get();
      if (!then.equals(crates())) {
        workspace.apply(new Change(what, true, List.of(new Edit.SetCrates(crates(), then))));
      }
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
      return false;
    }
    return true;
  }

  /** Puts an edited crate in the place of another; false when that cannot be. */
  boolean replace(Crate.RuleCrate old, Crate.RuleCrate edited) {
    return set(Words.of("change.rule", old.name()), () -> crates().with(old.name(), x -> edited));
  }

  void addRule(String shelf) {
    Rule.RuleGroup empty = new Rule.RuleGroup(Rule.Kind.ALL, List.of());
    add(shelf, name -> new Crate.RuleCrate(name, empty));
  }

  void addHand(String shelf) {
    add(shelf, name -> new Crate.HandCrate(name, List.of()));
  }

  private void add(String shelf, Function<String, Crate> make) {
    workspace
        .frame()
        .askText(
            Words.of("crates.askName", shelf),
            "",
            Words.of("crates.add"),
            name -> {
              choose.accept(shelf, name);
              set(Words.of("change.addCrate", name), () -> crates().plus(shelf, make.apply(name)));
            });
  }

  void addShelf() {
    workspace
        .frame()
        .askText(
            Words.of("crates.askShelf"),
            "",
            Words.of("crates.addShelf"),
            name -> {
              choose.accept(name, "");
              set(Words.of("change.addShelf", name), () -> crates().plusShelf(name));
            });
  }

  void rename(Crate crate) {
    String shelf = crates().shelfOf(crate.name()).map(Shelf::name).orElse("");
    askName(
        crate.name(),
        other -> {
          choose.accept(shelf, other);
          return crates().renamed(crate.name(), other);
        });
  }

  void rename(Shelf shelf) {
    askName(
        shelf.name(),
        other -> {
          choose.accept(other, "");
          return crates().renamedShelf(shelf.name(), other);
        });
  }

  private void askName(String now, Function<String, Crates> renamed) {
    workspace
        .frame()
        .askText(
            Words.of("crates.askRename", now),
            now,
            Words.of("crates.rename"),
            other -> set(Words.of("change.renameCrate", now, other), () -> renamed.apply(other)));
  }

  void sort(Shelf shelf) {
    set(
        Words.of("change.sortShelf", shelf.name()),
        () -> crates().withShelf(shelf.name(), Shelf::sorted));
  }

  void remove(Crate crate) {
    List<String> users = crates().usersOf(crate.name());
    askRemove(
        users.isEmpty()
            ? Words.of("crates.askRemove", crate.name())
            : Words.of("crates.askRemoveUsed", crate.name(), Change.joined(users)),
        crate.name(),
        () -> crates().minus(crate.name()));
  }

  void remove(Shelf shelf) {
    List<String> users =
        shelf.crates().stream()
            .flatMap(c -> crates().usersOf(c.name()).stream())
            .filter(u -> shelf.crates().stream().noneMatch(c -> c.name().equals(u)))
            .distinct()
            .toList();
    askRemove(
        users.isEmpty()
            ? Words.of("crates.askRemoveShelf", shelf.name(), shelf.crates().size())
            : Words.of(
                "crates.askRemoveShelfUsed",
                shelf.name(),
                shelf.crates().size(),
                Change.joined(users)),
        shelf.name(),
        () -> crates().minusShelf(shelf.name()));
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
