package tenterhook.core.repair;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Consumer;
import tenterhook.core.field.Field;

/** Finds several spellings of one artist, album or label and proposes one of them for all. */
final class Spellings implements Inspector.OfName {
  private final RepairKind kind;
  private final Field<?> field;

  Spellings(RepairKind kind, Field<?> field) {
    this.kind = kind;
    this.field = field;
  }

  @Override
  public Field<?> field() {
    return field;
  }

  /**
   * Spellings that differ in case, accents, punctuation or article only are surely one name; a slip
   * of a letter is looked at first, since two real artists may be as near.
   */
  static Map<String, Respelling> of(NameCluster cluster) {
    Map<String, Respelling> found = new HashMap<>();
    Map<String, NameCluster.Name> slips = cluster.slips();
    Map<String, Integer> counts = cluster.spellings();
    for (NameCluster.Name name : cluster.names()) {
      NameCluster.Name target = slips.getOrDefault(name.key(), name);
      for (String spelling : cluster.spellingsOf(name.key())) {
        if (!spelling.equals(target.best())) {
          boolean slip = target != name;
          found.put(
              spelling,
              new Respelling(
                  target.best(),
                  slip ? 80 : 97,
                  reason(spelling, counts.get(spelling), target, slip, counts)));
        }
      }
    }
    return found;
  }

  private static String reason(
      String spelling, int tracks, NameCluster.Name to, boolean slip, Map<String, Integer> counts) {
    String counted =
        "“"
            + to.best()
            + "” on "
            + tracks(counts.getOrDefault(to.best(), 0))
            + (to.guarded() ? ", guarded" : "")
            + ", “"
            + spelling
            + "” on "
            + tracks(tracks);
    return slip ? counted + ": a slip, or another name?" : counted;
  }

  static String tracks(int count) {
    return count == 1 ? "1 track" : count + " tracks";
  }

  @Override
  public void propose(
      int id, Map<String, Respelling> respellings, Ground ground, Consumer<Proposal> out) {
    String before = ground.raw(id, field);
    Respelling to = respellings.get(before);
    if (to != null) {
      out.accept(
          new Proposal(
              kind,
              before.strip() + " → " + to.after(),
              id,
              ground.edits(id, Map.of(field, to.after())),
              to.certainty(),
              to.reason()));
    }
  }
}
