package tenterhook.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import tenterhook.desktop.arrival.ArrivalsView;
import tenterhook.desktop.code.CodingView;
import tenterhook.desktop.control.StationView;
import tenterhook.desktop.crate.CratesView;
import tenterhook.desktop.duplicate.DuplicatesModel;
import tenterhook.desktop.duplicate.DuplicatesView;
import tenterhook.desktop.gig.GigsView;
import tenterhook.desktop.lost.LostModel;
import tenterhook.desktop.lost.LostView;
import tenterhook.desktop.repair.RepairsView;
import tenterhook.desktop.tracks.TracksView;
import tenterhook.desktop.weave.WeaveModel;
import tenterhook.desktop.weave.WeaveView;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/**
 * The view of every station, made when it is first gone to, and what waits there, which is known
 * before; the one place where a new station is named.
 */
final class Stations {
  private final Workspace workspace;
  private final WeaveModel weave;
  private final LostModel lost;
  private final DuplicatesModel duplicates;
  private final WaitingWork waiting;
  private final Map<Station, StationView> views = new EnumMap<>(Station.class);

  /**
   * No view yet.
   *
   * @param weave the count of holes
   * @param changed called when something else waits at a station
   */
  Stations(Workspace workspace, WeaveModel weave, Runnable changed) {
    this.workspace = workspace;
    this.weave = weave;
    this.lost = new LostModel(workspace);
    this.duplicates = new DuplicatesModel(workspace);
    this.waiting = new WaitingWork(workspace.collection());
    workspace.state().addListener((o, before, after) -> changed.run());
    workspace.repairs().proposals().addListener((o, before, after) -> changed.run());
    duplicates.groups().addListener((o, before, after) -> changed.run());
    duplicates.begin();
  }

  /** Begins what stations do when the program has started, beside the window. */
  void started() {
    lost.check();
  }

  /** Counts anew, beside the window, what lacks what is demanded. */
  void recount(Runnable counted) {
    workspace.latestOnly(
        waiting,
        () -> {
          waiting.count();
          return true;
        },
        done -> counted.run());
  }

  StationView view(Station station) {
    return views.computeIfAbsent(station, this::made);
  }

  TracksView tracks() {
    return (TracksView) view(Station.TRACKS);
  }

  private StationView made(Station station) {
    return switch (station) {
      case WEAVE -> new WeaveView(workspace, weave);
      case TRACKS -> new TracksView(workspace);
      case ARRIVALS -> new ArrivalsView(workspace);
      case REPAIRS -> new RepairsView(workspace);
      case LOST -> new LostView(workspace, lost);
      case DUPLICATES -> new DuplicatesView(workspace, duplicates);
      case CODING -> new CodingView(workspace);
      case CRATES -> new CratesView(workspace);
      case GIGS -> new GigsView(workspace);
    };
  }

  /** Whether a view is one of a station. */
  boolean has(StationView view) {
    return views.containsValue(view);
  }

  /** How much waits at a station. */
  int waiting(Station station) {
    return switch (station) {
      case REPAIRS -> workspace.repairs().proposals().get().size();
      case DUPLICATES -> duplicates.groups().get().size();
      case GIGS -> workspace.state().get().gigs().coming(workspace.collection().today()).size();
      case WEAVE, TRACKS, ARRIVALS, LOST, CODING, CRATES -> waiting.at(station);
    };
  }
}
