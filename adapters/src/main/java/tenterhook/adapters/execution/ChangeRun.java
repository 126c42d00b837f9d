package tenterhook.adapters.execution;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.execution.Recovery.Finding;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.Leftovers.Leftover;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.track.Cell;

/** What happens to the tracks of a change, one after the other. */
final class ChangeRun {
  final List<Cell> cells = new ArrayList<>();
  final RoaringBitmap out = new RoaringBitmap();
  final RoaringBitmap open = new RoaringBitmap();
  final List<Refusal> refused = new ArrayList<>();
  final List<Refusal> unconfirmed = new ArrayList<>();
  final List<Refusal> notes = new ArrayList<>();
  final List<Leftover> leftovers = new ArrayList<>();
  int written;

  void refuse(String what, String reason) {
    refused.add(new Refusal(0, what, reason));
  }

  void refuse(CollectionState state, int id, String reason) {
    out.add(id);
    refused.add(refusal(state, id, reason));
  }

  private static Refusal refusal(CollectionState state, int id, String reason) {
    return new Refusal(id, state.path(id).toString(), reason);
  }

  void leaveOpen(CollectionState state, int id, String reason) {
    open.add(id);
    unconfirmed.add(refusal(state, id, reason));
  }

  /** What was open is done after all. */
  void closeDone(int id, Refusal why, List<Cell> found) {
    open.remove(id);
    unconfirmed.remove(why);
    cells.addAll(found);
    written++;
    notes.add(new Refusal(id, why.path(), "is done, although " + why.reason()));
  }

  /** What was open was not done. */
  void closeRefused(int id, Refusal why) {
    open.remove(id);
    unconfirmed.remove(why);
    out.add(id);
    refused.add(why);
  }

  void take(CollectionState state, int id, Finding finding) {
    switch (finding) {
      case Finding.Reached reached -> cells.addAll(reached.cells());
      case Finding.NotReached none -> out.add(id);
      case Finding.Waiting waiting -> leaveOpen(state, id, waiting.reason());
    }
  }

  void take(CollectionState state, int id, FileResult result) {
    switch (result) {
      case FileResult.Untouched untouched -> {
        out.add(id);
        refused.add(
            new Refusal(
                id, state.path(id).toString(), untouched.reason(), untouched.valuesWouldDo()));
      }
      case FileResult.Changed changed -> {
        refuse(state, id, changed.reason());
        cells.addAll(changed.cells());
      }
      case FileResult.Unconfirmed uncertain -> leaveOpen(state, id, uncertain.reason());
      case FileResult.Done finished -> {
        cells.addAll(finished.cells());
        written += finished.touched() ? 1 : 0;
        finished.notes().forEach(n -> notes.add(refusal(state, id, n)));
      }
    }
  }
}
