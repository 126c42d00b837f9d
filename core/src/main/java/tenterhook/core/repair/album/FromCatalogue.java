package tenterhook.core.repair.album;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Match;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.numbers.Years;

/** Fills holes, and puts right years that cannot be, by what the catalogue is surest of. */
public final class FromCatalogue implements Inspector.TrackInspector {
  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    Answer answer = context.externalEvidence().answers().get(id);
    if (answer == null || answer.matches().isEmpty()) {
      return;
    }
    Match best = answer.matches().getFirst();
    Map<Field<?>, String> values = new LinkedHashMap<>();
    best.entry()
        .values()
        .forEach(
            (field, value) -> {
              if (context.hole(id, field) || field == Fields.YEAR && impossible(id, context)) {
                values.put(field, value);
              }
            });
    var edits = context.edits(id, values);
    if (!edits.isEmpty()) {
      out.accept(
          new Proposal(
              RepairKind.CATALOGUE,
              best.entry().album().isEmpty()
                  ? "single tracks"
                  : "from “" + best.entry().album() + "”",
              id,
              edits,
              best.certainty(),
              best.reason()));
    }
  }

  private static boolean impossible(int id, InspectionContext context) {
    return context
        .snapshot()
        .value(id, Fields.YEAR)
        .filter(y -> Years.plausible(y, context))
        .isEmpty();
  }
}
