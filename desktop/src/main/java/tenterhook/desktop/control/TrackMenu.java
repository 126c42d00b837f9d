package tenterhook.desktop.control;

import java.util.List;
import java.util.Set;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.ShelfPath;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What can be done with the tracks of a table; filled when it opens. */
final class TrackMenu {
  private final Workspace workspace;
  private final TrackPane pane;
  private final Columns columns;
  private final TrackActions actions;
  private final HandCrates hands;

  TrackMenu(Workspace workspace, TrackPane pane, Columns columns, TrackActions actions) {
    this.workspace = workspace;
    this.pane = pane;
    this.columns = columns;
    this.actions = actions;
    this.hands = new HandCrates(workspace);
  }

  ContextMenu menu() {
    ContextMenu menu = new ContextMenu();
    menu.getItems().add(Look.item("menu.edit", pane::openEdit));
    menu.setOnShowing(e -> fill(menu));
    return menu;
  }

  private void fill(ContextMenu menu) {
    Menu shown = new Menu(Words.of("menu.columns"));
    shown.getItems().addAll(columns.choice());
    menu.getItems()
        .setAll(
            Look.item("menu.edit", pane::openEdit),
            Look.item("menu.change", pane::changeMany),
            rating(),
            addToCrate(),
            takeOut(),
            neverPlay(),
            toGig(),
            new SeparatorMenuItem(),
            Look.item("menu.measure", () -> workspace.measuring().measure(pane.selection())),
            Look.item("menu.follow", () -> workspace.frame().goesWith()),
            Look.item("menu.played", () -> NightQuestion.count(workspace, chosen())),
            Look.item("menu.rest", () -> actions.flag(pane.selection(), Fields.RESTING)),
            Look.item("menu.guard", () -> actions.flag(pane.selection(), Fields.GUARDED)),
            Look.item("menu.copyText", pane::copyText),
            Look.item("menu.copyPath", this::copyPath),
            Look.item("menu.saveList", () -> ListSaving.ask(workspace, pane)),
            Look.item("menu.remove", () -> actions.remove(pane.selection())),
            new SeparatorMenuItem(),
            shown);
  }

  private Menu rating() {
    Menu rating = new Menu(Words.of("menu.rate"));
    for (int i = 0; i <= 5; i++) {
      int value = i;
      String name = i == 0 ? Words.of("menu.noRating") : String.valueOf(i);
      rating.getItems().add(Look.named(name, () -> actions.rate(pane.selection(), value)));
    }
    return rating;
  }

  private Menu addToCrate() {
    Menu crates = new Menu(Words.of("menu.crate"));
    for (Crate crate : workspace.state().get().crates().all()) {
      if (crate instanceof Crate.HandCrate hand) {
        crates.getItems().add(Look.named(hand.name(), () -> hands.add(hand, chosen())));
      }
    }
    crates.setDisable(crates.getItems().isEmpty());
    return crates;
  }

  private Menu neverPlay() {
    Menu never = new Menu(Words.of("menu.never"));
    for (PlacedShelf shelf : workspace.state().get().crates().placed()) {
      never.getItems().add(Look.named(shelf.path().toString(), () -> neverPlay(shelf.path())));
    }
    never.setDisable(never.getItems().isEmpty());
    return never;
  }

  /** Parts of the gigs to come, and what must or must not be played there. */
  private Menu toGig() {
    GigEdits edits = new GigEdits(workspace);
    Menu gigs = new Menu(Words.of("menu.gig"));
    for (Gig gig : edits.coming()) {
      Menu one = new Menu(gig.title());
      for (GigPart part : gig.allParts()) {
        one.getItems().add(Look.named(part.name(), () -> edits.pick(gig, part.name(), chosen())));
      }
      one.getItems()
          .addAll(
              new SeparatorMenuItem(),
              Look.item("menu.gigMust", () -> edits.must(gig, chosen())),
              Look.item("menu.gigNever", () -> edits.never(gig, chosen())));
      gigs.getItems().add(one);
    }
    gigs.setDisable(gigs.getItems().isEmpty());
    return gigs;
  }

  /** Only for the list of a hand crate. */
  private MenuItem takeOut() {
    MenuItem item = new MenuItem(Words.of("menu.takeOut"));
    item.setDisable(true);
    hands
        .named(pane.list().title())
        .ifPresent(
            hand -> {
              item.setDisable(false);
              item.setOnAction(e -> hands.takeOut(hand, Set.copyOf(chosen())));
            });
    return item;
  }

  private List<Integer> chosen() {
    return pane.rows().in(pane.selection());
  }

  private void neverPlay(ShelfPath shelf) {
    Crates now = workspace.state().get().crates();
    List<Integer> tracks = chosen();
    Crates after = now.withShelf(shelf.whole(), s -> s.with(s.never().plus(tracks)));
    String what = Words.of("count.tracks", tracks.size());
    workspace.apply(
        new Change(
            Words.of("change.never", shelf, what), true, List.of(new Edit.SetCrates(now, after))));
  }

  private void copyPath() {
    StringBuilder text = new StringBuilder();
    pane.selection()
        .forEach((int id) -> text.append(workspace.state().get().path(id)).append('\n'));
    CopiedText.put(text.toString().strip());
  }
}
