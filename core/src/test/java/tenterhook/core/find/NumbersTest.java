package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

class NumbersTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 3, 31);

  private static Numbers.Span span(Field<?> field, String text) {
    return Numbers.span(field, text, TODAY).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "-30d,2026-03-01",
    "-1w,2026-03-24",
    "-1m,2026-02-28",
    "-1y,2025-03-31",
    "-0d,2026-03-31"
  })
  void spansBackFromTodayAreDays(String text, LocalDate day) {
    assertThat(span(Fields.ADDED, text).from()).isEqualTo(day.toEpochDay());
    assertThat(span(Fields.ADDED, text).below()).isEqualTo(day.toEpochDay() + 1);
  }

  @ParameterizedTest
  @CsvSource({"-3y,2023", "-1m,2026", "-4m,2025"})
  void forYearsTheyAreYears(String text, int year) {
    assertThat(span(Fields.YEAR, text).holds(year)).isTrue();
    assertThat(span(Fields.YEAR, text).holds(year + 1)).isFalse();
  }

  @ParameterizedTest
  @CsvSource({
    "2026-02,2026-02-01,2026-03-01",
    "2026,2026-01-01,2027-01-01",
    "2026-02-28,2026-02-28,2026-03-01"
  })
  void datesAreDaysMonthsAndYears(String text, LocalDate from, LocalDate below) {
    assertThat(span(Fields.LAST_PLAYED, text).from()).isEqualTo(from.toEpochDay());
    assertThat(span(Fields.LAST_PLAYED, text).below()).isEqualTo(below.toEpochDay());
  }

  @Test
  void aWholeNumberIsItsNeighbourhoodAndADecimalIsFiner() {
    assertThat(span(Fields.BPM, "118").holds(118.4)).isTrue();
    assertThat(span(Fields.BPM, "118").holds(118.5)).isFalse();
    assertThat(span(Fields.BPM, "118.4").holds(118.4)).isTrue();
    assertThat(span(Fields.BPM, "118,4").holds(118.5)).isFalse();
  }

  @Test
  void endsOfRangesAreExact() {
    Numbers.Span end = Numbers.end(Fields.BPM, "124", TODAY).orElseThrow();
    assertThat(end.holds(124)).isTrue();
    assertThat(end.holds(124.01)).isFalse();
    Numbers.Span fine = Numbers.end(Fields.BPM, "124.5", TODAY).orElseThrow();
    assertThat(fine.from()).isEqualTo(124.5);
  }

  @Test
  void timesAreReadAsAClock() {
    assertThat(span(Fields.DURATION, "3:47").holds(227.2)).isTrue();
    assertThat(span(Fields.DURATION, "3:47").holds(228)).isFalse();
  }

  @ParameterizedTest
  @ValueSource(strings = {"soon", "2026-13", "2026-02-30", "-5x", "", "1:2", "1e9", "--3d"})
  void nonsenseIsNotReadable(String text) {
    assertThat(Numbers.readable(Fields.ADDED, text)).isFalse();
    assertThat(Numbers.readable(Fields.SIZE, text)).isFalse();
  }

  @Test
  void examplesFitTheField() {
    assertThat(Numbers.example(Fields.ADDED)).contains("-30d");
    assertThat(Numbers.example(Fields.YEAR)).contains("-3y");
    assertThat(Numbers.example(Fields.BPM)).contains("number");
  }

  @ParameterizedTest
  @CsvSource({"yeer,year", "artits,artist", "gnre,genre"})
  void theNearestNameIsFound(String typed, String meant) {
    assertThat(Nearest.of(typed, java.util.List.of("title", "artist", "year", "genre")))
        .contains(meant);
  }

  @Test
  void farNamesAreNotGuessed() {
    assertThat(Nearest.of("mood", java.util.List.of("title", "artist"))).isEmpty();
    assertThat(Nearest.distance("", "abc")).isEqualTo(3);
    assertThat(Nearest.distance("kitten", "sitting")).isEqualTo(3);
  }
}
