package tenterhook.core.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

class ChangeTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with("album=Slipway", "year=1987", "comment=/SKA/")
          .with("album=Slipway", "year=1990")
          .with("album=Last Lap")
          .snapshot();

  @Test
  void onlyTracksThatWouldChangeAreInIt() {
    Change change = TrackEdits.set(snapshot, snapshot.tracks(), Map.of(Fields.ALBUM, "Slipway"));
    assertThat(change.edits())
        .containsExactly(new Edit.SetField(3, Fields.ALBUM, "Last Lap", "Slipway"));
    assertThat(change.title()).isEqualTo("album on 1 track");
    assertThat(change.byHand()).isTrue();
  }

  @Test
  void aChangeOfManyTracksIsABulkChange() {
    Change change = TrackEdits.set(snapshot, snapshot.tracks(), Map.of(Fields.YEAR, "2001"));
    assertThat(change.byHand()).isFalse();
    assertThat(change.tracks()).isEqualTo(Tracks.ids(1, 2, 3));
    assertThat(change.fieldNames()).isEqualTo("year");
  }

  @Test
  void theInverseGoesBackwards() {
    Edit.SetField first = new Edit.SetField(1, Fields.YEAR, "1987", "1988");
    Edit.MoveFile second =
        new Edit.MoveFile(1, new Place("Music", "a.mp3"), new Place("Music", "b.mp3"));
    Change back = new Change("two things", false, List.of(first, second)).inverse("back");
    assertThat(back.edits())
        .containsExactly(
            new Edit.MoveFile(1, new Place("Music", "b.mp3"), new Place("Music", "a.mp3")),
            new Edit.SetField(1, Fields.YEAR, "1988", "1987"));
  }

  @Test
  void everyKindOfEditInvertsToItselfTwice() {
    List<Edit> edits =
        List.of(
            new Edit.SetField(1, Fields.YEAR, "1", "2"),
            new Edit.MoveFile(1, new Place("a", "b"), new Place("c", "d")),
            new Edit.Relocate(1, new Place("a", "b"), new Place("c", "d"), Map.of()),
            new Edit.SetCrates(Crates.NONE, Crates.NONE.plusShelf("x")),
            new Edit.SetCodebook(Codebook.EMPTY, Tracks.BOOK));
    for (Edit edit : edits) {
      assertThat(edit.inverse()).isNotEqualTo(edit);
      assertThat(edit.inverse().inverse()).isEqualTo(edit);
    }
  }

  @Test
  void codesAreGivenAndTakenInOneChange() {
    Change change =
        TrackEdits.code(snapshot, Tracks.BOOK, Tracks.ids(1, 2), List.of("ELC"), List.of("SKA"));
    assertThat(change.edits())
        .containsExactly(
            new Edit.SetField(1, Fields.COMMENT, "/SKA/", "/ELC/"),
            new Edit.SetField(2, Fields.COMMENT, "", "/ELC/"));
    assertThat(change.title()).isEqualTo("gives ELC, takes SKA on 2 tracks");
  }

  @Test
  void flagsSayWhatTheyDo() {
    assertThat(TrackEdits.flag(snapshot, Tracks.ids(1), Fields.RESTING, true).title())
        .isEqualTo("rests 1 track");
    assertThat(TrackEdits.flag(snapshot, Tracks.ids(1, 2), Fields.GUARDED, true).title())
        .isEqualTo("guards 2 tracks");
    assertThat(TrackEdits.flag(snapshot, Tracks.ids(1), Fields.RESTING, false).isEmpty()).isTrue();
  }

  @Test
  void holdingRemembersWhereAFileCameFrom() {
    Change held = TrackEdits.hold(snapshot, Tracks.ids(2), "copies");
    Edit.MoveFile move = (Edit.MoveFile) held.edits().getFirst();
    assertThat(move.to()).isEqualTo(new Place(Place.HOLDING_BAY, "2/Music/Rink/Doors/2.mp3"));
  }

  @Test
  void restoringGoesBackThere() {
    Snapshot held =
        Tracks.none()
            .with("root=" + Place.HOLDING_BAY, "path=1/Music/Rink/Doors/1.mp3", "lifecycle=held")
            .snapshot();
    Change back = TrackEdits.restore(held, held.held());
    assertThat(((Edit.MoveFile) back.edits().getFirst()).to())
        .isEqualTo(new Place("Music", "Rink/Doors/1.mp3"));
    assertThat(back.edits().get(1)).isEqualTo(new Edit.SetField(1, Fields.LIFECYCLE, "held", ""));
  }

  @Test
  void namesAreJoinedAsInASentence() {
    assertThat(Change.joined(List.of("album"))).isEqualTo("album");
    assertThat(Change.joined(List.of("album", "year"))).isEqualTo("album and year");
    assertThat(Change.joined(List.of("album", "year", "key"))).isEqualTo("album, year and key");
  }

  @Test
  void placesAndTitlesAreChecked() {
    assertThatThrownBy(() -> new Place("Music", "/a")).hasMessageContaining("relative");
    assertThatThrownBy(() -> new Change(" ", true, List.of())).hasMessageContaining("title");
  }
}
