package tenterhook.desktop.code;

import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Destination;
import tenterhook.desktop.workspace.Workspace;

/** The station: the desk, the codebook and the strays. */
public final class CodingView extends StationOutline {
  private static final Insets SIDES = new Insets(0, 16, 8, 16);

  private final StackPane stage = new StackPane();
  private final CodingDesk coding;
  private final CodebookPane codebook;
  private final StraysPane strays;
  private final BringOverPane bringOver;
  private final HBox choices;
  private boolean coded;

  /** The view. */
  public CodingView(Workspace workspace) {
    super(workspace, "keys.coding");
    this.coding = new CodingDesk(workspace);
    this.codebook = new CodebookPane(workspace, this::bringOver);
    this.bringOver = new BringOverPane(workspace, () -> choose(1));
    this.strays = new StraysPane(workspace);
    this.choices =
        Look.choices(
            List.of(
                Words.of("coding.give"), Words.of("coding.codebook"), Words.of("coding.strays")),
            0,
            this::choose);
    choices.setId("coding-choice");
    HBox head =
        new HBox(12, Look.label(Words.of("station.coding"), "heading"), Look.spring(), choices);
    head.setPadding(new Insets(10, 16, 8, 16));
    node.setTop(head);
    node.setCenter(stage);
    workspace.whileInView(node, this::refresh);
    choose(0);
  }

  private void choose(int which) {
    coded = which == 0;
    stage.getChildren().setAll(List.of(coding, codebook, strays).get(which));
    stage.setPadding(coded ? Insets.EMPTY : SIDES);
    refresh();
  }

  /** Codes that stand elsewhere so far, in the place of the codebook. */
  public void bringOver() {
    coded = false;
    ((ToggleButton) choices.getChildren().get(1)).setSelected(true);
    stage.getChildren().setAll(bringOver);
    stage.setPadding(SIDES);
    bringOver.look();
  }

  private void refresh() {
    if (stage.getChildren().contains(bringOver)) {
      bringOver.look();
    } else if (!coded) {
      codebook.refresh();
      strays.refresh();
    }
  }

  @Override
  public void walk(int steps) {
    coding.walk(steps);
  }

  @Override
  public void shown() {
    coding.fill();
    refresh();
    coding.focus();
  }

  @Override
  public void open(Destination to) {
    if (to instanceof Destination.ToCode wanted) {
      coding.give(wanted.tracks());
      coding.focus();
    }
  }
}
