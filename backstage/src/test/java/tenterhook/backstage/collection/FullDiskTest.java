package tenterhook.backstage.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.store.Ledger;
import tenterhook.backstage.store.Store;
import tenterhook.backstage.store.StoreBroken;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** A database that takes nothing more in, before and after a file was written. */
class FullDiskTest extends CollectionTest {
  private static final String FULL = "the disk is full";

  /** Answers what is asked, and takes nothing in. */
  private static Store full() {
    return mock(
        Store.class,
        call -> {
          if (call.getMethod().getReturnType() == Optional.class) {
            return Optional.empty();
          }
          throw new StoreBroken(FULL, new IllegalStateException());
        });
  }

  private Change change() {
    return TrackEdits.set(
        now(),
        RoaringBitmap.bitmapOf(id("one.wav"), id("two.wav")),
        Map.of(Fields.ALBUM, "Slipway"));
  }

  @Test
  void aFileIsNotWrittenWhenItsWayBackCannotBeKept() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    byte[] before = Files.readAllBytes(file);
    int id = id("one.wav");
    List<Edit.OfTrack> edits =
        change().edits().stream().map(e -> (Edit.OfTrack) e).filter(e -> e.id() == id).toList();
    FileStep step = new FileStep(collection.state(), full(), 1, 0);
    assertThatThrownBy(() -> step.run(id, edits))
        .isInstanceOf(FileStep.Refused.class)
        .hasMessageContaining(FULL);
    assertThat(file).hasBinaryContent(before);
    assertThat(file.getParent()).isDirectoryNotContaining(p -> !p.toString().endsWith(".wav"));
  }

  @Test
  void whatWasWrittenButNotNotedIsSaid() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    Store store =
        mock(
            Store.class,
            call -> {
              switch (call.getMethod().getName()) {
                case "together":
                  throw new StoreBroken(FULL, new IllegalStateException());
                case "inTransaction":
                  return 7L; // the number of the change
                default:
                  return call.getMethod().getReturnType() == Optional.class
                      ? Optional.empty()
                      : null;
              }
            });
    Road.Done done =
        new Road(store, new Ledger(store))
            .go(collection.state(), change(), 0, Instant.EPOCH, Progress.SILENT);
    assertThat(inFile(file, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(done.outcome().number()).isZero();
    assertThat(done.outcome().written()).isEqualTo(2);
    assertThat(done.outcome().refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains(FULL).contains("2 files are written"));
    assertThat(done.cells()).isNotEmpty();
  }
}
