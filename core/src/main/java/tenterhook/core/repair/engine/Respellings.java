package tenterhook.core.repair.engine;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import tenterhook.core.field.Field;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.spellings.Spellings;

/** The spellings of one field that should be others, kept in step with the names in use. */
final class Respellings {
  private final Inspector.OfName inspector;
  private final NameIndex nameIndex;
  private final Map<String, Inspector.Respelling> known = new HashMap<>();

  Respellings(Inspector.OfName inspector, NameIndex nameIndex) {
    this.inspector = inspector;
    this.nameIndex = nameIndex;
  }

  Field<?> field() {
    return inspector.field();
  }

  /** The keys of names in use that may be slips of some names, which may be in use or not. */
  Set<String> slipsOf(Set<String> keys) {
    Set<String> all = new TreeSet<>();
    keys.forEach(key -> all.addAll(nameIndex.slipsNear(field(), key)));
    return all;
  }

  /**
   * Judges names again.
   *
   * @param keys of the names
   * @return the spellings of which something else is said now
   */
  Set<String> judge(Set<String> keys, InspectionContext context) {
    Set<String> settled = inspector.settled(context);
    Map<String, Inspector.Respelling> fresh = new HashMap<>();
    Set<String> judged = new HashSet<>();
    for (String key : keys) {
      nameIndex
          .cluster(field(), key, settled)
          .ifPresent(
              cluster -> {
                judged.addAll(cluster.spellings());
                fresh.putAll(Spellings.of(cluster));
              });
    }
    known
        .keySet()
        .removeIf(s -> !judged.contains(s) && keys.contains(nameIndex.knownKey(field(), s)));
    Set<String> other = new HashSet<>();
    for (String spelling : judged) {
      Inspector.Respelling now = fresh.get(spelling);
      Inspector.Respelling before = now == null ? known.remove(spelling) : known.put(spelling, now);
      if (!Objects.equals(now, before)) {
        other.add(spelling);
      }
    }
    return other;
  }

  /** Hands out the proposal for a track that has such a spelling. */
  void propose(int id, InspectionContext context, Consumer<Proposal> out) {
    inspector.propose(id, known, context, out);
  }
}
