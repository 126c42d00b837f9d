package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.play.Stale;
import tenterhook.core.track.Snapshot;

/** Lists tracks that nobody plays, and does something about them. */
@Command(
    name = "stale",
    description =
        "Lists tracks never played, or not for some months; they can rest, be held, move.")
final class StaleCommand extends CollectionCommand {
  @Option(
      names = "--months",
      paramLabel = "N",
      description = "Played, but not for so long; without it those never played in half a year.")
  int months;

  @Option(
      names = "--order",
      paramLabel = "ORDER",
      description = "age (when nothing is said), size or plays.")
  String order = "age";

  @ArgGroup(multiplicity = "0..1")
  @Nullable Fate fate;

  /** What is done with them. */
  static final class Fate {
    @Option(names = "--rest", description = "Lets them rest.")
    boolean rest;

    @Option(names = "--hold", description = "Moves their files to the holding bay.")
    boolean hold;

    @Option(
        names = "--archive",
        paramLabel = "FOLDER",
        description = "Moves their files there; they stay known, rest, and leave crates.")
    @Nullable Path archive;
  }

  @Override
  void run(MusicCollection collection) throws IOException {
    Snapshot snapshot = tracks(collection);
    LocalDate today = collection.today();
    RoaringBitmap ids =
        months == 0 ? Stale.never(snapshot, today, 6) : Stale.notFor(snapshot, today, months);
    for (int id : Stale.sorted(snapshot, ids, order())) {
      print(snapshot, id);
    }
    if (fate == null) {
      return;
    }
    decide(collection, snapshot, ids);
  }

  private void print(Snapshot snapshot, int id) {
    int plays = snapshot.value(id, Fields.PLAYS).orElse(0);
    String last = snapshot.raw(id, Fields.LAST_PLAYED);
    say(
        object()
            .put("id", id)
            .put("plays", plays)
            .put("lastPlayed", last)
            .put("bytes", snapshot.value(id, Fields.SIZE).orElse(0L)),
        plays + "  " + last + "  " + snapshot.name(id));
  }

  private void decide(MusicCollection collection, Snapshot snapshot, RoaringBitmap ids)
      throws IOException {
    if (fate.archive != null) {
      archive(collection, ids, fate.archive);
    } else {
      apply(
          collection,
          fate.rest
              ? TrackEdits.flag(snapshot, ids, Fields.RESTING, true)
              : TrackEdits.hold(snapshot, ids, "not played"));
    }
  }

  private void archive(MusicCollection collection, RoaringBitmap ids, Path folder)
      throws IOException {
    if (main.dryRun) {
      say(
          object().put("dryRun", "archive").put("tracks", ids.getCardinality()),
          "would move " + ids.getCardinality() + " tracks to " + folder);
      return;
    }
    String root = collection.disks().root(folder);
    CollectionState state = collection.state();
    apply(
        collection,
        Stale.archive(state.snapshot(), state.crates(), ids, root, state.below(root, folder)));
  }

  private Stale.Order order() {
    try {
      return Stale.Order.valueOf(order.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException unknown) {
      throw new IllegalArgumentException("--order takes age, size or plays, not " + order, unknown);
    }
  }
}
