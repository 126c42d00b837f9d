package tenterhook.desktop.workspace;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.repair.numbers.SoundFills;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Words;

/** Measuring as the window sees it: what is wished, what runs, what failed. No nodes. */
public final class MeasuringModel {
  private static final String WISH = "measuring";
  private static final String FILL = "measuring fills";

  private final Workspace workspace;
  private final ReadOnlyObjectWrapper<Boolean> running = new ReadOnlyObjectWrapper<>(false);
  private final ReadOnlyObjectWrapper<List<Refusal>> failed =
      new ReadOnlyObjectWrapper<>(List.of());
  private Optional<Stopper> stopper = Optional.empty();
  private RoaringBitmap wish;

  /** Measuring in a workspace; what an earlier sitting left is known. */
  public MeasuringModel(Workspace workspace) {
    this.workspace = workspace;
    this.wish = ids(workspace.collection().setting(WISH).orElse(""));
  }

  private static RoaringBitmap ids(String text) {
    return RoaringBitmap.bitmapOf(
        Arrays.stream(text.split(" "))
            .filter(w -> !w.isEmpty())
            .mapToInt(Integer::parseInt)
            .toArray());
  }

  /** Whether measuring is under way. */
  public ReadOnlyObjectProperty<Boolean> running() {
    return running.getReadOnlyProperty();
  }

  /** What could not be measured the last time, and why. */
  public ReadOnlyObjectProperty<List<Refusal>> failed() {
    return failed.getReadOnlyProperty();
  }

  /** The tracks that wait to be measured. */
  public RoaringBitmap waiting() {
    return MeasuredFields.waiting(workspace.state().get().snapshot());
  }

  /** What is left of the last wish, when it was stopped. */
  public RoaringBitmap left() {
    return RoaringBitmap.and(wish, waiting());
  }

  /** The last wish, whether or not it was fulfilled. */
  public RoaringBitmap wish() {
    return wish.clone();
  }

  /** The tracks that are measured. */
  public static RoaringBitmap measured(Snapshot snapshot) {
    return snapshot.tracks(id -> !snapshot.raw(id, Fields.SOUND).isEmpty());
  }

  /** Whether empty tempi and keys are filled when measuring ends. */
  public boolean fills() {
    return workspace.collection().setting(FILL).map("yes"::equals).orElse(true);
  }

  /** Settles that, and remembers it. */
  public void fills(boolean on) {
    workspace.keepSetting(FILL, on ? "yes" : "no");
  }

  /**
   * Measures tracks beside all other work; those that are measured already cost nothing.
   *
   * @param ids which
   */
  public void measure(RoaringBitmap ids) {
    if (running.get() || ids.isEmpty()) {
      return;
    }
    running.set(true);
    wish(ids);
    Stopper stop = new Stopper();
    stopper = Optional.of(stop);
    workspace.independentJob(
        Words.of("measure.job"),
        p -> Measuring.run(workspace.collection(), ids, stop.on(p)),
        report -> ended(ids, report),
        () -> running.set(false));
  }

  /** Asks measuring to stop; what was found is kept. */
  public void stop() {
    stopper.ifPresent(Stopper::stop);
  }

  private void wish(RoaringBitmap ids) {
    wish = ids.clone();
    String text = ids.stream().mapToObj(String::valueOf).collect(Collectors.joining(" "));
    workspace.keepSetting(WISH, text);
  }

  private void ended(RoaringBitmap ids, Measuring.Report report) {
    failed.set(report.failed());
    String words =
        Words.of(
            report.complete() ? "measure.done" : "measure.stopped",
            report.measured() + report.known(),
            report.failed().size());
    workspace.frame().inform(words, !report.failed().isEmpty(), 0);
    if (report.complete()) {
      wish(new RoaringBitmap());
      if (fills()) {
        fill(ids);
      }
    }
  }

  /** The least certainty of what is filled in. */
  public int fillsFrom() {
    return workspace.repairs().rules().certainFrom();
  }

  /** Fills empty tempi and keys as one change; says nothing when there are none. */
  public void fill(RoaringBitmap ids) {
    Snapshot snapshot = workspace.collection().state().snapshot();
    int from = fillsFrom();
    workspace.background(
        () -> SoundFills.of(snapshot, ids, from, Words.of("measure.fills")),
        change -> {
          if (!change.isEmpty()) {
            workspace.apply(change);
          }
        });
  }

  /** A stop from the station as well as from the job's own button. */
  private static final class Stopper {
    private volatile boolean stopped;

    void stop() {
      stopped = true;
    }

    Progress on(Progress outer) {
      return new Progress() {
        @Override
        public void at(long done, long total, String words) {
          outer.at(done, total, words);
        }

        @Override
        public boolean stopped() {
          return stopped || outer.stopped();
        }
      };
    }
  }
}
