package tenterhook.desktop.control;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.input.DataFormat;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate.HandCrate;
import tenterhook.core.crate.Crates;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What is done with hand crates from a table of tracks; each is one change. */
public final class HandCrates {
  /** Tracks that are dragged, as an array of their ids. */
  public static final DataFormat TRACKS = new DataFormat("application/x-tenterhook-tracks");

  private final Workspace workspace;

  /** For the crates of a workspace. */
  public HandCrates(Workspace workspace) {
    this.workspace = workspace;
  }

  /** The hand crate of a name. */
  public Optional<HandCrate> named(String name) {
    return workspace
        .state()
        .get()
        .crates()
        .crate(name)
        .filter(HandCrate.class::isInstance)
        .map(HandCrate.class::cast);
  }

  /** Puts tracks at the end of a crate. */
  public void add(HandCrate hand, List<Integer> tracks) {
    int more = hand.plus(tracks).tracks().size() - hand.tracks().size();
    edit(Words.of("change.toCrate", more, hand.name()), hand, h -> h.plus(tracks));
  }

  /** Takes tracks out of a crate. */
  void takeOut(HandCrate hand, Set<Integer> out) {
    List<Integer> kept = hand.tracks().stream().filter(id -> !out.contains(id)).toList();
    edit(
        Words.of("change.fromCrate", hand.tracks().size() - kept.size(), hand.name()),
        hand,
        h -> new HandCrate(h.name(), kept));
  }

  /** Moves tracks of a crate before another of it; 0 for its end. */
  void move(HandCrate hand, Set<Integer> some, int before) {
    edit(Words.of("change.inCrate", some.size(), hand.name()), hand, h -> h.moved(some, before));
  }

  /**
   * Moves tracks of a crate past one more.
   *
   * @param shown the tracks of the crate as they are listed
   */
  void move(HandCrate hand, TrackIds shown, Set<Integer> some, boolean down) {
    int first = -1;
    int last = -1;
    for (int i = 0; i < shown.size(); i++) {
      if (some.contains(shown.at(i))) {
        first = first < 0 ? i : first;
        last = i;
      }
    }
    if (first >= 0 && (down ? last + 1 < shown.size() : first > 0)) {
      int before = down ? (last + 2 < shown.size() ? shown.at(last + 2) : 0) : shown.at(first - 1);
      move(hand, some, before);
    }
  }

  private void edit(String title, HandCrate hand, UnaryOperator<HandCrate> edit) {
    HandCrate after = edit.apply(hand);
    if (!after.equals(hand)) {
      Crates now = workspace.state().get().crates();
      workspace.apply(
          new Change(
              title, true, List.of(new Edit.SetCrates(now, now.with(hand.name(), c -> after)))));
    }
  }
}
