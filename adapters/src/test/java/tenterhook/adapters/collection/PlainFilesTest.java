package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.job.Progress;

/** What a person wrote into the codebook's or a shelf's file is taken over, or kept. */
class PlainFilesTest extends CollectionTest {
  private Path shelf;
  private Path codebook;

  @BeforeEach
  void aShelfAndACodebook() {
    shelf = folder.resolve("collection/crates/rink.json");
    codebook = folder.resolve("collection/codebook.json");
    Crates crates =
        Crates.NONE.plus(
            "Rink", new Crate.HandCrate("Fast", List.of(id("one.wav"), id("two.wav"))));
    change(new Edit.SetCodebook(collection.state().codebook(), BOOK));
    change(new Edit.SetCrates(Crates.NONE, crates));
    assertThat(shelf).exists();
  }

  private Outcome change(Edit edit) {
    Outcome outcome = collection.apply(new Change("test", true, List.of(edit)), Progress.SILENT);
    assertThat(outcome.refused()).isEmpty();
    return outcome;
  }

  private void another(String name) {
    Crates now = collection.state().crates();
    change(new Edit.SetCrates(now, now.plus("Rink", new Crate.HandCrate(name, List.of()))));
  }

  @Test
  void aSlipIsKeptBesideAndSaid() throws Exception {
    String slip = Files.readString(shelf).replace("\"crates\"", "\"crates\" oops");
    Files.writeString(shelf, slip);
    another("Slow");
    assertThat(shelf.resolveSibling("rink.json.kept")).hasContent(slip);
    assertThat(collection.startupProblems())
        .anyMatch(p -> p.path().endsWith("rink.json") && p.reason().contains("cannot be read"))
        .anyMatch(p -> p.path().endsWith("rink.json.kept"));
    assertThat(collection.state().crates().crate("Fast")).isPresent();
    assertThat(collection.state().crates().crate("Slow")).isPresent();
  }

  @Test
  void anEditWhileTheProgramRunsIsTakenOverBeforeTheNextChange() throws Exception {
    Files.writeString(shelf, Files.readString(shelf).replace("\"Fast\"", "\"Fastest\""));
    another("Slow");
    assertThat(collection.state().crates().all())
        .extracting(Crate::name)
        .containsExactlyInAnyOrder("Fastest", "Slow");
    Files.writeString(codebook, Files.readString(codebook).replace("\"ELC\"", "\"ELX\""));
    assertThat(collection.takePlainFiles()).isTrue();
    assertThat(collection.state().codebook().tokens()).contains("ELX");
    assertThat(collection.takePlainFiles()).isFalse();
  }

  @Test
  void aShelfOfBeforeIsReadWrittenAsATreeAndReadAgain() throws Exception {
    assertThat(Files.readString(shelf)).doesNotContain("shelves");
    Crates old = collection.state().crates();
    change(
        new Edit.SetCrates(
            old,
            old.plus("Rink/Friday/Peak", new Crate.HandCrate("Late", List.of(id("one.wav"))))));
    Crates tree = collection.state().crates();
    Files.writeString(shelf, Files.readString(shelf).replace("\"Late\"", "\"Latest\""));
    assertThat(collection.takePlainFiles()).isTrue();
    assertThat(collection.state().crates()).isEqualTo(tree.renamed("Late", "Latest"));
  }

  @Test
  void aCircleMadeByHandIsRefusedWithItsPathAndAllStays() throws Exception {
    Crates before = collection.state().crates();
    String circle =
        Files.readString(shelf)
            .replace(
                "\"crates\"",
                "\"shelves\" : [ { \"name\" : \"Friday\", \"crates\" : [ { \"name\" : \"Round\","
                    + " \"keep\" : { \"all\" : [ \"shelf:Rink\" ] } } ] } ], \"crates\"");
    Files.writeString(shelf, circle);
    assertThat(collection.takePlainFiles()).isFalse();
    assertThat(collection.startupProblems())
        .anyMatch(p -> p.reason().contains("built on itself: Round → Round"));
    assertThat(collection.state().crates()).isEqualTo(before);
    assertThat(shelf).hasContent(circle);
  }

  @Test
  void aTrackThatIsNotThereYetDoesNotEmptyACrate() throws Exception {
    String before = Files.readString(shelf);
    Path held = music.resolve("Ferry/three.wav");
    byte[] bytes = Files.readAllBytes(held);
    collection.apply(
        TrackEdits.hold(now(), RoaringBitmap.bitmapOf(id("three.wav")), "test"), Progress.SILENT);
    assertThat(held).doesNotExist();
    collection.close();
    Files.delete(folder.resolve("collection/collection.db"));
    open();
    assertThat(collection.startupProblems()).anyMatch(p -> p.reason().contains("was gone"));
    assertThat(shelf).hasContent(before);
    assertThat(collection.state().codebook().tokens()).contains("SKA");
    assertThat(now().held().getCardinality()).as("taken up from the bay").isEqualTo(1);
    collection.scan(music, Progress.SILENT);
    assertThat(collection.apply(TrackEdits.restore(now(), now().held()), Progress.SILENT).refused())
        .isEmpty();
    assertThat(held).hasBinaryContent(bytes);
    assertThat(collection.state().crates().crate("Fast"))
        .hasValueSatisfying(
            c ->
                assertThat(((Crate.HandCrate) c).tracks())
                    .containsExactly(id("one.wav"), id("two.wav")));
  }

  @Test
  void aViewThatBreaksDoesNotMakeAChangeLookUndone() {
    collection.listen(
        delta -> {
          throw new IllegalStateException("a view broke");
        });
    assertThat(set(tenterhook.core.field.Fields.ALBUM, "Slipway", "one.wav").refused()).isEmpty();
    assertThat(collection.startupProblems()).anyMatch(p -> p.reason().contains("a view broke"));
  }
}
