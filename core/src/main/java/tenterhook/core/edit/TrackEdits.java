package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Makes the changes that a DJ asks for on a selection. Pure: nothing is applied here. */
public final class TrackEdits {
  private TrackEdits() {}

  /**
   * Sets fields on tracks; a track that has the value already is left out.
   *
   * @param snapshot the collection now
   * @param ids the tracks
   * @param values raw values by field; only these fields change
   */
  public static Change set(Snapshot snapshot, RoaringBitmap ids, Map<Field<?>, String> values) {
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) ->
            values.forEach(
                (field, after) -> {
                  String before = snapshot.raw(id, field);
                  if (!before.equals(after)) {
                    edits.add(new Edit.SetField(id, field, before, after));
                  }
                }));
    List<String> names = values.keySet().stream().map(Field::label).toList();
    return Change.of(Change.joined(names) + " on " + tracks(edits), edits);
  }

  /** Gives and takes codes. See {@link Codebook#rewritten}. */
  public static Change code(
      Snapshot snapshot,
      Codebook codebook,
      RoaringBitmap ids,
      List<String> give,
      List<String> take) {
    Field<?> field = codebook.notation().target();
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          String before = snapshot.raw(id, field);
          String after = codebook.rewritten(before, give, take);
          if (!before.equals(after)) {
            edits.add(new Edit.SetField(id, field, before, after));
          }
        });
    List<String> words = new ArrayList<>();
    give.forEach(t -> words.add("gives " + t));
    take.forEach(t -> words.add("takes " + t));
    return Change.of(String.join(", ", words) + " on " + tracks(edits), edits);
  }

  /** Sets or clears a flag such as resting or guarded. */
  public static Change flag(Snapshot snapshot, RoaringBitmap ids, Field<Boolean> flag, boolean on) {
    Change set = set(snapshot, ids, Map.of(flag, on ? "yes" : ""));
    String what =
        flag == Fields.RESTING ? (on ? "rests " : "wakes ") : (on ? "guards " : "unguards ");
    return new Change(what + tracks(set.edits()), true, set.edits());
  }

  /** Takes tracks out of the collection; their files stay where they are. */
  public static Change remove(Snapshot snapshot, RoaringBitmap ids) {
    Change set = set(snapshot, ids, Map.of(Fields.LIFECYCLE, "removed"));
    return new Change(
        "removes " + tracks(set.edits()) + " from the collection", set.byHand(), set.edits());
  }

  /** Moves files of tracks to the holding bay. */
  public static Change hold(Snapshot snapshot, RoaringBitmap ids, String reason) {
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          Place from = place(snapshot, id);
          Place to = new Place(Place.HOLDING_BAY, id + "/" + from.root() + "/" + from.path());
          edits.add(new Edit.MoveFile(id, from, to));
          edits.add(new Edit.SetField(id, Fields.LIFECYCLE, "", "held"));
        });
    return Change.of("holds " + tracks(edits) + ": " + reason, edits);
  }

  /** Brings files back from the holding bay to where they came from. */
  public static Change restore(Snapshot snapshot, RoaringBitmap ids) {
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          Place from = place(snapshot, id);
          String[] parts = from.path().split("/", 3);
          edits.add(new Edit.MoveFile(id, from, new Place(parts[1], parts[2])));
          edits.add(new Edit.SetField(id, Fields.LIFECYCLE, "held", ""));
        });
    return new Change("restores " + tracks(edits) + " from the holding bay", true, edits);
  }

  /** Where the collection says a track's file is. */
  public static Place place(Snapshot snapshot, int id) {
    return new Place(snapshot.raw(id, Fields.ROOT), snapshot.raw(id, Fields.PATH));
  }

  /** "1 track", "11 tracks". */
  public static String tracks(List<? extends Edit> edits) {
    long count =
        edits.stream()
            .filter(Edit.OfTrack.class::isInstance)
            .map(e -> ((Edit.OfTrack) e).id())
            .distinct()
            .count();
    return count == 1 ? "1 track" : count + " tracks";
  }
}
