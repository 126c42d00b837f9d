package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.store.CodebookJson;
import tenterhook.backstage.store.CrateJson;
import tenterhook.backstage.store.Ledger;
import tenterhook.backstage.store.Store;
import tenterhook.backstage.store.StoreBroken;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * The one road by which anything is altered: check, enter in the ledger, files, database. Used by
 * {@link MusicCollection} alone, one change at a time.
 */
final class Road {
  private final Store store;
  private final Ledger ledger;

  Road(Store store, Ledger ledger) {
    this.store = store;
    this.ledger = ledger;
  }

  /** What the road did: the outcome, and what the collection must take over. */
  record Done(Outcome outcome, List<Cell> cells, boolean others) {}

  Done go(
      CollectionState state, Change change, long undoes, java.time.Instant at, Progress progress) {
    List<Refusal> refused = new ArrayList<>();
    RoaringBitmap out = new RoaringBitmap();
    boolean othersHold = othersHold(state, change, refused);
    Map<Integer, List<Edit.OfTrack>> byTrack = checked(state, change, out, refused);
    if (change.leader() != 0 && (!othersHold || out.contains(change.leader()))) {
      leaveAll(state, byTrack, out, refused);
      othersHold = false;
    }
    if (byTrack.isEmpty() && !(othersHold && hasOthers(change))) {
      return new Done(new Outcome(0, change.title(), 0, 0, refused), List.of(), false);
    }
    long number = ledger.open(change, at, undoes);
    List<Cell> cells = new ArrayList<>();
    FileStep step = new FileStep(state, store, number, undoes);
    int written = files(step, state, change.leader(), byTrack, cells, out, refused, progress);
    othersHold &= !out.contains(change.leader());
    int tracks = byTrack.size() - (int) byTrack.keySet().stream().filter(out::contains).count();
    boolean others = othersHold && hasOthers(change);
    long kept = tracks > 0 || others ? number : 0;
    try {
      store.together(
          () -> {
            store.put(cells);
            ledger.close(number, out, tracks, others);
            keepOthers(change, others);
          });
    } catch (StoreBroken trouble) {
      return unkept(change, tracks, written, cells, refused, trouble);
    }
    return new Done(new Outcome(kept, change.title(), tracks, written, refused), cells, others);
  }

  /** Files hold the new values, and the ledger holds the change open until the next start. */
  private static Done unkept(
      Change change,
      int tracks,
      int written,
      List<Cell> cells,
      List<Refusal> refused,
      StoreBroken trouble) {
    refused.add(
        new Refusal(
            0,
            "collection",
            trouble.getMessage()
                + " ("
                + written
                + " files are written; the next start takes them over and can take them back)"));
    return new Done(new Outcome(0, change.title(), tracks, written, refused), cells, false);
  }

  /** Nothing is done to tracks whose leader was refused. */
  private static void leaveAll(
      CollectionState state,
      Map<Integer, List<Edit.OfTrack>> byTrack,
      RoaringBitmap out,
      List<Refusal> refused) {
    byTrack.keySet().forEach(id -> leave(state, id, out, refused));
    byTrack.clear();
  }

  private static void leave(
      CollectionState state, int id, RoaringBitmap out, List<Refusal> refused) {
    out.add(id);
    refused.add(
        new Refusal(
            id, state.path(id).toString(), "was left alone, since the rest could not be done"));
  }

  private static boolean hasOthers(Change change) {
    return change.edits().stream().anyMatch(e -> !(e instanceof Edit.OfTrack));
  }

  /** Together with the ledger, so that a crate never points to what the ledger says it does not. */
  private void keepOthers(Change change, boolean others) {
    for (Edit edit : others ? change.edits() : List.<Edit>of()) {
      if (edit instanceof Edit.SetCodebook book) {
        store.putDocument("codebook", CodebookJson.write(book.after()));
      } else if (edit instanceof Edit.SetCrates crates) {
        store.putDocument("crates", CrateJson.byId(crates.after()));
      }
    }
  }

  /** Edits of crates and codebook hold only while both are as they were. */
  private static boolean othersHold(CollectionState state, Change change, List<Refusal> refused) {
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetCrates crates && !crates.before().equals(state.crates())) {
        refused.add(
            new Refusal(0, "crates", "the crates were changed meanwhile; they stay as they are"));
        return false;
      }
      if (edit instanceof Edit.SetCodebook book && !book.before().equals(state.codebook())) {
        refused.add(
            new Refusal(0, "codebook", "the codebook was changed meanwhile; it stays as it is"));
        return false;
      }
    }
    return true;
  }

  private static Map<Integer, List<Edit.OfTrack>> byTrack(Change change) {
    Map<Integer, List<Edit.OfTrack>> byTrack = new LinkedHashMap<>();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.OfTrack one) {
        byTrack.computeIfAbsent(one.id(), i -> new ArrayList<>()).add(one);
      }
    }
    return byTrack;
  }

  private static Map<Integer, List<Edit.OfTrack>> checked(
      CollectionState state, Change change, RoaringBitmap out, List<Refusal> refused) {
    Map<Integer, List<Edit.OfTrack>> byTrack = byTrack(change);
    byTrack
        .entrySet()
        .removeIf(
            entry -> {
              String reason =
                  takenAway(state, entry.getKey(), entry.getValue())
                      ? "its file was taken out of the holding bay for good"
                      : objection(state.snapshot(), change, entry.getKey(), entry.getValue());
              if (reason == null) {
                return false;
              }
              out.add(entry.getKey());
              refused.add(
                  new Refusal(entry.getKey(), state.path(entry.getKey()).toString(), reason));
              return true;
            });
    return byTrack;
  }

  /** Whether a track is to be held whose file is no longer in the holding bay. */
  private static boolean takenAway(CollectionState state, int id, List<Edit.OfTrack> edits) {
    return edits.size() == 1
        && edits.getFirst() instanceof Edit.SetField set
        && set.field() == Fields.STANDING
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
          if (!FileStep.agrees(set.field(), set.before(), now)) {
            return "its "
                + set.field().label()
                + " is \""
                + set.field().type().show(now)
                + "\" by now";
          }
          values.put(set.field(), set.after());
        }
        case Edit.MoveFile move -> {
          if (!isAt(snapshot, id, move.from())) {
            return "its file is elsewhere by now";
          }
        }
        case Edit.Repoint point -> {
          if (!isAt(snapshot, id, point.from())) {
            return "its file is elsewhere by now";
          }
        }
      }
    }
    return null;
  }

  private static boolean isAt(Snapshot snapshot, int id, Place place) {
    return TrackEdits.place(snapshot, id).equals(place);
  }

  private int files(
      FileStep step,
      CollectionState state,
      int leader,
      Map<Integer, List<Edit.OfTrack>> byTrack,
      List<Cell> cells,
      RoaringBitmap out,
      List<Refusal> refused,
      Progress progress) {
    int written = 0;
    int done = 0;
    for (Map.Entry<Integer, List<Edit.OfTrack>> entry : byTrack.entrySet()) {
      int id = entry.getKey();
      if (out.contains(leader)) {
        leave(state, id, out, refused);
        continue;
      }
      try {
        if (progress.stopped()) {
          throw new FileStep.Refused("stopped before its turn");
        }
        FileStep.Result result = step.run(id, entry.getValue());
        cells.addAll(result.cells());
        written += result.touched() ? 1 : 0;
      } catch (FileStep.Refused reason) {
        out.add(id);
        refused.add(
            new Refusal(id, state.path(id).toString(), String.valueOf(reason.getMessage())));
      }
      progress.at(++done, byTrack.size(), state.snapshot().name(id));
    }
    return written;
  }

  /**
   * Brings ledger and files together after an interruption: what a file already holds is kept and
   * entered, the rest leaves the ledger. What needs no file, such as plays, crates and codebook,
   * follows when any file was reached.
   *
   * @param state the collection as the database has it
   * @param number the interrupted change
   * @param change its edits
   * @return what the collection must take over
   */
  Done recover(CollectionState state, long number, Change change) throws IOException {
    Map<Integer, List<Edit.OfTrack>> byTrack = byTrack(change);
    RoaringBitmap out = new RoaringBitmap();
    List<Cell> cells = new ArrayList<>();
    for (Map.Entry<Integer, List<Edit.OfTrack>> entry : byTrack.entrySet()) {
      List<Cell> found = Recovery.found(state, entry.getKey(), entry.getValue());
      if (found.isEmpty()) {
        out.add(entry.getKey());
      }
      cells.addAll(found);
    }
    boolean reached = out.getCardinality() < byTrack.size();
    for (int id : reached ? out.toArray() : new int[0]) {
      if (byTrack.get(id).stream().allMatch(Recovery::needsNoFile)) {
        cells.addAll(Recovery.ofProgram(id, byTrack.get(id)));
        out.remove(id);
      }
    }
    int tracks = byTrack.size() - out.getCardinality();
    boolean others = reached && hasOthers(change) && othersHold(state, change, new ArrayList<>());
    store.together(
        () -> {
          store.put(cells);
          ledger.close(number, out, tracks, others);
          keepOthers(change, others);
        });
    Outcome outcome = new Outcome(number, change.title(), tracks, 0, List.of());
    return new Done(outcome, cells, others);
  }
}
