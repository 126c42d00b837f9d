package tenterhook.adapters.duplicate;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.collection.CollectionTest;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** The only copy of a recording stays, whatever was believed of it a moment before. */
class OnlyCopyTest extends CollectionTest {
  private Path one;
  private Path twin;

  @BeforeEach
  void aFileAndItsTwin() throws Exception {
    one = music.resolve("Rink/one.wav");
    twin = music.resolve("Ferry/twin.wav");
    Files.copy(one, twin);
    collection.scan(music, Progress.SILENT);
  }

  private List<Group> groups(Evidence weakest) {
    return CopySearch.run(collection, Progress.SILENT)
        .groups(collection, Optional.empty(), weakest);
  }

  private Group group() {
    List<Group> groups = groups(Evidence.SAME_BYTES);
    assertThat(groups).hasSize(1);
    return groups.getFirst();
  }

  private Outcome keepOne(Group group) {
    return Resolving.one(
        collection, Resolving.Wanted.of(group), Set.of(), new SpareFate.Hold(), false);
  }

  @Test
  void aSpareThatBecameTheSurvivorItselfIsLeftAlone() throws Exception {
    Group group = group();
    Path kept = collection.state().path(group.survivor());
    Path spare = collection.state().path(group.spares().getFirst());
    Files.delete(spare);
    Files.createLink(spare, kept);
    Outcome outcome = keepOne(group);
    assertThat(outcome.number()).isZero();
    assertThat(outcome.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("second name"));
    assertThat(spare).exists();
    assertThat(kept).exists();
  }

  @Test
  void aSpareThatIsAnotherRecordingByNowIsLeftAlone() throws Exception {
    Group group = group();
    Path spare = collection.state().path(group.spares().getFirst());
    Files.write(spare, Files.readAllBytes(Wavs.make(folder.resolve("x.wav"), 77)));
    Outcome outcome = keepOne(group);
    assertThat(outcome.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("no longer same bytes"));
    assertThat(spare).exists();
  }

  @Test
  void evidenceIsThatOfTheWeakestLinkToTheSurvivor() throws Exception {
    Path retagged = music.resolve("Ferry/retagged.wav");
    Files.copy(one, retagged);
    TagFiles.write(retagged, Map.of(Fields.ALBUM, "Slipway"), s -> new byte[0]);
    collection.scan(music, Progress.SILENT);
    ManyCopies.hear(collection);
    assertThat(group().tracks()).as("bytes are bytes").hasSize(2);
    Group all = groups(Evidence.SAME_STREAM).getFirst();
    assertThat(all.tracks()).hasSize(3);
    assertThat(all.evidence()).isEqualTo(Evidence.SAME_STREAM);
    int survivor = all.survivor();
    for (int spare : all.spares()) {
      boolean bytes =
          Files.mismatch(collection.state().path(survivor), collection.state().path(spare)) == -1;
      assertThat(all.bySpare().get(spare))
          .isEqualTo(bytes ? Evidence.SAME_BYTES : Evidence.SAME_STREAM);
    }
  }

  private Outcome empty(boolean alsoLast) {
    return HoldingBay.empty(collection, now().held(), alsoLast, Files::delete, Progress.SILENT);
  }

  @Test
  void theBayIsNotEmptiedOfWhatIsTheLastCopyByNow() throws Exception {
    Group group = group();
    assertThat(keepOne(group).refused()).isEmpty();
    Path held = collection.state().path(group.spares().getFirst());
    Path kept = collection.state().path(group.survivor());
    byte[] bytes = Files.readAllBytes(kept);
    Files.delete(kept);
    assertThat(empty(false).refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("stays held").contains("not there"));
    Files.write(kept, Files.readAllBytes(Wavs.make(folder.resolve("x.wav"), 77)));
    assertThat(empty(false).refused()).hasSize(1);
    assertThat(held).exists();
    Files.write(kept, bytes);
    Outcome emptied = empty(false);
    assertThat(emptied.refused()).isEmpty();
    assertThat(emptied.number()).as("undo is not promised").isZero();
    assertThat(held).doesNotExist();
  }

  @Test
  void whatWasPutAsideByItselfGoesOnlyWhenThatIsSaid() throws IOException {
    int id = id("two.wav");
    collection.apply(
        TrackEdits.hold(now(), RoaringBitmap.bitmapOf(id), "by hand"), Progress.SILENT);
    HoldingBay.Outlook outlook =
        HoldingBay.outlook(collection, RoaringBitmap.bitmapOf(id), Progress.SILENT);
    assertThat(outlook.copies().isEmpty()).isTrue();
    assertThat(outlook.last()).hasSize(1);
    assertThat(empty(false).refused()).hasSize(1);
    assertThat(empty(true).refused()).isEmpty();
    assertThat(now().held().isEmpty()).isTrue();
  }

  @Test
  void aSurvivorThatWentItselfIsFollowedToWhatItWentFor() throws Exception {
    Path third = music.resolve("Ferry/third.wav");
    Files.copy(one, third);
    collection.scan(music, Progress.SILENT);
    Group all = group();
    assertThat(all.tracks()).hasSize(3);
    int first = all.tracks().get(0);
    int second = all.tracks().get(1);
    int last = all.tracks().get(2);
    Map<Integer, Evidence> bytes = Map.of(last, Evidence.SAME_BYTES);
    Resolving.one(
        collection,
        new Resolving.Wanted(second, List.of(last), bytes),
        Set.of(),
        new SpareFate.Hold(),
        true);
    Resolving.one(
        collection,
        new Resolving.Wanted(first, List.of(second), Map.of(second, Evidence.SAME_BYTES)),
        Set.of(),
        new SpareFate.Hold(),
        true);
    HoldingBay.Outlook outlook = HoldingBay.outlook(collection, now().held(), Progress.SILENT);
    assertThat(outlook.last()).isEmpty();
    assertThat(outlook.copies()).isEqualTo(RoaringBitmap.bitmapOf(second, last));
  }

  @Test
  void aFileReplacedByAnotherRecordingIsNotWrittenTo() throws Exception {
    Path file = music.resolve("Rink/two.wav");
    int id = id("two.wav");
    String title = now().raw(id, Fields.TITLE);
    var time = Files.getLastModifiedTime(file);
    Wavs.make(file, 99, Map.of(Fields.TITLE, title, Fields.COMMENT, now().raw(id, Fields.COMMENT)));
    Files.setLastModifiedTime(file, time);
    byte[] theirs = Files.readAllBytes(file);
    assertThat(set(Fields.ALBUM, "Slipway", "two.wav").refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("another recording"));
    assertThat(file).hasBinaryContent(theirs);
  }

  @Test
  void whatAnotherProgramWroteWithoutTouchingSizeAndTimeIsNoticed() throws Exception {
    Path file = music.resolve("Rink/two.wav");
    var time = Files.getLastModifiedTime(file);
    byte[] bytes = Files.readAllBytes(file);
    String text = new String(bytes, java.nio.charset.StandardCharsets.ISO_8859_1);
    int at = text.indexOf("Freeze");
    assertThat(at).isPositive();
    bytes[at] = 'B';
    Files.write(file, bytes);
    Files.setLastModifiedTime(file, time);
    assertThat(set(Fields.ALBUM, "Slipway", "two.wav").refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("another program"));
    assertThat(file).hasBinaryContent(bytes);
    assertThat(now().raw(id("two.wav"), Fields.TITLE)).as("read again").isEqualTo("Slow Breeze");
    assertThat(set(Fields.ALBUM, "Slipway", "two.wav").refused()).isEmpty();
    time = Files.getLastModifiedTime(file);
    bytes = Files.readAllBytes(file);
    bytes[at] = 'F';
    Files.write(file, bytes);
    Files.setLastModifiedTime(file, time);
    int seen = 0;
    for (int day = 0; day < 64 && seen == 0; day++) { // by and by, also without an edit
      for (int hour = 0; hour < 24; hour++) {
        later();
      }
      seen = collection.disks().availability(Progress.SILENT).changed().getCardinality();
    }
    assertThat(seen).isEqualTo(1);
  }
}
