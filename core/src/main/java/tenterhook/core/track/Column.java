package tenterhook.core.track;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;

/**
 * One field of all tracks: a number into a {@link Dictionary} per track. Immutable; an altered copy
 * shares all blocks of 1024 tracks that did not change.
 */
public final class Column {
  private static final int SHIFT = 10;
  private static final int BLOCK = 1 << SHIFT;
  private static final int MASK = BLOCK - 1;

  /** How many distinct values an index is made for. */
  private static final int FEW = 4096;

  /** Blocks in which all tracks have the same value are shared; most columns are mostly empty. */
  private static final int[][] UNIFORM = new int[16][BLOCK];

  static {
    for (int number = 0; number < UNIFORM.length; number++) {
      Arrays.fill(UNIFORM[number], number);
    }
  }

  private final Dictionary dictionary;
  private final int[][] blocks;

  private final AtomicBoolean asked = new AtomicBoolean();
  private volatile RoaringBitmap @Nullable [] index;
  private volatile @Nullable RoaringBitmap holes;

  Column(Dictionary dictionary) {
    this(dictionary, new int[0][]);
  }

  /**
   * A column of blocks that were made before.
   *
   * @param blocks of 1024 numbers each; taken over
   */
  Column(Dictionary dictionary, int[][] blocks) {
    this.dictionary = dictionary;
    this.blocks = blocks;
  }

  /** The distinct values. */
  public Dictionary dictionary() {
    return dictionary;
  }

  /**
   * The number of a track's value.
   *
   * @param id any id; one beyond the end has number 0, the empty value
   */
  public int number(int id) {
    int block = id >> SHIFT;
    return block < blocks.length ? blocks[block][id & MASK] : 0;
  }

  /** A track's value, empty when there is none. */
  public String text(int id) {
    return dictionary.text(number(id));
  }

  /**
   * The tracks by the number of their value. Made when it is asked for the second time, so that a
   * column that the next edit replaces is not indexed for nothing.
   *
   * @return empty the first time, and where there are too many distinct values; not to be altered
   */
  public Optional<RoaringBitmap[]> index() {
    RoaringBitmap[] made = index;
    if (made == null && dictionary.size() <= FEW && !asked.compareAndSet(false, true)) {
      made = indexed();
      index = made;
    }
    return Optional.ofNullable(made);
  }

  /**
   * The tracks whose value is a hole in a field, worked out once; a track behind the last block has
   * the empty value, and no place in it.
   *
   * @param field the one that this is the column of
   * @return not to be altered
   */
  public RoaringBitmap holes(Field<?> field) {
    RoaringBitmap known = holes;
    if (known == null) {
      BitSet numbers = dictionary.holes(field);
      known = new RoaringBitmap();
      for (int id = 0; id < end(); id++) {
        if (numbers.get(blocks[id >> SHIFT][id & MASK])) {
          known.add(id);
        }
      }
      holes = known;
    }
    return known;
  }

  /** The first id that has no place in the blocks. */
  public int end() {
    return blocks.length << SHIFT;
  }

  /**
   * The places at which another column of the same dictionary has another number. Quick for columns
   * that came from one another, since these share what did not change.
   */
  RoaringBitmap differing(Column other) {
    RoaringBitmap places = new RoaringBitmap();
    for (int b = 0; b < Math.max(blocks.length, other.blocks.length); b++) {
      int[] one = b < blocks.length ? blocks[b] : UNIFORM[0];
      int[] two = b < other.blocks.length ? other.blocks[b] : UNIFORM[0];
      for (int i = 0; one != two && i < BLOCK; i++) {
        if (one[i] != two[i]) {
          places.add((b << SHIFT) + i);
        }
      }
    }
    return places;
  }

  /** The blocks; not to be altered. */
  int[][] blocks() {
    return blocks;
  }

  /**
   * The block to use in place of one: a shared one where all its numbers are the same small one.
   */
  static int[] shared(int[] block) {
    int first = block[0];
    return first < UNIFORM.length && Arrays.equals(block, UNIFORM[first]) ? UNIFORM[first] : block;
  }

  private RoaringBitmap[] indexed() {
    RoaringBitmap[] made = new RoaringBitmap[dictionary.size()];
    for (int b = 0; b < blocks.length; b++) {
      for (int i = 0; i < BLOCK; i++) {
        int number = blocks[b][i];
        if (made[number] == null) {
          made[number] = new RoaringBitmap();
        }
        made[number].add((b << SHIFT) + i);
      }
    }
    return made;
  }

  /** Collects new values and then makes the altered copy. */
  static final class Writer {
    private final Column before;
    private int[][] blocks;

    /** The blocks that are this writer's own, and may be altered. */
    private final BitSet own = new BitSet();

    Writer(Column before) {
      this.before = before;
      this.blocks = before.blocks.clone();
    }

    void set(int id, String value) {
      int block = id >> SHIFT;
      grow(block);
      if (!own.get(block)) {
        blocks[block] = blocks[block].clone();
        own.set(block);
      }
      blocks[block][id & MASK] = before.dictionary.intern(value);
    }

    private void grow(int block) {
      if (block < blocks.length) {
        return;
      }
      int[][] more = Arrays.copyOf(blocks, block + 1);
      Arrays.fill(more, blocks.length, more.length, UNIFORM[0]);
      blocks = more;
    }

    Column done() {
      own.stream().forEach(block -> blocks[block] = shared(blocks[block]));
      return new Column(before.dictionary, blocks);
    }
  }
}
