package tenterhook.desktop.workspace;

import tenterhook.core.repair.RepairKind;

/** Where one station sends the DJ: to another, and there to something in particular. */
public sealed interface Destination {
  /** The station that it is at. */
  Station station();

  /** The proposals of one kind. */
  record Repair(RepairKind kind) implements Destination {
    @Override
    public Station station() {
      return Station.REPAIRS;
    }
  }

  /** Tracks that want codes. */
  record ToCode(TrackList tracks) implements Destination {
    @Override
    public Station station() {
      return Station.CODING;
    }
  }
}
