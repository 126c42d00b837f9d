package tenterhook.desktop.theme;

import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DataFormat;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import org.jspecify.annotations.Nullable;

/** Moving something within the window by the mouse: from one node onto another, which is marked. */
public final class Drop {
  private static final PseudoClass OVER = PseudoClass.getPseudoClass("drop");
  private static final PseudoClass ABOVE = PseudoClass.getPseudoClass("drop-above");

  /** So much of a node's height, from above, is its upper edge. */
  private static final double EDGE = 1 / 3.0;

  private Drop() {}

  /**
   * Carries what a node stands for.
   *
   * @param node is taken hold of
   * @param format what kind of thing it is; nodes that take this kind take it
   * @param what is to be carried, asked when the drag begins; null for nothing
   */
  public static void from(Node node, DataFormat format, Supplier<@Nullable Object> what) {
    node.setOnDragDetected(
        e -> {
          Object carried = what.get();
          if (carried != null) {
            ClipboardContent content = new ClipboardContent();
            content.put(format, carried);
            node.startDragAndDrop(TransferMode.MOVE).setContent(content);
            e.consume();
          }
        });
  }

  /**
   * Takes what is dropped on a node; one node may take several kinds.
   *
   * @param node is marked as {@code :drop} while something that it would take is over it
   * @param format the kind that it takes
   * @param open whether it takes anything now
   * @param then gets what was carried
   */
  public static void onto(
      Node node, DataFormat format, BooleanSupplier open, Consumer<Object> then) {
    take(node, format, open, e -> false, (carried, above) -> then.accept(carried));
  }

  /**
   * Takes what is dropped on a node, and tells whether it was on its upper edge, which means before
   * it.
   *
   * @param node is marked as {@code :drop} or {@code :drop-above}
   * @param then gets what was carried, and whether it was dropped on the upper third
   */
  public static void between(
      Node node, DataFormat format, BooleanSupplier open, BiConsumer<Object, Boolean> then) {
    take(node, format, open, e -> e.getY() < node.getBoundsInLocal().getHeight() * EDGE, then);
  }

  private static void take(
      Node node,
      DataFormat format,
      BooleanSupplier open,
      Predicate<DragEvent> above,
      BiConsumer<Object, Boolean> then) {
    node.addEventHandler(
        DragEvent.DRAG_OVER,
        e -> {
          if (takes(e, format, open)) {
            e.acceptTransferModes(TransferMode.MOVE);
            node.pseudoClassStateChanged(OVER, !above.test(e));
            node.pseudoClassStateChanged(ABOVE, above.test(e));
            e.consume();
          }
        });
    node.addEventHandler(DragEvent.DRAG_EXITED, e -> unmark(node));
    node.addEventHandler(
        DragEvent.DRAG_DROPPED,
        e -> {
          unmark(node);
          if (takes(e, format, open)) {
            then.accept(e.getDragboard().getContent(format), above.test(e));
            e.setDropCompleted(true);
            e.consume();
          }
        });
  }

  private static void unmark(Node node) {
    node.pseudoClassStateChanged(OVER, false);
    node.pseudoClassStateChanged(ABOVE, false);
  }

  private static boolean takes(DragEvent event, DataFormat format, BooleanSupplier open) {
    return open.getAsBoolean() && event.getDragboard().hasContent(format);
  }
}
