package tenterhook.core.track;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.FieldType;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;

/**
 * The distinct values of one column, each stored once under a number. Grows only; one writer, any
 * number of readers. Number 0 is always the empty text.
 */
public final class Dictionary {
  private final Map<String, Integer> numbers = new HashMap<>();
  private volatile String[] texts = new String[16];
  private volatile @Nullable String[] folded = new String[16];
  private volatile @Nullable String[] cleaned = new String[0];
  private volatile double[] numbersOf = new double[0];
  private volatile int size;

  Dictionary() {
    intern("");
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
      cache = valuesUpTo(size, type);
    }
    return cache[number];
  }

  private synchronized double[] valuesUpTo(int end, FieldType<?> type) {
    double[] known = numbersOf;
    double[] more = Arrays.copyOf(known, Math.max(end, known.length));
    for (int i = known.length; i < end; i++) {
      more[i] = type.number(texts[i]);
    }
    numbersOf = more;
    return more;
  }

  /** How many distinct values there are, the empty one included. */
  public int size() {
    return size;
  }

  /**
   * The value under a number.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String text(int number) {
    return texts[number];
  }

  /**
   * The value folded for searching; computed once per value.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String folded(int number) {
    @Nullable String[] cache = folded;
    String known = number < cache.length ? cache[number] : null;
    if (known != null) {
      return known;
    }
    String made = Fold.fold(texts[number]);
    if (number < cache.length) {
      cache[number] = made.equals(texts[number]) ? texts[number] : made;
    }
    return made;
  }

  /**
   * The value cleaned for comparing: letters and digits alone; computed once per value.
   *
   * @param number from 0 to {@link #size} - 1
   */
  public String cleaned(int number) {
    @Nullable String[] cache = cleaned;
    if (number >= cache.length) {
      cache = cleanedUpTo(size);
    }
    String known = cache[number];
    if (known == null) {
      known = NameKey.plain(texts[number]);
      cache[number] = known;
    }
    return known;
  }

  private synchronized @Nullable String[] cleanedUpTo(int end) {
    @Nullable String[] more = Arrays.copyOf(cleaned, Math.max(end, cleaned.length));
    cleaned = more;
    return more;
  }

  /** The number of a value, made if it is new. Only the one writer calls this. */
  synchronized int intern(String text) {
    Integer known = numbers.get(text);
    if (known != null) {
      return known;
    }
    int number = size;
    if (number == texts.length) {
      texts = Arrays.copyOf(texts, number * 2);
      folded = Arrays.copyOf(folded, number * 2);
    }
    texts[number] = text;
    numbers.put(text, number);
    size = number + 1;
    return number;
  }
}
