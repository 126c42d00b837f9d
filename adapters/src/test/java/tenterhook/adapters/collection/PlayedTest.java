package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.play.SetLists;
import tenterhook.adapters.play.SetLists.SetList;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.play.Stale;

class PlayedTest extends CollectionTest {
  private static final LocalDate NIGHT = LocalDate.of(2026, 3, 7);

  private int plays(String file) {
    return now().value(id(file), Fields.PLAYS).orElse(0);
  }

  @Test
  void aNightIsCountedOnceWhateverListItComesFrom() throws Exception {
    Path list =
        Files.writeString(
            folder.resolve("2026-03-07 Rink.m3u8"),
            collection.state().path(id("one.wav")) + "\n/old/Ferry/three.wav\n/old/nobody.wav\n");
    assertThat(SetLists.night(list)).contains(NIGHT);
    SetList read = SetLists.read(collection.state(), list, NIGHT);
    assertThat(read.unmatched()).containsExactly("nobody.wav");
    Outcome counted = collection.apply(read.change(), Progress.SILENT);
    assertThat(List.of(plays("one.wav"), plays("two.wav"), plays("three.wav")))
        .containsExactly(1, 0, 1);
    Path table =
        Files.writeString(
            folder.resolve("again.csv"), "artist,title\n,Cold Lamps\n,Slow Freeze\n,Nothing\n");
    SetList again = SetLists.read(collection.state(), table, NIGHT);
    assertThat(again.tracks()).containsExactly(id("one.wav"), id("two.wav"));
    assertThat(again.unmatched()).containsExactly("Nothing");
    collection.apply(again.change(), Progress.SILENT);
    assertThat(List.of(plays("one.wav"), plays("two.wav"), plays("three.wav")))
        .containsExactly(1, 1, 1);
    assertThat(SetLists.read(collection.state(), table, NIGHT).change().isEmpty()).isTrue();
    assertThat(collection.undo(counted.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(List.of(plays("one.wav"), plays("two.wav"))).containsExactly(0, 1);
    assertThat(SetLists.read(collection.state(), list, NIGHT).change().isEmpty()).isFalse();
  }

  @Test
  void staleTracksGoToAnArchiveAndUndoBringsThemHome() throws Exception {
    int one = id("one.wav");
    collection.apply(
        TrackEdits.set(
            now(),
            RoaringBitmap.bitmapOf(id("two.wav")),
            Map.of(Fields.PLAYS, "3", Fields.LAST_PLAYED, "2025-01-05")),
        Progress.SILENT);
    LocalDate later = collection.today().plusMonths(7);
    assertThat(Stale.never(now(), later, 6).toArray())
        .containsExactlyInAnyOrder(one, id("three.wav"));
    assertThat(Stale.never(now(), collection.today(), 6).isEmpty()).isTrue();
    assertThat(Stale.notFor(now(), collection.today(), 12).toArray())
        .containsExactly(id("two.wav"));
    assertThat(Stale.notFor(now(), collection.today(), 24).isEmpty()).isTrue();
    assertThat(Stale.sorted(now(), now().tracks(), Stale.Order.PLAYS)).endsWith(id("two.wav"));
    Crates crates =
        Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(one, id("two.wav"))));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
    Path archive = Files.createDirectories(folder.resolve("Disk/Old"));
    String root = collection.disks().root(folder.resolve("Disk"));
    Path before = collection.state().path(one);
    Outcome moved =
        collection.apply(
            Stale.archive(
                now(),
                collection.state().crates(),
                RoaringBitmap.bitmapOf(one),
                root,
                collection.state().below(root, archive)),
            Progress.SILENT);
    assertThat(moved.refused()).isEmpty();
    assertThat(archive.resolve("Music/Rink/one.wav")).exists();
    assertThat(collection.state().path(one)).exists();
    assertThat(before).doesNotExist();
    assertThat(now().raw(one, Fields.RESTING)).isEqualTo("yes");
    assertThat(((Crate.HandCrate) collection.state().crates().crate("Hand").orElseThrow()).tracks())
        .containsExactly(id("two.wav"));
    collection.undo(moved.number(), Progress.SILENT);
    assertThat(before).exists();
    assertThat(now().raw(one, Fields.RESTING)).isEmpty();
    assertThat(((Crate.HandCrate) collection.state().crates().crate("Hand").orElseThrow()).tracks())
        .hasSize(2);
  }

  @Test
  void anUndoThatIsRefusedWhollyIsPassedOver() throws Exception {
    set(Fields.YEAR, "1990", "two.wav");
    Outcome last = set(Fields.ALBUM, "Harbour Lights", "one.wav");
    Files.delete(collection.state().path(id("one.wav")));
    assertThat(collection.undo(last.number(), Progress.SILENT).refused()).hasSize(1);
    assertThat(collection.nextUndo()).get().satisfies(e -> assertThat(e.title()).contains("year"));
  }
}
