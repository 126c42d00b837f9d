package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.Wishes;
import tenterhook.desktop.play.PlaysView;
import tenterhook.desktop.workspace.Station;

/** Plays, what nobody plays, and what lies on the disk besides the tracks. */
class PlaysTest extends WindowTest {
  private ListView<?> list(String id) {
    return (ListView<?>) lookup("#" + id);
  }

  private void select(String list, String name) {
    List<?> items = list(list).getItems();
    int at = items.stream().map(Object::toString).toList().indexOf(name);
    for (int i = 0; i < items.size() && at < 0; i++) {
      at = items.get(i).getClass().getSimpleName().equals(name) ? i : -1;
    }
    assertThat(at).as(name + " in " + items).isNotNegative();
    int row = at;
    fx(() -> list(list).getSelectionModel().select(row));
  }

  @Test
  void aSetListIsCountedAndItsUnknownLinesAreListed() throws Exception {
    fx(() -> shell.showPlays());
    settle();
    PlaysView view = (PlaysView) shell.inView();
    int one = now().tracks(id -> !now().lost(id)).first();
    Path file =
        Files.writeString(
            folder.resolve("2026-03-14.m3u8"),
            collection.state().path(one) + "\n/gone/nobody knows.mp3\n");
    fx(() -> view.read(file));
    settle();
    assertThat(text("answer-text")).isEqualTo("2026-03-14");
    press("answer");
    settle();
    assertThat(now().value(one, Fields.PLAYS)).contains(1);
    assertThat(list("unmatched").getItems()).hasSize(1).hasToString("[nobody knows.mp3]");
    assertThat(list("nights").getItems()).hasSize(1);
    assertThat(view.tracks().orElseThrow().rows()).containsExactly(one);
    fx(() -> view.read(file));
    settle();
    press("answer");
    settle();
    assertThat(text("told")).contains("Nothing was counted twice");
    assertThat(now().value(one, Fields.PLAYS)).contains(1);
    fx(() -> view.read(file));
    settle();
    fx(() -> ((TextField) lookup("#answer-text")).setText("on Saturday"));
    press("answer");
    assertThat(text("told")).contains("A night is a date");
  }

  @Test
  void whatNobodyPlaysRestsTogether() {
    RoaringBitmap some = now().tracks(id -> id <= 5 && !now().lost(id));
    collection.apply(
        TrackEdits.set(now(), some, Map.of(Fields.PLAYS, "2", Fields.LAST_PLAYED, "2020-02-01")),
        Progress.SILENT);
    fx(() -> shell.showStale());
    settle();
    fx(() -> list("stale-piles").getSelectionModel().select(4));
    assertThat(pane().rows()).hasSize(some.getCardinality());
    press("stale-rest");
    settle();
    some.forEach((int id) -> assertThat(now().raw(id, Fields.RESTING)).isEqualTo("yes"));
    fx(() -> list("stale-piles").getSelectionModel().select(4));
    assertThat(pane().rows()).isEmpty();
    assertThat(((Button) lookup("#stale-rest")).isDisabled()).isTrue();
  }

  @Test
  void lostTracksBecomeWishesAndComeBack() {
    fx(() -> shell.go(Station.LOST));
    settle();
    RoaringBitmap lost = LostFinder.lost(now());
    select("lost-folders", "LostFolder");
    int rows = pane().rows().size();
    press("lost-wish");
    settle();
    assertThat(Wishes.of(now()).getCardinality()).isEqualTo(rows);
    assertThat(LostFinder.lost(now()).getCardinality()).isEqualTo(lost.getCardinality() - rows);
    select("lost-folders", "WishList");
    assertThat(list("lost-decisions").getItems()).hasSize(rows);
    assertThat((Object) lookup("#lost-export")).isNotNull();
  }

  @Test
  void aLookAlsoFindsPlaylistsAndEmptyFolders() throws Exception {
    Path music = collection.state().roots().get("music");
    Path bare = Files.createDirectories(music.resolve("Inbox/Nothing here"));
    int present = now().tracks(id -> !now().lost(id)).first();
    String name = collection.state().path(present).getFileName().toString();
    Path old = Files.writeString(music.resolve("test old.m3u8"), "nowhere/" + name + "\n");
    fx(() -> shell.go(Station.LOST));
    settle();
    press("lost-look");
    settle();
    select("lost-folders", "BareFolders");
    press("lost-tidy");
    settle();
    assertThat(bare).doesNotExist();
    press("answer");
    settle();
    assertThat(bare).isDirectory();
    select("lost-folders", "OldLists");
    int at =
        list("lost-decisions").getItems().stream()
            .map(Object::toString)
            .toList()
            .indexOf(
                list("lost-decisions").getItems().stream()
                    .map(Object::toString)
                    .filter(d -> d.contains("test old"))
                    .findFirst()
                    .orElseThrow());
    fx(() -> list("lost-decisions").scrollTo(at));
    List<Button> buttons =
        lookupAll("#lost-decisions .primary").stream().map(Button.class::cast).toList();
    buttons.forEach(b -> fx(b::fire));
    settle();
    assertThat(music.resolve("test old mended.m3u8")).exists();
    Files.delete(music.resolve("test old mended.m3u8"));
    Files.delete(old);
    Files.delete(bare);
  }
}
