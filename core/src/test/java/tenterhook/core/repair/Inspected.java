package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tenterhook.core.Tracks;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** What the inspectors say about a small collection, in a form that tests can read. */
final class Inspected {
  static final int YEAR = 2026;
  final Snapshot snapshot;
  private final List<Proposal> proposals;

  private Inspected(Snapshot snapshot, List<Proposal> proposals) {
    this.snapshot = snapshot;
    this.proposals = proposals;
  }

  static Inspected of(Tracks tracks) {
    return of(tracks.snapshot(), Tracks.BOOK, ExternalEvidence.none(YEAR));
  }

  static Inspected of(Snapshot snapshot, Codebook book, ExternalEvidence externalEvidence) {
    Repairs repairs =
        Repairs.of(snapshot, book, RepairRules.DEFAULT, externalEvidence, Progress.SILENT);
    return new Inspected(snapshot, repairs.proposals());
  }

  List<Proposal> proposals() {
    return proposals;
  }

  List<Proposal> of(RepairKind kind) {
    return proposals.stream().filter(p -> p.kind() == kind).toList();
  }

  /** What a kind proposes for a field of a track; "nothing" when it proposes nothing. */
  String after(RepairKind kind, int id, Field<?> field) {
    for (Proposal proposal : of(kind)) {
      for (SetField edit : proposal.edits()) {
        if (edit.id() == id && edit.field() == field) {
          return edit.after();
        }
      }
    }
    return "nothing";
  }

  /** The certainty of a kind's proposal for a track; 0 when it proposes nothing. */
  int certainty(RepairKind kind, int id) {
    return of(kind).stream()
        .filter(p -> p.id() == id)
        .mapToInt(Proposal::certainty)
        .max()
        .orElse(0);
  }

  /** The snapshot after proposals were applied; of two for the same field the first counts. */
  static Snapshot applied(Snapshot snapshot, Codebook book, List<Proposal> accepted) {
    Map<String, Cell> cells = new java.util.LinkedHashMap<>();
    for (Proposal proposal : accepted) {
      for (SetField edit : proposal.edits()) {
        cells.putIfAbsent(
            edit.id() + "/" + edit.field().key(), new Cell(edit.id(), edit.field(), edit.after()));
      }
    }
    Snapshot after = snapshot.with(new ArrayList<>(cells.values()));
    return Derived.refreshed(after, book, after.known());
  }
}
