package tenterhook.desktop.control;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import tenterhook.core.narrow.NarrowWords;
import tenterhook.core.narrow.Narrowing;
import tenterhook.core.narrow.Narrowings;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.NarrowingModel;
import tenterhook.desktop.workspace.Workspace;

/**
 * What a list is narrowed to, step by step, each taken off by a click; and what becomes of it:
 * pinned for the next list, kept as a crate, kept under a name.
 */
final class Trail extends HBox {
  private static final PseudoClass OUT = PseudoClass.getPseudoClass("out");

  private final Workspace workspace;
  private final TrackPane pane;
  private final FlowPane steps = new FlowPane(6, 4);
  private final ToggleButton pin = new ToggleButton(Words.of("narrow.pin"));
  private final MenuButton named = new MenuButton(Words.of("narrow.named"));
  private final Button keep;

  Trail(Workspace workspace, TrackPane pane) {
    super(8);
    this.workspace = workspace;
    this.pane = pane;
    this.keep = Look.primary(Words.of("narrow.keep"), pane::keepAsCrate);
    setId("trail");
    getStyleClass().add("trail");
    setAlignment(Pos.CENTER_LEFT);
    steps.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(steps, Priority.ALWAYS);
    pin.setId("narrow-pin");
    keep.setId("narrow-keep");
    named.setId("narrow-named");
    Look.tip(pin, Words.of("narrow.pinTip"));
    Look.tip(keep, Words.of("narrow.keepTip"));
    for (Region one : List.of(pin, keep, named)) {
      one.setMinWidth(Region.USE_PREF_SIZE);
    }
    NarrowingModel model = workspace.narrowing();
    pin.setOnAction(e -> model.pin(pin.isSelected(), pane.narrowings()));
    model.pinned().addListener((o, before, after) -> pin.setSelected(after));
    pin.setSelected(model.pinned().get());
    named.setOnShowing(e -> fillNamed());
    fillNamed();
    getChildren().setAll(steps, named, pin, keep);
  }

  /** Shows what the list is narrowed to. */
  void show(Narrowings narrowings) {
    steps.getChildren().setAll(narrowings.steps().stream().map(this::step).toList());
    if (narrowings.isEmpty()) {
      steps.getChildren().setAll(Look.label(Words.of("narrow.nothing"), "second"));
    }
    pin.setDisable(narrowings.isEmpty() && !pin.isSelected());
  }

  private Node step(List<Narrowing> step) {
    String words = NarrowWords.of(step);
    Button chip = Look.button("", () -> pane.narrow(pane.narrowings().without(step)), "chip");
    Look.data(chip, words + " ×");
    chip.setAccessibleText(Words.of("narrow.takeOff", words));
    chip.pseudoClassStateChanged(OUT, step.getFirst().out());
    return chip;
  }

  private void fillNamed() {
    NarrowingModel model = workspace.narrowing();
    named.getItems().clear();
    model
        .named()
        .forEach((name, kept) -> named.getItems().add(Look.named(name, () -> pane.narrow(kept))));
    named.getItems().add(Look.item("narrow.name", this::askName));
    model
        .named()
        .keySet()
        .forEach(
            name ->
                named
                    .getItems()
                    .add(Look.named(Words.of("narrow.forget", name), () -> model.forget(name))));
  }

  private void askName() {
    if (pane.narrowings().isEmpty()) {
      workspace.frame().inform(Words.of("narrow.nothingToName"), true, 0);
      return;
    }
    workspace
        .frame()
        .askText(
            Words.of("narrow.askName"),
            pane.narrowings().steps().stream().map(NarrowWords::of).findFirst().orElse(""),
            Words.of("narrow.nameIt"),
            name -> {
              workspace.narrowing().keep(name, pane.narrowings());
              workspace.frame().inform(Words.of("narrow.nameKept", name), false, 0);
            });
  }
}
