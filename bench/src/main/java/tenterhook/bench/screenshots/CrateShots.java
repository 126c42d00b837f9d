package tenterhook.bench.screenshots;

import java.util.List;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.control.ListView;
import javafx.util.Duration;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Builders;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Shelf;
import tenterhook.desktop.crate.CratesView;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/** What is done before pictures of shelves and crates are taken. */
final class CrateShots {
  private static final Duration A_LITTLE = Duration.millis(60);

  private final Workspace workspace;
  private final Shell shell;

  CrateShots(Workspace workspace, Shell shell) {
    this.workspace = workspace;
    this.shell = shell;
  }

  /** A rule crate with a track chosen that is nearly in it. */
  void crates() {
    shell.go(Station.CRATES);
    row(
        "crate=Fast laps",
        () -> {
          shell.inView().tracks().ifPresent(p -> p.table().getSelectionModel().select(2));
          if (workspace.state().get().crates().crate("Fast laps").orElseThrow()
              instanceof Crate.RuleCrate rule) {
            int near = workspace.contents().explanation(rule).nearlyIn(2).first();
            Platform.runLater(
                () -> workspace.chosen().set(near)); // after the table has said its own
          }
        });
  }

  /** Chooses a row of the tree, as soon as it is there. */
  private void row(String words, Runnable then) {
    if (shell.lookup("#crates") instanceof ListView<?> list) {
      for (int i = 0; i < list.getItems().size(); i++) {
        if (list.getItems().get(i).toString().contains(words)) {
          list.getSelectionModel().select(i);
          then.run();
          return;
        }
      }
    }
    PauseTransition pause = new PauseTransition(A_LITTLE);
    pause.setOnFinished(e -> row(words, then));
    pause.play();
  }

  /** A shelf. */
  void shelf() {
    shell.go(Station.CRATES);
    row("crate=, ", () -> {});
  }

  /** A rule as text. */
  void ruleText() {
    shell.go(Station.CRATES);
    row("crate=Fast laps", () -> Screenshots.press(shell, "rule-form", -1));
  }

  /** Eras by styles. */
  void coverage() {
    shell.go(Station.CRATES);
    if (shell.inView() instanceof CratesView view) {
      view.showCoverage();
    }
  }

  /** Many crates before they are made. */
  void manyCrates() {
    shell.go(Station.CRATES);
    if (shell.inView() instanceof CratesView view) {
      view.showBuild();
    }
  }

  /** A shelf before it is sent out. */
  void sendOut() {
    shell.go(Station.CRATES);
    row("crate=, ", () -> Screenshots.press(shell, "crates-sendOut", -1));
  }

  /** A tree of shelves: years within decades, and one shelf put into another. */
  void shelves() {
    shell.go(Station.CRATES);
    Crates now = workspace.state().get().crates();
    List<Shelf> years = Builders.yearsInDecades(workspace.state().get().snapshot(), "{from}");
    Crates after =
        Builders.addedShelves(now, "By year", years)
            .movedShelf("Night ferry", "Rink nights", 0)
            .withShelf("Rink nights", s -> s.with(s.never().plus(CrateJson.line("code:TRN"))));
    workspace.apply(new Change("shelves", true, List.of(new Edit.SetCrates(now, after))));
    row("By year/1980s, crate=, ", () -> {});
  }

  /** A shelf in another, from which more is never played than it says itself. */
  void innerShelf() {
    row("Night ferry, crate=, ", () -> {});
  }
}
