package tenterhook.core.arrival;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.arrival.Arrivals.Batch;
import tenterhook.core.arrival.Arrivals.Copy;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.track.Snapshot;

/** Batches, copies, pace, and where files go. */
class ArrivalsTest {
  private static final List<String> DEMANDED = List.of("artist", "title", "Era");

  private static Snapshot arrived() {
    return Tracks.none()
        .with("arrival=2026-01-02", "path=B/1.mp3", "artist=Varda Pell")
        .with(
            "arrival=2026-01-01",
            "path=A/2.mp3",
            "artist=Varda Pell",
            "title=Cold Lamps",
            "duration=180")
        .with("arrival=2026-01-01", "path=A/3.mp3", "artist=x", "title=y", "comment=/80S/")
        .with(
            "arrival=2026-01-02",
            "path=C/4.mp3",
            "artist=varda pell",
            "title=cold lamps",
            "duration=181")
        .with(
            "arrival=2026-01-02",
            "path=C/5.mp3",
            "artist=Varda Pell",
            "title=Cold Lamps",
            "duration=240")
        .with("arrival=2026-01-02", "path=C/6.mp3", "state=lost")
        .snapshot();
  }

  @Test
  void batchesAreByScanAndFolderTheOldestFirst() {
    List<Batch> batches = Arrivals.batches(arrived(), Tracks.BOOK, DEMANDED);
    assertThat(batches).extracting(Batch::folder).containsExactly("A", "B", "C");
    assertThat(batches.getFirst().all()).isEqualTo(RoaringBitmap.bitmapOf(2, 3));
    assertThat(batches.getFirst().open()).isEqualTo(RoaringBitmap.bitmapOf(2));
    assertThat(batches.getLast().all())
        .as("a lost one waits elsewhere")
        .isEqualTo(RoaringBitmap.bitmapOf(4, 5));
  }

  @Test
  void aTrackLeavesWhenItHasWhatIsDemanded() {
    assertThat(Arrivals.open(arrived(), Tracks.BOOK, List.of("artist")).toArray()).isEmpty();
    assertThat(Arrivals.open(arrived(), Tracks.BOOK, List.of("title")).toArray())
        .containsExactly(1);
    assertThat(Arrivals.open(arrived(), Tracks.BOOK, List.of("year", "no such")).toArray())
        .containsExactly(1, 2, 3, 4, 5);
    assertThat(Arrivals.demandedAtFirst(Tracks.BOOK))
        .contains("artist", "Era")
        .doesNotContain("present", "Use");
  }

  @Test
  void copiesOfWhatWasThereAreTold() {
    Batch last = Arrivals.batches(arrived(), Tracks.BOOK, DEMANDED).getLast();
    assertThat(Arrivals.copies(arrived(), last)).containsExactly(new Copy(4, 2, false));
    Snapshot same =
        Tracks.none()
            .with("arrival=1", "path=A/1.mp3", "content=aa")
            .with("arrival=2", "path=B/2.mp3", "content=aa")
            .snapshot();
    List<Batch> batches = Arrivals.batches(same, Tracks.BOOK, DEMANDED);
    assertThat(Arrivals.copies(same, batches.getLast())).containsExactly(new Copy(2, 1, true));
    assertThat(Arrivals.copies(same, batches.getFirst())).as("the older one is no copy").isEmpty();
  }

  private static LedgerEntry entry(int number, long second, int tracks) {
    return new LedgerEntry(number, Instant.ofEpochSecond(second), "edit", tracks, 0, 0, tracks);
  }

  @Test
  void thePaceIsReadOffTheLedgerWithoutTheTimeAway() {
    List<LedgerEntry> entries = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      entries.addFirst(entry(i + 1, i * 20L, 1));
    }
    assertThat(Pace.of(entries)).isEqualTo(Pace.USUAL);
    for (int i = 0; i < 6; i++) {
      entries.addFirst(entry(i + 7, 100_000 + i * 20L, 2));
    }
    Pace pace = Pace.of(entries);
    assertThat(pace.measured()).isTrue();
    assertThat(pace.secondsPerTrack()).isBetween(13.0, 14.0);
    assertThat(pace.minutesFor(90)).isEqualTo(20);
    assertThat(Pace.USUAL.minutesFor(0)).isEqualTo(1);
    assertThatThrownBy(() -> new Pace(0, true)).hasMessageContaining("takes some time");
  }

  private static final Snapshot NAMED =
      Tracks.none()
          .with(
              "path=In/x.MP3",
              "artist=AC: Wren",
              "title=Cold/Lamps?",
              "genre=Ska\u0000Soul",
              "track=7")
          .with("path=In/y.flac", "title=...")
          .with("path=In/z.mp3", "artist=ac_ wren", "title=cold_lamps_", "genre=ska", "track=12")
          .snapshot();

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{genre}/{artist} - {title} | 1 | Ska/AC_ Wren - Cold_Lamps_.mp3",
        "{track} {title} | 1 | 07 Cold_Lamps_.mp3",
        "{genre}/{artist}/{title} | 2 | no genre/no artist/_.flac",
        "{track} {title} | 3 | 12 cold_lamps_.mp3",
      })
  void thePatternIsFilledWithWhatDisksTake(String pattern, int id, String path) {
    assertThat(PathPattern.of(pattern).pathOf(NAMED, id)).isEqualTo(path);
  }

  @Test
  void noFileIsEverOverwritten() {
    var change =
        PathPattern.of("{genre}/{artist} - {title}")
            .moves(
                NAMED,
                RoaringBitmap.bitmapOf(1, 2, 3),
                "Music",
                place -> Set.of("no genre/no artist -.flac").contains(place.path()));
    assertThat(change.edits())
        .extracting(e -> ((Edit.MoveFile) e).to().path())
        .containsExactly(
            "Ska/AC_ Wren - Cold_Lamps_.mp3",
            "no genre/no artist - (2).flac",
            "ska/ac_ wren - cold_lamps_ (2).mp3");
  }

  @Test
  void aFileThatLiesThereAlreadyStays() {
    Snapshot there = Tracks.none().with("path=a/b.mp3", "artist=a", "title=b").snapshot();
    assertThat(
            PathPattern.of("{artist}/{title}")
                .moves(there, RoaringBitmap.bitmapOf(1), "Music", p -> true)
                .isEmpty())
        .isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"{artist}", "{nothing} {title}", "/{title}", "../{title}", "{title}/"})
  void aPatternThatWouldLoseFilesIsRefused(String pattern) {
    assertThatThrownBy(() -> PathPattern.of(pattern)).isInstanceOf(IllegalArgumentException.class);
  }

  @Seeded
  void noTwoFilesEverShareAPlaceAndNoneLeavesTheRoot(long block) {
    Seeds.each(
        block,
        100,
        random -> {
          List<String> titles = Seeds.list(random, 2, 12, r -> Seeds.text(r, 12));
          Seeds.halving(
              titles,
              some -> {
                Tracks tracks = Tracks.none();
                for (String title : some) {
                  tracks.with("title=" + title, "artist=" + title, "genre=../" + title);
                }
                Snapshot snapshot = tracks.snapshot();
                Set<String> taken = Set.of("_/_ - _.mp3", "no genre/no artist - 1.mp3");
                var change =
                    PathPattern.of("{genre}/{artist} - {title}")
                        .moves(
                            snapshot,
                            snapshot.tracks(),
                            "Music",
                            place -> taken.contains(place.path()));
                Set<String> used = new java.util.HashSet<>(taken);
                for (Edit edit : change.edits()) {
                  String to = ((Edit.MoveFile) edit).to().path();
                  assertThat(used.add(to.toLowerCase(java.util.Locale.ROOT))).as(to).isTrue();
                  assertThat(to.split("/"))
                      .as(to)
                      .hasSize(2)
                      .noneMatch(p -> p.equals("..") || p.isBlank());
                  assertThat(to).endsWith(".mp3");
                }
              });
        });
  }
}
