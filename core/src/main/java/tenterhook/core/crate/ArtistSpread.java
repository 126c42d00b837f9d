package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Snapshot;

/** The artists of tracks, of several each, and orders in which they alternate. */
final class ArtistSpread {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private ArtistSpread() {}

  /** The artists of a track, folded; none where the artist is a hole. */
  static List<String> artists(Snapshot snapshot, int id) {
    return Arrays.stream(snapshot.raw(id, Fields.ARTIST).split(SEPARATOR))
        .map(Fold::fold)
        .filter(a -> !a.isBlank())
        .toList();
  }

  /** Lets tracks in one after the other, of each artist only so many. */
  static final class Admission {
    private final Snapshot snapshot;
    private final int most;
    private final Map<String, Integer> in = new HashMap<>();

    /**
     * Nobody is in yet.
     *
     * @param most of each artist; 0 for as many as come
     */
    Admission(Snapshot snapshot, int most) {
      this.snapshot = snapshot;
      this.most = most;
    }

    /** Whether a track comes in; it counts for all of its artists then. */
    boolean admits(int id) {
      if (most == 0) {
        return true;
      }
      List<String> artists = artists(snapshot, id);
      if (artists.stream().anyMatch(a -> in.getOrDefault(a, 0) >= most)) {
        return false;
      }
      artists.forEach(a -> in.merge(a, 1, Integer::sum));
      return true;
    }
  }

  /**
   * The same tracks, as near to their order as it can be while no two that share an artist stand
   * next to one another. Each place goes to the first track that shares none with the one before,
   * unless the tracks of one artist are so many that one of them must come now. For tracks of one
   * artist each that finds such an order whenever there is one; where there is none, as few as can
   * be stand together.
   *
   * @param ordered in the order wished
   */
  static List<Integer> apart(Snapshot snapshot, List<Integer> ordered) {
    Line line = new Line(snapshot, ordered);
    List<Integer> apart = new ArrayList<>(ordered.size());
    while (apart.size() < ordered.size()) {
      apart.add(ordered.get(line.next()));
    }
    return apart;
  }

  /** The tracks that have no place yet, in the order wished. */
  private static final class Line {
    private final List<List<String>> artists = new ArrayList<>();
    private final Map<String, Integer> left = new HashMap<>();
    private final int[] following;
    private int remaining;

    /** No artist has more tracks left than this; spares a look at all of them for each place. */
    private int mostLeft;

    private List<String> last = List.of();

    Line(Snapshot snapshot, List<Integer> ordered) {
      for (int id : ordered) {
        List<String> of = artists(snapshot, id);
        artists.add(of);
        of.stream().findFirst().ifPresent(a -> left.merge(a, 1, Integer::sum));
      }
      remaining = ordered.size();
      mostLeft = remaining;
      following = new int[remaining + 1]; // place 0 stands before the first track
      Arrays.setAll(following, i -> i + 1);
    }

    /** Takes the track that comes next out of the line. */
    int next() {
      int before = before();
      int at = following[before] - 1;
      following[before] = following[following[before]];
      last = artists.get(at);
      remaining--;
      last.stream().findFirst().ifPresent(a -> left.merge(a, -1, Integer::sum));
      return at;
    }

    /** The place behind which the next track stands. */
    private int before() {
      String pressing = pressing();
      int first = -1;
      int before = 0;
      for (int i = 0; i < remaining; i++) {
        List<String> of = artists.get(following[before] - 1);
        boolean free = of.stream().noneMatch(last::contains);
        boolean wanted = pressing.isEmpty() || !of.isEmpty() && of.getFirst().equals(pressing);
        if (free && wanted) {
          return before;
        }
        first = first < 0 && free ? before : first;
        before = following[before];
      }
      return Math.max(0, first);
    }

    /** The artist of more than half of what is left, whose turn it is; empty for none. */
    private String pressing() {
      if (mostLeft * 2 <= remaining) {
        return "";
      }
      mostLeft = left.values().stream().mapToInt(Integer::intValue).max().orElse(0);
      for (Map.Entry<String, Integer> one : left.entrySet()) {
        if (one.getValue() * 2 > remaining && !last.contains(one.getKey())) {
          return one.getKey();
        }
      }
      return "";
    }
  }
}
