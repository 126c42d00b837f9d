package tenterhook.core.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

class SnapshotTest {
  @Test
  void anOlderSnapshotStaysAsItWas() {
    Snapshot before = Tracks.none().with("title=Cold Lamps").snapshot();
    Snapshot after = before.with(List.of(new Cell(1, Fields.TITLE, "Slow Freeze")));
    assertThat(before.raw(1, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(after.raw(1, Fields.TITLE)).isEqualTo("Slow Freeze");
  }

  @Test
  void removedAndHeldTracksLeaveTheCollectionAndStayKnown() {
    Snapshot all = Tracks.none().with().with().with().snapshot();
    Snapshot after =
        all.with(
            List.of(
                new Cell(1, Fields.LIFECYCLE, "removed"), new Cell(2, Fields.LIFECYCLE, "held")));
    assertThat(after.tracks()).isEqualTo(Tracks.ids(3));
    assertThat(after.held()).isEqualTo(Tracks.ids(2));
    assertThat(after.known()).isEqualTo(Tracks.ids(1, 2, 3));
    assertThat(after.with(List.of(new Cell(1, Fields.LIFECYCLE, ""))).has(1)).isTrue();
  }

  @Test
  void setsHandedOutAreCopies() {
    Snapshot snapshot = Tracks.none().with().snapshot();
    snapshot.tracks().clear();
    assertThat(snapshot.count()).isEqualTo(1);
  }

  @Test
  void anUnknownTrackHasEmptyValues() {
    assertThat(Snapshot.empty().raw(5000, Fields.TITLE)).isEmpty();
    assertThat(Snapshot.empty().has(5000)).isFalse();
  }

  @Test
  void namesFallBackToTheFile() {
    Snapshot snapshot =
        Tracks.none()
            .with("artist=Varda Pell", "title=Outside Edge")
            .with("title=Outside Edge")
            .with("artist=Varda Pell")
            .with()
            .snapshot();
    assertThat(snapshot.name(1)).isEqualTo("Varda Pell – Outside Edge");
    assertThat(snapshot.name(2)).isEqualTo("Outside Edge");
    assertThat(snapshot.name(3)).isEqualTo("Varda Pell – 3.mp3");
    assertThat(snapshot.name(4)).isEqualTo("4.mp3");
  }

  @Test
  void testsPickTracksOfTheCollectionOnly() {
    Snapshot snapshot =
        Tracks.none().with("year=1987").with("year=1994").with("lifecycle=removed").snapshot();
    assertThat(snapshot.tracks(id -> id > 1)).isEqualTo(Tracks.ids(2));
  }

  @Test
  void cellsNeedATrack() {
    assertThatThrownBy(() -> new Cell(0, Fields.TITLE, "x")).hasMessageContaining("was 0");
  }

  @Seeded
  void aSnapshotHoldsTheLastValueOfEveryPlace(long block) {
    Seeds.each(
        block,
        100,
        random -> {
          List<Integer> ids = Seeds.list(random, 0, 60, r -> Seeds.between(r, 1, 3000));
          List<Integer> values = Seeds.list(random, 0, 60, r -> Seeds.between(r, 0, 5));
          Snapshot snapshot = Snapshot.empty();
          Map<Integer, String> meant = new HashMap<>();
          for (int i = 0; i < Math.min(ids.size(), values.size()); i++) {
            String value = "value " + values.get(i);
            meant.put(ids.get(i), value);
            snapshot = snapshot.with(List.of(new Cell(ids.get(i), Fields.ALBUM, value)));
          }
          for (int id = 1; id <= 3000; id++) {
            assertThat(snapshot.raw(id, Fields.ALBUM)).isEqualTo(meant.getOrDefault(id, ""));
          }
          assertThat(snapshot.count()).isEqualTo(meant.size());
        });
  }

  @Test
  void ordersByNumberAndPutsHolesLast() {
    Snapshot snapshot =
        Tracks.none().with("bpm=140").with("bpm=").with("bpm=98.5").with("bpm=fast").snapshot();
    assertThat(sorted(snapshot, Fields.BPM, false)).containsExactly(3, 1, 2, 4);
    assertThat(sorted(snapshot, Fields.BPM, true)).containsExactly(1, 3, 2, 4);
  }

  @Test
  void ordersTextWithoutCaseAndAccents() {
    Snapshot snapshot =
        Tracks.none().with("artist=éclair").with("artist=Dora").with("artist=Fox").snapshot();
    assertThat(sorted(snapshot, Fields.ARTIST, false)).containsExactly(2, 1, 3);
  }

  private static List<Integer> sorted(Snapshot snapshot, Field<?> field, boolean falling) {
    List<Integer> ids = new ArrayList<>();
    snapshot.tracks().forEach((int id) -> ids.add(id));
    ids.sort(TrackOrder.by(snapshot, field, falling));
    return ids;
  }
}
