package tenterhook.core;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.LongStream;

/**
 * Tries a property on cases that are made from seeds. The message of a failure names its seed, and
 * {@code -Dtenterhook.seed=N} tries that one case alone.
 */
public final class Seeds {
  private static final String ALONE = "tenterhook.seed";
  private static final int BLOCKS = 5;
  private static final long SPREAD = 0x9E3779B97F4A7C15L;

  /** Ranges of letters that texts are made of: from, to. */
  private static final int[][] LETTERS = {
    {' ', '~'},
    {' ', '~'},
    {' ', '~'},
    {0, 0x1F},
    {0xA0, 0x17F},
    {0xA0, 0x17F},
    {0x300, 0x36F},
    {0x370, 0x4FF},
    {0x2000, 0x206F},
    {0x3040, 0x30FF},
    {0x4E00, 0x9FFF},
    {0xAC00, 0xD7A3},
    {0xFF00, 0xFFEF},
    {0x1F300, 0x1F64F}
  };

  private Seeds() {}

  /** The numbers of the blocks in which the cases of a property are tried. */
  static LongStream blocks() {
    return alone().isPresent() ? LongStream.of(0) : LongStream.range(0, BLOCKS);
  }

  private static Optional<Long> alone() {
    return Optional.ofNullable(Long.getLong(ALONE));
  }

  /**
   * Tries a property on the cases of a block.
   *
   * @param block which one
   * @param cases how many in all blocks together
   * @param property throws when it does not hold of what it makes from the chance given
   */
  public static void each(long block, int cases, Consumer<Random> property) {
    if (alone().isPresent()) {
      property.accept(new Random(alone().get() * SPREAD));
      return;
    }
    int perBlock = (cases + BLOCKS - 1) / BLOCKS;
    for (long seed = block * perBlock; seed < (block + 1) * perBlock; seed++) {
      try {
        property.accept(new Random(seed * SPREAD));
      } catch (AssertionError | RuntimeException broken) {
        throw new AssertionError(
            "does not hold for seed " + seed + " (alone by -D" + ALONE + "=" + seed + ")", broken);
      }
    }
  }

  /**
   * Tries a property on a list; where it does not hold, the list is halved as long as one of its
   * halves fails as well, and the smallest is named.
   */
  public static <T> void halving(List<T> input, Consumer<List<T>> property) {
    Optional<Throwable> broken = failure(input, property);
    if (broken.isEmpty()) {
      return;
    }
    List<T> smallest = input;
    for (Optional<List<T>> half = failingHalf(smallest, property);
        half.isPresent();
        half = failingHalf(smallest, property)) {
      smallest = half.get();
    }
    throw new AssertionError(
        "does not hold for " + smallest, failure(smallest, property).orElse(broken.get()));
  }

  private static <T> Optional<List<T>> failingHalf(List<T> list, Consumer<List<T>> property) {
    int middle = list.size() / 2;
    if (middle == 0) {
      return Optional.empty();
    }
    List<List<T>> halves = List.of(list.subList(0, middle), list.subList(middle, list.size()));
    return halves.stream().filter(h -> failure(h, property).isPresent()).findFirst();
  }

  private static <T> Optional<Throwable> failure(List<T> input, Consumer<List<T>> property) {
    try {
      property.accept(input);
      return Optional.empty();
    } catch (AssertionError | RuntimeException broken) {
      return Optional.of(broken);
    }
  }

  /** A number from one to another, both included. */
  public static int between(Random random, int least, int most) {
    return least + random.nextInt(most - least + 1);
  }

  /** One of some. */
  @SafeVarargs
  public static <T> T any(Random random, T... some) {
    return some[random.nextInt(some.length)];
  }

  /** A list of a length from one to another. */
  public static <T> List<T> list(Random random, int least, int most, Function<Random, T> make) {
    List<T> list = new ArrayList<>();
    for (int i = between(random, least, most); i > 0; i--) {
      list.add(make.apply(random));
    }
    return list;
  }

  /** Some of these, each at most once, in any order. */
  public static List<String> some(Random random, int most, String... of) {
    Set<String> some = new HashSet<>(list(random, 0, most, r -> any(r, of)));
    List<String> list = new ArrayList<>(some);
    java.util.Collections.shuffle(list, random);
    return list;
  }

  /** A text of letters of every script, controls and combining marks among them. */
  public static String text(Random random, int most) {
    StringBuilder text = new StringBuilder();
    for (int i = random.nextInt(most + 1); i > 0; i--) {
      int[] range = LETTERS[random.nextInt(LETTERS.length)];
      text.appendCodePoint(between(random, range[0], range[1]));
    }
    return text.toString();
  }

  /** A text of these letters. */
  public static String text(Random random, int least, int most, String letters) {
    int[] all = letters.codePoints().toArray();
    StringBuilder text = new StringBuilder();
    for (int i = between(random, least, most); i > 0; i--) {
      text.appendCodePoint(all[random.nextInt(all.length)]);
    }
    return text.toString();
  }
}
