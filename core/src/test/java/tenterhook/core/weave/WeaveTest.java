package tenterhook.core.weave;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class WeaveTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with("artist=Varda Pell", "title=A", "year=1987", "genre=Ska", "comment=/80S/SKA/")
          .with(
              "artist=éloïse",
              "title=B",
              "year=1994-01-01",
              "genre=Ska\u0000Dub",
              "path=Ferry/2.mp3")
          .with("title=C", "year=0", "state=lost", "path=Ferry/3.mp3", "arrival=2026-11-01")
          .with("artist=霧笛", "year=1989", "path=4.mp3")
          .snapshot();

  private static int holes(Weave weave, String column) {
    for (int i = 0; i < weave.columns().size(); i++) {
      if (weave.columns().get(i).key().equals(column)) {
        return weave.total().holes().get(i);
      }
    }
    throw new IllegalArgumentException(column);
  }

  @ParameterizedTest
  @CsvSource({
    "present,1",
    "artist,1",
    "title,1",
    "year,1",
    "genre,2",
    "album,4",
    "bpm,4",
    "artwork,4",
    "Era,3",
    "Style,3"
  })
  void holesAreCounted(String column, int count) {
    assertThat(holes(Weave.of(snapshot, Tracks.BOOK, WeaveBy.FOLDER), column)).isEqualTo(count);
  }

  @Test
  void onlyDemandedFacetsAreColumns() {
    assertThat(WeaveColumn.all(Tracks.BOOK))
        .extracting(WeaveColumn::key)
        .contains("Era", "Style")
        .doesNotContain("Use");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "FOLDER; Ferry,Music,Rink/Doors",
        "GENRE; Ska,none",
        "DECADE; 1980s,1990s,none",
        "ARRIVED; 2026-11-01,none",
        "ARTIST; V,none,É,霧"
      })
  void rowsAreGroups(WeaveBy by, String groups) {
    Weave weave = Weave.of(snapshot, Tracks.BOOK, by);
    assertThat(weave.rows()).extracting(Weave.Row::group).containsExactly(groups.split(","));
    assertThat(weave.rows().stream().mapToInt(Weave.Row::tracks).sum()).isEqualTo(4);
  }

  @Test
  void theTracksBehindACellAreThoseCounted() {
    for (WeaveBy by : WeaveBy.values()) {
      Weave weave = Weave.of(snapshot, Tracks.BOOK, by);
      for (Weave.Row row : weave.rows()) {
        assertThat(weave.tracks(row.group()).getCardinality()).isEqualTo(row.tracks());
        for (int i = 0; i < weave.columns().size(); i++) {
          RoaringBitmap cell = weave.tracks(row.group());
          cell.and(weave.holes(weave.columns().get(i)));
          assertThat(cell.getCardinality()).isEqualTo(row.holes().get(i));
        }
      }
    }
  }

  @Test
  void theShareWholeCountsValues() {
    assertThat(new Weave.Row("x", 10, List.of(5, 0)).whole()).isEqualTo(0.75);
    assertThat(new Weave.Row("x", 0, List.of(0, 0)).whole()).isEqualTo(1);
    assertThat(Weave.of(Snapshot.empty(), Tracks.BOOK, WeaveBy.FOLDER).total().tracks()).isZero();
  }

  @Seeded
  void countingTheDeltaIsCountingAnew(long block) {
    Seeds.each(
        block,
        150,
        random -> {
          List<Integer> ids = Seeds.list(random, 1, 6, r -> Seeds.between(r, 1, 6));
          int what = Seeds.between(random, 0, 4);
          Seeds.halving(
              ids,
              some -> {
                Weave before = Weave.of(snapshot, Tracks.BOOK, WeaveBy.GENRE);
                List<Cell> cells = new ArrayList<>();
                RoaringBitmap changed = new RoaringBitmap();
                List<Field<?>> fields =
                    List.of(
                        Fields.GENRE, Fields.YEAR, Fields.LIFECYCLE, Fields.COMMENT, Fields.STATE);
                List<String> values = List.of("Dub", "2001", "held", "/90S/", "lost");
                for (int id : some) {
                  changed.add(id);
                  cells.add(new Cell(id, fields.get(what), values.get(what)));
                }
                Snapshot after = Derived.refreshed(snapshot.with(cells), Tracks.BOOK, changed);
                assertThat(before.after(after, changed).rows())
                    .isEqualTo(Weave.of(after, Tracks.BOOK, WeaveBy.GENRE).rows());
              });
        });
  }

  @Test
  void aWhollyLostFolderIsOneDecision() {
    Snapshot lost =
        Tracks.none()
            .with("state=lost", "path=Skate/1.mp3")
            .with("state=lost", "path=Skate/2.mp3")
            .with("state=lost", "path=Skate/3.mp3")
            .with("state=lost", "path=Pairs/4.mp3")
            .with("path=Pairs/5.mp3")
            .snapshot();
    Weave weave = Weave.of(lost, Tracks.BOOK, WeaveBy.FOLDER);
    List<NextStep> steps = NextStep.of(weave, lost, List.of(), 20);
    NextStep first = steps.getFirst();
    assertThat(first.kind()).isEqualTo(NextStep.StepKind.LOST_FOLDER);
    assertThat(first.subject()).isEqualTo("Skate");
    assertThat(first.holes()).isEqualTo(3);
    assertThat(steps)
        .filteredOn(s -> s.kind() == NextStep.StepKind.LOST_FILES)
        .singleElement()
        .satisfies(s -> assertThat(s.tracks()).isEqualTo(Tracks.ids(4)));
  }

  @Test
  void stepsSpeakOfRealCounts() {
    Snapshot messy =
        Tracks.none()
            .with("content=aa", "size=10", "comment=/SKAA/")
            .with("content=aa", "size=10", "comment=/SKAA/WLD/")
            .snapshot();
    List<NextStep> steps =
        NextStep.of(Weave.of(messy, Tracks.BOOK, WeaveBy.FOLDER), messy, List.of(), 50);
    assertThat(steps)
        .filteredOn(s -> s.kind() == NextStep.StepKind.STRAYS)
        .singleElement()
        .satisfies(s -> assertThat(s.decisions()).isEqualTo(2))
        .satisfies(s -> assertThat(s.holes()).isEqualTo(2));
    assertThat(steps)
        .filteredOn(s -> s.kind() == NextStep.StepKind.DUPLICATES)
        .singleElement()
        .satisfies(s -> assertThat(s.holes()).isEqualTo(1));
    assertThat(NextStep.of(Weave.of(messy, Tracks.BOOK, WeaveBy.FOLDER), messy, List.of(), 2))
        .hasSize(2);
  }

  private static Proposal closing(RepairKind kind, String decision, int id, String before) {
    return new Proposal(
        kind,
        decision,
        id,
        List.of(new SetField(id, Fields.ARTIST, before, "Ines Corrow")),
        95,
        "");
  }

  @Test
  void repairsStandWhereTheirHolesForEachDecisionPutThem() {
    Snapshot three = Tracks.none().with("title=A").with("title=B").with("title=C").snapshot();
    List<Proposal> proposals =
        List.of(
            closing(RepairKind.ARTIST_IN_TITLE, "one", 1, ""),
            closing(RepairKind.ARTIST_IN_TITLE, "one", 2, ""),
            closing(RepairKind.ARTIST_IN_TITLE, "one", 3, ""),
            closing(RepairKind.FILE_NAME, "one", 1, ""),
            closing(RepairKind.FILE_NAME, "one", 3, ""),
            closing(RepairKind.FOLDER_NAME, "one", 1, ""),
            closing(RepairKind.FOLDER_NAME, "other", 2, ""),
            closing(RepairKind.CATALOGUE, "one", 1, ""),
            closing(RepairKind.CATALOGUE, "two", 2, ""),
            closing(RepairKind.CATALOGUE, "three", 3, ""),
            closing(RepairKind.ARTISTS, "spelled otherwise", 3, "Ines Corow"));
    List<NextStep> steps =
        NextStep.of(Weave.of(three, Tracks.BOOK, WeaveBy.FOLDER), three, proposals, 50);
    assertThat(steps.subList(0, 2))
        .extracting(NextStep::subject, NextStep::holes, NextStep::decisions)
        .containsExactly(tuple("artist-in-title", 3, 1), tuple("file-name", 2, 1));
    assertThat(steps.getFirst().tracks()).isEqualTo(Tracks.ids(1, 2, 3));
    assertThat(steps)
        .filteredOn(s -> s.kind() == NextStep.StepKind.REPAIRS)
        .as("three kinds at most, and none that closes no hole")
        .extracting(NextStep::subject)
        .containsExactly("artist-in-title", "file-name", "catalogue");
  }

  @Test
  void aStepTakesADecision() {
    assertThatThrownBy(
            () -> new NextStep(NextStep.StepKind.FIELD, "year", 1, 0, new RoaringBitmap()))
        .hasMessageContaining("was 0");
  }
}
