package tenterhook.core.measure;

import java.util.List;
import java.util.Optional;

/**
 * Measures one recording, fed block by block. Memory is bounded: eight hours take under 10 MB. Not
 * thread-safe; use one per recording.
 */
public final class Measurer {
  private static final int BLOCK = 4096;
  private static final double LOW_HZ = 150;

  private static final int PRINT_FRAME = 4096;

  /** Three seconds: a chord or two. */
  private static final int OPENING_FRAMES = 16;

  private final int channels;
  private final LoudnessMeter loudness;
  private final TruePeakMeter truePeak;
  private final Levels levels;
  private final Overview.ColumnGatherer overview;
  private final Bandwidth bandwidth;
  private final FrameSplitter toBandwidth;
  private final Resampler resampler;
  private final Onsets onsets = new Onsets();
  private final Pitches pitches = new Pitches(Integer.MAX_VALUE);
  private final Pitches opening = new Pitches(OPENING_FRAMES);
  private final SoundPrint.PrintBuilder print =
      new SoundPrint.PrintBuilder(Resampler.RATE, PRINT_FRAME);
  private final List<FrameSplitter> slow;
  private final Biquad low = Biquad.lowPass(LOW_HZ, Resampler.RATE);
  private final Floats lowTenths = new Floats(Integer.MAX_VALUE - 8);
  private final float[] part;
  private final float[] mono = new float[BLOCK];
  private double lowSum;
  private long lowFrames;

  /**
   * For a recording.
   *
   * @param rate samples a second, 8000 to 384000
   * @param channels 1 or more
   * @throws IllegalArgumentException when out of these bounds
   */
  public Measurer(int rate, int channels) {
    if (rate < 8000 || rate > 384_000 || channels < 1) {
      throw new IllegalArgumentException(rate + " Hz, " + channels + " channels");
    }
    this.channels = channels;
    this.part = new float[BLOCK * channels];
    loudness = new LoudnessMeter(rate, channels);
    truePeak = new TruePeakMeter(channels);
    levels = new Levels(rate, channels);
    overview = new Overview.ColumnGatherer(rate);
    bandwidth = new Bandwidth(rate);
    toBandwidth =
        new FrameSplitter(Bandwidth.FRAME, Math.max(Bandwidth.FRAME, rate / 4.0), bandwidth);
    resampler = new Resampler(rate, Resampler.RATE);
    slow =
        List.of(
            new FrameSplitter(Onsets.FRAME, Resampler.RATE / Onsets.RATE, onsets),
            new FrameSplitter(Pitches.FRAME, Pitches.FRAME / 2.0, this::pitches),
            new FrameSplitter(PRINT_FRAME, Resampler.RATE / SoundPrint.RATE, print));
  }

  /**
   * Takes the next frames.
   *
   * @param samples channels in turn, full scale at 1
   * @param frames how many frames of them
   */
  public void add(float[] samples, int frames) {
    for (int from = 0; from < frames; from += BLOCK) {
      int some = Math.min(BLOCK, frames - from);
      System.arraycopy(samples, from * channels, part, 0, some * channels);
      block(some);
    }
  }

  private void pitches(float[] samples, int from) {
    pitches.frame(samples, from);
    opening.frame(samples, from);
  }

  private void block(int frames) {
    loudness.add(part, frames);
    truePeak.add(part, frames);
    levels.add(part, frames);
    for (int i = 0; i < frames; i++) {
      float sum = 0;
      for (int c = 0; c < channels; c++) {
        sum += part[i * channels + c];
      }
      mono[i] = sum / channels;
    }
    overview.add(mono, frames);
    toBandwidth.add(mono, frames);
    float[] slowly = resampler.resampled(mono, frames);
    for (FrameSplitter splitter : slow) {
      splitter.add(slowly, resampler.made());
    }
    lows(slowly, resampler.made());
  }

  private void lows(float[] samples, int count) {
    for (int i = 0; i < count; i++) {
      double y = low.next(samples[i]);
      lowSum += y * y;
      if (++lowFrames >= (lowTenths.size() + 1) * (Resampler.RATE / 10.0)) {
        lowTenths.add(lowSum * 10 / Resampler.RATE);
        lowSum = 0;
      }
    }
  }

  /** What was measured. To be called once, at the end. */
  public Measurement finish() {
    SoundBounds bounds = levels.bounds();
    Optional<TempoFound> tempo = new TempoFinder(onsets).find(Weights.TEMPO);
    double lufs = loudness.integrated();
    List<Passage> passages =
        new PassageFinder(loudness.tenths(), lowTenths.toArray(), bounds).find(tempo);
    double lively = Energy.liveliness(lufs, onsets.perSecond(), onsets.brightness());
    return new Measurement(
        levels.seconds(),
        Double.isInfinite(lufs) ? Optional.empty() : Optional.of(lufs),
        truePeak.decibels(),
        bounds,
        tempo,
        new KeyFinder(pitches, opening).find(Weights.KEY),
        passages,
        bandwidth.quality(),
        Double.isInfinite(lufs) ? 0 : lively,
        overview.build(),
        print.build());
  }

  /** What speaks for each tempo that might be. To be called at the end. */
  public CandidateFeatures tempoEvidence() {
    TempoFinder finder = new TempoFinder(onsets);
    double[] periods = finder.candidates().stream().mapToDouble(p -> p).toArray();
    double[] bpm = new double[periods.length];
    double[][] features = new double[periods.length][];
    for (int i = 0; i < bpm.length; i++) {
      bpm[i] = 60 * Onsets.RATE / periods[i];
      features[i] = finder.features(periods[i]);
    }
    return new CandidateFeatures(bpm, features);
  }

  /** What speaks for each key, 0 to 11 the major ones from C, 12 to 23 the minor ones. */
  public CandidateFeatures keyEvidence() {
    KeyFinder finder = new KeyFinder(pitches, opening);
    double[] keys = new double[24];
    double[][] features = new double[24][];
    for (int k = 0; k < 24; k++) {
      keys[k] = k;
      features[k] = finder.features(KeyFinder.key(k));
    }
    return new CandidateFeatures(keys, features);
  }
}
