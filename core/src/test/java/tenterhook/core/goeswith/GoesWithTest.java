package tenterhook.core.goeswith;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.goeswith.Follower.Reason;
import tenterhook.core.goeswith.Follower.ScorePart;
import tenterhook.core.track.Snapshot;

class GoesWithTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with(
              "artist=Ottoline Fask",
              "title=Cold Lamps",
              "bpm=118",
              "key=F#m",
              "energy=50",
              "comment=/80S/SKA/")
          .with(
              "artist=Varda Pell",
              "title=Tin Rail",
              "bpm=120",
              "key=F#m",
              "energy=58",
              "comment=/80S/SKA/")
          .with(
              "artist=Varda Pell",
              "title=Hard Frost",
              "bpm=59.2",
              "key=A",
              "energy=50",
              "comment=/90S/SKA/")
          .with("artist=Pewter Wren", "title=Gate 4", "bpm=140", "key=F#m")
          .with("artist=Pewter Wren", "title=Boathouse", "measuredBpm=117", "measuredKey=C#m")
          .with("artist=Ottoline Fask", "title=COLD LAMPS", "bpm=118", "key=F#m")
          .with("artist=Ines Corrow", "title=Slack Water")
          .with("artist=Varda Pell", "title=Asleep", "bpm=118", "key=F#m", "resting=yes")
          .with("artist=Varda Pell", "title=Gone", "bpm=118", "key=F#m", "state=lost")
          .with("artist=Varda Pell", "title=Tin Rail", "bpm=120", "key=Cm")
          .snapshot();

  private List<Follower> followers(double share) {
    return new GoesWith(snapshot, share).of(1, snapshot.tracks(), 50);
  }

  private static ScorePart part(List<Follower> all, int id, Reason reason) {
    return all.stream()
        .filter(f -> f.id() == id)
        .flatMap(f -> f.parts().stream())
        .filter(p -> p.reason() == reason)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theBestComeFirstAndTheScoreIsTheSumOfWhatIsShown() {
    List<Follower> all = followers(0.06);
    assertThat(all).extracting(Follower::id).containsExactly(2, 3, 5, 7);
    for (Follower one : all) {
      assertThat(one.score()).isEqualTo(one.parts().stream().mapToInt(ScorePart::points).sum());
      assertThat(one.parts()).extracting(ScorePart::reason).containsExactly(Reason.values());
    }
    assertThat(all.getFirst().score()).isGreaterThan(80);
  }

  @Test
  void everyPartSaysWhy() {
    List<Follower> all = followers(0.06);
    assertThat(part(all, 2, Reason.TEMPO).words()).isEqualTo("120.0 bpm, +1.7 %");
    assertThat(part(all, 2, Reason.KEY).words()).isEqualTo("F#m, same key");
    assertThat(part(all, 2, Reason.CODES).words()).isEqualTo("shares 80S SKA");
    assertThat(part(all, 2, Reason.ENERGY).words()).isEqualTo("energy +8");
    assertThat(part(all, 3, Reason.TEMPO).words()).isEqualTo("59.2 bpm, +0.3 %, counted double");
    assertThat(part(all, 3, Reason.KEY).words()).isEqualTo("A, relative key");
    assertThat(part(all, 3, Reason.CODES).points()).isEqualTo(6);
    assertThat(part(all, 5, Reason.KEY).words()).isEqualTo("Dbm, a fifth up");
    assertThat(part(all, 7, Reason.TEMPO).words()).isEqualTo("tempo not known");
  }

  @Test
  void theShareOfTempoAndTheScopeLimit() {
    assertThat(followers(0.01)).extracting(Follower::id).containsExactly(3, 5, 7);
    assertThat(followers(0.2)).extracting(Follower::id).contains(4);
    assertThat(new GoesWith(snapshot, 0.06).of(1, Tracks.ids(3, 4), 50))
        .extracting(Follower::id)
        .containsExactly(3);
    assertThat(new GoesWith(snapshot, 0.06).of(1, snapshot.tracks(), 2)).hasSize(2);
    assertThatThrownBy(() -> new GoesWith(snapshot, 0)).hasMessageContaining("share");
  }

  @Test
  void measuredValuesStandInForMissingTagsOnly() {
    assertThat(GoesWith.tempo(snapshot, 5)).contains(117.0);
    assertThat(GoesWith.tempo(snapshot, 1)).contains(118.0);
    assertThat(GoesWith.tempo(snapshot, 7)).isEmpty();
  }
}
