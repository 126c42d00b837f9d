package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.disk.ByteDelta;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.ReversePatches;
import tenterhook.adapters.store.ReversePatches.Link;
import tenterhook.adapters.store.ReversePatches.ReversePatch;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;

/**
 * Takes a change back from a file to the byte, also when newer changes wrote the same file: the
 * file is led back over all of them to the state before the change, and the newer ones are made
 * again on that. Every state on the way gets its own way back, so that these can be undone in any
 * order, too.
 */
final class PastStates {
  private static final int MOST_NESTED = 32;

  private final Store store;
  private final Ledger ledger;
  private final ReversePatches patches;
  private final TagWriter writer;
  private final Map<Long, Map<Integer, Map<Field<?>, String>>> values = new HashMap<>();

  PastStates(Store store, Ledger ledger, TagWriter writer) {
    this.store = store;
    this.ledger = ledger;
    this.patches = new ReversePatches(store);
    this.writer = writer;
  }

  /** Keeps what leads from a rewritten copy back to the file as it was. */
  void keep(int track, long change, Path before, Path after, String artwork) throws IOException {
    String sha = Artwork.parse(artwork).map(Artwork::sha256).orElse("");
    Optional<byte[]> picture = store.picture(sha);
    ByteDelta.Patch patch = ByteDelta.of(before, after, picture.orElse(new byte[0]), patches);
    patches.put(track, change, new ReversePatch(patch, picture.isPresent() ? sha : ""));
  }

  /**
   * Turns a copy of a track's file into what the file would be had a change not been made.
   *
   * @param copy in a folder of its own; altered even when this fails
   * @return false when the copy is in a state that the program did not make
   * @throws IOException when something that is needed for it is no longer kept
   */
  boolean takeBack(int track, long change, Path copy) throws IOException, Unreadable {
    return takeBack(track, change, copy, 0);
  }

  private boolean takeBack(int track, long change, Path copy, int nested)
      throws IOException, Unreadable {
    List<Link> path = path(patches.of(track), SafeFiles.hash(copy), change);
    if (path.isEmpty() || nested > MOST_NESTED) {
      return false;
    }
    for (Link link : path) {
      restore(track, link, copy);
    }
    for (long again : newer(path)) {
      makeAgain(track, again, copy, nested);
    }
    return true;
  }

  /** The shortest way over kept states to where a change was made, its own link last. */
  private static List<Link> path(List<Link> links, String from, long change) {
    Map<String, Link> cameBy = new HashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(from));
    while (!open.isEmpty()) {
      String at = open.removeFirst();
      for (Link link : links) {
        if (!link.after().equals(at)) {
          continue;
        }
        if (link.change() == change) {
          return back(cameBy, from, link);
        }
        if (!link.before().equals(from) && cameBy.putIfAbsent(link.before(), link) == null) {
          open.addLast(link.before());
        }
      }
    }
    return List.of();
  }

  private static List<Link> back(Map<String, Link> cameBy, String from, Link last) {
    List<Link> path = new ArrayList<>(List.of(last));
    while (!path.getFirst().after().equals(from)) {
      path.addFirst(cameBy.get(path.getFirst().after()));
    }
    return path;
  }

  /** The changes on a path that still count, the oldest first; one and its undo do not. */
  private List<Long> newer(List<Link> path) {
    List<Long> newer = new ArrayList<>();
    for (Link link : path.subList(0, path.size() - 1).reversed()) {
      if (!newer.remove(ledger.undoes(link.change()))) {
        newer.add(link.change());
      }
    }
    return newer;
  }

  private void restore(int track, Link link, Path copy) throws IOException {
    ReversePatch reverse =
        patches.load(track, link).orElseThrow(() -> new IOException("a way back is gone"));
    Path made = beside(copy, "before");
    if (!writer.restore(reverse.patch(), copy, store.picture(reverse.picture()), patches, made)) {
      throw new IOException("the file changed while it was taken back");
    }
    Files.move(made, copy, StandardCopyOption.REPLACE_EXISTING);
  }

  private void makeAgain(int track, long change, Path copy, int nested)
      throws IOException, Unreadable {
    Path old = beside(copy, "old" + nested);
    Files.copy(copy, old, StandardCopyOption.REPLACE_EXISTING);
    long undoes = ledger.undoes(change);
    if (undoes == 0 || !takeBack(track, undoes, copy, nested + 1)) {
      writer.write(copy, values(change).getOrDefault(track, Map.of()));
    }
    keep(track, change, old, copy, "");
    Files.delete(old);
  }

  private static Path beside(Path copy, String what) {
    String name = copy.getFileName().toString();
    int dot = name.lastIndexOf('.');
    return copy.resolveSibling("copy-" + what + (dot < 0 ? "" : name.substring(dot)));
  }

  /** What a change wrote into files, by track. */
  private Map<Integer, Map<Field<?>, String>> values(long change) {
    return values.computeIfAbsent(
        change,
        number -> {
          Map<Integer, Map<Field<?>, String>> byTrack = new HashMap<>();
          for (Edit edit : ledger.change(number).map(Change::edits).orElse(List.of())) {
            if (edit instanceof Edit.SetField set && set.inFile()) {
              byTrack.computeIfAbsent(set.id(), i -> new HashMap<>()).put(set.field(), set.after());
            }
          }
          return byTrack;
        });
  }
}
