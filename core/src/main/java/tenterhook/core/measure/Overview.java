package tenterhook.core.measure;

import java.util.Arrays;

/**
 * The shape of a whole recording in at most {@value #MOST} columns: how far the low part (under 180
 * Hz) and all of it reach in each. What a waveform is drawn from.
 */
public final class Overview {
  /** Columns at most. */
  public static final int MOST = 800;

  /** No columns. */
  public static final Overview EMPTY = new Overview(new byte[0], new byte[0]);

  private final byte[] low;
  private final byte[] all;

  private Overview(byte[] low, byte[] all) {
    this.low = low;
    this.all = all;
  }

  /** How many columns there are, each as long as the other. */
  public int columns() {
    return all.length;
  }

  /** How far the low part reaches in a column, 0 to 1. */
  public double low(int column) {
    return (low[column] & 255) / 255.0;
  }

  /** How far all of it reaches in a column, 0 to 1. */
  public double all(int column) {
    return (all[column] & 255) / 255.0;
  }

  /**
   * The highest reach of all columns between two shares of the length.
   *
   * @param from 0 to 1
   * @param to from {@code from} to 1
   * @param onlyLow whether only the low part counts
   */
  public double reach(double from, double to, boolean onlyLow) {
    int first = Math.min(columns() - 1, (int) (from * columns()));
    int behind = Math.max(first + 1, Math.min(columns(), (int) Math.ceil(to * columns())));
    double high = 0;
    for (int i = Math.max(0, first); i < behind && i < columns(); i++) {
      high = Math.max(high, onlyLow ? low(i) : all(i));
    }
    return high;
  }

  /** A form to be kept: low and all of a column in turn. */
  public byte[] toBytes() {
    byte[] out = new byte[2 * columns()];
    for (int i = 0; i < columns(); i++) {
      out[2 * i] = low[i];
      out[2 * i + 1] = all[i];
    }
    return out;
  }

  /**
   * Reads what {@link #toBytes} made.
   *
   * @throws IllegalArgumentException when it is not of that form
   */
  public static Overview ofBytes(byte[] bytes) {
    if (bytes.length % 2 != 0 || bytes.length > 2 * MOST) {
      throw new IllegalArgumentException("an overview of " + bytes.length + " bytes");
    }
    byte[] low = new byte[bytes.length / 2];
    byte[] all = new byte[bytes.length / 2];
    for (int i = 0; i < low.length; i++) {
      low[i] = bytes[2 * i];
      all[i] = bytes[2 * i + 1];
    }
    return new Overview(low, all);
  }

  /** Gathers columns while the length is not known: when they are full, pairs become one. */
  static final class ColumnGatherer {
    private final float[] low = new float[MOST];
    private final float[] all = new float[MOST];
    private final Biquad filter;
    private long perColumn;
    private long inColumn;
    private int columns;

    ColumnGatherer(int rate) {
      filter = Biquad.lowPass(180, rate);
      perColumn = Math.max(1, rate / 40);
    }

    /** Takes samples of one channel. */
    void add(float[] samples, int count) {
      for (int i = 0; i < count; i++) {
        if (inColumn == perColumn) {
          nextColumn();
        }
        low[columns] = (float) Math.max(low[columns], Math.abs(filter.next(samples[i])));
        all[columns] = Math.max(all[columns], Math.abs(samples[i]));
        inColumn++;
      }
    }

    private void nextColumn() {
      inColumn = 0;
      if (++columns == MOST) {
        for (int i = 0; i < MOST / 2; i++) {
          low[i] = Math.max(low[2 * i], low[2 * i + 1]);
          all[i] = Math.max(all[2 * i], all[2 * i + 1]);
        }
        columns = MOST / 2;
        perColumn *= 2;
        Arrays.fill(low, columns, MOST, 0);
        Arrays.fill(all, columns, MOST, 0);
      }
    }

    /** The columns as they are; the last one counts when it is at least half full. */
    Overview build() {
      int count = Math.min(MOST, columns + (inColumn * 2 >= perColumn ? 1 : 0));
      byte[] lows = new byte[count];
      byte[] alls = new byte[count];
      for (int i = 0; i < count; i++) {
        lows[i] = (byte) Math.round(255 * Math.min(1, low[i]));
        alls[i] = (byte) Math.round(255 * Math.min(1, Math.max(low[i], all[i])));
      }
      return new Overview(lows, alls);
    }
  }
}
