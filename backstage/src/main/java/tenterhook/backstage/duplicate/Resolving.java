package tenterhook.backstage.duplicate;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.duplicate.Gain;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Resolves groups of copies, each as one change on the one road. */
public final class Resolving {
  private Resolving() {}

  /**
   * Keeps one copy.
   *
   * @param survivor the copy to keep
   * @param spares the others
   * @param declined keys of gains that the survivor does not receive
   * @param fate of the spares
   * @param byHand whether the DJ looked at these very copies
   */
  public static Outcome one(
      MusicCollection collection,
      int survivor,
      List<Integer> spares,
      Set<String> declined,
      SpareFate fate,
      boolean byHand) {
    CollectionState state = collection.state();
    Resolution resolution =
        new Resolution(state.snapshot(), state.codebook(), state.crates(), survivor, spares);
    for (Gain gain : resolution.gains()) {
      if (gain instanceof Gain.Value value
          && value.field() == Fields.ARTWORK
          && !declined.contains(gain.key())) {
        try {
          keepPicture(collection, value.from());
        } catch (Unreadable trouble) {
          Refusal refusal =
              new Refusal(value.from(), state.path(value.from()).toString(), trouble.getMessage());
          return new Outcome(0, "nothing was done", 0, 0, List.of(refusal));
        }
      }
    }
    return collection.apply(resolution.change(declined, fate, byHand), Progress.SILENT);
  }

  /** The road takes a cover from the store. */
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
      outcomes.add(one(collection, group.survivor(), group.spares(), Set.of(), fate, false));
      progress.at(outcomes.size(), offered.size(), "");
    }
    return outcomes;
  }
}
