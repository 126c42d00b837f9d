package tenterhook.desktop.control;

import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Below a list: whether it is shown as covers, and how large; remembered for each kind of list. */
final class CoverSwitch extends HBox {
  private static final String SETTING = "covers ";
  private static final String OPEN = "open";

  private final Workspace workspace;
  private final String kind;
  private final Once<CoverWall> wall;
  private final ToggleButton covers = new ToggleButton(Words.of("covers.title"));
  private final Once<Slider> size = new Once<>(this::slider);

  /**
   * A switch.
   *
   * @param kind of lists
   * @param asked gets whether covers are to be shown
   */
  CoverSwitch(Workspace workspace, String kind, Consumer<Boolean> asked, Once<CoverWall> wall) {
    super(8);
    this.workspace = workspace;
    this.kind = kind;
    this.wall = wall;
    setAlignment(Pos.CENTER_RIGHT);
    covers.setId("covers-open");
    covers.getStyleClass().add("quiet");
    Look.tip(covers, Words.of("covers.openTip"));
    covers.setOnAction(e -> asked.accept(covers.isSelected()));
    getChildren().add(covers);
  }

  private Slider slider() {
    Slider slider = new Slider(CoverWall.LEAST_SIDE, CoverWall.MOST_SIDE, wall.get().side());
    slider.setId("cover-size");
    slider.getStyleClass().add("cover-size");
    slider.setFocusTraversable(false); // keys go to the wall
    slider.setAccessibleText(Words.of("covers.size"));
    slider.valueProperty().bindBidirectional(wall.get().sideProperty());
    return slider;
  }

  /** Whether covers were shown when lists of this kind were seen last. */
  boolean isRemembered() {
    return workspace.collection().setting(SETTING + kind).filter(OPEN::equals).isPresent();
  }

  /** Whether covers are shown. */
  boolean isOpen() {
    return covers.isSelected();
  }

  /** Says whether covers are shown by now. */
  void show(boolean open) {
    covers.setSelected(open);
    getChildren().setAll(covers);
    if (open) {
      getChildren().addFirst(size.get());
    }
    if (open != isRemembered()) {
      workspace.keepSetting(SETTING + kind, open ? OPEN : "");
    }
  }
}
