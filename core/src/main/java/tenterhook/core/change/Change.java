package tenterhook.core.change;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;

/**
 * What alters the collection: a value with every old and new state, which knows its inverse.
 *
 * @param title what it does, in the DJ's words, such as {@code year on 11 tracks}
 * @param byHand whether a person meant exactly these tracks one by one; a bulk change leaves
 *     guarded tracks alone
 * @param edits the steps, in order
 * @param leader the track without which nothing of it makes sense: when it is refused, the rest is
 *     not done; 0 for none. Its edits come first
 */
public record Change(String title, boolean byHand, List<Edit> edits, int leader) {
  /** A change without a leader. */
  public Change(String title, boolean byHand, List<Edit> edits) {
    this(title, byHand, edits, 0);
  }

  /** Checks and copies. */
  public Change {
    if (title.isBlank()) {
      throw new IllegalArgumentException("a change needs a title");
    }
    edits = List.copyOf(edits);
  }

  /** A change of what one or many tracks hold; it is by hand when it concerns one track. */
  public static Change of(String title, List<? extends Edit> edits) {
    long tracks =
        edits.stream()
            .filter(Edit.OfTrack.class::isInstance)
            .map(e -> ((Edit.OfTrack) e).id())
            .distinct()
            .count();
    return new Change(title, tracks <= 1, List.copyOf(edits));
  }

  /** The change that takes this one back: every step inverted, last first. */
  public Change inverse(String newTitle) {
    List<Edit> back = new ArrayList<>();
    for (Edit edit : edits.reversed()) {
      back.add(edit.inverse());
    }
    return new Change(newTitle, true, back);
  }

  /** The tracks it concerns. */
  public RoaringBitmap tracks() {
    RoaringBitmap ids = new RoaringBitmap();
    edits.forEach(
        e -> {
          if (e instanceof Edit.OfTrack one) {
            ids.add(one.id());
          }
        });
    return ids;
  }

  /** Whether some of it concerns no track: crates, codebook, roots. */
  public boolean hasDocuments() {
    return edits.stream().anyMatch(e -> !(e instanceof Edit.OfTrack));
  }

  /** Whether there is nothing to do. */
  public boolean isEmpty() {
    return edits.isEmpty();
  }

  /** The labels of the fields it sets, each once, such as {@code album and year}. */
  public String fieldNames() {
    Set<String> names =
        edits.stream()
            .filter(Edit.SetField.class::isInstance)
            .map(e -> ((Edit.SetField) e).field().label())
            .collect(Collectors.toCollection(LinkedHashSet::new));
    return joined(new ArrayList<>(names));
  }

  /** Joins names as in a sentence: {@code a}, {@code a and b}, {@code a, b and c}. */
  public static String joined(List<String> names) {
    return names.size() < 2
        ? String.join("", names)
        : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
  }
}
