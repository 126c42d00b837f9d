package tenterhook.core.track;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;

/**
 * One field of all tracks: a number into a {@link Dictionary} per track. Immutable; an altered copy
 * shares all blocks of 1024 tracks that did not change.
 */
public final class Column {
  private static final int SHIFT = 10;
  private static final int BLOCK = 1 << SHIFT;
  private static final int MASK = BLOCK - 1;

  private final Dictionary dictionary;
  private final int[][] blocks;

  /** How many distinct values an index is made for. */
  private static final int FEW = 4096;

  private final AtomicBoolean asked = new AtomicBoolean();
  private volatile RoaringBitmap @Nullable [] index;

  Column(Dictionary dictionary) {
    this(dictionary, new int[0][]);
  }

  private Column(Dictionary dictionary, int[][] blocks) {
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

    Writer(Column before) {
      this.before = before;
      this.blocks = before.blocks.clone();
    }

    void set(int id, String value) {
      int block = id >> SHIFT;
      grow(block);
      if (block < before.blocks.length && blocks[block] == before.blocks[block]) {
        blocks[block] = before.blocks[block].clone();
      }
      blocks[block][id & MASK] = before.dictionary.intern(value);
    }

    private void grow(int block) {
      if (block < blocks.length) {
        return;
      }
      int[][] more = java.util.Arrays.copyOf(blocks, block + 1);
      for (int i = blocks.length; i <= block; i++) {
        more[i] = new int[BLOCK];
      }
      blocks = more;
    }

    Column done() {
      return new Column(before.dictionary, blocks);
    }
  }
}
