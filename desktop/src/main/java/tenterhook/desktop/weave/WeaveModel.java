package tenterhook.desktop.weave;

import java.util.List;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.Delta;
import tenterhook.adapters.store.Store;
import tenterhook.core.repair.Proposal;
import tenterhook.core.weave.NextStep;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

/** The count of holes, kept in step with the collection by its deltas. */
public final class WeaveModel {
  private static final int MOST = 6;

  private final MusicCollection collection;
  private volatile Weave weave;

  /** Counts a collection, which takes a moment: better not on the toolkit's thread. */
  public WeaveModel(MusicCollection collection) {
    this.collection = collection;
    this.weave = count(WeaveBy.FOLDER);
    collection.listen(this::changed);
  }

  private Weave count(WeaveBy by) {
    return Weave.of(collection.state().snapshot(), collection.state().codebook(), by);
  }

  private synchronized void changed(Delta delta) {
    weave =
        delta.codebookChanged()
            ? count(weave.by())
            : weave.after(delta.after().snapshot(), delta.changed());
  }

  synchronized void by(WeaveBy by) {
    weave = count(by);
  }

  Weave weave() {
    return weave;
  }

  List<NextStep> nextSteps(List<Proposal> proposals) {
    return NextStep.of(weave, collection.state().snapshot(), proposals, MOST);
  }

  List<Store.Completeness> completenessHistory() {
    return collection.completenessHistory();
  }
}
