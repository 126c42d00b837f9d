package tenterhook.core.lost;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.track.Snapshot;

/**
 * Infers which folders moved: the fewest substitutions of one folder by another that explain the
 * most losses (a greedy set cover). Of two that explain the same, the one that says more of the
 * path is taken, so that a folder is named and not all that lies above it.
 */
final class FolderMoves {
  private static final int SURE = 90;

  private final Snapshot snapshot;
  private final Map<Integer, List<Candidate>> candidates;
  private final Map<Substitution, Map<Integer, Candidate>> explains = new LinkedHashMap<>();
  private final Map<RootedFolder, Integer> lostBelow = new HashMap<>();

  /** A folder of a root; the root itself has an empty path. */
  private record RootedFolder(String root, String path) {
    String below(String otherRoot) {
      String all = path.isEmpty() ? root : root + "/" + path;
      return root.equals(otherRoot) && !path.isEmpty() ? path : all;
    }
  }

  /** One folder in place of another. */
  private record Substitution(RootedFolder from, RootedFolder to) {}

  /** A substitution with the number of losses that it explained when it was last looked at. */
  private record Standing(Substitution what, int explains) {}

  private FolderMoves(Snapshot snapshot, Map<Integer, List<Candidate>> candidates) {
    this.snapshot = snapshot;
    this.candidates = candidates;
  }

  static List<FolderMove> of(Snapshot snapshot, Map<Integer, List<Candidate>> candidates) {
    FolderMoves finder = new FolderMoves(snapshot, candidates);
    candidates.forEach(finder::note);
    return finder.moves();
  }

  private void note(int id, List<Candidate> mine) {
    Place from = TrackEdits.place(snapshot, id);
    String[] dirs = dirs(from.path());
    for (int n = 0; n <= dirs.length; n++) {
      lostBelow.merge(folder(from.root(), dirs, n), 1, Integer::sum);
    }
    for (Candidate one : mine) {
      if (one.certainty() >= SURE && keptItsName(one)) {
        for (Substitution what : substitutions(from, one.file().place())) {
          explains.computeIfAbsent(what, s -> new LinkedHashMap<>()).putIfAbsent(id, one);
        }
      }
    }
  }

  /** Another folder does not explain another name. */
  private boolean keptItsName(Candidate one) {
    return !one.likeness().anotherFile() && one.file().name().equals(snapshot.fileName(one.id()));
  }

  private static String[] dirs(String path) {
    int cut = path.lastIndexOf('/');
    return cut < 0 ? new String[0] : path.substring(0, cut).split("/");
  }

  private static RootedFolder folder(String root, String[] dirs, int count) {
    return new RootedFolder(root, String.join("/", Arrays.copyOf(dirs, count)));
  }

  /** All that turn one path's folder into the other's, the one that names both in full first. */
  private static List<Substitution> substitutions(Place from, Place to) {
    String[] old = dirs(from.path());
    String[] now = dirs(to.path());
    List<Substitution> all = new ArrayList<>();
    for (int same = 0; same <= Math.min(old.length, now.length); same++) {
      int n = old.length - same;
      int m = now.length - same;
      if (same > 0 && !old[n].equals(now[m])) {
        break;
      }
      RootedFolder a = folder(from.root(), old, n);
      RootedFolder b = folder(to.root(), now, m);
      if (!a.equals(b)) {
        all.add(new Substitution(a, b));
      }
    }
    return all;
  }

  private List<FolderMove> moves() {
    PriorityQueue<Standing> best =
        new PriorityQueue<>(
            Comparator.comparingInt((Standing s) -> -s.explains())
                .thenComparing(s -> -s.what().from().path().length())
                .thenComparing(s -> s.what().from().path())
                .thenComparing(s -> s.what().to().path()));
    explains.forEach((what, ids) -> best.add(new Standing(what, ids.size())));
    RoaringBitmap explained = new RoaringBitmap();
    List<FolderMove> moves = new ArrayList<>();
    while (!best.isEmpty()) {
      Standing next = best.poll();
      List<Candidate> fresh =
          explains.get(next.what()).values().stream()
              .filter(c -> !explained.contains(c.id()))
              .toList();
      if (fresh.size() < 2) {
        continue;
      }
      if (fresh.size() < next.explains()) {
        best.add(new Standing(next.what(), fresh.size()));
      } else if (!rivalled(fresh)) {
        fresh.forEach(c -> explained.add(c.id()));
        moves.add(move(next.what(), fresh));
      }
    }
    return moves;
  }

  private FolderMove move(Substitution what, List<Candidate> files) {
    return new FolderMove(
        what.from().below(what.to().root()),
        what.to().below(what.from().root()),
        files,
        lostBelow.get(what.from()));
  }

  /** Whether other files that are as good explain the same losses at once: then the DJ decides. */
  private boolean rivalled(List<Candidate> chosen) {
    Map<Substitution, Integer> others = new HashMap<>();
    for (Candidate one : chosen) {
      Place from = TrackEdits.place(snapshot, one.id());
      Set<Substitution> mine = new HashSet<>();
      for (Candidate other : candidates.get(one.id())) {
        if (other.certainty() >= one.certainty() && !other.file().equals(one.file())) {
          mine.addAll(substitutions(from, other.file().place()));
        }
      }
      if (mine.isEmpty()) {
        return false;
      }
      mine.forEach(s -> others.merge(s, 1, Integer::sum));
    }
    return others.containsValue(chosen.size());
  }
}
