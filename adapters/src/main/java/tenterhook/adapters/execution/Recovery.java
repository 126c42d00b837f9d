package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.DiskPresence;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.ReversePatches;
import tenterhook.adapters.store.ReversePatches.Link;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.track.Cell;

/** Tells by a track's file whether a change had reached it, and clears what was left beside it. */
final class Recovery {
  private final CollectionState state;
  private final SafeFiles files;
  private final ReversePatches patches;
  private final String collection;

  /**
   * Looks at files as the collection knows them.
   *
   * @param collection a word of the collection's own, for the names of work rooms
   */
  Recovery(CollectionState state, SafeFiles files, ReversePatches patches, String collection) {
    this.state = state;
    this.files = files;
    this.patches = patches;
    this.collection = collection;
  }

  /** What a file says of a change. */
  sealed interface Finding {
    /**
     * The change had reached it.
     *
     * @param cells what the collection must take over
     */
    record Reached(List<Cell> cells) implements Finding {}

    /** The file is as it was before. */
    record NotReached() implements Finding {}

    /**
     * The file cannot be asked now.
     *
     * @param reason why, and what to do
     */
    record Waiting(String reason) implements Finding {}
  }

  /** Looks at a track's file. */
  Finding look(long change, int id, List<Edit.OfTrack> edits) {
    try {
      Optional<Path> away = away(id, edits);
      return away.isPresent()
          ? new Finding.Waiting(away.get() + " is not there; connect it")
          : found(change, id, edits);
    } catch (IOException | Unreadable | RuntimeException | Error trouble) {
      return new Finding.Waiting(String.valueOf(trouble.getMessage()));
    }
  }

  /** The first folder of the collection that the edits need and that is not there. */
  private Optional<Path> away(int id, List<Edit.OfTrack> edits) {
    List<Place> places = new ArrayList<>(List.of(TrackEdits.place(state.snapshot(), id)));
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.MoveFile move) {
        places.add(move.from());
        Optional<Path> to = state.path(move.to());
        if (to.isPresent() && state.away(to.get())) {
          return to;
        }
      }
    }
    return places.stream()
        .filter(p -> !p.root().equals(Place.HOLDING_BAY))
        .map(p -> state.roots().get(p.root()))
        .filter(root -> root != null && !DiskPresence.connected(root))
        .findFirst();
  }

  private Finding found(long change, int id, List<Edit.OfTrack> edits)
      throws IOException, Unreadable {
    String token = SafeFiles.token(collection, change, id);
    List<Cell> cells = new ArrayList<>();
    boolean reached = false;
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.MoveFile move && moved(move, token)) {
        cells.addAll(FileStep.placed(id, move.to()));
        reached = true;
      }
    }
    if (edits.stream().anyMatch(Recovery::inFile)) {
      Path file = state.path(id);
      if (!Files.exists(file)) {
        return new Finding.NotReached();
      }
      reached |= takesRewritten(change, id, file, edits, cells);
    }
    if (!reached) {
      return new Finding.NotReached();
    }
    cells.addAll(ofProgram(id, edits));
    return new Finding.Reached(cells);
  }

  /** Takes what the file holds into the cells when the change reached it. */
  private boolean takesRewritten(
      long change, int id, Path file, List<Edit.OfTrack> edits, List<Cell> cells)
      throws IOException, Unreadable {
    files.clear(file, SafeFiles.token(collection, change, id));
    if (!rewritten(change, id, file, edits)) {
      return false;
    }
    cells.addAll(ScanCells.of(id, TagFiles.read(file), file));
    return true;
  }

  private boolean moved(Edit.MoveFile move, String token) throws IOException {
    Optional<Path> from = state.path(move.from());
    Optional<Path> to = state.path(move.to());
    return from.isPresent() && to.isPresent() && files.finishMove(from.get(), to.get(), token);
  }

  /** By the hashes that were kept before the file was put in place; failing these, by values. */
  private boolean rewritten(long change, int id, Path file, List<Edit.OfTrack> edits)
      throws IOException, Unreadable {
    String now = SafeFiles.hash(file);
    for (Link link : patches.of(id)) {
      if (link.change() == change && (link.after().equals(now) || link.before().equals(now))) {
        return link.after().equals(now);
      }
    }
    Reading reading = TagFiles.read(file);
    return edits.stream()
        .filter(Recovery::inFile)
        .map(Edit.SetField.class::cast)
        .allMatch(s -> TagWriter.agrees(s.field(), s.after(), reading.raw(s.field())));
  }

  /** The values that live in the collection alone. */
  static List<Cell> ofProgram(int id, List<Edit.OfTrack> edits) {
    List<Cell> cells = new ArrayList<>();
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.SetField set && needsNoFile(edit)) {
        cells.add(new Cell(id, set.field(), set.after()));
      }
    }
    return cells;
  }

  /** Whether an edit is made in the collection alone. */
  static boolean needsNoFile(Edit.OfTrack edit) {
    return edit instanceof Edit.SetField set && !set.inFile();
  }

  private static boolean inFile(Edit.OfTrack edit) {
    return edit instanceof Edit.SetField set && set.inFile();
  }
}
