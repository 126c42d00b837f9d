package tenterhook.core.track;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.BitSet;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;

/**
 * The distinct values of one column, each stored once under a number. Grows only; one writer, any
 * number of readers. Number 0 is always the empty text.
 */
public final class Dictionary {
  /** So many values are kept as strings too, since they are asked for again and again. */
  private static final int FEW = 4096;

  private static final int FIRST_SLOTS = 32;

  private final PackedTexts texts;
  private final SearchIndex folded = new SearchIndex(Fold::fold);
  private final SearchIndex cleaned = new SearchIndex(NameKey::plain);
  private volatile @Nullable String[] strings = new String[0];

  /** Open addressing (linear probing): number + 1 of a text by its hash; empty until needed. */
  private int[] slots = new int[0];

  private volatile double[] numbersOf = new double[0];
  private volatile Ranks ranks = new Ranks(new int[0], new int[0]);
  private volatile Holes holes = new Holes(new BitSet(), 0);

  Dictionary() {
    this(new PackedTexts());
    intern("");
  }

  /** A dictionary of packed texts of which the first is empty. */
  Dictionary(PackedTexts texts) {
    this.texts = texts;
  }

  PackedTexts texts() {
    return texts;
  }

  /**
   * The number by which a value compares, read once per value.
   *
   * @param number from 0 to {@link #size} - 1
   * @param type the type of the field that this is the dictionary of
   * @return the value as a number, NaN when it has none
   */
  public double value(int number, FieldType<?> type) {
    double[] cache = numbersOf;
    if (number >= cache.length) {
      cache = valuesUpTo(size(), type);
    }
    return cache[number];
  }

  private synchronized double[] valuesUpTo(int end, FieldType<?> type) {
    double[] known = numbersOf;
    double[] more = Arrays.copyOf(known, Math.max(end, known.length));
    for (int i = known.length; i < end; i++) {
      more[i] = type.number(text(i));
    }
    numbersOf = more;
    return more;
  }

  /** How many distinct values there are, the empty one included. */
  public int size() {
    return texts.size();
  }

  /**
   * The value under a number.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String text(int number) {
    @Nullable String[] known = strings;
    String text = number < known.length ? known[number] : null;
    if (text != null) {
      return text;
    }
    text = texts.text(number);
    if (number < FEW) {
      keep(number, text);
    }
    return text;
  }

  /** A string that is lost to another thread is only made again. */
  private void keep(int number, String text) {
    @Nullable String[] known = strings;
    if (number >= known.length) {
      known = Arrays.copyOf(known, Math.min(FEW, Math.max(number + 1, known.length * 2)));
      strings = known;
    }
    known[number] = text;
  }

  /**
   * The value folded for searching.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String folded(int number) {
    return number < folded.size() ? folded.text(number) : Fold.fold(text(number));
  }

  /**
   * The value cleaned for comparing: letters and digits alone.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String cleaned(int number) {
    return number < cleaned.size() ? cleaned.text(number) : NameKey.plain(text(number));
  }

  /**
   * The numbers of all values that contain a text when both are folded for searching.
   *
   * @param part already folded; an empty one is contained in all
   * @return not to be altered
   */
  public BitSet containing(String part) {
    return containing(folded, part);
  }

  /**
   * The numbers of all values that contain a text when both are cleaned for comparing.
   *
   * @param part already cleaned; an empty one is contained in all
   */
  public BitSet containingCleaned(String part) {
    return containing(cleaned, part);
  }

  private BitSet containing(SearchIndex index, String part) {
    int size = size();
    index.follow(texts, size);
    return index.containing(part, size);
  }

  /** Makes ready what searching needs, so that the first search need not wait for it. */
  public void prepareSearch() {
    folded.follow(texts, size());
  }

  /** Which numbers were asked whether they are holes, and are. */
  private record Holes(BitSet numbers, int size) {}

  /**
   * The numbers of all values that are holes in a field; each value is asked once.
   *
   * @param field the one that this is the dictionary of
   * @return has the numbers below {@link #size}; not to be altered
   */
  public BitSet holes(Field<?> field) {
    Holes known = holes;
    return known.size >= size() ? known.numbers : holesUpTo(size(), field);
  }

  private synchronized BitSet holesUpTo(int size, Field<?> field) {
    Holes known = holes;
    BitSet more = (BitSet) known.numbers.clone();
    for (int number = known.size; number < size; number++) {
      more.set(number, field.isHole(text(number)));
    }
    holes = new Holes(more, size);
    return more;
  }

  /**
   * Places of the values in their order.
   *
   * @param order the numbers, lowest value first, equal ones by number
   * @param places by number: equal values have one place; -1 for a value without one, a hole
   */
  private record Ranks(int[] order, int[] places) {}

  /**
   * The place of every value in the order of its field: numbers by their size, texts by their
   * folded form. Sorted once; values that are new are sorted in.
   *
   * @param type the type of the field that this is the dictionary of
   * @return by number, at least for those below {@link #size}: values that compare equal have one
   *     place; -1 for a hole; not to be altered
   */
  public int[] places(FieldType<?> type) {
    Ranks known = ranks;
    return known.places.length >= size() ? known.places : placesUpTo(size(), type);
  }

  private synchronized int[] placesUpTo(int size, FieldType<?> type) {
    if (type.numeric()) {
      value(size - 1, type);
    } else {
      folded.follow(texts, size);
    }
    int[] before = ranks.order;
    int[] order = new int[size];
    int[] fresh = sorted(before.length, size, type);
    merge(before, fresh, order, type);
    int[] places = new int[size];
    int place = 0;
    for (int i = 0; i < size; i++) {
      place += i > 0 && compare(order[i - 1], order[i], type) != 0 ? 1 : 0;
      places[order[i]] = isBlank(order[i], type) ? -1 : place;
    }
    ranks = new Ranks(order, places);
    return places;
  }

  private int[] sorted(int from, int to, FieldType<?> type) {
    Integer[] numbers = new Integer[to - from];
    Arrays.setAll(numbers, i -> from + i);
    Arrays.sort(numbers, (a, b) -> compare(a, b, type));
    return Arrays.stream(numbers).mapToInt(Integer::intValue).toArray();
  }

  private void merge(int[] left, int[] right, int[] into, FieldType<?> type) {
    int l = 0;
    int r = 0;
    for (int i = 0; i < into.length; i++) {
      boolean first = r == right.length || l < left.length && compare(left[l], right[r], type) <= 0;
      into[i] = first ? left[l++] : right[r++];
    }
  }

  private int compare(int a, int b, FieldType<?> type) {
    return type.numeric() ? Double.compare(value(a, type), value(b, type)) : folded.compare(a, b);
  }

  private boolean isBlank(int number, FieldType<?> type) {
    return type.numeric() ? Double.isNaN(value(number, type)) : number == 0;
  }

  /** The number of a value, made if it is new. Only the one writer calls this. */
  synchronized int intern(String text) {
    if (slots.length == 0 || texts.size() * 2 > slots.length) {
      hashAll();
    }
    byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
    int at = slot(hash(utf8, 0, utf8.length));
    for (; slots[at] != 0; at = at + 1 & slots.length - 1) {
      int number = slots[at] - 1;
      if (texts.equal(number, utf8) && texts.text(number).equals(text)) {
        return number;
      }
    }
    int number = texts.add(text);
    slots[at] = number + 1;
    return number;
  }

  private void hashAll() {
    int room = FIRST_SLOTS;
    while (room < texts.size() * 3L) {
      room *= 2;
    }
    slots = new int[room];
    for (int number = 0; number < texts.size(); number++) {
      int at = slot(hash(texts.bytes(), texts.from(number), texts.to(number)));
      while (slots[at] != 0) {
        at = at + 1 & room - 1;
      }
      slots[at] = number + 1;
    }
  }

  private int slot(int hash) {
    return (hash ^ hash >>> 16) & slots.length - 1;
  }

  private static int hash(byte[] bytes, int from, int to) {
    int hash = 0;
    for (int i = from; i < to; i++) {
      hash = 31 * hash + bytes[i];
    }
    return hash;
  }
}
