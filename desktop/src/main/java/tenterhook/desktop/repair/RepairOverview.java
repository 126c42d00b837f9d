package tenterhook.desktop.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Decision;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Snapshot;

/**
 * All that the station lists, worked out of the proposals beside the window. No nodes.
 *
 * @param asked of what
 * @param kinds the kinds that have proposals, most holes closed per decision first; the catalogue
 *     is always there, and last
 */
record RepairOverview(Basis asked, List<KindRow> kinds) {
  private static final int FOLDERS_NAMED = 2;

  /** Copies. */
  RepairOverview {
    kinds = List.copyOf(kinds);
  }

  /**
   * Of what an overview is.
   *
   * @param proposals of all kinds
   * @param snapshot the collection
   * @param certainFrom the least certainty of what may be taken in bulk
   */
  record Basis(List<Proposal> proposals, Snapshot snapshot, int certainFrom) {
    /** Of no moment. */
    static final Basis NOTHING = new Basis(List.of(), Snapshot.empty(), -1);

    /** Whether all that an overview tells of is the very same. */
    boolean isAs(Basis other) {
      return proposals == other.proposals
          && certainFrom == other.certainFrom
          && snapshot.column(Fields.FOLDER) == other.snapshot.column(Fields.FOLDER)
          && snapshot.column(Fields.GUARDED) == other.snapshot.column(Fields.GUARDED);
    }
  }

  /**
   * A kind with its decisions; the catalogue and your own kinds may have none yet.
   *
   * @param proposals how many there are in all
   * @param holes how many holes they close
   * @param certain those that may be taken in bulk
   */
  record KindRow(
      RepairKind kind,
      List<DecisionRow> decisions,
      int proposals,
      int holes,
      List<Proposal> certain) {
    private static KindRow of(RepairKind kind, List<DecisionRow> decisions) {
      return new KindRow(
          kind,
          decisions,
          decisions.stream().mapToInt(d -> d.decision().proposals().size()).sum(),
          decisions.stream().mapToInt(DecisionRow::holes).sum(),
          decisions.stream().flatMap(d -> d.certain().stream()).toList());
    }

    private double perDecision() {
      return holes / (double) Math.max(1, decisions.size());
    }
  }

  /**
   * A decision.
   *
   * @param holes how many holes it closes
   * @param certain the proposals of it that may be taken in bulk
   * @param folders the first folders that it is about
   * @param moreFolders how many others it is about
   */
  record DecisionRow(
      Decision decision, int holes, List<Proposal> certain, List<String> folders, int moreFolders) {
    private static DecisionRow of(Decision decision, Snapshot snapshot, int certainFrom) {
      List<String> folders =
          decision.proposals().stream()
              .map(p -> snapshot.raw(p.id(), Fields.FOLDER))
              .distinct()
              .toList();
      return new DecisionRow(
          decision,
          decision.closes(),
          decision.proposals().stream()
              .filter(p -> p.certainty() >= certainFrom)
              .filter(p -> snapshot.isBlank(p.id(), Fields.GUARDED))
              .toList(),
          folders.stream().limit(FOLDERS_NAMED).toList(),
          Math.max(0, folders.size() - FOLDERS_NAMED));
    }
  }

  /** At the end, in this order: more can be got of them. */
  private static final List<RepairKind> ALWAYS_SHOWN =
      List.of(RepairKind.OWN, RepairKind.CATALOGUE);

  /** Works it out. */
  static RepairOverview of(Basis asked) {
    Map<RepairKind, List<DecisionRow>> byKind =
        Decision.of(asked.proposals()).stream()
            .map(d -> DecisionRow.of(d, asked.snapshot(), asked.certainFrom()))
            .collect(
                Collectors.groupingBy(d -> d.decision().kind(), TreeMap::new, Collectors.toList()));
    ALWAYS_SHOWN.forEach(kind -> byKind.putIfAbsent(kind, List.of()));
    List<KindRow> rows = new ArrayList<>();
    byKind.forEach((kind, decisions) -> rows.add(KindRow.of(kind, decisions)));
    rows.sort(
        Comparator.comparing((KindRow r) -> ALWAYS_SHOWN.indexOf(r.kind()))
            .thenComparingDouble(r -> -r.perDecision())
            .thenComparing(r -> -r.proposals())
            .thenComparing(KindRow::kind));
    return new RepairOverview(asked, rows);
  }
}
