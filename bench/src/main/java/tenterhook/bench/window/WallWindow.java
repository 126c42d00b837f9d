package tenterhook.bench.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import tenterhook.bench.Measure;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Workspace;

/** The program, paged through a table and through the wall of covers of the same list. */
public final class WallWindow extends MeasuredWindow {
  private static final int PAGES = 120;
  private static final int HELD = 5;

  @Override
  void drive(Workspace workspace, Shell shell, HeldToolkit held) throws InterruptedException {
    WindowHand hand = new WindowHand(shell);
    held.by(hand::wholeCollection);
    held.by(() -> hand.pane().openCovers(false)); // as it may have been left
    held.by(() -> hand.choose(0));
    long before = Measure.heap();
    Runnable tableDown = () -> hand.key(KeyCode.PAGE_DOWN, "");
    List<HeldToolkit.HoldTimes> table = times(held, tableDown);
    int reached = hand.table().getFocusModel().getFocusedIndex();
    FrameRate.Frames tableHeld = FrameRate.whileHeld(tableDown, HELD);
    HeldToolkit.HoldTimes opened = held.by(() -> hand.pane().openCovers(true));
    Runnable wallDown = () -> hand.key(wall(shell), KeyCode.PAGE_DOWN, "");
    held.by(() -> hand.key(wall(shell), KeyCode.HOME, ""));
    List<HeldToolkit.HoldTimes> wall = times(held, wallDown);
    boolean[] aside = new boolean[1];
    List<HeldToolkit.HoldTimes> again =
        times(
            held,
            () -> {
              aside[0] = !aside[0];
              wall(shell).setTranslateX(aside[0] ? 1 : 0);
            });
    List<HeldToolkit.HoldTimes> nothing = times(held, () -> {});
    held.by(() -> hand.key(wall(shell), KeyCode.HOME, ""));
    FrameRate.Frames wallHeld = FrameRate.whileHeld(wallDown, HELD);
    out.printf(
        Locale.ROOT,
        "the wall opened: held %.1f ms, worst until filled %.1f, filled after %.1f%n",
        opened.act(),
        opened.worst(),
        opened.settled());
    out.printf(Locale.ROOT, "the table's %d pages ended at row %,d%n", PAGES, reached);
    head("a page down: held, milliseconds");
    print("table", table);
    print("wall of covers", wall);
    print("the same wall drawn again by the toolkit", again);
    print("nothing, as this machine is busy with others", nothing);
    print("table, key held", tableHeld);
    print("wall, key held", wallHeld);
    held.by(() -> {});
    out.printf(
        Locale.ROOT,
        "pictures %.1f MB by their pixels; heap grew by %.1f MB%n",
        workspace.covers().bytes() / 1e6,
        (Measure.heap() - before) / 1e6);
  }

  private static Node wall(Shell shell) {
    return shell.lookup("#covers");
  }

  private static List<HeldToolkit.HoldTimes> times(HeldToolkit held, Runnable act)
      throws InterruptedException {
    List<HeldToolkit.HoldTimes> all = new ArrayList<>();
    for (int i = 0; i < PAGES; i++) {
      all.add(held.by(act));
    }
    return all;
  }
}
