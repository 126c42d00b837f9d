package tenterhook.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** What the collection keeps of a measurement, as values of fields. */
public final class MeasuredFields {
  private static final Set<String> LOSSLESS = Set.of("flac", "wav", "aiff", "alac");

  private MeasuredFields() {}

  /** Whether a track's format loses nothing. */
  public static boolean lossless(Snapshot snapshot, int id) {
    return LOSSLESS.contains(snapshot.raw(id, Fields.CODEC).toLowerCase(Locale.ROOT));
  }

  /**
   * The values of a track; those that could not be measured are empty.
   *
   * @param id the track, whose format and bit rate are held against what sounds
   * @param sound the hash of what sounds
   * @param of what was measured
   * @param scale of the collection as it is
   */
  public static List<Cell> of(
      Snapshot snapshot, int id, String sound, Measurement of, Energy.Scale scale) {
    boolean lossless = lossless(snapshot, id);
    double kbps = snapshot.value(id, Fields.BITRATE).map(Long::doubleValue).orElse(0.0);
    SoundQuality.Verdict verdict = of.quality().verdict(lossless, kbps);
    boolean doubted = verdict != SoundQuality.Verdict.HONEST;
    long lively = Math.round(of.liveliness() * 10_000);
    List<Cell> cells = new ArrayList<>();
    cells.add(new Cell(id, Fields.SOUND, sound));
    cells.add(new Cell(id, Fields.LOUDNESS, of.lufs().map(l -> text("%.1f", l)).orElse("")));
    cells.add(
        new Cell(
            id,
            Fields.TRUE_PEAK,
            Double.isInfinite(of.truePeakDb()) ? "" : text("%.1f", of.truePeakDb())));
    cells.add(
        new Cell(id, Fields.MEASURED_BPM, of.tempo().map(t -> text("%.2f", t.bpm())).orElse("")));
    cells.add(
        new Cell(
            id,
            Fields.BPM_CERTAINTY,
            of.tempo().map(t -> String.valueOf(t.certainty())).orElse("")));
    cells.add(new Cell(id, Fields.MEASURED_KEY, of.key().map(k -> k.key().name()).orElse("")));
    cells.add(
        new Cell(
            id, Fields.KEY_CERTAINTY, of.key().map(k -> String.valueOf(k.certainty())).orElse("")));
    cells.add(new Cell(id, Fields.QUALITY, verdict.name().toLowerCase(Locale.ROOT)));
    cells.add(
        new Cell(
            id, Fields.REAL_KBPS, doubted ? String.valueOf(of.quality().soundsLikeKbps()) : ""));
    cells.add(new Cell(id, Fields.LIVELINESS, String.valueOf(lively)));
    cells.add(new Cell(id, Fields.ENERGY, String.valueOf(scale.percentile(lively))));
    return cells;
  }

  private static String text(String form, double value) {
    return String.format(Locale.ROOT, form, value);
  }

  /** The cells that clear all measurements of a track. */
  public static List<Cell> none(int id) {
    return Fields.measured().stream().map(f -> new Cell(id, f, "")).toList();
  }

  /** The tracks that wait to be measured: there, and not measured yet. */
  public static RoaringBitmap waiting(Snapshot snapshot) {
    return snapshot.tracks(id -> !snapshot.lost(id) && snapshot.raw(id, Fields.SOUND).isEmpty());
  }

  /** The scale of all tracks of a collection that were measured. */
  public static Energy.Scale scale(Snapshot snapshot) {
    double[] values =
        snapshot.tracks().stream()
            .mapToObj(id -> snapshot.value(id, Fields.LIVELINESS))
            .flatMap(java.util.Optional::stream)
            .mapToDouble(Long::doubleValue)
            .toArray();
    return new Energy.Scale(values);
  }

  /** The energies that are others than they were, after tracks came, went or were measured. */
  public static List<Cell> ranked(Snapshot snapshot) {
    Energy.Scale scale = scale(snapshot);
    List<Cell> cells = new ArrayList<>();
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                snapshot
                    .value(id, Fields.LIVELINESS)
                    .map(l -> String.valueOf(scale.percentile(l)))
                    .filter(e -> !e.equals(snapshot.raw(id, Fields.ENERGY)))
                    .ifPresent(e -> cells.add(new Cell(id, Fields.ENERGY, e))));
    return cells;
  }
}
