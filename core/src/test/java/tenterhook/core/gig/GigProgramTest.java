package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class GigProgramTest {
  private static final LocalDate NIGHT = LocalDate.of(2026, 12, 19);

  private static Snapshot tracks(int count, String nights) {
    List<Cell> cells = new ArrayList<>();
    for (int id = 1; id <= count; id++) {
      cells.add(new Cell(id, Fields.PATH, id + ".mp3"));
      cells.add(new Cell(id, Fields.STATE, "present"));
      cells.add(new Cell(id, Fields.ARTIST, "Artist " + id));
      cells.add(new Cell(id, Fields.TITLE, "<Title> & " + id));
      cells.add(new Cell(id, Fields.DURATION, "210"));
      cells.add(new Cell(id, Fields.NIGHTS, id % 2 == 0 ? nights : ""));
    }
    return Snapshot.empty().with(cells);
  }

  private static GigProgram program(Gig gig, Snapshot snapshot) {
    return GigProgram.of(
        gig, snapshot, new CrateContents(snapshot, Codebook.EMPTY, Crates.NONE, NIGHT));
  }

  private static Gig gig() {
    return Gig.of("Closing", Evening.on(NIGHT, LocalTime.of(23, 0), LocalTime.of(2, 0)))
        .withParts(
            List.of(
                GigPart.of("Doors", 30).withTracks(List.of(1, 2)),
                GigPart.of("Laps", 0)
                    .withParts(
                        List.of(
                            GigPart.of("Easy", 40).withTracks(List.of(3)),
                            GigPart.of("Fast", 50).withTracks(List.of(4, 5)))),
                GigPart.of("Last", 20).withTracks(List.of(6))));
  }

  @Test
  void partsStandAtTheirPlannedTimesAndTracksOneBehindTheOther() {
    GigProgram program = program(gig(), tracks(6, ""));
    assertThat(program.stretches())
        .extracting(s -> s.music().part().name() + " " + program.clock(s.begins()))
        .containsExactly("Doors 23:00", "Laps 23:30", "Easy 23:30", "Fast 00:10", "Last 01:00");
    assertThat(program.stretches()).extracting(GigProgram.Stretch::depth).contains(1);
    GigProgram.Stretch doors = program.stretch("doors").orElseThrow();
    assertThat(doors.minutes()).isEqualTo(7);
    assertThat(program.clock(doors.slot(2).orElseThrow().begins() / 60)).isEqualTo("23:03:30");
    assertThat(doors.slot(6)).isEmpty();
  }

  @Test
  void theSheetOfFiveHoursIsOneFileWithoutAnythingFromElsewhere() {
    Gig gig =
        gig()
            .plus(new MustPlay(4, "Fast", "the long one"))
            .on(gig().evening().with(new Person("Oda <B>", "OH-da", "host")));
    String sheet = RunSheet.html(program(gig, tracks(6, "")), tracks(6, ""));
    assertThat(sheet)
        .contains("Saturday 19 December 2026", "Oda &lt;B&gt;", "OH-da", "☐ Artist 4")
        .contains("00:10 Fast · 50 min", "&lt;Title&gt; &amp; 3")
        .doesNotContain("<Title>", "http", "<script");
  }

  @Test
  void whatWasPlayedThatNightIsHeldAgainstWhatWasPlanned() {
    Gig gig =
        gig()
            .plus(new MustPlay(2, "", ""))
            .plus(new MustPlay(3, "", ""))
            .withWishes(
                List.of(
                    Wish.of("four", "").chosen(4), Wish.of("odd", ""), Wish.of("no", "").refuse()));
    Snapshot snapshot = tracks(8, "2026-12-19");
    Afterwards after = Afterwards.of(program(gig, snapshot), snapshot);
    assertThat(after.played().toArray()).containsExactly(2, 4, 6, 8);
    assertThat(after.asPlanned().toArray()).containsExactly(2, 4, 6);
    assertThat(after.planned()).isEqualTo(6);
    assertThat(after.heard()).extracting(MustPlay::track).containsExactly(2);
    assertThat(after.missed()).extracting(MustPlay::track).containsExactly(3);
    assertThat(after.served()).extracting(Wish::line).containsExactly("four");
    assertThat(after.unserved()).extracting(Wish::line).containsExactly("odd");
    assertThat(after.letter(snapshot)).hasSize(4).contains("your wish was not played: odd");
    assertThat(Afterwards.of(program(gig, tracks(8, "2026-12-18")), tracks(8, "")).isKnown())
        .isFalse();
  }

  @Test
  void aPersonIsReadAsItIsWritten() {
    for (String line : List.of("Oda Brennick (OH-da), host", "Oda", "Oda (OH-da)", "Oda, host")) {
      assertThat(Person.of(line).line()).isEqualTo(line);
    }
    assertThat(Person.of(" Oda  Brennick ( OH-da ) , host, mother ").role())
        .isEqualTo("host, mother");
    assertThatThrownBy(() -> Person.of("(OH-da)")).hasMessageContaining("Name (how it is said)");
  }
}
