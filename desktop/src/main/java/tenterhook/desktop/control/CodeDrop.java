package tenterhook.desktop.control;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Tracks that are dropped on a code get it, as one change. */
public final class CodeDrop {
  private CodeDrop() {}

  /**
   * Has a node take tracks.
   *
   * @param code what it stands for at the moment; empty where it takes none
   */
  public static void onto(Node node, Workspace workspace, Supplier<Optional<String>> code) {
    Drop.onto(
        node,
        HandCrates.TRACKS,
        () -> code.get().isPresent(),
        tracks -> code.get().ifPresent(token -> give(workspace, token, (int[]) tracks)));
  }

  private static void give(Workspace workspace, String token, int[] tracks) {
    RoaringBitmap ids = RoaringBitmap.bitmapOf(tracks);
    workspace.command(
        Words.of("change.giveCode", token),
        tracks.length,
        now -> TrackEdits.code(now.snapshot(), now.codebook(), ids, List.of(token), List.of()));
  }
}
