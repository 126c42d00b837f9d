package tenterhook.core.repair.numbers;

import java.util.List;
import java.util.function.Consumer;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Field;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/**
 * Brings the figures behind the codes in step with the values of the track, where another program,
 * an arrival or a measuring left them behind.
 */
public final class FiguresBehind implements Inspector.TrackInspector {
  private static final int CERTAINTY = 98;

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    Notation notation = context.codebook().notation();
    Field<?> field = notation.target();
    String before = context.raw(id, field);
    String after = notation.inStep(before, f -> context.raw(id, f));
    if (!after.equals(before)) {
      String had = notation.read(before).figures();
      out.accept(
          new Proposal(
              RepairKind.FIGURES,
              field.label(),
              id,
              List.of(new SetField(id, field, before, after)),
              CERTAINTY,
              had.isEmpty() ? "no figures yet" : "the figures were " + had));
    }
  }
}
