package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.PlainFiles;
import tenterhook.adapters.store.Store;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Codebook, crates and gigs of an open collection as plain files beside its database. */
final class PlainDocuments {
  private final Path folder;
  private final PlainFiles files;
  private final List<Refusal> problems;

  /**
   * The plain files of a collection.
   *
   * @param problems gets what cannot be read or written
   */
  PlainDocuments(Path folder, Store store, List<Refusal> problems) {
    this.folder = folder;
    this.files = new PlainFiles(folder, store);
    this.problems = problems;
  }

  /** The edits that a person made in the files since the program last wrote them. */
  List<Edit> edits(CollectionState state) {
    List<Edit> edits = new ArrayList<>();
    files
        .editedCodebook(problems)
        .filter(c -> !c.equals(state.codebook()))
        .ifPresent(c -> edits.add(new Edit.SetCodebook(state.codebook(), c)));
    files
        .editedCrates(state.crates(), () -> trackNamed(state.snapshot()), problems)
        .filter(c -> !c.equals(state.crates()))
        .ifPresent(c -> edits.add(new Edit.SetCrates(state.crates(), c)));
    files
        .editedGigs(state.gigs(), () -> trackNamed(state.snapshot()), problems)
        .filter(g -> !g.equals(state.gigs()))
        .ifPresent(g -> edits.add(new Edit.SetGigs(state.gigs(), g)));
    return edits;
  }

  /** Writes codebook, crates and gigs. */
  void write(CollectionState state) {
    try {
      files.write(state.codebook(), problems);
      files.write(state.crates(), id -> trackName(state.snapshot(), id), problems);
      files.write(state.gigs(), id -> trackName(state.snapshot(), id), problems);
    } catch (IOException trouble) {
      problems.add(
          new Refusal(0, folder.toString(), "plain files not written: " + trouble.getMessage()));
    }
  }

  /** Finds tracks by their names; removed ones too, of which a crate or a gig may still speak. */
  private static Function<String, Optional<Integer>> trackNamed(Snapshot snapshot) {
    Map<String, Integer> byName = new HashMap<>();
    snapshot.known().forEach((int id) -> byName.putIfAbsent(trackName(snapshot, id), id));
    snapshot.tracks().forEach((int id) -> byName.put(trackName(snapshot, id), id));
    return name -> Optional.ofNullable(byName.get(name));
  }

  private static String trackName(Snapshot snapshot, int id) {
    return snapshot.raw(id, Fields.ROOT) + "/" + snapshot.raw(id, Fields.PATH);
  }
}
