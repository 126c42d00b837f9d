package tenterhook.core.repair.spellings;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/**
 * Brings the places of a file's tags in step: what is shown goes into every place that says
 * otherwise. The field keeps its value; setting it is what writes the others.
 */
public final class OutOfStep implements Inspector.TrackInspector {
  private static final int CERTAINTY = 85;
  private static final int PARTS = 3;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    Map<Field<?>, String> others = new LinkedHashMap<>();
    for (String one : context.snapshot().value(id, Fields.OUT_OF_STEP).orElse(List.of())) {
      String[] parts = one.split("\\|", PARTS);
      if (parts.length == PARTS) {
        Fields.named(parts[0]).ifPresent(f -> others.merge(f, says(parts), (a, b) -> a + "; " + b));
      }
    }
    others.forEach(
        (field, says) -> {
          String shown = context.raw(id, field);
          out.accept(
              new Proposal(
                  RepairKind.OUT_OF_STEP,
                  field.label(),
                  id,
                  List.of(new SetField(id, field, shown, shown)),
                  CERTAINTY,
                  says));
        });
  }

  private static String says(String[] parts) {
    return parts[1] + ": " + parts[2];
  }
}
