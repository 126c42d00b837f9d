package tenterhook.core.repair.numbers;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.NameKeys;

/** A tempo that is half or double of what its genre keeps to. */
public final class Tempo implements Inspector.TrackInspector {
  private static final double NEAR = 0.15;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    List<String> genres = NameKeys.values(context.snapshot(), id, Fields.GENRE);
    double bpm = context.snapshot().value(id, Fields.BPM).orElse(0.0);
    if (genres.size() != 1 || bpm == 0) {
      return;
    }
    int typical = context.tempoOf(genres.getFirst());
    for (double other : new double[] {bpm * 2, bpm / 2}) {
      boolean wrong = Math.abs(bpm - typical) > typical * 0.3;
      if (typical > 0 && wrong && Math.abs(other - typical) <= typical * NEAR) {
        out.accept(
            new Proposal(
                RepairKind.TEMPO,
                other > bpm ? "half of what it should be" : "double of what it should be",
                id,
                context.edits(id, Map.of(Fields.BPM, plain(other))),
                86,
                genres.getFirst() + " keeps to about " + typical + " here"));
      }
    }
  }

  private static String plain(double bpm) {
    String text = String.format(Locale.ROOT, "%.2f", bpm).replaceAll("0+$", "");
    return text.endsWith(".") ? text.substring(0, text.length() - 1) : text;
  }
}
