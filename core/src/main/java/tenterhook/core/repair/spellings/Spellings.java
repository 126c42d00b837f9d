package tenterhook.core.repair.spellings;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.NameKeys;

/** Finds several spellings of one artist, album or label and proposes one of them for all. */
public final class Spellings implements Inspector.OfName {
  private static final int TIE = 85;

  private final RepairKind kind;
  private final Field<?> field;

  public Spellings(RepairKind kind, Field<?> field) {
    this.kind = kind;
    this.field = field;
  }

  @Override
  public Field<?> field() {
    return field;
  }

  /**
   * Spellings that differ in case, accents, punctuation or article only are surely one name, and
   * which of them is right where one stands on twice as many tracks; a tie is looked at first, and
   * so is a slip of a letter, since two real artists may be as near.
   */
  public static Map<String, Respelling> of(NameCluster cluster) {
    Map<String, Respelling> found = new HashMap<>();
    Optional<NameCluster.Name> meant = cluster.slipOf();
    NameCluster.Name target = meant.orElseGet(cluster::own);
    for (String spelling : cluster.spellings()) {
      if (!spelling.equals(target.best())) {
        String reason =
            "“"
                + target.best()
                + "” on "
                + tracks(target.bestTracks())
                + (target.guarded() ? ", guarded" : "")
                + ", “"
                + spelling
                + "” on "
                + tracks(cluster.tracks(spelling))
                + (meant.isPresent() ? ": a slip, or another name?" : "");
        boolean clear = target.guarded() || cluster.isClear(spelling, target);
        int certainty = meant.isPresent() ? 80 : clear ? 97 : TIE;
        found.put(spelling, new Respelling(target.best(), certainty, reason));
      }
    }
    return found;
  }

  private static String tracks(int count) {
    return count == 1 ? "1 track" : count + " tracks";
  }

  @Override
  public void propose(
      int id,
      Map<String, Respelling> respellings,
      InspectionContext context,
      Consumer<Proposal> out) {
    String before = context.raw(id, field);
    for (String spelling : NameKeys.values(context.snapshot(), id, field)) {
      Respelling to = respellings.get(spelling);
      if (to != null) {
        String after = FieldType.each(before, v -> v.equals(spelling) ? to.after() : v);
        out.accept(
            new Proposal(
                kind,
                spelling.strip() + " → " + to.after(),
                id,
                context.edits(id, Map.of(field, after)),
                to.certainty(),
                to.reason()));
      }
    }
  }
}
