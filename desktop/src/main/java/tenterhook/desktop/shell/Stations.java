package tenterhook.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Function;
import tenterhook.desktop.arrival.ArrivalsView;
import tenterhook.desktop.code.CodingView;
import tenterhook.desktop.control.StationView;
import tenterhook.desktop.crate.CratesView;
import tenterhook.desktop.duplicate.DuplicatesView;
import tenterhook.desktop.lost.LostView;
import tenterhook.desktop.repair.RepairsView;
import tenterhook.desktop.weave.WeaveView;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/** The view of every station; the one place where a new one is named. */
final class Stations {
  private static final Map<Station, Function<Workspace, StationView>> VIEWS =
      Map.of(
          Station.WEAVE, WeaveView::new,
          Station.ARRIVALS, ArrivalsView::new,
          Station.REPAIRS, RepairsView::new,
          Station.LOST, LostView::new,
          Station.DUPLICATES, DuplicatesView::new,
          Station.CODING, CodingView::new,
          Station.CRATES, CratesView::new);

  private Stations() {}

  /** Makes the views, in the order of the rail. */
  static Map<Station, StationView> of(Workspace workspace) {
    Map<Station, StationView> views = new EnumMap<>(Station.class);
    for (Station station : Station.values()) {
      views.put(station, VIEWS.get(station).apply(workspace));
    }
    return views;
  }
}
