package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/** What tests of the whole window share: the demo, the hand of a DJ, and taking all back after. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class WindowTest {
  final FxRobot robot = new FxRobot();
  MusicCollection collection;
  Workspace workspace;
  Shell shell;
  Path folder;
  long changesBefore;

  @BeforeAll
  void openTheDemo() throws Exception {
    DemoWindow window = DemoWindow.get();
    collection = window.collection;
    workspace = window.workspace;
    shell = window.shell;
    folder = window.folder;
  }

  @BeforeEach
  void atTheWeave() {
    changesBefore = collection.history().size();
    fx(() -> shell.go(Station.WEAVE));
  }

  @AfterEach
  void takeAllBack() {
    settle();
    // what was emptied for good refuses, and is passed over
    for (Optional<LedgerEntry> next = collection.nextUndo();
        next.isPresent() && next.get().number() > changes();
        next = collection.nextUndo()) {
      fx(() -> workspace.undo());
      settle();
    }
  }

  long changes() {
    return Math.min(changesBefore, 2);
  }

  void fx(Runnable work) {
    WaitForAsyncUtils.asyncFx(work);
    events();
  }

  /** Waits until what was done is shown, whatever goes on beside the window. */
  void events() {
    WaitForAsyncUtils.waitForFxEvents();
    await(() -> workspace.upToDate());
  }

  void settle() {
    await(() -> workspace.quiet());
    await(() -> workspace.quiet()); // what came may have asked for more
  }

  static void await(Callable<Boolean> condition) {
    try {
      WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, condition);
    } catch (java.util.concurrent.TimeoutException late) {
      throw new AssertionError("it did not come about within a minute", late);
    }
    WaitForAsyncUtils.waitForFxEvents();
  }

  Snapshot now() {
    return collection.state().snapshot();
  }

  /** Asked on the toolkit's thread: a view that is just being filled is never seen half. */
  Node lookup(String selector) {
    return onToolkit(() -> shell.lookup(selector));
  }

  Set<Node> lookupAll(String selector) {
    return onToolkit(() -> shell.lookupAll(selector));
  }

  static <T> T onToolkit(Supplier<T> work) {
    return Platform.isFxApplicationThread()
        ? work.get()
        : WaitForAsyncUtils.waitForAsyncFx(60_000, work::get);
  }

  String text(String id) {
    Node node = lookup("#" + id);
    assertThat(node).as(id).isNotNull();
    return node instanceof TextField field ? field.getText() : ((Labeled) node).getText();
  }

  /** All that labels say below a node. */
  List<String> words(String id) {
    return onToolkit(
        () ->
            shell.lookup("#" + id).lookupAll("*").stream()
                .filter(Label.class::isInstance)
                .map(n -> ((Label) n).getText())
                .toList());
  }

  void press(String id) {
    Button button = (Button) lookup("#" + id);
    assertThat(button).as(id).isNotNull();
    fx(button::fire);
  }

  void chooseIn(String id, int place) {
    HBox row = (HBox) lookup("#" + id);
    fx(() -> ((ToggleButton) row.getChildren().get(place)).fire());
  }

  TrackPane pane() {
    return shell.inView().tracks().orElseThrow();
  }

  void select(int count) {
    TableView<Integer> table = pane().table();
    fx(
        () -> {
          table.requestFocus();
          table.getSelectionModel().clearSelection();
          table.getSelectionModel().selectRange(0, count);
        });
  }

  void station(Station to) {
    control(KeyCode.values()[KeyCode.DIGIT1.ordinal() + to.ordinal()]);
  }

  void control(KeyCode key) {
    robot.press(KeyCode.CONTROL, key).release(key, KeyCode.CONTROL);
    events();
  }

  void key(KeyCode... keys) {
    robot.push(keys);
    events();
  }

  /** Answers the question that stands there. */
  void answer(String words) {
    fx(() -> ((TextField) lookup("#answer-text")).setText(words));
    press("answer");
    settle();
  }

  /** Chooses an item of a menu. */
  void menu(String id, String item) {
    MenuButton menu = (MenuButton) lookup("#" + id);
    MenuItem chosen =
        menu.getItems().stream().filter(i -> item.equals(i.getId())).findFirst().orElseThrow();
    fx(chosen::fire);
  }
}
