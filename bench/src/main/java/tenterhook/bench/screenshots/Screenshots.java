package tenterhook.bench.screenshots;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.duplicate.Resolving;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeStep;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.app.TenterhookApp;
import tenterhook.desktop.code.CodingView;
import tenterhook.desktop.lost.LostView;
import tenterhook.desktop.play.PlaysView;
import tenterhook.desktop.repair.RepairsView;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * Takes a picture of every main view of the program, which runs with the demo in it, one after the
 * other, and ends it. Arguments: a folder, by default that of the documentation, and names of
 * pictures, by default all; {@code --collection DIR} for the demo's place.
 */
public final class Screenshots {
  private static final Duration SETTLE = Duration.millis(900);
  private static final int MOST_WAITS = 6;
  private static final int LEFT = 60;
  private static final String SIZE = "--size=";

  private final Workspace workspace;
  private final Shell shell;
  private final CrateShots crates;
  private final GigShots gigs;
  private final Stage stage;
  private final Path folder;
  private final List<String> only;
  private final int[] size = {1280, 800};
  private final List<Shot> shots = new ArrayList<>();

  /** Starts the program and takes the pictures. */
  public static void main(String[] args) {
    Application.launch(Photographed.class, args);
  }

  /** The program, photographed as soon as its frame is shown. */
  public static final class Photographed extends TenterhookApp {
    @Override
    protected boolean isDemo() {
      return true;
    }

    @Override
    protected void opened(Workspace workspace, Shell shell, Stage stage) {
      List<String> words = words();
      Path to = Path.of(words.isEmpty() ? "docs/screenshots" : words.getFirst());
      List<String> only = words.subList(Math.min(1, words.size()), words.size());
      Screenshots pictures = new Screenshots(workspace, shell, stage, to, only);
      getParameters().getRaw().stream()
          .filter(w -> w.startsWith(SIZE))
          .map(w -> w.substring(SIZE.length()).split("x"))
          .forEach(pictures::size);
      pictures.take();
    }
  }

  /** A picture: its file name, what to do first, and what when it is taken. */
  private record Shot(String name, Runnable before, Runnable after) {
    Shot(String name, Runnable before) {
      this(name, before, () -> {});
    }
  }

  /**
   * Pictures of an open window.
   *
   * @param only the names of those that are wanted, without anything done before; all when empty
   */
  private Screenshots(
      Workspace workspace, Shell shell, Stage stage, Path folder, List<String> only) {
    this.workspace = workspace;
    this.shell = shell;
    this.stage = stage;
    this.folder = folder;
    this.only = List.copyOf(only);
    this.crates = new CrateShots(workspace, shell);
    this.gigs = new GigShots(shell);
  }

  private void size(String[] widthAndHeight) {
    size[0] = Integer.parseInt(widthAndHeight[0]);
    size[1] = Integer.parseInt(widthAndHeight[1]);
  }

  private void take() {
    stage.setWidth(size[0]);
    stage.setHeight(size[1]);
    documented();
    if (!only.isEmpty()) {
      shots.add(new Shot("every-script", this::scripts));
      shots.add(new Shot("folders", this::folders));
      shots.add(new Shot("holding-bay", this::holdingBay));
      shots.add(new Shot("shelf", crates::shelf));
      shots.add(new Shot("rule-text", crates::ruleText));
      shots.add(new Shot("many-crates", crates::manyCrates));
      shots.add(new Shot("repairs-catalogue", () -> repairs(RepairKind.CATALOGUE)));
      shots.add(new Shot("shelves", crates::shelves));
      shots.add(new Shot("inner-shelf", crates::innerShelf));
      shots.add(new Shot("send-out", crates::sendOut));
      shots.add(new Shot("coverage", crates::coverage));
      shots.add(new Shot("plays", this::plays));
      shots.add(new Shot("gig-night-find", gigs::find));
      shots.add(new Shot("gig-evening", () -> gigs.open("#gigs-edit")));
      shots.add(new Shot("gig-part", () -> gigs.open("#gigs-editPart")));
      shots.add(new Shot("gig-pack", () -> gigs.open("#gigs-pack")));
      shots.add(new Shot("gig-wishes", () -> gigs.open("#gig-paste")));
      shots.add(new Shot("bring-over", this::bringOver));
      shots.add(new Shot("strays", () -> codes(2)));
      shots.add(new Shot("own-kinds", this::ownKinds));
      shots.add(new Shot("out-of-step", () -> repairs(RepairKind.OUT_OF_STEP)));
      shots.removeIf(s -> !only.contains(s.name()));
      next(0);
      return;
    }
    workspace.repairs().look();
    workspace.job(
        Words.of("catalogue.job"),
        true,
        p -> workspace.repairs().lookUpNow(p),
        found -> {
          workspace.repairs().follow();
          measureMost();
        });
  }

  private void documented() {
    shots.add(new Shot("weave", () -> shell.go(Station.WEAVE)));
    shots.add(new Shot("arrivals", this::arrivals));
    shots.add(new Shot("repairs-names", () -> repairs(RepairKind.ARTIST_IN_TITLE)));
    shots.add(new Shot("tracks", this::tracks));
    shots.add(new Shot("covers", () -> covers(true), () -> covers(false)));
    shots.add(new Shot("edit-panel", this::edit));
    shots.add(new Shot("change-many", this::changeMany));
    shots.add(new Shot("listening", this::listening));
    shots.add(new Shot("goes-with", shell::goesWith));
    shots.add(new Shot("measuring", this::measuring));
    shots.add(new Shot("lost-files", this::lost));
    shots.add(new Shot("duplicates", this::duplicates));
    shots.add(new Shot("coding", this::coding));
    shots.add(new Shot("codebook", this::codebook));
    shots.add(new Shot("crates", crates::crates));
    shots.add(new Shot("gig", gigs::gig));
    shots.add(new Shot("history", this::history));
    shots.add(new Shot("weave-night", this::night));
    shots.add(new Shot("gig-night", () -> gigs.open("#gigs-night")));
  }

  /** All but a few files are measured before, so that the job can be seen at the rest. */
  private void measureMost() {
    RoaringBitmap most = workspace.measuring().waiting();
    most.andNot(most.limit(LEFT));
    workspace.independentJob(
        Words.of("measure.job"),
        p -> Measuring.run(workspace.collection(), most, p),
        report -> {
          shell.go(Station.DUPLICATES);
          next(0);
        });
  }

  /** A group of one sound in two forms. */
  private void duplicates() {
    shell.go(Station.DUPLICATES);
    if (shell.lookup("#groups") instanceof javafx.scene.control.ListView<?> list) {
      for (int i = 0; i < list.getItems().size(); i++) {
        if (list.getItems().get(i) instanceof Group group
            && group.evidence() == Evidence.SAME_SOUND
            && group.offered()) {
          list.getSelectionModel().select(i);
          list.scrollTo(Math.max(0, i - 3));
          return;
        }
      }
    }
  }

  private void holdingBay() {
    holdCopies();
    workspace.job(
        "",
        false,
        p -> true,
        done -> {
          shell.go(Station.DUPLICATES);
          press("holding-bay", -1);
        });
  }

  /** Keeps one of each that is the same to the byte, for the holding bay's picture. */
  private void holdCopies() {
    for (Group group : Duplicates.sameBytes(workspace.state().get().snapshot())) {
      workspace.job(
          "",
          false,
          p -> Resolving.all(workspace.collection(), List.of(group), new SpareFate.Hold(), p),
          done -> {});
    }
  }

  private void listening() {
    Snapshot snapshot = workspace.state().get().snapshot();
    var ids = snapshot.tracks(id -> snapshot.raw(id, Fields.FOLDER).equals("Rink/Skate 2018"));
    shell.show(TrackList.of("Rink/Skate 2018", ids));
    shell
        .inView()
        .tracks()
        .ifPresent(
            p -> {
              p.closeEdit();
              p.walk(4);
            });
    workspace.listening().seek(workspace.listening().length().orElse(0.0) * 0.4);
  }

  private void measuring() {
    workspace.listening().toggle();
    workspace.measuring().fills(false);
    shell.showMeasuring();
    workspace.measuring().measure(workspace.measuring().waiting());
  }

  private void next(int at) {
    if (at == shots.size()) {
      shell.otherTheme();
      Platform.exit();
      return;
    }
    shots.get(at).before().run();
    waitFor(at, MOST_WAITS);
  }

  /**
   * A picture is taken when nothing is awaited any more, or after some time: jobs go on for long.
   */
  private void waitFor(int at, int more) {
    PauseTransition pause = new PauseTransition(SETTLE);
    pause.setOnFinished(
        e -> {
          if (more > 0 && !workspace.quiet()) {
            waitFor(at, more - 1);
            return;
          }
          save(shots.get(at).name());
          shots.get(at).after().run();
          next(at + 1);
        });
    pause.play();
  }

  private void save(String name) {
    try {
      Files.createDirectories(folder);
      var image = SwingFXUtils.fromFXImage(shell.getScene().snapshot(null), null);
      ImageIO.write(image, "png", folder.resolve(name + ".png").toFile());
    } catch (IOException trouble) {
      throw new IllegalStateException("the picture " + name + " was not written", trouble);
    }
  }

  /** The whole collection, narrowed by some values of several groups. */
  private void tracks() {
    shell.go(Station.TRACKS);
    String chosen =
        """
        facet Style\tin\tStyle:SKA
        facet Style\tin\tStyle:ELC
        tempo\tin\tbeat:118..132
        facet Use\tout\tUse:TRN\
        """;
    Narrowings narrowings = Narrowings.read(chosen, workspace.state().get().codebook());
    shell.inView().tracks().ifPresent(p -> p.narrow(narrowings));
  }

  /** One folder of an unfolded tree. */
  private void folders() {
    shell.go(Station.TRACKS);
    Platform.runLater(
        () -> {
          if (shell.lookup("#browse") instanceof javafx.scene.control.ListView<?> list) {
            list.getSelectionModel().selectLast();
            list.scrollTo(list.getItems().size());
            list.fireEvent(
                new KeyEvent(
                    KeyEvent.KEY_PRESSED, "", "", KeyCode.RIGHT, false, false, false, false));
          }
        });
  }

  private void scripts() {
    Snapshot snapshot = workspace.state().get().snapshot();
    var ids =
        snapshot.tracks(id -> snapshot.raw(id, Fields.TITLE).chars().anyMatch(c -> c >= 0x250));
    shell.show(TrackList.of("Names in every script", ids));
  }

  /** A batch of downloads, with the places where its files would go. */
  private void arrivals() {
    shell.go(Station.ARRIVALS);
    if (shell.lookup("#batches") instanceof javafx.scene.control.ListView<?> list) {
      list.getSelectionModel().select(4);
    }
    press("arrivals-move", -1);
  }

  private void ownKinds() {
    Recipe recipe =
        new Recipe(List.of(new RecipeStep.Replace(Fields.GENRE, "Synth Pop", "Synthpop")));
    workspace
        .repairs()
        .settle(workspace.repairs().rules().withOwn("Synthpop is one word", recipe), "Kept");
    repairs(RepairKind.OWN);
  }

  private void repairs(RepairKind kind) {
    shell.go(Station.REPAIRS);
    if (shell.inView() instanceof RepairsView view) {
      view.choose(kind);
    }
  }

  private void edit() {
    Snapshot snapshot = workspace.state().get().snapshot();
    var ids = snapshot.tracks(id -> snapshot.raw(id, Fields.FOLDER).equals("Rink/Doors"));
    shell.show(TrackList.of("Rink/Doors", ids));
    shell
        .inView()
        .tracks()
        .ifPresent(
            p -> {
              p.table().getSelectionModel().selectRange(0, 11);
              p.openEdit();
            });
    Platform.runLater(
        () -> {
          if (shell.lookup("#edit-year") instanceof javafx.scene.control.TextField field) {
            field.setText("1987");
          }
        });
  }

  /** A recipe of two steps on a folder. */
  private void changeMany() {
    workspace.keepSetting(
        KeptRecipes.SETTING,
        "# Clean titles\n"
            + "replace title \" (Official Video)\" \"\"\n"
            + "pattern title \"^\\\\d+ - \" \"\"");
    Snapshot snapshot = workspace.state().get().snapshot();
    var ids = snapshot.tracks(id -> snapshot.raw(id, Fields.TITLE).contains("(Official Video)"));
    shell.changeMany(TrackList.of("Titles", ids));
    if (shell.lookup("#change-recipes") instanceof javafx.scene.control.MenuButton menu) {
      menu.getOnShowing().handle(null);
      menu.getItems().getFirst().fire();
    }
  }

  private void lost() {
    shell.go(Station.LOST);
    if (shell.inView() instanceof LostView view) {
      view.look();
    }
  }

  /** The demo's set list is read, with two lines that fit no track. */
  private void plays() {
    shell.showPlays();
    if (shell.inView() instanceof PlaysView view) {
      Path music = workspace.state().get().roots().get("music");
      view.read(music.resolve("Set lists/2026-03-07 Coldharbour Rink.csv"));
      workspace.job(Words.of("plays.title"), false, p -> true, done -> press("answer", -1));
    }
  }

  /** A track that waits, with what is likely. */
  private void coding() {
    shell.go(Station.CODING);
    if (shell.lookup("#queue-tracks") instanceof javafx.scene.control.ListView<?> list) {
      list.getSelectionModel().clearAndSelect(3);
    }
  }

  private void codes(int choice) {
    shell.go(Station.CODING);
    press("coding-choice", choice);
  }

  /** With figures that are tried, and not written. */
  private void codebook() {
    codes(1);
    if (shell.lookup("#figures-template") instanceof javafx.scene.control.TextField template) {
      template.setText("{key} {bpm} E{energy}");
    }
  }

  private void bringOver() {
    shell.go(Station.CODING);
    if (shell.inView() instanceof CodingView view) {
      view.bringOver();
    }
  }

  /** The whole collection as a wall of covers, or as a table again. */
  private void covers(boolean open) {
    shell.go(Station.TRACKS);
    shell
        .inView()
        .tracks()
        .ifPresent(
            p -> {
              p.narrow(Narrowings.NONE);
              p.openCovers(open);
            });
  }

  /** Some changes that touch no file, one of them taken back. */
  private void history() {
    Snapshot snapshot = workspace.state().get().snapshot();
    var some = snapshot.tracks(id -> id <= 12);
    var one = snapshot.tracks(id -> id == 7);
    workspace
        .collection()
        .apply(TrackEdits.flag(snapshot, some, Fields.RESTING, true), Progress.SILENT);
    workspace
        .collection()
        .apply(TrackEdits.flag(snapshot, one, Fields.GUARDED, true), Progress.SILENT);
    workspace.undo();
    workspace.job(Words.of("history.title"), false, p -> true, done -> shell.showHistory());
  }

  private void night() {
    shell.go(Station.WEAVE);
    shell.otherTheme();
  }

  /** Presses a button, or one of a row of choices. */
  private void press(String id, int place) {
    press(shell, id, place);
  }

  static void press(Shell shell, String id, int place) {
    Node node = shell.lookup("#" + id);
    if (node instanceof javafx.scene.layout.HBox row && place >= 0) {
      ((javafx.scene.control.ToggleButton) row.getChildren().get(place)).fire();
    } else if (node instanceof javafx.scene.control.Button button) {
      button.fire();
    }
  }
}
