package tenterhook.desktop.control;

import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What keys and menu of a table do to the chosen tracks; each can be taken back. */
final class TrackActions {
  private final Workspace workspace;

  TrackActions(Workspace workspace) {
    this.workspace = workspace;
  }

  /** Rates tracks; 0 takes the rating away. */
  void rate(RoaringBitmap ids, int rating) {
    String raw = rating == 0 ? "" : String.valueOf(rating);
    workspace.command(
        Fields.RATING.label(),
        ids.getCardinality(),
        now -> TrackEdits.set(now.snapshot(), ids, Map.of(Fields.RATING, raw)));
  }

  /** Sets a flag on tracks, or clears it when all have it. */
  void flag(RoaringBitmap ids, Field<Boolean> flag) {
    workspace.command(
        flag.label(),
        ids.getCardinality(),
        now -> {
          boolean all = ids.stream().noneMatch(id -> now.snapshot().raw(id, flag).isEmpty());
          return TrackEdits.flag(now.snapshot(), ids, flag, !all);
        });
  }

  /** Asks, then takes tracks out of the collection. */
  void remove(RoaringBitmap ids) {
    if (!ids.isEmpty()) {
      workspace
          .frame()
          .ask(
              PlannedNights.told(workspace, Words.of("ask.remove", ids.getCardinality()), ids),
              Words.of("do.remove", ids.getCardinality()),
              () ->
                  workspace.command(
                      Words.of("do.remove", ids.getCardinality()),
                      ids.getCardinality(),
                      now -> TrackEdits.remove(now.snapshot(), ids)));
    }
  }
}
