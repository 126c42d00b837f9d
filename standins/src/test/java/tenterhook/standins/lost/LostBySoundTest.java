package tenterhook.standins.lost;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.measure.Measuring;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.FileMatch;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** Files that were renamed, retagged, coded anew or swapped for another, on another disk. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class LostBySoundTest {
  private static final Codebook BOOK =
      new Codebook(
          List.of(new Facet("Style", "", true, true, List.of(new Code("SKA", "ska")))),
          Notation.DEFAULT);

  @TempDir static Path folder;
  private Path disk;
  private MusicCollection collection;
  private LostSearch search;

  private static void song(Path file, int seed, Encoder.AudioForm form) throws IOException {
    Files.createDirectories(file.getParent());
    Encoder.write(Synth.render(Recording.of(seed, 100 + seed)), file, form, 192);
  }

  @BeforeAll
  void loseThem() throws Exception {
    Path music = folder.resolve("Music/Skate");
    disk = folder.resolve("Disk");
    for (int n = 1; n <= 5; n++) {
      song(music.resolve("song " + n + ".mp3"), n, Encoder.AudioForm.MP3);
      TagFiles.write(
          music.resolve("song " + n + ".mp3"),
          Map.of(Fields.TITLE, "Lap " + n, Fields.COMMENT, "own words /SKA/"),
          sha -> new byte[0]);
    }
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
    collection.scan(folder.resolve("Music"), Progress.SILENT);
    collection.apply(
        new Change("legend", true, List.of(new Edit.SetCodebook(Codebook.EMPTY, BOOK))),
        Progress.SILENT);
    Measuring.run(collection, now().tracks(), Progress.SILENT);
    Files.createDirectories(disk);
    Files.move(music.resolve("song 1.mp3"), disk.resolve("a renamed one.mp3"));
    Files.move(music.resolve("song 2.mp3"), disk.resolve("song 2.mp3"));
    TagFiles.write(
        disk.resolve("song 2.mp3"), Map.of(Fields.LYRICS, "la ".repeat(4000)), sha -> new byte[0]);
    Files.delete(music.resolve("song 3.mp3"));
    song(disk.resolve("third.flac"), 3, Encoder.AudioForm.FLAC);
    Files.delete(music.resolve("song 4.mp3"));
    song(disk.resolve("song 4.mp3"), 40, Encoder.AudioForm.MP3);
    Files.createDirectories(disk.resolve("one"));
    Files.createDirectories(disk.resolve("two"));
    Files.copy(music.resolve("song 5.mp3"), disk.resolve("one/song 5.mp3"));
    Files.move(music.resolve("song 5.mp3"), disk.resolve("two/song 5.mp3"));
    Files.writeString(music.resolve("cover.txt"), "the folder is not empty");
    assertThat(collection.disks().availability(Progress.SILENT).gone().getCardinality())
        .isEqualTo(5);
    search = LostSearch.run(collection, List.of(disk), Progress.SILENT);
  }

  @AfterAll
  void close() {
    collection.close();
  }

  private Snapshot now() {
    return collection.state().snapshot();
  }

  private int song(int number) {
    return now().tracks(id -> now().raw(id, Fields.TITLE).equals("Lap " + number)).first();
  }

  private List<Candidate> of(int number) {
    return search.candidates().get(song(number));
  }

  @Test
  @Order(1)
  void eachIsFoundByWhatItKept() {
    assertThat(of(1).getFirst().likeness()).isEqualTo(FileMatch.RENAMED);
    assertThat(of(1).getFirst().file().place().path()).isEqualTo("a renamed one.mp3");
    assertThat(of(2).getFirst().likeness()).isEqualTo(FileMatch.RETAGGED);
    assertThat(of(3).getFirst().likeness()).isEqualTo(FileMatch.REENCODED);
    assertThat(of(3).getFirst().file().place().path()).isEqualTo("third.flac");
  }

  @Test
  @Order(2)
  void anotherRecordingOfTheSameNameAndLengthIsToldApart() {
    assertThat(of(4)).extracting(Candidate::likeness).containsExactly(FileMatch.SOUNDS_OTHERWISE);
  }

  @Test
  @Order(3)
  void twoEqualOnesAreNotDecided() {
    assertThat(of(5)).hasSize(2);
    assertThat(search.single())
        .extracting(Candidate::id)
        .containsExactlyInAnyOrder(song(1), song(2), song(3));
    assertThat(search.moves()).isEmpty();
  }

  @Test
  @Order(4)
  void closingCarriesOverWhatATrackHadAndUndoBringsTheLossBack() throws Exception {
    int third = song(3);
    Crates crates = Crates.NONE.plus("Loose", new Crate.HandCrate("Laps", List.of(song(1), third)));
    collection.apply(
        new Change("crate", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
    collection.apply(
        TrackEdits.set(now(), RoaringBitmap.bitmapOf(third), Map.of(Fields.PLAYS, "4")),
        Progress.SILENT);
    String before = now().raw(third, Fields.COMMENT);
    List<Candidate> third3 = search.single().stream().filter(c -> c.id() == third).toList();
    Outcome done = LostSearch.close(collection, third3, Progress.SILENT);
    assertThat(done.refused()).isEmpty();
    int heir = now().tracks(id -> now().fileName(id).equals("third.flac")).first();
    assertThat(now().tracks().contains(third)).isFalse();
    assertThat(now().value(heir, Fields.PLAYS)).contains(4);
    assertThat(now().value(heir, Fields.CODES)).contains(List.of("SKA"));
    assertThat(hand()).containsExactly(song(1), heir);
    assertThat(TagFiles.read(disk.resolve("third.flac")).raw(Fields.TITLE)).isEqualTo("Lap 3");
    collection.undo(done.number(), Progress.SILENT);
    assertThat(LostFinder.lost(now()).contains(third)).isTrue();
    assertThat(now().raw(third, Fields.COMMENT)).isEqualTo(before);
    assertThat(hand()).containsExactly(song(1), third);
    assertThat(TagFiles.read(disk.resolve("third.flac")).raw(Fields.TITLE)).isEmpty();
  }

  private List<Integer> hand() {
    return ((Crate.HandCrate) collection.state().crates().crate("Laps").orElseThrow()).tracks();
  }

  @Test
  @Order(5)
  void aTrackPointsToItsOwnFileOnTheOtherDisk() throws Exception {
    int second = song(2);
    List<Candidate> own = search.single().stream().filter(c -> c.id() == second).toList();
    Outcome done = LostSearch.close(collection, own, Progress.SILENT);
    assertThat(done.refused()).isEmpty();
    assertThat(now().lost(second)).isFalse();
    assertThat(collection.state().path(second)).isEqualTo(disk.toRealPath().resolve("song 2.mp3"));
    assertThat(now().raw(second, Fields.LYRICS).length()).isEqualTo(12_000);
    collection.undo(done.number(), Progress.SILENT);
    assertThat(now().lost(second)).isTrue();
    assertThat(now().raw(second, Fields.LYRICS).length()).isZero();
  }
}
