package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.execution.Recovery.Finding;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.CodebookJson;
import tenterhook.adapters.store.CrateJson;
import tenterhook.adapters.store.GigJson;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.Leftovers;
import tenterhook.adapters.store.Leftovers.Leftover;
import tenterhook.adapters.store.ReversePatches;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;

/**
 * The one executor by which anything is altered: check, enter in the ledger, files, database. Used
 * by the open collection alone, one change at a time.
 */
public final class ChangeExecutor {

  private final Store store;
  private final Ledger ledger;
  private final FileCalls calls;
  private final SafeFiles files;
  private final String collection;
  private final ChangeCheck check;

  /**
   * The executor of a collection.
   *
   * @param calls by which users' files are altered
   * @param collection a word of the collection's own, for the names of work rooms
   */
  public ChangeExecutor(Store store, Ledger ledger, FileCalls calls, String collection) {
    this.store = store;
    this.ledger = ledger;
    this.calls = calls;
    this.files = new SafeFiles(calls);
    this.collection = collection;
    this.check = new ChangeCheck(store, ledger);
  }

  /** From now on tracks refuse everything, or take it again. */
  public void holdStill(boolean on) {
    check.holdStill(on);
  }

  /** The changes of which files are to be asked; none while tracks refuse everything. */
  public List<Long> interrupted() {
    return check.isStill() ? List.of() : ledger.interrupted();
  }

  /**
   * What was done.
   *
   * @param outcome for people
   * @param change what was made, on the collection as it was
   * @param cells what the collection must take over
   * @param others whether edits that concern no track were made
   */
  public record Executed(Outcome outcome, Change change, List<Cell> cells, boolean others) {}

  /**
   * An undo.
   *
   * @param change the change that is taken back, 0 for none
   * @param exactly whether files must get their very bytes back; if not, old values will do where
   *     the bytes are not known
   */
  public record Undo(long change, boolean exactly) {
    /** A change that takes none back. */
    public static final Undo NONE = new Undo(0, true);
  }

  /**
   * Makes a change.
   *
   * @param state the collection as it is
   * @param asked what to do; where it edits crates or codebook as they were before, the same edit
   *     is made on them as they are
   * @param undo what it takes back
   * @param at when
   * @param progress told of every track; a stop leaves the rest as it was
   * @throws StoreBroken when the database cannot be read or written
   */
  public Executed execute(
      CollectionState state, Change asked, Undo undo, Instant at, Progress progress) {
    ChangeRun run = new ChangeRun();
    Change change = ChangeCheck.rebased(state, asked, run);
    boolean othersHold = run.refused.isEmpty();
    Map<Integer, List<Edit.OfTrack>> byTrack = check.checked(state, change, run);
    if (change.leader() != 0 && (!othersHold || run.out.contains(change.leader()))) {
      leaveAll(state, byTrack, run);
      othersHold = false;
    }
    if (byTrack.isEmpty() && !(othersHold && change.hasDocuments())) {
      return new Executed(outcome(0, change, 0, run), change, List.of(), false);
    }
    long number = opened(entered(change, byTrack, othersHold), at, undo);
    FileStep.Task task =
        new FileStep.Task(number, undo.change(), undo.exactly(), collection, change.leader());
    TagWriter writer = new TagWriter(store, calls);
    PastStates past = new PastStates(store, ledger, writer);
    FileStep step = new FileStep(state, store, files, past, writer, task);
    steps(step, state, change.leader(), byTrack, run, progress);
    confirm(state, number, byTrack, run);
    othersHold &= !run.out.contains(change.leader()) && !run.open.contains(change.leader());
    int tracks = (int) byTrack.keySet().stream().filter(id -> !run.out.contains(id)).count();
    boolean others = othersHold && change.hasDocuments();
    long kept = tracks > 0 || others ? number : 0;
    try {
      settle(number, change, run, others, true);
    } catch (StoreBroken trouble) {
      return unkept(change, tracks, run, trouble);
    }
    return new Executed(outcome(kept, change, tracks, run), change, run.cells, others);
  }

  private static Outcome outcome(long number, Change change, int tracks, ChangeRun run) {
    return new Outcome(
        number, change.title(), tracks, run.written, run.refused, run.unconfirmed, run.notes);
  }

  /**
   * What the ledger says is under way: without the tracks that refused. Whoever looks at a file
   * later would take it for done on them, where another change did the same.
   */
  private static Change entered(
      Change change, Map<Integer, List<Edit.OfTrack>> byTrack, boolean others) {
    List<Edit> edits =
        change.edits().stream()
            .filter(e -> e instanceof Edit.OfTrack one ? byTrack.containsKey(one.id()) : others)
            .toList();
    return new Change(change.title(), change.byHand(), edits, change.leader());
  }

  private long opened(Change change, Instant at, Undo undo) {
    long[] number = {0};
    transaction(() -> number[0] = ledger.open(change, at, undo.change()));
    return number[0];
  }

  /**
   * Values, ledger, crates and codebook change together or not at all. Where the database reports a
   * trouble although it took all in, that is seen, so that nobody works on with what is out of
   * date.
   */
  private void settle(
      long number, Change change, ChangeRun run, boolean others, boolean othersEnd) {
    try {
      close(number, change, run, others, othersEnd);
    } catch (StoreBroken trouble) {
      if (!RoaringBitmap.andNot(ledger.open(number), run.open).isEmpty()
          || ledger.open(number).isEmpty() && ledger.interrupted().contains(number)) {
        throw trouble;
      }
    }
  }

  private void close(long number, Change change, ChangeRun run, boolean others, boolean othersEnd) {
    transaction(
        () ->
            store.together(
                () -> {
                  store.put(run.cells);
                  RoaringBitmap open = run.open.clone();
                  if (!othersEnd) {
                    open.add(0);
                  }
                  ledger.close(number, run.out, open, others);
                  run.leftovers.forEach(new Leftovers(store)::add);
                  keepOthers(change, others);
                }));
  }

  private void transaction(Runnable work) {
    try {
      FileCalls.Action<RuntimeException> action = work::run;
      calls.call(FileCalls.CallKind.STORE, Path.of(Store.FILE), action);
    } catch (IOException trouble) {
      throw new StoreBroken("the database takes nothing in: " + trouble.getMessage(), trouble);
    }
  }

  /** Files hold the new values, and the ledger holds the change open until it can be closed. */
  private static Executed unkept(Change change, int tracks, ChangeRun run, StoreBroken trouble) {
    run.unconfirmed.add(
        new Refusal(
            0,
            "collection",
            trouble.getMessage()
                + " ("
                + run.written
                + " files are written; they are taken over, and can be taken back, as soon as the"
                + " database takes something in again, or at the next start)"));
    return new Executed(outcome(0, change, tracks, run), change, run.cells, false);
  }

  /** Nothing is done to tracks whose leader was refused. */
  private static void leaveAll(
      CollectionState state, Map<Integer, List<Edit.OfTrack>> byTrack, ChangeRun run) {
    byTrack.keySet().forEach(id -> leave(state, id, run));
    byTrack.clear();
  }

  private static void leave(CollectionState state, int id, ChangeRun run) {
    run.refuse(state, id, "was left alone, since the rest could not be done");
  }

  /** Together with the ledger, so that a crate never points to what the ledger says it does not. */
  private void keepOthers(Change change, boolean others) {
    for (Edit edit : others ? change.edits() : List.<Edit>of()) {
      switch (edit) {
        case Edit.SetCodebook book ->
            store.putDocument("codebook", CodebookJson.write(book.after()));
        case Edit.SetCrates crates -> store.putDocument("crates", CrateJson.byId(crates.after()));
        case Edit.SetGigs gigs -> store.putDocument("gigs", GigJson.byId(gigs.after()));
        case Edit.SetRoot root -> store.putRoot(root.name(), Path.of(root.after()));
        case Edit.OfTrack one -> {}
      }
    }
  }

  private void steps(
      FileStep step,
      CollectionState state,
      int leader,
      Map<Integer, List<Edit.OfTrack>> byTrack,
      ChangeRun run,
      Progress progress) {
    int done = 0;
    for (Map.Entry<Integer, List<Edit.OfTrack>> entry : byTrack.entrySet()) {
      int id = entry.getKey();
      if (run.out.contains(leader) || run.open.contains(leader)) {
        leave(state, id, run);
        continue;
      }
      if (progress.stopped()) {
        run.refuse(state, id, "stopped before its turn");
        continue;
      }
      FileResult result = step.run(id, entry.getValue());
      run.take(state, id, result);
      if (result instanceof FileResult.Untouched) {
        run.leftovers.addAll(step.leftBehind(id, entry.getValue()));
      }
      progress.at(++done, byTrack.size(), state.snapshot().name(id));
    }
  }

  /** Asks the files at once of what is not certain; what stays open is asked again later. */
  private void confirm(
      CollectionState state, long number, Map<Integer, List<Edit.OfTrack>> byTrack, ChangeRun run) {
    Recovery recovery = new Recovery(state, files, new ReversePatches(store), collection);
    for (int id : run.open.toArray()) {
      Refusal why = run.unconfirmed.stream().filter(r -> r.id() == id).findFirst().orElseThrow();
      switch (recovery.look(number, id, byTrack.get(id))) {
        case Finding.Reached reached -> run.closeDone(id, why, reached.cells());
        case Finding.NotReached none -> run.closeRefused(id, why);
        case Finding.Waiting waiting ->
            run.unconfirmed.set(
                run.unconfirmed.indexOf(why),
                new Refusal(id, why.path(), why.reason() + "; " + waiting.reason()));
      }
    }
  }

  /** Clears away what could not be cleared before, as far as its disk is there. */
  public void clearLeftovers(CollectionState state) {
    Leftovers leftovers = new Leftovers(store);
    for (Leftover one : leftovers.all()) {
      if (check.isStill() || state.away(one.path()) || state.away(one.source())) {
        continue;
      }
      try {
        files.clearLeft(one.source(), one.path(), one.token());
        if (!files.leftBehind(one.source(), one.path(), one.token())) {
          leftovers.remove(one);
        }
      } catch (IOException | RuntimeException later) {
        continue; // asked again at the next start, and before the next change
      }
    }
  }

  /**
   * Brings ledger and files together after an interruption, or when a disk is back: what a file
   * already holds is kept and entered, what it does not hold leaves the ledger, and of what cannot
   * be asked nothing is said. What needs no file, such as plays, crates and codebook, follows when
   * any file was reached.
   *
   * @param state the collection as the database has it
   * @param number a change that is open
   * @return what the collection must take over; tracks that wait are unconfirmed
   * @throws StoreBroken when the database cannot be read or written
   */
  public Executed recover(CollectionState state, long number) {
    Change entered = ledger.change(number).orElse(new Change("interrupted", true, List.of()));
    ChangeRun rebasing = new ChangeRun();
    Change change = ChangeCheck.rebased(state, entered, rebasing);
    RoaringBitmap open = ledger.open(number);
    Map<Integer, List<Edit.OfTrack>> byTrack = ChangeCheck.byTrack(change);
    byTrack.keySet().removeIf(id -> !open.contains(id));
    Recovery recovery = new Recovery(state, files, new ReversePatches(store), collection);
    ChangeRun run = new ChangeRun();
    byTrack.forEach((id, edits) -> run.take(state, id, recovery.look(number, id, edits)));
    boolean reached = ledger.holding(number).getCardinality() > 0 || !run.cells.isEmpty();
    followFiles(byTrack, reached, run);
    boolean decided = reached || run.open.isEmpty();
    boolean others = reached && change.hasDocuments() && rebasing.refused.isEmpty();
    settle(number, change, run, others, decided);
    int tracks = byTrack.size() - run.out.getCardinality() - run.open.getCardinality();
    return new Executed(outcome(number, change, tracks, run), change, run.cells, others);
  }

  /** What needs no file goes the way of the change's files: done, not done, or not known yet. */
  private static void followFiles(
      Map<Integer, List<Edit.OfTrack>> byTrack, boolean reached, ChangeRun run) {
    for (int id : run.out.toArray()) {
      if (byTrack.get(id).stream().allMatch(Recovery::needsNoFile)) {
        if (reached) {
          run.cells.addAll(Recovery.ofProgram(id, byTrack.get(id)));
          run.out.remove(id);
        } else if (!run.open.isEmpty()) {
          run.out.remove(id);
          run.open.add(id);
        }
      }
    }
  }
}
