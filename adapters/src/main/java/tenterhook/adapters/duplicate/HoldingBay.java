package tenterhook.adapters.duplicate;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.adapters.execution.Bin;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** What lies in the holding bay, since when and why; and the only way by which it is emptied. */
public final class HoldingBay {
  private static final double FULL = 0.05;

  private HoldingBay() {}

  /**
   * A file in the holding bay.
   *
   * @param id its track
   * @param from where it came from
   * @param bytes its size
   * @param at when, as the ledger says; empty when the ledger does not know
   * @param why the change that put it there
   */
  public record Held(int id, Place from, long bytes, String at, String why) {}

  /** All that is held, the latest first. */
  public static List<Held> of(MusicCollection collection) {
    Snapshot snapshot = collection.state().snapshot();
    RoaringBitmap open = snapshot.held();
    if (open.isEmpty()) {
      return List.of();
    }
    Map<Long, LedgerEntry> entries =
        collection.history().stream().collect(Collectors.toMap(LedgerEntry::number, e -> e));
    Map<Integer, Long> moves = collection.undoing().lastMovesInto(Place.HOLDING_BAY);
    List<Held> held = new ArrayList<>();
    open.forEach(
        (int id) -> held.add(held(snapshot, id, Optional.ofNullable(entries.get(moves.get(id))))));
    held.sort((a, b) -> b.at().compareTo(a.at()));
    return held;
  }

  private static Held held(Snapshot snapshot, int id, Optional<LedgerEntry> entry) {
    String[] parts = snapshot.raw(id, Fields.PATH).split("/", 3);
    return new Held(
        id,
        new Place(parts[1], parts[2]),
        snapshot.value(id, Fields.SIZE).orElse(0L),
        entry.map(e -> e.at().toString()).orElse(""),
        entry.map(LedgerEntry::title).orElse(""));
  }

  /**
   * What emptying would do.
   *
   * @param copies held files of which another file of the same recording was just now found to be
   *     there
   * @param last held files that are the last of their recording, as far as can be told, with the
   *     reason
   */
  public record Outlook(RoaringBitmap copies, List<Refusal> last) {}

  /**
   * Looks for each held file whether what it was put aside for is there and sounds the same.
   *
   * @param ids which tracks; those that are not held are left out
   * @param progress told of every file
   */
  public static Outlook outlook(MusicCollection collection, RoaringBitmap ids, Progress progress) {
    CollectionState state = collection.state();
    Map<Integer, Long> moves = collection.undoing().lastMovesInto(Place.HOLDING_BAY);
    RoaringBitmap copies = new RoaringBitmap();
    List<Refusal> last = new ArrayList<>();
    RoaringBitmap held = RoaringBitmap.and(ids, state.snapshot().held());
    int[] done = {0};
    held.forEach(
        (int id) -> {
          if (progress.stopped()) {
            return;
          }
          Optional<String> reason = onlyOne(collection, state, moves, id);
          if (reason.isEmpty()) {
            copies.add(id);
          } else {
            last.add(new Refusal(id, state.path(id).toString(), reason.get()));
          }
          progress.at(++done[0], held.getCardinality(), state.snapshot().name(id));
        });
    return new Outlook(copies, last);
  }

  /** Why a held file may be the last of its recording; empty when another one is there. */
  private static Optional<String> onlyOne(
      MusicCollection collection, CollectionState state, Map<Integer, Long> moves, int id) {
    int survivor = survivor(collection, state, moves, id);
    if (survivor == 0) {
      return Optional.of("was put aside by itself, not in favour of another file");
    }
    Path kept = state.path(survivor);
    Path held = state.path(id);
    if (!state.snapshot().has(survivor) || !Files.isRegularFile(kept)) {
      return Optional.of("what was kept in its place is not there: " + kept);
    }
    if (!Files.exists(held)) {
      return Optional.empty();
    }
    if (FileIdentity.same(kept, held)) {
      return Optional.of("is the same file as what was kept: " + kept);
    }
    try {
      return CopyCheck.oneRecording(collection, kept, held)
          ? Optional.empty()
          : Optional.of("what was kept in its place sounds otherwise by now: " + kept);
    } catch (Unreadable trouble) {
      return Optional.of("could not be compared with " + kept + ": " + trouble.getMessage());
    }
  }

  /** What a held file was put aside for; where that one went itself, what it went for. */
  private static int survivor(
      MusicCollection collection, CollectionState state, Map<Integer, Long> moves, int id) {
    int at = id;
    Set<Integer> seen = new HashSet<>();
    while (at != 0 && seen.add(at) && state.snapshot().held().contains(at)) {
      at = collection.undoing().leader(moves.getOrDefault(at, 0L));
    }
    return state.snapshot().held().contains(at) ? 0 : at;
  }

  /**
   * Empties the holding bay, wholly or in part. The tracks leave the collection; this alone cannot
   * be taken back.
   *
   * @param ids which tracks; those that are not held are left out
   * @param alsoLast whether files go as well that are the last of their recording
   * @param bin where the files go
   * @param progress told of every file; a stop leaves the rest
   * @return what could not be taken away is refused and stays held; its number is 0, since there is
   *     nothing to take back
   */
  public static Outcome empty(
      MusicCollection collection, RoaringBitmap ids, boolean alsoLast, Bin bin, Progress progress) {
    List<Edit> edits = new ArrayList<>();
    List<Refusal> refused = new ArrayList<>();
    RoaringBitmap held = RoaringBitmap.and(ids, collection.state().snapshot().held());
    held.forEach(
        (int id) -> {
          if (progress.stopped()) {
            return;
          }
          // looked at one by one, so that each look is as young as it can be
          Outlook outlook = outlook(collection, RoaringBitmap.bitmapOf(id), Progress.SILENT);
          if (!alsoLast && !outlook.copies().contains(id)) {
            Refusal last = outlook.last().getFirst();
            refused.add(new Refusal(id, last.path(), "stays held: " + last.reason()));
          } else {
            take(collection.state().path(id), id, bin, edits, refused);
          }
          progress.at(edits.size() + refused.size(), held.getCardinality(), "");
        });
    if (edits.isEmpty()) {
      return new Outcome(0, "nothing was taken away", 0, 0, refused);
    }
    return emptied(collection, edits, refused);
  }

  private static Outcome emptied(
      MusicCollection collection, List<Edit> edits, List<Refusal> refused) {
    String files = edits.size() == 1 ? "1 file" : edits.size() + " files";
    Change change = new Change("empties the holding bay of " + files, true, edits);
    Outcome done = collection.apply(change, Progress.SILENT);
    collection.undoing().endOfUndo(done.number());
    refused.addAll(done.refused());
    return new Outcome(0, done.title(), done.tracks(), 0, refused);
  }

  private static void take(Path file, int id, Bin bin, List<Edit> edits, List<Refusal> refused) {
    try {
      if (Files.exists(file)) {
        bin.take(file);
      }
      edits.add(new Edit.SetField(id, Fields.LIFECYCLE, "held", "removed"));
    } catch (IOException trouble) {
      refused.add(new Refusal(id, file.toString(), "stays held: " + trouble.getMessage()));
    }
  }

  /**
   * A warning when the disk of the holding bay is nearly full and holds the music as well: then
   * holding frees nothing.
   *
   * @return the share of the disk that is free, 0 to 1; empty when there is nothing to warn of
   */
  public static Optional<Double> warning(CollectionState state) throws IOException {
    Path bay = existing(state.roots().get(Place.HOLDING_BAY));
    FileStore disk = Files.getFileStore(bay);
    double free = disk.getUsableSpace() / (double) Math.max(1, disk.getTotalSpace());
    boolean same = false;
    for (Map.Entry<String, Path> root : state.roots().entrySet()) {
      boolean music =
          !root.getKey().equals(Place.HOLDING_BAY) && Files.isDirectory(root.getValue());
      same |= music && Files.getFileStore(root.getValue()).equals(disk);
    }
    return same && free < FULL ? Optional.of(free) : Optional.empty();
  }

  private static Path existing(Path folder) {
    Path at = folder;
    while (!Files.isDirectory(at)) {
      at = at.getParent();
    }
    return at;
  }
}
