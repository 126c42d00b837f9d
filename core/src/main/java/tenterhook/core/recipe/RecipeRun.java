package tenterhook.core.recipe;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Codebook;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

/**
 * What a recipe does to tracks: what is shown before it is done, and what is then done.
 *
 * @param tracks in the order in which they were given
 */
public record RecipeRun(List<TrackOutcome> tracks) {
  /** No track. */
  public static final RecipeRun NONE = new RecipeRun(List.of());

  /** Copies. */
  public RecipeRun {
    tracks = List.copyOf(tracks);
  }

  /**
   * What becomes of one track.
   *
   * @param id the track
   * @param edits what changes; none when it is refused, or has all of it already
   * @param refused why nothing is done
   */
  public record TrackOutcome(int id, List<SetField> edits, Optional<String> refused) {
    /** Copies. */
    public TrackOutcome {
      edits = List.copyOf(edits);
    }
  }

  /**
   * Works out what a recipe does.
   *
   * @param ids in the order shown, by which tracks are numbered
   */
  public static RecipeRun of(Recipe recipe, Snapshot snapshot, Codebook codebook, TrackIds ids) {
    Map<String, Pattern> patterns = new ConcurrentHashMap<>();
    return new RecipeRun(
        IntStream.range(0, ids.size())
            .parallel()
            .mapToObj(
                place -> {
                  int id = ids.at(place);
                  return ids.size() > 1 && !snapshot.isBlank(id, Fields.GUARDED)
                      ? refused(id, "it is guarded")
                      : outcome(
                          recipe,
                          new StepRun(snapshot, codebook, patterns, id, place),
                          snapshot,
                          id);
                })
            .toList());
  }

  /**
   * What a recipe changes on one track for good: nothing where it is refused, or would change
   * something again if it was done once more.
   */
  public static List<SetField> settling(
      Recipe recipe, Snapshot snapshot, Codebook codebook, int id) {
    List<SetField> once = alone(recipe, snapshot, codebook, id);
    if (once.isEmpty()) {
      return once;
    }
    List<RecipeStep> twice = new ArrayList<>(recipe.steps());
    twice.addAll(recipe.steps());
    return alone(new Recipe(twice), snapshot, codebook, id).equals(once) ? once : List.of();
  }

  private static List<SetField> alone(Recipe recipe, Snapshot snapshot, Codebook codebook, int id) {
    return outcome(recipe, new StepRun(snapshot, codebook, new HashMap<>(), id, 0), snapshot, id)
        .edits();
  }

  private static TrackOutcome refused(int id, String why) {
    return new TrackOutcome(id, List.of(), Optional.of(why));
  }

  private static TrackOutcome outcome(Recipe recipe, StepRun run, Snapshot snapshot, int id) {
    try {
      recipe.steps().forEach(run::run);
    } catch (BoundedReading.TooMuch | IllegalArgumentException | IndexOutOfBoundsException wrong) {
      return refused(id, String.valueOf(wrong.getMessage())); // such as a group that is not there
    }
    List<SetField> edits = new ArrayList<>();
    for (Map.Entry<Field<?>, String> value : run.values().entrySet()) {
      Field<?> field = value.getKey();
      String before = snapshot.raw(id, field);
      String after = value.getValue();
      if (!before.equals(after)) {
        Optional<String> complaint = field.type().complaint(field.type().show(after));
        if (complaint.isPresent()) {
          return refused(
              id, field.label() + " \"" + field.type().show(after) + "\" " + complaint.get());
        }
        edits.add(new SetField(id, field, before, after));
      }
    }
    boolean lost = snapshot.lost(id) && edits.stream().anyMatch(SetField::inFile);
    return lost ? refused(id, "its file is lost") : new TrackOutcome(id, edits, Optional.empty());
  }

  /** All that changes. */
  public List<SetField> edits() {
    return tracks.stream().flatMap(t -> t.edits().stream()).toList();
  }

  /** How many tracks change. */
  public int changing() {
    return (int) tracks.stream().filter(t -> !t.edits().isEmpty()).count();
  }

  /** How many tracks are refused. */
  public int refusals() {
    return (int) tracks.stream().filter(t -> t.refused().isPresent()).count();
  }

  /** The change that does it; an empty one when nothing changes. */
  public Change change() {
    List<SetField> edits = edits();
    Change change = Change.of("changes many", edits);
    return edits.isEmpty()
        ? change
        : new Change(
            change.fieldNames() + " on " + TrackEdits.tracks(edits),
            change.byHand(),
            List.copyOf(edits));
  }
}
