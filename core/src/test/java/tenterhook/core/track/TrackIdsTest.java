package tenterhook.core.track;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.Function;
import java.util.function.IntPredicate;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.edit.FieldValues;
import tenterhook.core.field.Fields;

/** Index arrays that read as lists, sets that follow deltas, values that are counted. */
class TrackIdsTest {
  private final TrackIds ids = TrackIds.of(5, 2, 9, 4);

  @Test
  void readsAsAListInItsOrder() {
    assertThat(ids).containsExactly(5, 2, 9, 4).isEqualTo(List.of(5, 2, 9, 4));
    assertThat(ids.set()).isEqualTo(Tracks.ids(2, 4, 5, 9));
    assertThat(TrackIds.copyOf(ids)).isSameAs(ids);
    assertThat(TrackIds.copyOf(List.of(3, 1))).containsExactly(3, 1);
    assertThat(TrackIds.of(Tracks.ids(7, 3))).containsExactly(3, 7);
  }

  @Test
  void keepsItsOrderWhenItIsNarrowed() {
    assertThat(ids.in(Tracks.ids(4, 5, 77))).containsExactly(5, 4);
    assertThat(ids.in(new RoaringBitmap())).isEmpty();
    assertThat(ids.in(Tracks.ids(2, 4, 5, 9, 10))).isEqualTo(ids);
  }

  @Test
  void isSortedByAField() {
    Snapshot snapshot =
        Tracks.none().with("bpm=140").with("bpm=").with("bpm=98.5").with("bpm=140").snapshot();
    TrackIds all = TrackIds.of(4, 3, 2, 1);
    assertThat(all.sorted(snapshot, Fields.BPM, false)).containsExactly(3, 1, 4, 2);
    assertThat(all.sorted(snapshot, Fields.BPM, true)).containsExactly(1, 4, 3, 2);
    assertThat(all).containsExactly(4, 3, 2, 1);
  }

  @Seeded
  void keptSetsAreWhatAFreshCountGives(long block) {
    Function<Snapshot, IntPredicate> test = at -> id -> at.isBlank(id, Fields.ALBUM);
    Seeds.each(
        block,
        100,
        random -> {
          Snapshot snapshot = Tracks.none().with("album=A").with().with("album=B").snapshot();
          KeptTracks kept = KeptTracks.of(snapshot, test);
          for (int i = 0; i < 12; i++) {
            int id = Seeds.between(random, 1, 6);
            Cell cell =
                random.nextInt(3) == 0
                    ? new Cell(id, Fields.LIFECYCLE, Seeds.any(random, "", "removed", "held"))
                    : new Cell(id, Fields.ALBUM, Seeds.any(random, "", "C"));
            snapshot = snapshot.with(List.of(cell));
            kept = kept.after(snapshot, RoaringBitmap.bitmapOf(id));
            assertThat(kept.tracks()).isEqualTo(KeptTracks.of(snapshot, test).tracks());
            assertThat(kept.count()).isEqualTo(kept.tracks().getCardinality());
          }
        });
  }

  @Test
  void valuesAreCountedMostFrequentFirst() {
    Snapshot snapshot =
        Tracks.none().with("genre=Dub").with("genre=Ska").with().with("genre=Ska").snapshot();
    FieldValues some = FieldValues.of(snapshot, Tracks.ids(1, 2, 3, 4), Fields.GENRE, 2);
    assertThat(some.distinct()).isEqualTo(3);
    assertThat(some.frequent()).hasSize(2).startsWith("Ska");
    assertThat(FieldValues.of(snapshot, new RoaringBitmap(), Fields.GENRE, 2).distinct()).isZero();
  }
}
