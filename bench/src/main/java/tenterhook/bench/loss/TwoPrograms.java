package tenterhook.bench.loss;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * Two collections on one folder of music, both writing at once: what one of them said to be done is
 * never undone by the other, which is refused instead.
 */
final class TwoPrograms {
  private final Path folder;
  private final long seed;

  TwoPrograms(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /**
   * Lets both edit every track many times, each a field of its own.
   *
   * @return how many edits were done, and how many were refused
   */
  int[] run(int rounds) throws Exception {
    Collections small = Collections.make(folder.resolve("two"), seed);
    int[] counts = {0, 0};
    try (MusicCollection one = open(small, "one");
        MusicCollection other = open(small, "other");
        ExecutorService both = Executors.newFixedThreadPool(2)) {
      for (int round = 0; round < rounds; round++) {
        int number = round;
        Future<Outcome> first = both.submit(edit(one, Fields.ALBUM, number));
        Future<Outcome> second = both.submit(edit(other, Fields.LABEL, number));
        check(one, first.get(), Fields.ALBUM, number, counts);
        check(other, second.get(), Fields.LABEL, number, counts);
        one.scan(small.music(), Progress.SILENT);
        other.scan(small.music(), Progress.SILENT);
      }
      lastWord(one, Fields.ALBUM);
      lastWord(other, Fields.LABEL);
      small.filesAgree(other);
    }
    return counts;
  }

  /** A refusal reads the file again, so that the same edit holds the second time. */
  private static void lastWord(MusicCollection collection, Field<?> field) {
    Outcome outcome = new Outcome(0, "", 0, 0, java.util.List.of());
    for (int attempt = 0; attempt < 2; attempt++) {
      outcome =
          collection.apply(
              now ->
                  TrackEdits.set(
                      now.snapshot(), now.snapshot().tracks(), Map.of(field, "last word")),
              Progress.SILENT);
    }
    LostMusic.unless(outcome.refused().isEmpty(), "refused for good: " + outcome.refused());
  }

  private static MusicCollection open(Collections small, String name) throws Exception {
    MusicCollection collection =
        MusicCollection.open(small.folder().resolve(name), InstantSource.system());
    collection.scan(small.music(), Progress.SILENT);
    return collection;
  }

  private Callable<Outcome> edit(MusicCollection collection, Field<?> field, int round) {
    Random random = new Random(seed + round);
    return () -> {
      Thread.sleep(random.nextInt(3));
      return collection.apply(
          now ->
              TrackEdits.set(
                  now.snapshot(), now.snapshot().tracks(), Map.of(field, "round " + round)),
          Progress.SILENT);
    };
  }

  /** What was said to be done is in the file, also after the other one ended. */
  private static void check(
      MusicCollection collection, Outcome outcome, Field<?> field, int round, int[] counts)
      throws Exception {
    Snapshot snapshot = collection.state().snapshot();
    for (int id : snapshot.tracks()) {
      boolean refused = outcome.refused().stream().anyMatch(r -> r.id() == id);
      counts[refused ? 1 : 0]++;
      String found = TagFiles.read(collection.state().path(id)).raw(field);
      LostMusic.unless(
          refused || found.equals("round " + round),
          collection.state().path(id)
              + " was said to have "
              + field
              + " of round "
              + round
              + ", and has "
              + found);
    }
  }
}
