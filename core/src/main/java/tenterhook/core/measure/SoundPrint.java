package tenterhook.core.measure;

import java.nio.ByteBuffer;
import java.util.Arrays;

/**
 * A compact print of how a recording sounds: 32 bits an eighth of a second, of the first two
 * minutes of sound. A bit says whether the difference of two neighbouring bands grew or fell (J.
 * Haitsma and T. Kalker, A Highly Robust Audio Fingerprinting System, 2002; 33 bands of equal ratio
 * from 300 to 2000 Hz), here over {@value #REACH} frames, so that prints may start anywhere between
 * two frames. Level, tags, coding and a shifted start change few bits.
 */
public final class SoundPrint {
  /** Words a second. */
  public static final double RATE = 8;

  /** Words at most. */
  public static final int MOST = (int) (120 * RATE);

  /** Frames between the two that are compared. */
  static final int REACH = 2;

  /** The print of nothing. */
  public static final SoundPrint EMPTY = new SoundPrint(new int[0]);

  private final int[] words;

  private SoundPrint(int[] words) {
    this.words = words;
  }

  /** How many words there are. */
  public int length() {
    return words.length;
  }

  /** A word, by its place from 0. */
  public int word(int at) {
    return words[at];
  }

  /** A form to be kept: the words, highest byte first. */
  public byte[] toBytes() {
    ByteBuffer out = ByteBuffer.allocate(4 * words.length);
    out.asIntBuffer().put(words);
    return out.array();
  }

  /**
   * Reads what {@link #toBytes} made.
   *
   * @throws IllegalArgumentException when it is not of that form
   */
  public static SoundPrint ofBytes(byte[] bytes) {
    if (bytes.length % 4 != 0 || bytes.length > 4 * MOST) {
      throw new IllegalArgumentException("a print of " + bytes.length + " bytes");
    }
    int[] words = new int[bytes.length / 4];
    ByteBuffer.wrap(bytes).asIntBuffer().get(words);
    return new SoundPrint(words);
  }

  /** A print of given words. */
  static SoundPrint of(int... words) {
    return new SoundPrint(words.clone());
  }

  /**
   * How alike two prints are when one is laid over the other at a given place.
   *
   * @param other the other print
   * @param offset the place of this one that meets the other's first word; may be negative
   * @return how they fit; {@link Likeness#NONE} when they do not meet
   */
  public Likeness at(SoundPrint other, int offset) {
    int from = Math.max(0, offset);
    int to = Math.min(words.length, other.words.length + offset);
    int wrong = 0;
    for (int i = from; i < to; i++) {
      wrong += Integer.bitCount(words[i] ^ other.words[i - offset]);
    }
    return to <= from
        ? Likeness.NONE
        : new Likeness(
            1 - wrong / (32.0 * (to - from)),
            offset,
            to - from,
            Math.min(words.length, other.words.length));
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof SoundPrint print && Arrays.equals(words, print.words);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(words);
  }

  /**
   * How two prints fit.
   *
   * @param share of equal bits, 0 to 1; about a half for two recordings that have nothing in common
   * @param offset in words: how much later the second print begins in the first
   * @param words how many words were compared
   * @param shorter how many words the shorter print has
   */
  public record Likeness(double share, int offset, int words, int shorter) {
    /** Prints that do not meet. */
    public static final Likeness NONE = new Likeness(0, 0, 0, 0);

    /** Two recordings that share tempo and chords come up to 0.72 over a few bars. */
    private static final double SAME = 0.76;

    /**
     * Whether it is the same recording: at least five seconds and half of the shorter print in
     * common, and so many equal bits that other music does not come there.
     */
    public boolean same() {
      return words >= 5 * RATE && 2 * words >= shorter && share >= SAME;
    }
  }

  /** Makes a print from the stream; starts with the first sound. */
  static final class PrintBuilder implements FrameSplitter.Sink {
    private static final int BANDS = 33;
    private static final float SILENT = 1e-3f;

    private final Spectrum spectrum;
    private final int[] edges = new int[BANDS + 1];
    private final float[][] past = new float[REACH + 1][BANDS];
    private final int[] words = new int[MOST];
    private int frames;
    private int size;

    /**
     * For frames of about 0.37 seconds.
     *
     * @param hertz samples a second, above 4400
     * @param frame samples in a frame, a power of two
     */
    PrintBuilder(double hertz, int frame) {
      spectrum = new Spectrum(frame);
      for (int b = 0; b <= BANDS; b++) {
        double edge = 300 * Math.pow(2000.0 / 300, (double) b / BANDS);
        edges[b] = (int) Math.round(edge * frame / hertz);
      }
    }

    @Override
    public void frame(float[] samples, int from) {
      if (size == MOST) {
        return;
      }
      float[] now = past[frames % (REACH + 1)];
      spectrum.bands(samples, from, edges, now);
      if (frames == 0 && sum(now) < SILENT) {
        return;
      }
      frames++;
      if (frames > REACH) {
        words[size++] = word(now, past[frames % (REACH + 1)]);
      }
    }

    private static float sum(float[] bands) {
      float total = 0;
      for (float band : bands) {
        total += band;
      }
      return total;
    }

    private static int word(float[] now, float[] before) {
      int word = 0;
      for (int b = 0; b + 1 < BANDS; b++) {
        boolean grew = now[b] - now[b + 1] > before[b] - before[b + 1];
        word = word << 1 | (grew ? 1 : 0);
      }
      return word;
    }

    boolean full() {
      return size == MOST;
    }

    SoundPrint build() {
      return new SoundPrint(Arrays.copyOf(words, size));
    }
  }
}
