package tenterhook.core.repair.numbers;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.track.Snapshot;

/**
 * Tempo and key as they were measured: they fill what is empty, and are proposed where the tag says
 * otherwise. A tag that says something is never so wrong that it would be overwritten in bulk.
 */
public final class BySound implements Inspector.TrackInspector {
  private static final double SAME_TEMPO = 0.02;
  private static final int LOOK_FIRST = 85;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    tempo(id, context, out);
    key(id, context, out);
  }

  static int certainty(Snapshot snapshot, int id, boolean ofTempo) {
    return snapshot
        .value(id, ofTempo ? Fields.BPM_CERTAINTY : Fields.KEY_CERTAINTY)
        .map(c -> (int) Math.min(99, c))
        .orElse(0);
  }

  /** The measured tempo or key as it would stand in the tag; empty when there is none. */
  static String value(Snapshot snapshot, int id, Field<?> field) {
    if (field == Fields.KEY) {
      return snapshot.raw(id, Fields.MEASURED_KEY);
    }
    boolean whole = snapshot.fileName(id).toLowerCase(Locale.ROOT).matches(".*\\.(m4a|mp4)");
    return snapshot
        .value(id, Fields.MEASURED_BPM)
        .map(bpm -> whole ? String.valueOf(Math.round(bpm)) : plain(bpm))
        .orElse("");
  }

  private static void tempo(int id, InspectionContext context, Consumer<Proposal> out) {
    Snapshot snapshot = context.snapshot();
    double measured = snapshot.value(id, Fields.MEASURED_BPM).orElse(0.0);
    double tagged = snapshot.value(id, Fields.BPM).orElse(0.0);
    if (measured == 0 || tagged > 0 && Math.abs(measured / tagged - 1) <= SAME_TEMPO) {
      return;
    }
    int certainty = certainty(snapshot, id, true);
    String heard = String.format(Locale.ROOT, "%.1f beats a minute are heard", measured);
    context
        .proposal(
            RepairKind.TEMPO_BY_SOUND,
            tagged == 0 ? "fills an empty tempo" : against(tagged / measured),
            id,
            Fields.BPM,
            value(snapshot, id, Fields.BPM),
            tagged == 0 ? certainty : Math.min(certainty, LOOK_FIRST),
            tagged == 0 ? heard : heard + ", the tag says " + plain(tagged))
        .ifPresent(out);
  }

  private static String against(double ratio) {
    return Math.abs(ratio - 2) < 0.05
        ? "the tag counts double"
        : Math.abs(ratio - 0.5) < 0.0125 ? "the tag counts half" : "the tag says otherwise";
  }

  private static String plain(double bpm) {
    return String.format(Locale.ROOT, "%.2f", bpm).replaceAll("\\.?0+$", "");
  }

  private static void key(int id, InspectionContext context, Consumer<Proposal> out) {
    Snapshot snapshot = context.snapshot();
    Optional<MusicalKey> measured = MusicalKey.parse(snapshot.raw(id, Fields.MEASURED_KEY));
    String tag = snapshot.raw(id, Fields.KEY);
    Optional<MusicalKey> tagged = MusicalKey.parse(tag);
    if (measured.isEmpty() || tagged.equals(measured)) {
      return;
    }
    boolean empty = tag.isBlank();
    int certainty = certainty(snapshot, id, false);
    String heard = measured.get().name() + " is heard";
    context
        .proposal(
            RepairKind.KEY_BY_SOUND,
            empty ? "fills an empty key" : "the tag says otherwise",
            id,
            Fields.KEY,
            measured.get().name(),
            empty ? certainty : Math.min(certainty, LOOK_FIRST),
            empty ? heard : heard + ", the tag says " + tag)
        .ifPresent(out);
  }
}
