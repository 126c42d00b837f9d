package tenterhook.core.play;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

class PlaysTest {
  private static final LocalDate NIGHT = LocalDate.of(2026, 3, 7);

  private final Snapshot snapshot =
      Tracks.none()
          .with("artist=Pewter Wren", "title=Slow Ice", "path=Rink/Ice/slow.mp3", "plays=2")
          .with("artist=Pewter Wren", "title=Slow Ice (Live)", "path=Rink/Live/slow.mp3")
          .with("artist=The Gannet Sisters", "title=Last Lap", "nights=2026-03-07", "plays=1")
          .with("artist=Varda Pell", "title=Deck", "state=lost", "plays=9")
          .with("artist=Varda Pell", "title=Deck", "lastPlayed=2026-05-01")
          .snapshot();

  @Test
  void aNightCountsOncePerTrack() {
    Change change = Plays.onNight(snapshot, List.of(1, 3, 5, 1), NIGHT);
    assertThat(change.title()).isEqualTo("counts 2 plays on 2026-03-07");
    Snapshot after = Tracks.after(snapshot, change);
    assertThat(after.value(1, Fields.PLAYS)).contains(3);
    assertThat(after.raw(1, Fields.LAST_PLAYED)).isEqualTo("2026-03-07");
    assertThat(after.value(3, Fields.PLAYS)).contains(1);
    assertThat(after.raw(5, Fields.LAST_PLAYED)).isEqualTo("2026-05-01");
    assertThat(Plays.onNight(after, List.of(1, 3, 5), NIGHT).isEmpty()).isTrue();
    Snapshot later =
        Tracks.after(after, Plays.onNight(after, List.of(1), LocalDate.of(2026, 3, 1)));
    assertThat(later.value(1, Fields.NIGHTS)).contains(List.of("2026-03-01", "2026-03-07"));
    assertThat(later.raw(1, Fields.LAST_PLAYED)).isEqualTo("2026-03-07");
  }

  @Test
  void aLineMeansTheLikestPathThenTheName() {
    TrackNames names = new TrackNames(snapshot);
    assertThat(names.meant("/old/disk/Live/SLOW.mp3", "", "")).contains(2);
    assertThat(names.meant("/elsewhere/slow.mp3", "", "")).isEmpty();
    assertThat(names.meant("/elsewhere/slow.mp3", "pewter wren", "slow ice!")).contains(1);
    assertThat(names.meant("", "Gannet Sisters", "Last lap")).contains(3);
    assertThat(names.meant("", "Varda Pell", "Deck")).contains(5);
    assertThat(names.meant("", "Varda Pell", "Decks")).isEmpty();
    assertThat(names.meant("", "", "")).isEmpty();
  }

  @Test
  void aCounterAddsWhatItRoseBy() {
    assertThat(Plays.afterReading(5, 2, 4)).isEqualTo(7);
    assertThat(Plays.afterReading(5, 4, 0)).isEqualTo(5);
  }
}
