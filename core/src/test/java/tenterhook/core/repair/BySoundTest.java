package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.core.repair.RepairKind.KEY_BY_SOUND;
import static tenterhook.core.repair.RepairKind.TEMPO_BY_SOUND;

import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.repair.numbers.SoundFills;
import tenterhook.core.track.Snapshot;

class BySoundTest {
  private static final String[] HEARD = {
    "measuredBpm=118.02", "bpmCertainty=97", "measuredKey=F#m", "keyCertainty=95"
  };

  private static String[] and(String... more) {
    String[] all = java.util.Arrays.copyOf(HEARD, HEARD.length + more.length);
    System.arraycopy(more, 0, all, HEARD.length, more.length);
    return all;
  }

  private final Tracks tracks =
      Tracks.none()
          .with(HEARD)
          .with(and("bpm=118", "key=Gbm"))
          .with(and("bpm=59", "key=A"))
          .with(and("path=Rink/5.m4a"))
          .with("measuredBpm=90", "bpmCertainty=40", "measuredKey=C", "keyCertainty=30")
          .with(and("guarded=yes"))
          .with(and("state=lost"))
          .with("title=not measured");

  private final Inspected seen = Inspected.of(tracks);

  @Test
  void emptyTagsGetWhatIsHeardWithItsCertainty() {
    assertThat(seen.after(TEMPO_BY_SOUND, 1, Fields.BPM)).isEqualTo("118.02");
    assertThat(seen.certainty(TEMPO_BY_SOUND, 1)).isEqualTo(97);
    assertThat(seen.after(KEY_BY_SOUND, 1, Fields.KEY)).isEqualTo("F#m");
    assertThat(seen.certainty(KEY_BY_SOUND, 5)).isEqualTo(30);
    assertThat(seen.after(TEMPO_BY_SOUND, 4, Fields.BPM)).as("whole in m4a").isEqualTo("118");
    assertThat(seen.after(TEMPO_BY_SOUND, 8, Fields.BPM)).isEqualTo("nothing");
  }

  @Test
  void theSameInOtherWordsIsNoContradiction() {
    assertThat(seen.after(TEMPO_BY_SOUND, 2, Fields.BPM)).isEqualTo("nothing");
    assertThat(seen.after(KEY_BY_SOUND, 2, Fields.KEY)).isEqualTo("nothing");
  }

  @Test
  void whatContradictsATagIsNeverCertain() {
    assertThat(seen.certainty(TEMPO_BY_SOUND, 3)).isEqualTo(85);
    assertThat(seen.certainty(KEY_BY_SOUND, 3)).isEqualTo(85);
    Proposal tempo =
        seen.of(TEMPO_BY_SOUND).stream().filter(p -> p.id() == 3).findFirst().orElseThrow();
    assertThat(tempo.decision()).isEqualTo("the tag counts half");
    assertThat(tempo.reason()).isEqualTo("118.0 beats a minute are heard, the tag says 59");
  }

  @Test
  void fillingTakesTheSureOnesAndLeavesWhatIsThere() {
    Snapshot snapshot = tracks.snapshot();
    Change change = SoundFills.of(snapshot, snapshot.tracks(), 90, "{0} filled");
    assertThat(change.title()).isEqualTo("4 filled");
    assertThat(change.tracks().toArray()).containsExactly(1, 4);
    assertThat(change.edits())
        .contains(new SetField(1, Fields.KEY, "", "F#m"))
        .contains(new SetField(4, Fields.BPM, "", "118"));
    assertThat(SoundFills.of(snapshot, Tracks.ids(2, 3), 0, "none").isEmpty()).isTrue();
  }

  @Test
  void energyIsRankedAnewWhenTracksComeAndOnlyWhatChangedIsSaid() {
    Snapshot snapshot =
        Tracks.none()
            .with("liveliness=100", "energy=0")
            .with("liveliness=300", "energy=50")
            .with("liveliness=200", "energy=50")
            .with("title=not measured")
            .snapshot();
    assertThat(MeasuredFields.ranked(snapshot)).hasSize(1);
    assertThat(MeasuredFields.ranked(snapshot).getFirst().id()).isEqualTo(2);
    assertThat(MeasuredFields.ranked(snapshot).getFirst().raw()).isEqualTo("100");
    assertThat(MeasuredFields.ranked(snapshot.with(MeasuredFields.ranked(snapshot)))).isEmpty();
    assertThat(MeasuredFields.waiting(snapshot).getCardinality()).isEqualTo(4);
  }
}
