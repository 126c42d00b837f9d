package tenterhook.adapters.execution;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.withSettings;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.CollectionTest;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** A database that takes nothing more in, before and after a file was written. */
class FullDiskTest extends CollectionTest {
  private static final String FULL = "the disk is full";

  /** A database that answers what is asked, and breaks when one of its methods is called. */
  private Store broken(String method) throws Exception {
    Store whole = Store.open(folder.resolve("other"));
    return mock(
        Store.class,
        withSettings()
            .spiedInstance(whole)
            .defaultAnswer(
                call -> {
                  if (call.getMethod().getName().equals(method)) {
                    throw new StoreBroken(FULL, new IllegalStateException());
                  }
                  return call.callRealMethod();
                }));
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
    Store store = broken("update");
    TagWriter writer = new TagWriter(store, FileCalls.SYSTEM);
    FileStep step =
        new FileStep(
            collection.state(),
            store,
            new SafeFiles(FileCalls.SYSTEM),
            new PastStates(store, new Ledger(store), writer),
            writer,
            new FileStep.Task(1, 0, true, "test", 0));
    assertThat(step.run(id, edits))
        .isInstanceOfSatisfying(
            FileResult.Untouched.class, u -> assertThat(u.reason()).contains(FULL));
    assertThat(file).hasBinaryContent(before);
    assertThat(file.getParent()).isDirectoryNotContaining(p -> !p.toString().endsWith(".wav"));
  }

  @Test
  void whatWasWrittenButNotNotedIsSaid() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    Store store = broken("together");
    ChangeExecutor.Executed done =
        new ChangeExecutor(store, new Ledger(store), FileCalls.SYSTEM, "test")
            .execute(
                collection.state(),
                change(),
                ChangeExecutor.Undo.NONE,
                Instant.EPOCH,
                Progress.SILENT);
    assertThat(inFile(file, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(done.outcome().number()).isZero();
    assertThat(done.outcome().written()).isEqualTo(2);
    assertThat(done.outcome().unconfirmed())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains(FULL).contains("2 files are written"));
    assertThat(done.cells()).isNotEmpty();
  }
}
