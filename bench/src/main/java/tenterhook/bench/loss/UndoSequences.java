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
  private static final int SAME_HISTORY = 200;

  private final Path folder;
  private final long seed;

  UndoSequences(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /**
   * Runs sequences; half of them are taken back the newest first, the others in any order. After
   * some, history begins anew: no track of a DJ's has tens of thousands of changes.
   */
  void run(int sequences, Progress progress) throws Exception {
    Collections small = Collections.make(folder.resolve("sequences"), seed);
    Path template = folder.resolve("template");
    small.scanned(FileCalls.SYSTEM).close();
    Collections.copy(small.folder().resolve("collection"), template);
    for (int from = 0; from < sequences; from += SAME_HISTORY) {
      small.reset(template);
      try (MusicCollection collection = small.scanned(FileCalls.SYSTEM)) {
        for (int i = from; i < Math.min(sequences, from + SAME_HISTORY); i++) {
          one(small, collection, i);
          progress.at(i + 1L, sequences, "");
        }
      }
    }
  }

  private void one(Collections small, MusicCollection collection, int number) {
    long sequence = seed * 1_000_003 + number;
    try {
      one(small, collection, sequence, number % 2 == 0);
    } catch (Exception | Error broken) {
      throw new LostMusic("sequence " + sequence, broken);
    }
  }

  private static void one(
      Collections small, MusicCollection collection, long sequence, boolean newestFirst)
      throws Exception {
    Random random = new Random(sequence);
    Chance chance = new Chance(sequence);
    List<Long> changes = changes(collection, chance, random);
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

  private static List<Long> changes(MusicCollection collection, Chance chance, Random random) {
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
    return changes;
  }
}
