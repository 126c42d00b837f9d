package tenterhook.bench.loss;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.core.change.Outcome;
import tenterhook.core.job.Progress;

/**
 * Random sequences of changes of tags, taken back the newest first or in any order; in the end
 * every file has its very bytes.
 */
final class UndoSequences {
  private final Path folder;
  private final long seed;

  UndoSequences(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /** Runs sequences; half of them are taken back the newest first, the others in any order. */
  void run(int sequences, Progress progress) throws Exception {
    Collections small = Collections.make(folder.resolve("sequences"), seed);
    try (MusicCollection collection = small.scanned(FileCalls.SYSTEM)) {
      for (int i = 0; i < sequences; i++) {
        long sequence = seed * 1_000_003 + i;
        try {
          one(small, collection, sequence, i % 2 == 0);
        } catch (Exception | Error broken) {
          throw new LostMusic("sequence " + sequence, broken);
        }
        progress.at(i + 1L, sequences, "");
      }
    }
  }

  private static void one(
      Collections small, MusicCollection collection, long sequence, boolean newestFirst)
      throws Exception {
    Random random = new Random(sequence);
    Chance chance = new Chance(sequence);
    List<Long> changes = new ArrayList<>();
    List<Integer> fields = new ArrayList<>();
    for (int field = 0; field < Chance.fields(); field++) {
      fields.add(field);
    }
    java.util.Collections.shuffle(fields, random);
    int length = 2 + random.nextInt(3);
    for (int field : fields.subList(0, length)) {
      Outcome outcome =
          collection.apply(now -> chance.tags(now.snapshot(), field), Progress.SILENT);
      LostMusic.unless(outcome.refused().isEmpty(), "refused: " + outcome.refused());
      if (outcome.number() > 0) {
        changes.add(outcome.number());
      }
    }
    if (newestFirst) {
      java.util.Collections.reverse(changes);
    } else {
      java.util.Collections.shuffle(changes, random);
    }
    for (long change : changes) {
      Outcome back = collection.undo(change, Progress.SILENT);
      LostMusic.unless(back.refused().isEmpty(), "not taken back: " + back.refused());
    }
    small.bytesAreTheOriginals(collection);
  }
}
