package tenterhook.core.duplicate;

import java.util.Comparator;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.measure.SoundPrint.Likeness;

/** Finds the tracks whose prints are of one recording. */
public final class SoundPairs {
  private SoundPairs() {}

  /**
   * Two tracks of one recording.
   *
   * @param one the lower id
   * @param other the higher id
   * @param likeness how their prints fit
   */
  public record Pair(int one, int other, Likeness likeness) {}

  /**
   * All pairs, by an index over the prints.
   *
   * @param ids of the tracks that have a print
   * @param prints gives the print of an id, from any thread
   * @param progress told of every track; a stop gives what was found so far
   */
  public static List<Pair> of(int[] ids, IntFunction<SoundPrint> prints, Progress progress) {
    PrintIndex index = PrintIndex.of(ids, prints);
    AtomicInteger done = new AtomicInteger();
    return IntStream.of(ids)
        .parallel()
        .boxed()
        .flatMap(
            id -> {
              if (progress.stopped()) {
                return Stream.empty();
              }
              progress.at(done.incrementAndGet(), ids.length, "");
              return index.findFromOneSide(prints.apply(id)).stream()
                  .filter(m -> m.id() != id)
                  .map(m -> new Pair(Math.min(id, m.id()), Math.max(id, m.id()), m.likeness()));
            })
        .collect(Collectors.toMap(p -> (long) p.one() << 32 | p.other(), p -> p, SoundPairs::best))
        .values()
        .stream()
        .sorted(Comparator.comparingInt(Pair::one).thenComparingInt(Pair::other))
        .toList();
  }

  private static Pair best(Pair a, Pair b) {
    return a.likeness().share() >= b.likeness().share() ? a : b;
  }
}
