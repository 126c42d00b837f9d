package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.core.change.Change;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;

/** Files that were scanned when the catalogue of fields did not have all of its fields yet. */
class CatchUpTest extends CollectionTest {
  private int calm;

  private void scannedByAnOlderProgram() throws Exception {
    Wavs.make(music.resolve("calm.wav"), 9, Map.of(Fields.TITLE, "Calm", Fields.MOOD, "calm"));
    collection.scan(music, Progress.SILENT);
    calm = id("calm.wav");
    List<Cell> older = new ArrayList<>();
    now()
        .tracks()
        .forEach(
            (int id) -> {
              older.add(new Cell(id, Fields.READ_WITH, ""));
              for (Field<?> field : Fields.inFile()) {
                if (field.since() > 1) {
                  older.add(new Cell(id, field, ""));
                }
              }
            });
    collection.keep(older, collection.moment());
    assertThat(now().raw(calm, Fields.MOOD)).isEmpty();
  }

  private Change mood(String mood) {
    return TrackEdits.set(now(), RoaringBitmap.bitmapOf(calm), Map.of(Fields.MOOD, mood));
  }

  @Test
  void newFieldsAreReadFromFilesThatAreKnown() throws Exception {
    scannedByAnOlderProgram();
    reopen();
    assertThat(collection.disks().behind()).isEqualTo(now().tracks());
    assertThat(collection.disks().catchUp(Progress.SILENT))
        .isEqualTo(now().tracks().getCardinality());
    assertThat(now().raw(calm, Fields.MOOD)).isEqualTo("calm");
    assertThat(collection.disks().behind().isEmpty()).isTrue();
    reopen();
    assertThat(now().raw(calm, Fields.MOOD)).isEqualTo("calm");
    assertThat(collection.disks().behind().isEmpty()).isTrue();
  }

  @Test
  void aScanReadsThemToo() throws Exception {
    scannedByAnOlderProgram();
    ScanReport report = collection.scan(music, Progress.SILENT);
    assertThat(report.changed()).isZero();
    assertThat(now().raw(calm, Fields.MOOD)).isEqualTo("calm");
    assertThat(collection.disks().behind().isEmpty()).isTrue();
  }

  @Test
  void whatIsStoppedGoesOnWhereItWas() throws Exception {
    scannedByAnOlderProgram();
    int all = collection.disks().behind().getCardinality();
    Progress stopping =
        new Progress() {
          private long done;

          @Override
          public void at(long now, long total, String words) {
            done = now;
          }

          @Override
          public boolean stopped() {
            return done == 1;
          }
        };
    assertThat(collection.disks().catchUp(stopping)).isEqualTo(1);
    assertThat(collection.disks().behind().getCardinality()).isEqualTo(all - 1);
    assertThat(collection.disks().catchUp(Progress.SILENT)).isEqualTo(all - 1);
  }

  @Test
  void anEditKnowsWhatTheFileSaidBeforeAndGivesItBack() throws Exception {
    scannedByAnOlderProgram();
    Path file = collection.state().path(calm);
    byte[] before = Files.readAllBytes(file);
    Outcome outcome = collection.apply(state -> mood("loud"), Progress.SILENT);
    assertThat(outcome.refused()).isEmpty();
    assertThat(now().raw(calm, Fields.MOOD)).isEqualTo("loud");
    collection.undo(outcome.number(), Progress.SILENT);
    assertThat(now().raw(calm, Fields.MOOD)).isEqualTo("calm");
    assertThat(file).hasBinaryContent(before);
  }

  @Test
  void anEditThatDoesNotKnowWhatTheFileSaysIsRefusedAndThenKnows() throws Exception {
    scannedByAnOlderProgram();
    Outcome outcome = collection.apply(mood("loud"), Progress.SILENT);
    assertThat(outcome.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("its mood is \"calm\" by now"));
    assertThat(collection.apply(mood("loud"), Progress.SILENT).refused()).isEmpty();
  }

  @Test
  void aDamagedFileIsTriedOnceAndStaysAsItWas() throws Exception {
    scannedByAnOlderProgram();
    Path file = collection.state().path(calm);
    var modified = Files.getLastModifiedTime(file);
    byte[] bytes = Files.readAllBytes(file);
    Files.write(file, new byte[bytes.length]);
    Files.setLastModifiedTime(file, modified);
    collection.disks().catchUp(Progress.SILENT);
    assertThat(now().raw(calm, Fields.TITLE)).isEqualTo("Calm");
    assertThat(collection.disks().behind().isEmpty()).isTrue();
  }
}
