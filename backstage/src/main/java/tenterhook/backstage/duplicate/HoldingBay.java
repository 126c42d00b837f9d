package tenterhook.backstage.duplicate;

import java.awt.Desktop;
import java.awt.GraphicsEnvironment;
import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.backstage.collection.MusicCollection;
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

  /** Takes files that nobody wants any more. */
  @FunctionalInterface
  public interface Bin {
    /**
     * Takes one file away for good, or to where the system keeps what was thrown away.
     *
     * @throws IOException when the file is still there
     */
    void take(Path file) throws IOException;
  }

  /** All that is held, the latest first. */
  public static List<Held> of(MusicCollection collection) {
    Snapshot snapshot = collection.state().snapshot();
    RoaringBitmap open = snapshot.held();
    if (open.isEmpty()) {
      return List.of();
    }
    Map<Long, LedgerEntry> entries =
        collection.history().stream().collect(Collectors.toMap(LedgerEntry::number, e -> e));
    Map<Integer, Long> moves = collection.lastMovesInto(Place.HOLDING_BAY);
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

  /** The system's bin, or none where there is no desktop: then files are deleted. */
  public static Optional<Bin> systemBin() {
    if (GraphicsEnvironment.isHeadless()
        || !Desktop.isDesktopSupported()
        || !Desktop.getDesktop().isSupported(Desktop.Action.MOVE_TO_TRASH)) {
      return Optional.empty();
    }
    return Optional.of(
        file -> {
          if (!Desktop.getDesktop().moveToTrash(file.toFile())) {
            throw new IOException("the bin does not take it");
          }
        });
  }

  /**
   * Empties the holding bay, wholly or in part. The tracks leave the collection; this alone cannot
   * be taken back by undo.
   *
   * @param ids which tracks; those that are not held are left out
   * @param bin where the files go
   * @param progress told of every file; a stop leaves the rest
   * @return what could not be taken away is refused and stays held
   */
  public static Outcome empty(
      MusicCollection collection, RoaringBitmap ids, Bin bin, Progress progress) {
    CollectionState state = collection.state();
    RoaringBitmap held = RoaringBitmap.and(ids, state.snapshot().held());
    List<Edit> edits = new ArrayList<>();
    List<Refusal> refused = new ArrayList<>();
    held.forEach(
        (int id) -> {
          if (progress.stopped()) {
            return;
          }
          Path file = state.path(id);
          try {
            if (Files.exists(file)) {
              bin.take(file);
            }
            edits.add(new Edit.SetField(id, Fields.STANDING, "held", "removed"));
          } catch (IOException trouble) {
            refused.add(new Refusal(id, file.toString(), "stays held: " + trouble.getMessage()));
          }
          progress.at(edits.size() + refused.size(), held.getCardinality(), "");
        });
    if (edits.isEmpty()) {
      return new Outcome(0, "nothing was taken away", 0, 0, refused);
    }
    String files = edits.size() == 1 ? "1 file" : edits.size() + " files";
    Change change = new Change("empties the holding bay of " + files, true, edits);
    Outcome done = collection.apply(change, Progress.SILENT);
    refused.addAll(done.refused());
    return new Outcome(done.number(), done.title(), done.tracks(), 0, refused);
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
