package tenterhook.core.measure;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What was measured of a recording.
 *
 * @param seconds how long it is, silence included
 * @param lufs integrated loudness; empty when all is under the gate
 * @param truePeakDb highest point in dB of full scale; negative infinity for silence
 * @param bounds where sound is
 * @param tempo empty when nothing repeats
 * @param key empty when nothing has a pitch
 * @param passages in order without gaps; empty for silence
 * @param quality where the sound stops
 * @param liveliness what {@link Energy} ranks by, 0 to 1
 * @param overview its shape
 * @param print its sound print
 */
public record Measurement(
    double seconds,
    Optional<Double> lufs,
    double truePeakDb,
    SoundBounds bounds,
    Optional<TempoFound> tempo,
    Optional<KeyFound> key,
    List<Passage> passages,
    SoundQuality quality,
    double liveliness,
    Overview overview,
    SoundPrint print) {
  /** What measuring this way is called; another way gets another number. */
  public static final int VERSION = 1;

  /** Copies. */
  public Measurement {
    passages = List.copyOf(passages);
  }

  /** The loudest passage of two seconds or more, if there is any. */
  public Optional<Passage> loudest() {
    return passages.stream()
        .filter(p -> p.endSeconds() - p.startSeconds() >= 2 || passages.size() == 1)
        .max(Comparator.comparingDouble(Passage::lufs));
  }
}
