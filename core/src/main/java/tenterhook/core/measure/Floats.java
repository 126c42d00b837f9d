package tenterhook.core.measure;

import java.util.Arrays;

/** A growing row of numbers with a limit; what comes after the limit is not kept. */
final class Floats {
  private final int limit;
  private float[] values = new float[1024];
  private int size;

  /** A row that keeps so many values at most. */
  Floats(int limit) {
    this.limit = limit;
  }

  void add(double value) {
    if (size == limit) {
      return;
    }
    if (size == values.length) {
      values = Arrays.copyOf(values, Math.min(limit, size * 2));
    }
    values[size++] = (float) value;
  }

  int size() {
    return size;
  }

  float[] toArray() {
    return Arrays.copyOf(values, size);
  }
}
