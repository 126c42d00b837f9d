package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** How accepted proposals become a change, and how they are grouped before. */
class AcceptanceTest {
  private static final Snapshot SNAPSHOT =
      Tracks.none()
          .with("genre=ska", "title=COLD LAMPS")
          .with("genre=ska", "guarded=yes")
          .with("genre=ska")
          .snapshot();

  private static Proposal proposal(
      RepairKind kind, int id, Field<?> field, String before, String after, int certainty) {
    return new Proposal(
        kind,
        before + " → " + after,
        id,
        List.of(new SetField(id, field, before, after)),
        certainty,
        "because");
  }

  private static Proposal genre(int id, int certainty) {
    return proposal(RepairKind.GENRES, id, Fields.GENRE, "ska", "Ska", certainty);
  }

  private static Change accept(Proposal... some) {
    return Acceptance.of(SNAPSHOT, Tracks.BOOK, List.of(some), "genres");
  }

  @Test
  void guardedTracksAreLeftInBulkAndTakenOneByOne() {
    Change bulk = accept(genre(1, 97), genre(2, 97), genre(3, 97));
    assertThat(bulk.tracks()).isEqualTo(RoaringBitmap.bitmapOf(1, 3));
    assertThat(bulk.title()).isEqualTo("mends genres on 2 tracks");
    assertThat(bulk.byHand()).isFalse();
    Change single = accept(genre(2, 97));
    assertThat(single.tracks()).isEqualTo(RoaringBitmap.bitmapOf(2));
    assertThat(single.byHand()).isTrue();
  }

  @Test
  void aGenreIsSettledForLater() {
    Edit last = accept(genre(1, 97)).edits().getLast();
    assertThat(last).isInstanceOf(Edit.SetCodebook.class);
    assertThat(((Edit.SetCodebook) last).after().genres().becomes()).containsEntry("ska", "Ska");
    Change title =
        accept(proposal(RepairKind.CAPITALS, 1, Fields.TITLE, "COLD LAMPS", "Cold Lamps", 93));
    assertThat(title.edits()).noneMatch(Edit.SetCodebook.class::isInstance);
  }

  @Test
  void ofTwoForTheSameFieldTheFirstCounts() {
    Proposal one = proposal(RepairKind.CAPITALS, 1, Fields.TITLE, "COLD LAMPS", "Cold Lamps", 93);
    Proposal other = proposal(RepairKind.JUNK, 1, Fields.TITLE, "COLD LAMPS", "COLD", 96);
    assertThat(accept(one, other).edits()).containsExactlyElementsOf(one.edits());
  }

  @Test
  void nothingAcceptedIsNothingToDo() {
    assertThat(accept().isEmpty()).isTrue();
  }

  @Test
  void decisionsThatCloseTheMostHolesComeFirst() {
    Proposal hole = proposal(RepairKind.FILE_NAME, 1, Fields.ARTIST, "", "Varda Pell", 95);
    List<Decision> decisions = Decision.of(List.of(genre(1, 97), genre(3, 60), hole));
    assertThat(decisions)
        .extracting(Decision::kind)
        .containsExactly(RepairKind.FILE_NAME, RepairKind.GENRES);
    assertThat(decisions.getFirst().closes()).isEqualTo(1);
    assertThat(decisions.getLast().from(90)).containsExactly(genre(1, 97));
    assertThat(decisions.getLast().name()).isEqualTo("ska → Ska");
    assertThatThrownBy(() -> new Decision(RepairKind.JUNK, "x", List.of()))
        .hasMessageContaining("one proposal or more");
  }

  /** A field that the Weave does not show is no hole, however many tracks lack it. */
  @Test
  void totalsComeBehindWhatClosesHoles() {
    Proposal hole = proposal(RepairKind.FILE_NAME, 1, Fields.ARTIST, "", "Varda Pell", 95);
    List<Proposal> all = new ArrayList<>(List.of(hole));
    for (int id = 2; id < 6; id++) {
      all.add(proposal(RepairKind.TRACK_NUMBERS, id, Fields.TRACK_TOTAL, "", "12", 95));
    }
    assertThat(Decision.of(all)).extracting(Decision::closes).containsExactly(1, 0);
  }

  @Test
  void rulesAreChecked() {
    assertThatThrownBy(() -> RepairRules.DEFAULT.withCertainFrom(49))
        .hasMessageContaining("50 to 100");
    RepairRules off = RepairRules.DEFAULT.switched(RepairKind.JUNK, false);
    assertThat(off.off()).isEqualTo(Set.of(RepairKind.JUNK));
    assertThat(off.wanted(RepairKind.JUNK, 1)).isFalse();
    assertThat(off.switched(RepairKind.JUNK, true)).isEqualTo(RepairRules.DEFAULT);
    assertThat(RepairKind.named("Artist-In-Title")).contains(RepairKind.ARTIST_IN_TITLE);
    assertThat(RepairKind.named("nothing")).isEmpty();
  }

  @Test
  void theCatalogueFillsHolesAndImpossibleYearsOnly() {
    Snapshot snapshot =
        Tracks.none()
            .with("artist=Pewter Wren", "title=Cold Lamps", "year=2099", "genre=Ska")
            .snapshot();
    var entry =
        new tenterhook.core.catalogue.CatalogueEntry(
            "a/1", "Pewter Wren", "Cold Lamps!", "Slipway", 1984, "Soul", 3, 9, 100);
    var match = new tenterhook.core.catalogue.Match(entry, 96, "same title, same artist");
    var answer = new tenterhook.core.catalogue.Answer(List.of(match));
    Inspected seen =
        Inspected.of(
            snapshot,
            Tracks.BOOK,
            ExternalEvidence.none(Inspected.YEAR)
                .withAnswers(java.util.Map.of(1, answer), java.util.Map.of()));
    assertThat(seen.after(RepairKind.CATALOGUE, 1, Fields.YEAR)).isEqualTo("1984");
    assertThat(seen.after(RepairKind.CATALOGUE, 1, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(seen.after(RepairKind.CATALOGUE, 1, Fields.TRACK)).isEqualTo("3");
    assertThat(seen.after(RepairKind.CATALOGUE, 1, Fields.TITLE)).isEqualTo("nothing");
    assertThat(seen.after(RepairKind.CATALOGUE, 1, Fields.GENRE)).isEqualTo("nothing");
    assertThat(seen.certainty(RepairKind.CATALOGUE, 1)).isEqualTo(96);
  }
}
