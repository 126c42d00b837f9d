package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class WishIndexTest {
  private static final String[][] TRACKS = {
    {"Pewter Wren", "Slipway", "200"},
    {"Pewter Wren", "Slipway (Live)", "240"},
    {"Pewter Wren", "Slipway (Glass Otter Remix)", "300"},
    {"The Glass Otters", "No Lantern", "180"},
    {"Ines Corrow", "Northern Ferry (feat. Oda)", "190"},
    {"Ines Corrow", "Northern Ferry", "191"},
    {"Άρης Θάλασσας", "Βραδινό Πλοίο", "210"},
    {"Tin Lark", "Slipway", "150"},
    {"Ines Corrow", "Radio Waltz (Live)", "230"},
    {"Jörn Ravenscar", "With You and Midnight", "205"},
    {"Jörn Ravenscar", "Midnight", "207"},
    {"Jörn Ravenscar", "Not Without Midnight", "208"},
    {"Tin Lark", "Tideway, Pt. 1", "300"},
    {"Tin Lark", "Tideway (Part II)", "310"},
  };

  private final WishIndex index = WishIndex.of(collection());

  private static Snapshot collection() {
    List<Cell> cells = new ArrayList<>();
    for (int i = 0; i < TRACKS.length; i++) {
      cells.add(new Cell(i + 1, Fields.PATH, i + ".mp3"));
      cells.add(new Cell(i + 1, Fields.STATE, i == 4 ? "lost" : "present"));
      cells.add(new Cell(i + 1, Fields.ARTIST, TRACKS[i][0]));
      cells.add(new Cell(i + 1, Fields.TITLE, TRACKS[i][1]));
      cells.add(new Cell(i + 1, Fields.DURATION, TRACKS[i][2]));
    }
    return Snapshot.empty().with(cells);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "Pewter Wren - Slipway; 1",
        "slipway by pewter wren, not the live one; 1",
        "SLIPWAY (Pewter Wren); 1",
        "pewter wren slipway live; 2",
        "please play Slipway by Pewter Wren (Glass Otter Remix); 3",
        "no lantern - glass otters; 4",
        "Ines Corrow feat. Somebody Else - Northern Ferry (for our mum); 6",
        "Jörn Ravenscar - Not Without Midnight; 12",
        "we'd love with you and midnight by jorn ravenscar xx; 10",
        "Jörn Ravenscar WithYouandMidnight; 10",
        "tideway part 2, tin lark; 14",
        "TIN LARK: TIDEWAY PT 1; 13",
      })
  void whatIsNamedInFullIsCertain(String line, int track) {
    WishIndex.Offer first = index.offers(line).getFirst();
    assertThat(first.tracks()).as(line).startsWith(track);
    assertThat(first.certainty()).as(first.reason()).isGreaterThanOrEqualTo(90);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "pweter wern - slipwya; 1",
        "aris thalassas - vradino ploio; 7",
        "Slipway; 1",
        "Pewter Wren - Slipway / No Lantern medley; 1",
        "Pewter Wren: Slipway of Dreams; 1",
        "Pewter Wren - Slipway (remix); 3",
        "Radio Waltz by Ines Corrow; 9",
        "Slipway by Somebody Else; 1",
        "Jörn Ravenscar With You and Midnight ACOUSTIC; 10",
        "Jörn Ravenscar Not Without Midnight RADIO EDIT; 12",
        "When the Bells Ring Midnight - Jörn Ravenscar; 11",
        "tin lark - tideway part 7; 13",
        "Midnight by Ravenscar; 11",
        "You and Midnight - Jörn Ravenscar; 10",
        "Again Midnight - Jörn Ravenscar; 11",
      })
  void whatIsNotNamedInFullIsOfferedForALook(String line, int track) {
    List<WishIndex.Offer> offers = index.offers(line);
    assertThat(offers).allMatch(o -> o.certainty() < 90);
    if (!line.contains("Somebody")) {
      assertThat(offers).as(line).anyMatch(o -> o.tracks().contains(track));
    }
  }

  @Test
  void filesOfOneRecordingAreOneOfferAndThoseThatAreThereComeFirst() {
    assertThat(index.offers("Northern Ferry - Ines Corrow"))
        .singleElement()
        .satisfies(o -> assertThat(o.tracks()).containsExactly(6, 5));
  }

  @Test
  void nothingIsOfferedForNothing() {
    assertThat(index.offers("???")).isEmpty();
    assertThat(index.offers("")).isEmpty();
    assertThat(index.offers("anything by Ines Corrow")).isEmpty();
  }

  @Test
  void aWishStandsWhereItsBestOfferLeavesIt() {
    List<WishAnswer> answers =
        index.answers(
            List.of(
                Wish.of("Pewter Wren - Slipway", ""),
                Wish.of("Slipway", ""),
                Wish.of("Radio Waltz by Ines Corrow", ""),
                Wish.of("a", "").chosen(3),
                Wish.of("b", "").refuse()));
    assertThat(answers)
        .extracting(WishAnswer::standing)
        .containsExactly(
            WishAnswer.Standing.CERTAIN,
            WishAnswer.Standing.POSSIBLE,
            WishAnswer.Standing.MISSING,
            WishAnswer.Standing.CHOSEN,
            WishAnswer.Standing.REFUSED);
    assertThat(answers.get(3).offers()).isEmpty();
  }

  @Test
  void theIndexHoldsAsLongAsNamesAndFilesAreTheSame() {
    Snapshot snapshot = collection();
    WishIndex of = WishIndex.of(snapshot);
    assertThat(of.holdsFor(snapshot)).isTrue();
    assertThat(of.holdsFor(snapshot.with(List.of(new Cell(1, Fields.COMMENT, "bright"))))).isTrue();
    assertThat(of.holdsFor(snapshot.with(List.of(new Cell(1, Fields.TITLE, "Slip"))))).isFalse();
    assertThat(of.holdsFor(snapshot.with(List.of(new Cell(1, Fields.STATE, "lost"))))).isFalse();
    assertThat(of.holdsFor(snapshot.with(List.of(new Cell(1, Fields.LIFECYCLE, "removed")))))
        .isFalse();
  }
}
