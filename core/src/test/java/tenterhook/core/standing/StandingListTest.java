package tenterhook.core.standing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.track.Snapshot;

class StandingListTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with(
              "artist=Varda Pell",
              "added=2026-11-20T10:00:00Z",
              "plays=3",
              "lastPlayed=2026-11-01T22:00:00Z",
              "year=1987",
              "artwork=abc image/png 600x600",
              "lyrics=la")
          .with("artist=Ines Corrow", "added=2026-11-22T10:00:00Z", "year=1982", "resting=yes")
          .with("artist=Pewter Wren", "plays=9", "year=2003", "guarded=yes", "sound=s")
          .with("state=lost", "quality=upscaled", "plays=0")
          .snapshot();

  private final CrateContents contents =
      new CrateContents(
          snapshot,
          Tracks.BOOK,
          Crates.NONE.plus("Rink", new Crate.HandCrate("Doors", List.of(3))),
          LocalDate.of(2026, 11, 23));

  private List<Integer> of(StandingList list) {
    assertThat(list.count(contents)).isEqualTo(list.tracks(snapshot, contents).size());
    return list.tracks(snapshot, contents);
  }

  @Test
  void eachHoldsWhatItSays() {
    assertThat(of(StandingList.CAME_IN_LATELY)).containsExactly(2, 1);
    assertThat(of(StandingList.MOST_PLAYED)).containsExactly(3, 1);
    assertThat(of(StandingList.PLAYED_LATELY)).containsExactly(1);
    assertThat(of(StandingList.NEVER_PLAYED)).containsExactly(2, 4);
    assertThat(of(StandingList.IN_NO_CRATE)).containsExactly(2, 1, 4);
    assertThat(of(StandingList.WITHOUT_LYRICS)).containsExactly(2, 3, 4);
    assertThat(of(StandingList.NOT_MEASURED)).containsExactly(2, 1, 4);
    assertThat(of(StandingList.LOST)).containsExactly(4);
    assertThat(of(StandingList.RESTING)).containsExactly(2);
    assertThat(of(StandingList.GUARDED)).containsExactly(3);
    assertThat(of(StandingList.CLAIMS_MORE)).containsExactly(4);
    assertThat(of(StandingList.WITHOUT_ARTWORK)).contains(2, 3, 4);
  }

  @Test
  void whatIsAskedForGivesTheSameTracks() {
    for (StandingList list : StandingList.values()) {
      list.query()
          .ifPresent(
              q ->
                  assertThat(contents.finder().find(q))
                      .as(list.key())
                      .isEqualTo(list.tracks(snapshot, contents).set()));
    }
    assertThat(StandingList.IN_NO_CRATE.query()).isEmpty();
  }

  @Test
  void decadesAreCounted() {
    assertThat(StandingList.decades(snapshot)).isEqualTo(Map.of(1980, 2, 2000, 1));
  }
}
