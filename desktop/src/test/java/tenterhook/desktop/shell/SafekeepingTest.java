package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.desktop.backup.BackupView;

/** Backup and second disk in the window; errors that are seen; keys faster than files. */
class SafekeepingTest extends WindowTest {
  private BackupView backup() {
    MenuItem item =
        ((MenuButton) lookup("#more"))
            .getItems().stream()
                .filter(i -> "more-backup".equals(i.getId()))
                .findFirst()
                .orElseThrow();
    fx(item::fire);
    return (BackupView) shell.inView();
  }

  @Test
  void aBackupIsWrittenAndTheSecondDiskIsCompared() throws Exception {
    BackupView view = backup();
    Path stick = folder.resolve("stick");
    fx(() -> view.backUp(stick));
    settle();
    assertThat(text("told")).contains("Written").contains(".zip");
    try (var files = Files.list(stick)) {
      assertThat(files).singleElement().asString().endsWith(".zip");
    }
    Path mirror = folder.resolve("mirror");
    int[] three =
        now().tracks(t -> Files.exists(collection.state().path(t))).stream().limit(3).toArray();
    for (int id : three) {
      Path copy = mirror.resolve(now().raw(id, Fields.ROOT)).resolve(now().raw(id, Fields.PATH));
      Files.createDirectories(copy.getParent());
      Files.copy(collection.state().path(id), copy);
    }
    fx(() -> view.check(mirror));
    settle();
    assertThat(text("mirror-summary")).contains("3 files are there").contains("Different: 0");
    Path empty = Files.createDirectories(folder.resolve("empty disk"));
    fx(() -> view.check(empty));
    settle();
    ListView<?> found = (ListView<?>) lookup("#mirror-found");
    long there = now().tracks(t -> Files.exists(collection.state().path(t))).getCardinality();
    assertThat(found.getItems().stream().filter(l -> l.toString().startsWith("missing: ")))
        .hasSize((int) there);
    assertThat(found.getItems().stream().filter(l -> !l.toString().startsWith("missing: ")))
        .allMatch(l -> l.toString().contains("Ferry disk"));
    fx(() -> view.check(folder.resolve("nowhere")));
    settle();
    assertThat(text("told")).contains("is not there");
  }

  @Test
  void anErrorOfAnyKindEndsInWords() {
    fx(
        () ->
            workspace.job(
                "Counting",
                false,
                p -> {
                  throw new StackOverflowError("too deep");
                },
                r -> {}));
    settle();
    assertThat(text("told")).contains("Counting").contains("too deep");
  }

  @Test
  void keysThatComeFasterThanTheirTurnAllHold() {
    int id = now().tracks(t -> !now().lost(t) && now().raw(t, Fields.RESTING).isEmpty()).first();
    var one = RoaringBitmap.bitmapOf(id);
    fx(
        () -> {
          for (String rating : List.of("1", "2", "5")) {
            workspace.command(
                "rating",
                1,
                state -> TrackEdits.set(state.snapshot(), one, Map.of(Fields.RATING, rating)));
          }
        });
    settle();
    assertThat(now().value(id, Fields.RATING)).contains(5);
    assertThat(text("told")).doesNotContain("left as");
    for (int i = 0; i < 3; i++) {
      fx(workspace::undo);
      settle();
    }
  }

  @Test
  void historyIsShownWithWhatItCosts() {
    int id = now().tracks(t -> !now().lost(t)).first();
    var one = RoaringBitmap.bitmapOf(id);
    fx(
        () ->
            workspace.command(
                "resting",
                1,
                state -> TrackEdits.flag(state.snapshot(), one, Fields.RESTING, true)));
    settle();
    fx(() -> shell.showHistory());
    settle();
    ListView<?> entries = (ListView<?>) lookup("#history");
    assertThat(entries.getItems()).isNotEmpty();
    assertThat(text("history-cost")).contains("can be taken back").contains("MB");
    fx(workspace::undo);
    settle();
  }
}
