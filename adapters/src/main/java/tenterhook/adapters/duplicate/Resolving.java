package tenterhook.adapters.duplicate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Gain;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Resolves groups of copies, each as one change by the one executor. */
public final class Resolving {
  private static final String NOTHING = "nothing was done";

  private Resolving() {}

  /**
   * Which copy stays, which go, and what says so.
   *
   * @param survivor the copy to keep
   * @param spares the others
   * @param evidence for each spare; it is proved again before anything is done
   */
  public record Wanted(int survivor, List<Integer> spares, Map<Integer, Evidence> evidence) {
    /** Copies. */
    public Wanted {
      spares = List.copyOf(spares);
      evidence = Map.copyOf(evidence);
    }

    /** What a group proposes. */
    public static Wanted of(Group group) {
      return of(group, group.survivor(), group.spares());
    }

    /** What the DJ chose of a group. */
    public static Wanted of(Group group, int survivor, List<Integer> spares) {
      Map<Integer, Evidence> evidence = new HashMap<>();
      spares.forEach(id -> evidence.put(id, group.between(survivor, id)));
      return new Wanted(survivor, spares, evidence);
    }
  }

  /**
   * Keeps one copy. The files are compared again first: a spare that is no longer a copy, or that
   * is the survivor's own file under another name, is left alone.
   *
   * @param choice which
   * @param declined keys of gains that the survivor does not receive
   * @param fate of the spares
   * @param byHand whether the DJ looked at these very copies
   */
  public static Outcome one(
      MusicCollection collection,
      Wanted choice,
      Set<String> declined,
      SpareFate fate,
      boolean byHand) {
    List<Refusal> refused = new ArrayList<>();
    Outcome done =
        collection.apply(
            now -> change(collection, now, choice, declined, fate, byHand, refused),
            Progress.SILENT);
    refused.addAll(done.refused());
    return new Outcome(
        done.number(),
        done.title(),
        done.tracks(),
        done.written(),
        refused,
        done.unconfirmed(),
        done.notes());
  }

  private static Change change(
      MusicCollection collection,
      CollectionState now,
      Wanted choice,
      Set<String> declined,
      SpareFate fate,
      boolean byHand,
      List<Refusal> refused) {
    refused.clear();
    List<Integer> spares = stillCopies(now, choice, fate, refused);
    if (spares.isEmpty()) {
      return new Change(NOTHING, byHand, List.of());
    }
    Resolution resolution =
        new Resolution(now.snapshot(), now.codebook(), now.holders(), choice.survivor(), spares);
    if (!coversKept(collection, now, resolution, declined, refused)) {
      return new Change(NOTHING, byHand, List.of());
    }
    return resolution.change(declined, fate, byHand);
  }

  private static List<Integer> stillCopies(
      CollectionState now, Wanted choice, SpareFate fate, List<Refusal> refused) {
    List<Integer> spares = new ArrayList<>();
    for (int spare : choice.spares()) {
      Optional<String> objection = objection(now, choice, fate, spare);
      if (objection.isPresent()) {
        refused.add(new Refusal(spare, now.path(spare).toString(), objection.get()));
      } else {
        spares.add(spare);
      }
    }
    return spares;
  }

  private static Optional<String> objection(
      CollectionState now, Wanted choice, SpareFate fate, int spare) {
    return fate instanceof SpareFate.Hold || fate instanceof SpareFate.Move
        ? CopyCheck.objection(
            now,
            choice.survivor(),
            spare,
            choice.evidence().getOrDefault(spare, Evidence.SAME_TAGS))
        : Optional.empty();
  }

  /**
   * Keeps the covers that the survivor takes; false when one cannot be read, and is in the refused.
   */
  private static boolean coversKept(
      MusicCollection collection,
      CollectionState now,
      Resolution resolution,
      Set<String> declined,
      List<Refusal> refused) {
    for (Gain gain : resolution.gains()) {
      if (gain instanceof Gain.ValueGain value
          && value.field() == Fields.ARTWORK
          && !declined.contains(gain.key())) {
        try {
          keepPicture(collection, value.from());
        } catch (Unreadable trouble) {
          refused.add(
              new Refusal(value.from(), now.path(value.from()).toString(), trouble.getMessage()));
          return false;
        }
      }
    }
    return true;
  }

  /** The executor takes a cover from the store. */
  private static void keepPicture(MusicCollection collection, int spare) throws Unreadable {
    byte[] bytes =
        collection
            .covers()
            .of(spare)
            .orElseThrow(() -> new Unreadable("its artwork cannot be read; decline the artwork"));
    collection.covers().keep(bytes);
  }

  /**
   * Resolves those of many groups that are offered; the others wait for the DJ.
   *
   * @param progress told of every group; a stop leaves the rest as it was
   */
  public static List<Outcome> all(
      MusicCollection collection, List<Group> groups, SpareFate fate, Progress progress) {
    List<Group> offered = groups.stream().filter(Group::offered).toList();
    List<Outcome> outcomes = new ArrayList<>();
    for (Group group : offered) {
      if (progress.stopped()) {
        break;
      }
      outcomes.add(one(collection, Wanted.of(group), Set.of(), fate, false));
      progress.at(outcomes.size(), offered.size(), "");
    }
    return outcomes;
  }
}
