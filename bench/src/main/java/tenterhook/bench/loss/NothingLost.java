package tenterhook.bench.loss;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tenterhook.core.job.Progress;

/**
 * All campaigns, one after the other; ends with an error at the first thing that is lost.
 * Arguments: how many kills, faults, mutants and sequences, and a seed; without them 1,000,
 * 100,000, 10,000, 10,000 and 1.
 */
public final class NothingLost {
  private NothingLost() {}

  /** Runs all campaigns. */
  public static void main(String[] args) throws Exception {
    int[] counts = {1_000, 100_000, 10_000, 10_000, 1};
    for (int i = 0; i < Math.min(args.length, counts.length); i++) {
      counts[i] = Integer.parseInt(args[i]);
    }
    Path folder = Files.createTempDirectory("nothing-lost");
    try {
      run(folder, counts);
    } finally {
      Collections.remove(folder);
    }
    System.exit(0); // readers of music keep threads of their own
  }

  /**
   * Runs all campaigns in a folder.
   *
   * @param counts kills, faults, mutants, sequences, seed
   */
  static void run(Path folder, int... counts) throws Exception {
    long seed = counts[4];
    kills(folder, counts[0], seed);
    faults(folder, counts[1], seed);
    mutants(folder, counts[2], seed);
    sequences(folder, counts[3], seed);
    say(
        "%,d sequences of changes taken back in any order: every byte as before",
        2 * share(counts[3]));
    int[] two = new TwoPrograms(folder.resolve("t"), seed).run(Math.max(5, counts[3] / 100));
    say(
        "two programs on one folder: %,d edits done, %,d refused, none overwritten",
        two[0], two[1]);
  }

  private static void kills(Path folder, int count, long seed) throws Exception {
    List<Integer> killed =
        halves(
            folder.resolve("k"),
            seed,
            (here, own) -> new AimedKills(here, own).run(share(count), said("kills")));
    say(
        "%,d aimed kills, %,d of them in the middle of a change: nothing lost",
        2 * share(count), killed.stream().mapToInt(i -> i).sum());
  }

  private static void faults(Path folder, int count, long seed) throws Exception {
    List<java.util.Map<InjectedFaults.Fault, Integer>> faults =
        halves(
            folder.resolve("f"),
            seed,
            (here, own) -> new InjectedFaults(here, own).run(share(count), said("faults")));
    say(
        "%,d injected faults (%s): nothing lost",
        faults.stream().flatMap(f -> f.values().stream()).mapToInt(i -> i).sum(), faults);
  }

  private static void mutants(Path folder, int count, long seed) throws Exception {
    List<MutatedFiles.MutationResult> mutants =
        halves(
            folder.resolve("m"),
            seed,
            (here, own) -> new MutatedFiles(here, own).run(share(count), said("mutants")));
    say(
        "%,d damaged files, %,d of them tracks, %,d edited and taken back: nothing lost",
        2 * share(count),
        mutants.stream().mapToInt(MutatedFiles.MutationResult::read).sum(),
        mutants.stream().mapToInt(MutatedFiles.MutationResult::written).sum());
  }

  private static void sequences(Path folder, int count, long seed) throws Exception {
    halves(
        folder.resolve("s"),
        seed,
        (here, own) -> {
          new UndoSequences(here, own).run(share(count), said("sequences"));
          return 0;
        });
  }

  private static int share(int count) {
    return (count + 1) / 2;
  }

  /** One half of a campaign. */
  private interface Half<T> {
    T run(Path folder, long seed) throws Exception;
  }

  /** Both cores work, each with seeds of its own. */
  private static <T> List<T> halves(Path folder, long seed, Half<T> half) throws Exception {
    try (ExecutorService both = Executors.newFixedThreadPool(2)) {
      List<Future<T>> running = new ArrayList<>();
      for (int i = 0; i < 2; i++) {
        Path here = folder.resolve("half " + i);
        long own = 1_000_000 * seed + 500_000L * i;
        Callable<T> work = () -> half.run(here, own);
        running.add(both.submit(work));
      }
      List<T> results = new ArrayList<>();
      for (Future<T> one : running) {
        results.add(one.get());
      }
      return results;
    }
  }

  private static Progress said(String what) {
    long[] last = {System.nanoTime()};
    return (done, total, words) -> {
      if (System.nanoTime() - last[0] > 20_000_000_000L) {
        last[0] = System.nanoTime();
        System.err.printf(Locale.ROOT, "%s: %,d of %,d  %s%n", what, done, total, words);
      }
    };
  }

  private static void say(String form, Object... values) {
    System.out.printf(Locale.ROOT, form + "%n", values);
  }
}
