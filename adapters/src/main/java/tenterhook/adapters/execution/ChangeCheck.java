package tenterhook.adapters.execution;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.Leftovers;
import tenterhook.adapters.store.Store;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.merge.MergeConflict;
import tenterhook.core.track.Snapshot;

/** Compares a change with the collection as it is, before anything is written or entered. */
final class ChangeCheck {
  private final Store store;
  private static final String ELSEWHERE = "its file is elsewhere by now";

  private final Ledger ledger;
  private boolean still;

  ChangeCheck(Store store, Ledger ledger) {
    this.store = store;
    this.ledger = ledger;
  }

  void holdStill(boolean on) {
    still = on;
  }

  boolean isStill() {
    return still;
  }

  /** The same edits of crates and codebook on these as they are now; a conflict is a refusal. */
  static Change rebased(CollectionState state, Change change, ChangeRun run) {
    List<Edit> edits = new ArrayList<>();
    for (Edit edit : change.edits()) {
      try {
        edits.add(
            switch (edit) {
              case Edit.SetCrates set -> set.on(state.crates());
              case Edit.SetGigs set -> set.on(state.gigs());
              case Edit.SetCodebook set -> set.on(state.codebook());
              case Edit.SetRoot set -> stillThere(state, set);
              case Edit.OfTrack one -> one;
            });
      } catch (MergeConflict conflict) {
        String what = document(edit);
        run.refuse(what, String.valueOf(conflict.getMessage()));
      }
    }
    return new Change(change.title(), change.byHand(), edits, change.leader());
  }

  private static String document(Edit edit) {
    return switch (edit) {
      case Edit.SetCrates crates -> "crates";
      case Edit.SetGigs gigs -> "gigs";
      case Edit.SetCodebook book -> "codebook";
      case Edit.SetRoot root -> root.name();
      case Edit.OfTrack one -> "";
    };
  }

  private static Edit stillThere(CollectionState state, Edit.SetRoot set) throws MergeConflict {
    Path now = state.roots().get(set.name());
    if (now == null || !now.equals(Path.of(set.before()))) {
      throw new MergeConflict("the folder " + set.name() + " is elsewhere by now: " + now);
    }
    return set;
  }

  /** The edits of each track, in their order. */
  static Map<Integer, List<Edit.OfTrack>> byTrack(Change change) {
    Map<Integer, List<Edit.OfTrack>> byTrack = new LinkedHashMap<>();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.OfTrack one) {
        byTrack.computeIfAbsent(one.id(), i -> new ArrayList<>()).add(one);
      }
    }
    return byTrack;
  }

  /** The edits of each track, without those that cannot be made; why not is in the run. */
  Map<Integer, List<Edit.OfTrack>> checked(CollectionState state, Change change, ChangeRun run) {
    Map<Integer, List<Edit.OfTrack>> byTrack = byTrack(change);
    RoaringBitmap waiting = ledger.waiting();
    new Leftovers(store).all().forEach(left -> waiting.add(left.track()));
    byTrack
        .entrySet()
        .removeIf(
            entry -> {
              int id = entry.getKey();
              String reason = objection(state, change, id, entry.getValue(), waiting);
              if (reason != null) {
                run.refuse(state, id, reason);
              }
              return reason != null;
            });
    return byTrack;
  }

  private @Nullable String objection(
      CollectionState state,
      Change change,
      int id,
      List<Edit.OfTrack> edits,
      RoaringBitmap waiting) {
    if (still) {
      return "a night is on, and no file is altered before its view is left";
    }
    if (takenAway(state, id, edits)) {
      return "its file was taken out of the holding bay for good";
    }
    return waiting.contains(id)
        ? "an earlier change is not yet certain on its file; connect its disk"
        : objection(state.snapshot(), change, id, edits);
  }

  /** Whether a track is to be held whose file is no longer in the holding bay. */
  private static boolean takenAway(CollectionState state, int id, List<Edit.OfTrack> edits) {
    return edits.size() == 1
        && edits.getFirst() instanceof Edit.SetField set
        && set.field() == Fields.LIFECYCLE
        && set.after().equals("held")
        && !Files.exists(state.path(id));
  }

  private static @Nullable String objection(
      Snapshot snapshot, Change change, int id, List<Edit.OfTrack> edits) {
    if (!change.byHand() && !snapshot.raw(id, Fields.GUARDED).isEmpty()) {
      return "is guarded; change it by itself, or unguard it";
    }
    Map<Field<?>, String> values = new HashMap<>();
    for (Edit.OfTrack edit : edits) {
      switch (edit) {
        case Edit.SetField set -> {
          String now = values.getOrDefault(set.field(), snapshot.raw(id, set.field()));
          if (!TagWriter.agrees(set.field(), set.before(), now)) {
            return "its "
                + set.field().label()
                + " is \""
                + set.field().type().show(now)
                + "\" by now";
          }
          values.put(set.field(), set.after());
        }
        case Edit.MoveFile move when !isAt(snapshot, id, move.from()) -> {
          return ELSEWHERE;
        }
        case Edit.Relocate point when !isAt(snapshot, id, point.from()) -> {
          return ELSEWHERE;
        }
        case Edit.MoveFile move -> {}
        case Edit.Relocate point -> {}
      }
    }
    return null;
  }

  private static boolean isAt(Snapshot snapshot, int id, Place place) {
    return TrackEdits.place(snapshot, id).equals(place);
  }
}
