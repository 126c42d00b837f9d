package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;
import tenterhook.core.track.Snapshot;

/** Makes the changes that a DJ asks for on genres. Pure: nothing is applied here. */
public final class GenreEdits {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private GenreEdits() {}

  /**
   * One genre becomes another on all tracks, now and for later arrivals.
   *
   * @param snapshot the collection
   * @param codebook its legend
   * @param ids the tracks to change
   * @param from the genre as it is spelled in tags
   * @param to what it becomes; several are separated by {@code ;}
   */
  public static Change becomes(
      Snapshot snapshot, Codebook codebook, RoaringBitmap ids, String from, String to) {
    String after = Fields.GENRE.type().fromTyped(to);
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          String raw = snapshot.raw(id, Fields.GENRE);
          List<String> values = List.of(raw.split(SEPARATOR));
          if (values.contains(from) && !snapshot.lost(id)) {
            Set<String> next = new LinkedHashSet<>();
            values.forEach(
                v -> next.addAll(v.equals(from) ? List.of(after.split(SEPARATOR)) : List.of(v)));
            String joined = String.join(SEPARATOR, next);
            if (!joined.equals(raw)) {
              edits.add(new Edit.SetField(id, Fields.GENRE, raw, joined));
            }
          }
        });
    String count = TrackEdits.tracks(edits);
    if (!from.equals(after) && !after.contains(SEPARATOR)) {
      Genres genres = codebook.genres().with(from, after);
      edits.add(new Edit.SetCodebook(codebook, codebook.with(genres)));
    }
    return new Change(from + " becomes " + to.strip() + " on " + count, false, edits);
  }
}
