package tenterhook.core.field;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FieldsTest {
  @Test
  void indexesAreThePlacesInTheCatalogue() {
    List<Field<?>> all = Fields.all();
    for (int i = 0; i < all.size(); i++) {
      assertThat(all.get(i).index()).isEqualTo(i);
    }
  }

  @Test
  void keysAreUnique() {
    assertThat(Fields.all().stream().map(Field::key)).doesNotHaveDuplicates();
  }

  @Test
  void namesAreFoundByKeyAndLabelInAnyCase() {
    assertThat(Fields.named("ALBUMARTIST")).contains(Fields.ALBUM_ARTIST);
    assertThat(Fields.named("album artist")).contains(Fields.ALBUM_ARTIST);
    assertThat(Fields.named("tempo")).contains(Fields.BPM);
    assertThat(Fields.named("art")).contains(Fields.ARTWORK);
    assertThat(Fields.named("yeer")).isEmpty();
  }

  @Test
  void anUnknownKeyIsACallersMistake() {
    assertThatThrownBy(() -> Fields.of("yeer")).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void everyFieldInTheFileIsEditableExceptArtwork() {
    assertThat(Fields.inFile()).allMatch(f -> f.editable() || f == Fields.ARTWORK);
    assertThat(Fields.SIZE.editable()).isFalse();
    assertThat(Fields.PLAYS.editable()).isFalse();
  }

  @Test
  void aFieldOfTheFileThatCameLaterSaysSoOrItStaysEmptyInKnownFiles() {
    assertThat(Fields.inFile().stream().filter(f -> f.since() == 1).map(Field::key))
        .containsExactlyInAnyOrder(
            "artist title album albumArtist composer label year track trackTotal disc discTotal bpm"
                .concat(" key rating genre artwork comment grouping lyrics")
                .split(" "));
    assertThat(Fields.version()).isEqualTo(3);
  }

  @Test
  void aFlagIsYesOrNothing() {
    assertThat(Fields.COMPILATION.type().fromTyped("yes")).isEqualTo("1");
    assertThat(Fields.COMPILATION.type().fromTyped("No")).isEmpty();
    assertThat(Fields.COMPILATION.type().show("1")).isEqualTo("yes");
    assertThat(Fields.COMPILATION.type().complaint("perhaps")).isPresent();
    assertThat(Fields.COMPILATION.type().complaint("no")).isEmpty();
    assertThat(Fields.COMPILATION.isHole("0")).isTrue();
    assertThat(Fields.RESTING.type().fromTyped("yes")).isEqualTo("yes");
  }

  @Test
  void totalsBelongToTheirNumbers() {
    assertThat(Fields.totalOf(Fields.TRACK)).contains(Fields.TRACK_TOTAL);
    assertThat(Fields.totalOf(Fields.DISC)).contains(Fields.DISC_TOTAL);
    assertThat(Fields.totalOf(Fields.YEAR)).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"1987", "1987-05-03", " 1987 ", "1900", "2100"})
  void yearsAreRead(String raw) {
    assertThat(Fields.YEAR.isHole(raw)).isFalse();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "0", "19", "198", "19870503", "1899", "2101", "eighties"})
  void impossibleYearsAreHoles(String raw) {
    assertThat(Fields.YEAR.isHole(raw)).isTrue();
  }

  @Test
  void aYearWithADateComparesByItsYear() {
    assertThat(Fields.YEAR.type().number("1987-05-03")).isEqualTo(1987);
    assertThat(Fields.YEAR.type().number("soon")).isNaN();
  }

  @Test
  void temposAreReadWithPointOrComma() {
    assertThat(Fields.BPM.type().parse("118,5")).contains(118.5);
    assertThat(Fields.BPM.type().show("118")).isEqualTo("118.0");
    assertThat(Fields.BPM.type().fromTyped("118,5")).isEqualTo("118.5");
    assertThat(Fields.BPM.isHole("0")).isTrue();
    assertThat(Fields.BPM.isHole("fast")).isTrue();
  }

  @Test
  void trackNumbersMayHaveLeadingZeros() {
    assertThat(Fields.TRACK.type().parse("07")).contains(7);
    assertThat(Fields.TRACK.isHole("0")).isTrue();
    assertThat(Fields.TRACK.isHole("A1")).isTrue();
  }

  @Test
  void aFinerRatingIsKeptBehindItsFifths() {
    assertThat(Fields.RATING.type().parse("4@186")).contains(4);
    assertThat(Fields.RATING.type().show("4@186")).isEqualTo("4");
    assertThat(Fields.RATING.isHole("6")).isTrue();
  }

  @Test
  void genresAreAListTypedWithSemicolons() {
    String raw = Fields.GENRE.type().fromTyped(" Ska;  Soul ; ");
    assertThat(raw).isEqualTo("Ska" + FieldType.SEPARATOR + "Soul");
    assertThat(Fields.GENRE.type().parse(raw)).contains(List.of("Ska", "Soul"));
    assertThat(Fields.GENRE.type().show(raw)).isEqualTo("Ska; Soul");
    assertThat(Fields.GENRE.isHole("")).isTrue();
  }

  @Test
  void durationsAreShownAsAClock() {
    assertThat(Fields.DURATION.type().show("227.4")).isEqualTo("3:47");
    assertThat(Fields.DURATION.type().show("28800")).isEqualTo("8:00:00");
    assertThat(Fields.DURATION.type().show("")).isEmpty();
  }

  @Test
  void momentsCompareByDays() {
    double day = Fields.ADDED.type().number("1970-01-03T12:00:00Z");
    assertThat(day).isEqualTo(2.5);
    assertThat(Fields.ADDED.type().number("1970-01-03")).isEqualTo(2.0);
    assertThat(Fields.ADDED.type().show("1970-01-03T12:00:00Z")).isEqualTo("1970-01-03");
    assertThat(Fields.ADDED.isHole("yesterday")).isTrue();
  }

  @Test
  void sizesMayBeLarge() {
    assertThat(Fields.SIZE.type().parse("5368709120")).contains(5_368_709_120L);
  }

  @Test
  void complaintsSayWhatIsWanted() {
    assertThat(Fields.YEAR.type().complaint("soon")).get().asString().contains("1900");
    assertThat(Fields.YEAR.type().complaint("")).isEmpty();
    assertThat(Fields.TITLE.type().complaint("anything")).isEmpty();
  }

  @Test
  void smallAndBrokenArtworkIsAHole() {
    Artwork fine = new Artwork("ab12", 600, 500, 1000, "image/jpeg");
    Artwork tiny = new Artwork("ab12", 64, 64, 100, "image/png");
    Artwork broken = new Artwork("ab12", 0, 0, 100, "image/png");
    assertThat(Fields.ARTWORK.isHole(fine.raw())).isFalse();
    assertThat(Fields.ARTWORK.isHole(tiny.raw())).isTrue();
    assertThat(Fields.ARTWORK.isHole(broken.raw())).isTrue();
    assertThat(Fields.ARTWORK.isHole("")).isTrue();
    assertThat(broken.size()).isEqualTo("unreadable");
  }

  @Test
  void artworkIsReadBackFromItsRawForm() {
    Artwork art = new Artwork("ab12", 600, 500, 1000, "image/jpeg");
    assertThat(Artwork.parse(art.raw())).contains(art);
    assertThat(Artwork.parse("something else")).isEmpty();
    assertThat(Fields.ARTWORK.type().show(art.raw())).isEqualTo("600×500");
  }

  @Test
  void artworkRefusesImpossibleSizes() {
    assertThatThrownBy(() -> new Artwork("a", -1, 2, 3, "x")).hasMessageContaining("-1x2");
    assertThatThrownBy(() -> new Artwork(" ", 1, 2, 3, "x")).hasMessageContaining("sha256");
  }

  @Test
  void daysAreThoseOfTheClocksWhereTheProgramRuns() {
    java.util.TimeZone usual = java.util.TimeZone.getDefault();
    try {
      java.util.TimeZone.setDefault(java.util.TimeZone.getTimeZone("Pacific/Auckland"));
      String late = "2026-11-28T13:30:00Z"; // half past two in the night of the next day there
      assertThat(Fields.ADDED.type().show(late)).isEqualTo("2026-11-29");
      double day = java.time.LocalDate.of(2026, 11, 29).toEpochDay();
      assertThat(Fields.ADDED.type().number(late)).isBetween(day, day + 1);
      assertThat(Fields.ADDED.type().number("2026-11-29")).isEqualTo(day);
    } finally {
      java.util.TimeZone.setDefault(usual);
    }
  }

  @Test
  void anArtistMayBeSeveralAndATitleMayNot() {
    assertThat(Fields.ARTIST.type().fromTyped(" Varda Pell ;Tarn ")).isEqualTo("Varda Pell\0Tarn");
    assertThat(Fields.ARTIST.type().parse("Varda Pell\0Tarn")).contains("Varda Pell; Tarn");
    assertThat(Fields.ARTIST.type().show("Varda Pell\0Tarn")).isEqualTo("Varda Pell; Tarn");
    assertThat(Fields.ARTIST.isHole(" ")).isTrue();
    assertThat(Fields.TITLE.type().fromTyped("Cold; Lamps")).isEqualTo("Cold; Lamps");
    assertThat(FieldType.each("a\0b", v -> v + "!")).isEqualTo("a!\0b!");
  }
}
