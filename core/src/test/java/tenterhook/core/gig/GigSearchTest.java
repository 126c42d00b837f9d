package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.track.Snapshot;

class GigSearchTest {
  private static final LocalDate DATE = LocalDate.of(2026, 12, 19);
  private static final Snapshot TRACKS =
      Tracks.none()
          .with("title=Glass Water", "artist=Pewter Wren", "duration=600")
          .with("title=Waterglass", "artist=Éloïse Tarn", "duration=600")
          .with("title=Slipway", "artist=Tin Lark", "duration=600")
          .with("title=Glass Harbour", "artist=Nobody Asked", "duration=600")
          .snapshot();
  private static final Gig GIG =
      Gig.of("Closing", Evening.on(DATE, LocalTime.of(18, 0), LocalTime.of(23, 0)))
          .plus(GigPart.of("Doors", 20).plus(List.of(2)), Optional.empty())
          .plus(GigPart.of("Laps", 20).plus(List.of(2, 1)), Optional.empty())
          .plus(new MustPlay(3, "", ""))
          .plusWishes(List.of(Wish.of("the foghorn one", "Oda").chosen(1)));

  private static List<GigSearch.Found> find(String typed) {
    CrateContents contents = new CrateContents(TRACKS, Tracks.BOOK, Crates.NONE, DATE);
    return GigSearch.of(GigProgram.of(GIG, TRACKS, contents), TRACKS).find(typed, 3);
  }

  @Test
  void wordsMayStandAnywhereAndThoseThatBeginAWordComeFirst() {
    assertThat(find("glass")).extracting(GigSearch.Found::id).containsExactly(1, 2);
    assertThat(find("WREN gla")).extracting(GigSearch.Found::id).containsExactly(1);
    assertThat(find("eloise")).extracting(GigSearch.Found::id).containsExactly(2);
    assertThat(find("foghorn")).extracting(GigSearch.Found::id).containsExactly(1);
    assertThat(find("  ")).isEmpty();
    assertThat(find("harbour")).as("not in this gig").isEmpty();
  }

  @Test
  void itSaysWhereATrackIsHeardFirst() {
    assertThat(find("tarn"))
        .containsExactly(new GigSearch.Found(2, "Doors", Optional.of(LocalTime.of(18, 0))));
    assertThat(find("wren"))
        .containsExactly(new GigSearch.Found(1, "Laps", Optional.of(LocalTime.of(18, 30))));
    assertThat(find("slip")).containsExactly(new GigSearch.Found(3, "", Optional.empty()));
  }
}
