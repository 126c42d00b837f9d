package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;
import tenterhook.core.track.Snapshot;

/** Turns accepted proposals into a change. Pure: nothing is applied here. */
public final class Acceptance {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private Acceptance() {}

  /**
   * The change that proposals make. A genre that became another is settled for later arrivals. Of
   * two proposals for the same field of a track the first counts: the other is made anew from what
   * the field holds then. Guarded tracks are left out unless theirs is the only one.
   *
   * @param snapshot the collection that the proposals were made for
   * @param codebook its legend
   * @param accepted what was accepted; may be empty
   * @param words what was mended, for the title, such as {@code artists in titles}
   */
  public static Change of(
      Snapshot snapshot, Codebook codebook, List<Proposal> accepted, String words) {
    List<Edit> edits = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    RoaringBitmap tracks = new RoaringBitmap();
    Genres genres = codebook.genres();
    boolean single = accepted.stream().mapToInt(Proposal::id).distinct().count() == 1;
    for (Proposal proposal : accepted) {
      boolean guarded = !snapshot.raw(proposal.id(), Fields.GUARDED).isEmpty();
      if (guarded && !single || overlaps(proposal, taken)) {
        continue;
      }
      for (SetField edit : proposal.edits()) {
        edits.add(edit);
        taken.add(edit.id() + " " + edit.field().key());
      }
      tracks.add(proposal.id());
      genres = proposal.kind() == RepairKind.GENRES ? settled(genres, proposal) : genres;
    }
    if (!genres.equals(codebook.genres())) {
      edits.add(new Edit.SetCodebook(codebook, codebook.with(genres)));
    }
    int count = tracks.getCardinality();
    String title = "mends " + words + " on " + (count == 1 ? "1 track" : count + " tracks");
    return new Change(title, single, edits);
  }

  private static boolean overlaps(Proposal proposal, Set<String> taken) {
    return proposal.edits().stream().anyMatch(e -> taken.contains(e.id() + " " + e.field().key()));
  }

  private static Genres settled(Genres genres, Proposal proposal) {
    Genres now = genres;
    for (SetField edit : proposal.edits()) {
      boolean one = !edit.before().contains(SEPARATOR) && !edit.after().contains(SEPARATOR);
      if (edit.field() == Fields.GENRE && one && !edit.before().isBlank()) {
        now = now.with(edit.before(), edit.after());
      }
    }
    return now;
  }
}
