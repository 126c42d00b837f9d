package tenterhook.core.measure;

import org.jtransforms.fft.FloatFFT_1D;
import org.jtransforms.utils.CommonUtils;

/** The power spectrum of single frames under a Hann window, by the real FFT. Not thread-safe. */
final class Spectrum {
  static {
    CommonUtils.setThreadsBeginN_1D_FFT_2Threads(Long.MAX_VALUE);
    CommonUtils.setThreadsBeginN_1D_FFT_4Threads(Long.MAX_VALUE);
  }

  private final int size;
  private final FloatFFT_1D fft;
  private final float[] window;
  private final float[] work;
  private final float[] power;

  /**
   * For frames of one length.
   *
   * @param size in samples, a power of two
   */
  Spectrum(int size) {
    this.size = size;
    this.fft = new FloatFFT_1D(size);
    this.work = new float[size];
    this.power = new float[size / 2 + 1];
    this.window = new float[size];
    for (int i = 0; i < size; i++) {
      window[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / size));
    }
  }

  /**
   * The power of each bin from 0 to half the sample rate.
   *
   * @param samples holds the frame
   * @param from where the frame begins
   * @return size / 2 + 1 values, overwritten by the next call
   */
  float[] power(float[] samples, int from) {
    transform(samples, from);
    power[0] = work[0] * work[0];
    power[size / 2] = work[1] * work[1];
    float[] w = work;
    for (int k = 1; k < size / 2; k++) {
      float re = w[2 * k];
      float im = w[2 * k + 1];
      power[k] = re * re + im * im;
    }
    return power;
  }

  /**
   * The power of bands, without that of the bins outside them.
   *
   * @param samples holds the frame
   * @param from where the frame begins
   * @param edges rising bins, above 0 and below size / 2: a band begins at each but the last, which
   *     ends the last band
   * @param out gets one value for each band
   */
  void bands(float[] samples, int from, int[] edges, float[] out) {
    transform(samples, from);
    float[] w = work;
    for (int b = 0; b + 1 < edges.length; b++) {
      float real = 0;
      float imaginary = 0;
      for (int i = 2 * edges[b]; i < 2 * edges[b + 1]; i += 2) {
        real += w[i] * w[i];
        imaginary += w[i + 1] * w[i + 1];
      }
      out[b] = real + imaginary;
    }
  }

  private void transform(float[] samples, int from) {
    float[] into = work;
    float[] by = window;
    for (int i = 0; i < into.length; i++) {
      into[i] = samples[from + i] * by[i];
    }
    fft.realForward(into);
  }

  /**
   * How alike a row is to itself some places later (Wiener–Khinchin), each lag divided by the
   * number of its products.
   *
   * @param row any length
   * @param lags how many lags, from 0
   */
  static double[] autocorrelation(float[] row, int lags) {
    int length = Integer.highestOneBit(Math.max(2, row.length + lags)) * 2;
    FloatFFT_1D fft = new FloatFFT_1D(length);
    float[] work = new float[length];
    System.arraycopy(row, 0, work, 0, row.length);
    fft.realForward(work);
    work[0] *= work[0];
    work[1] *= work[1];
    for (int k = 2; k < length; k += 2) {
      work[k] = work[k] * work[k] + work[k + 1] * work[k + 1];
      work[k + 1] = 0;
    }
    fft.realInverse(work, true);
    double[] out = new double[lags];
    for (int lag = 0; lag < lags; lag++) {
      out[lag] = work[lag] / Math.max(1, row.length - lag);
    }
    return out;
  }
}
