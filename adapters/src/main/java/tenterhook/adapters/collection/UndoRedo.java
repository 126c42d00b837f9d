package tenterhook.adapters.collection;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection.Command;
import tenterhook.adapters.execution.ChangeExecutor.Undo;
import tenterhook.adapters.store.KeptHistory;
import tenterhook.adapters.store.Ledger;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.UndoOrder;
import tenterhook.core.job.Progress;

/** Takes changes of the ledger back, in any order, track by track. */
public final class UndoRedo {
  private final Ledger ledger;
  private final KeptHistory kept;
  private final Applier applier;
  private final Set<Long> refusedAll = ConcurrentHashMap.newKeySet();

  /** Makes the change of an undo. */
  @FunctionalInterface
  interface Applier {
    Outcome apply(Command command, Undo undo, Progress progress);
  }

  UndoRedo(Ledger ledger, KeptHistory kept, Applier applier) {
    this.ledger = ledger;
    this.kept = kept;
    this.applier = applier;
  }

  /**
   * Takes back what still holds of a change. A track that refuses can be taken back later.
   *
   * @param number its number in the ledger
   * @param exactly whether files must get their very bytes back: a track whose bytes of before are
   *     not known is refused then, and gets its old values otherwise
   * @param progress told of every track
   * @throws IllegalArgumentException when there is no such change, or nothing of it holds
   */
  public Outcome undo(long number, boolean exactly, Progress progress) {
    LedgerEntry entry = undoable(number);
    refusedAll.add(number);
    String title = (entry.undoes() > 0 ? "does again: " : "takes back: ") + plainTitle(entry);
    Outcome outcome =
        applier.apply(now -> held(number).inverse(title), new Undo(number, exactly), progress);
    if (outcome.number() != 0 || progress.stopped()) {
      refusedAll.remove(number);
    }
    return outcome;
  }

  private LedgerEntry undoable(long number) {
    LedgerEntry entry =
        ledger.entries().stream()
            .filter(e -> e.number() == number)
            .findFirst()
            .orElseThrow(() -> new IllegalArgumentException("the ledger has no change " + number));
    if (!entry.canUndo()) {
      throw new IllegalArgumentException(
          entry.undoneBy() > 0
              ? "change " + number + " was taken back already by change " + entry.undoneBy()
              : "change " + number + " can no longer be taken back: history was shortened");
    }
    return entry;
  }

  /** What still holds of a change. */
  private Change held(long number) {
    Change change = ledger.change(number).orElseThrow();
    RoaringBitmap holding = ledger.holding(number);
    List<Edit> edits =
        change.edits().stream()
            .filter(e -> holding.contains(e instanceof Edit.OfTrack one ? one.id() : 0))
            .toList();
    return new Change(change.title(), true, edits);
  }

  private static String plainTitle(LedgerEntry entry) {
    return entry.title().replaceFirst("^(takes back|does again): ", "");
  }

  Optional<LedgerEntry> next() {
    return UndoOrder.nextUndo(
        ledger.entries().stream().filter(e -> !refusedAll.contains(e.number())).toList());
  }

  /** The number of the change that last moved each track's file into a root. */
  public Map<Integer, Long> lastMovesInto(String root) {
    return ledger.lastMovesInto(root);
  }

  /**
   * What history takes in the database.
   *
   * @param changes how many can still be taken back
   * @param bytes what is kept for that
   */
  public record Cost(long changes, long bytes) {}

  /** What history costs now. */
  public Cost cost() {
    return new Cost(ledger.entries().stream().filter(LedgerEntry::canUndo).count(), kept.bytes());
  }

  /**
   * Ends undo of all changes up to one, and frees what was kept for them. They stay in the ledger
   * as what was done.
   *
   * @param upTo the number of the last change that can no longer be taken back
   * @return how many bytes are no longer kept
   */
  public long shorten(long upTo) {
    return kept.shorten(upTo);
  }

  /** Says of a change that it cannot be taken back, such as one that took files away for good. */
  public void endOfUndo(long change) {
    ledger.seal(change);
  }

  /** The track in favour of which a change put others aside; 0 for none. */
  public int leader(long change) {
    return ledger.leader(change);
  }
}
