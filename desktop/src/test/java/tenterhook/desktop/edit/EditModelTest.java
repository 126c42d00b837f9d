package tenterhook.desktop.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class EditModelTest {
  private final Snapshot snapshot =
      Snapshot.empty()
          .with(
              List.of(
                  new Cell(1, Fields.ALBUM, "Slipway"),
                  new Cell(1, Fields.YEAR, "1987-05-03"),
                  new Cell(2, Fields.ALBUM, "Slipway"),
                  new Cell(3, Fields.ALBUM, "Last Lap")));

  private EditModel model(int... ids) {
    return new EditModel(snapshot, RoaringBitmap.bitmapOf(ids));
  }

  @Test
  void severalValuesAreListedMostFrequentFirst() {
    assertThat(model(1, 2, 3).values(Fields.ALBUM)).containsExactly("Slipway", "Last Lap");
    assertThat(model(1, 2, 3).common(Fields.ALBUM)).isEmpty();
    assertThat(model(1, 2).common(Fields.ALBUM)).contains("Slipway");
  }

  @Test
  void onlyTouchedFieldsChange() {
    EditModel model = model(1, 2, 3);
    assertThat(model.sentence()).contains("Nothing is touched");
    model.type(Fields.YEAR, "1990");
    assertThat(model.change().edits())
        .hasSize(3)
        .allMatch(e -> ((Edit.SetField) e).field() == Fields.YEAR);
    assertThat(model.sentence()).isEqualTo("changes year on 3 tracks");
  }

  @Test
  void theSentenceCountsTracksThatReallyChange() {
    EditModel model = model(1, 2, 3);
    model.type(Fields.ALBUM, "Slipway");
    model.type(Fields.COMPOSER, "Ines Corrow");
    assertThat(model.sentence()).isEqualTo("changes composer and album on 3 tracks");
    model.untouch(Fields.COMPOSER);
    assertThat(model.sentence()).isEqualTo("changes album on 1 track");
  }

  @Test
  void typingTheOldValueUntouchesTheField() {
    EditModel model = model(1, 2);
    model.type(Fields.ALBUM, "X");
    assertThat(model.touched(Fields.ALBUM)).isTrue();
    model.type(Fields.ALBUM, "Slipway");
    assertThat(model.touched(Fields.ALBUM)).isFalse();
    assertThat(model.change().isEmpty()).isTrue();
  }

  @Test
  void aBadValueIsNotTaken() {
    EditModel model = model(1);
    assertThat(model.type(Fields.YEAR, "soon")).get().asString().contains("1900");
    assertThat(model.change().isEmpty()).isTrue();
  }

  @Test
  void theTotalIsAFieldOfItsOwn() {
    EditModel model = model(1, 2, 3);
    model.type(Fields.TRACK_TOTAL, "12");
    assertThat(model.change().fieldNames()).isEqualTo("track total");
  }

  @Test
  void everyFieldOfTheFileHasItsPlace() {
    assertThat(EditModel.fields())
        .contains(Fields.ARTIST, Fields.TITLE, Fields.COMMENT, Fields.RATING)
        .contains(Fields.LYRICS, Fields.MOOD)
        .doesNotContain(Fields.ARTWORK, Fields.TRACK_TOTAL, Fields.SIZE);
  }

  @Test
  void takingOutAgainWhatWasTypedWhereTracksDifferClearsNothing() {
    EditModel model = model(1, 2, 3);
    model.type(Fields.ALBUM, "X");
    model.type(Fields.ALBUM, "");
    assertThat(model.touched(Fields.ALBUM)).isFalse();
    assertThat(model.change().isEmpty()).isTrue();
    model.set(Fields.ALBUM, "");
    assertThat(model.change().edits()).hasSize(3);
    assertThat(model.sentence()).isEqualTo("changes album on 3 tracks Takes away album.");
  }
}
