package tenterhook.core.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;

class TrackOrderTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with("artist=Ottoline Fask", "year=1987", "bpm=118")
          .with("artist=Éloïse Tarn-Ø", "year=", "bpm=98")
          .with("artist=", "year=1994", "bpm=118")
          .with("artist=Ottoline Fask", "year=1964-05-03", "bpm=90")
          .snapshot();

  private List<Integer> sorted(TrackOrder.Key... keys) {
    List<Integer> ids = new ArrayList<>(List.of(1, 2, 3, 4));
    Collections.shuffle(ids, new Random(3));
    ids.sort(TrackOrder.by(snapshot, List.of(keys)));
    return ids;
  }

  private static TrackOrder.Key key(String field, boolean falling) {
    return new TrackOrder.Key(field, falling);
  }

  @Test
  void numbersAreSortedByTheirSize() {
    assertThat(sorted(key("bpm", false))).containsExactly(4, 2, 1, 3);
    assertThat(sorted(key("tempo", true))).as("by label").containsExactly(1, 3, 2, 4);
  }

  @Test
  void holesStandLastWhicheverWay() {
    assertThat(sorted(key("artist", false))).containsExactly(2, 1, 4, 3);
    assertThat(sorted(key("artist", true))).containsExactly(1, 4, 2, 3);
    assertThat(sorted(key("year", true))).containsExactly(3, 1, 4, 2);
  }

  @Test
  void theNextFieldDecidesBetweenEqualOnes() {
    assertThat(sorted(key("artist", false), key("year", false))).containsExactly(2, 4, 1, 3);
    assertThat(sorted(key("bpm", true), key("year", true))).containsExactly(3, 1, 2, 4);
    assertThat(sorted()).containsExactly(1, 2, 3, 4);
  }

  @Test
  void oneFieldIsTheSameOrderAsAListOfOne() {
    List<Integer> ids = new ArrayList<>(List.of(4, 3, 2, 1));
    ids.sort(TrackOrder.by(snapshot, Fields.ARTIST, true));
    assertThat(ids).isEqualTo(sorted(key("artist", true)));
    assertThatThrownBy(() -> key("yeer", false)).hasMessageContaining("no field is called 'yeer'");
  }

  @Test
  void theQuickWayGivesTheSameOrder() {
    List<TrackOrder.Key> keys = new ArrayList<>();
    for (String field : List.of("artist", "year", "bpm")) {
      keys.add(key(field, false));
      keys.add(key(field, true));
    }
    for (TrackOrder.Key first : keys) {
      assertSameOrder(first);
      keys.forEach(second -> assertSameOrder(first, second));
    }
    assertSameOrder();
  }

  private void assertSameOrder(TrackOrder.Key... keys) {
    assertThat(TrackIds.of(4, 2, 3, 1).sorted(snapshot, List.of(keys)))
        .as(List.of(keys).toString())
        .isEqualTo(sorted(keys));
  }
}
