package tenterhook.desktop.control;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;
import tenterhook.core.narrow.NarrowWords;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Keeps what a table shows as a crate: by its rule where the list has one, else by hand. */
final class KeptCrate {
  private static final int LONGEST_NAME = 60;

  /** What lets in more than tracks. */
  private static final Query ANY_KIND =
      new Query.Term(
          new Condition(
              Fields.KIND.key(),
              new Condition.AnyOf(
                  Arrays.stream(ItemKind.values())
                      .map(k -> (Condition.Value) new Condition.Whole(k.key()))
                      .toList())));

  private KeptCrate() {}

  /** Asks for a name, and keeps it. */
  static void ask(Workspace workspace, TrackPane pane) {
    Optional<Query> rule =
        pane.list().asked().map(list -> pane.narrowings().kept(list, pane.query()));
    TrackIds rows = pane.rows();
    List<TrackOrder.Key> order = pane.order();
    workspace
        .frame()
        .askText(
            Words.of(rule.isPresent() ? "narrow.askRule" : "narrow.askHand", rows.size()),
            name(pane),
            Words.of("narrow.keepIt"),
            name -> keep(workspace, name, rule, rows, order));
  }

  private static String name(TrackPane pane) {
    String steps =
        pane.narrowings().steps().stream().map(NarrowWords::of).collect(Collectors.joining(", "));
    String name = (steps.isEmpty() ? pane.list().title() : steps).replace('/', ' ').strip();
    return name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME).strip() : name;
  }

  private static void keep(
      Workspace workspace,
      String name,
      Optional<Query> rule,
      TrackIds rows,
      List<TrackOrder.Key> order) {
    try {
      CollectionState state = workspace.state().get();
      Crates now = state.crates();
      Crate crate =
          rule.<Crate>map(query -> ruled(name.strip(), query, rows, state, order))
              .orElseGet(() -> new Crate.HandCrate(name.strip(), rows));
      String shelf = Words.of("narrow.shelf");
      workspace.apply(
          new Change(
              Words.of("narrow.kept", rows.size(), name, shelf),
              true,
              List.of(new Edit.SetCrates(now, now.plus(shelf, crate)))));
    } catch (IllegalArgumentException wrong) { // such as a name that another crate has
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
    }
  }

  private static RoaringBitmap resting(Snapshot snapshot) {
    return snapshot.tracks(id -> !snapshot.isBlank(id, Fields.RESTING));
  }

  /** Tracks that rest, and items that are no tracks, are in the crate as they are in the list. */
  private static Crate ruled(
      String name, Query query, TrackIds rows, CollectionState now, List<TrackOrder.Key> order) {
    Snapshot snapshot = now.snapshot();
    boolean resting = RoaringBitmap.intersects(rows.set(), resting(snapshot));
    Crate.RuleCrate crate = new Crate.RuleCrate(name, Rule.of(query)).resting(resting);
    if (!crate.asksForKind(now.codebook())
        && RoaringBitmap.intersects(rows.set(), ItemKind.allOthers(snapshot))) {
      crate = crate.with(Rule.of(new Query.And(List.of(query, ANY_KIND))));
    }
    return order.isEmpty() ? crate : crate.sorted(order);
  }
}
