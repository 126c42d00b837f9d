package tenterhook.standins.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jaudiotagger.audio.AudioFile;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.measure.Measuring;
import tenterhook.adapters.measure.Measuring.Report;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.measure.Measurement;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.OtherLibrary;
import tenterhook.standins.demo.SharedDemo;

/** The demo is measured once, stopped on the way, and held against what it was made from. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class MeasuringTest {
  @TempDir static Path folder;
  private static Path music;
  private static MusicCollection collection;
  private static final Map<String, JsonNode> TRUTH = new HashMap<>();
  private static Report first;
  private static Report second;

  @BeforeAll
  static void measureInTwoSittings() throws Exception {
    music = Files.createDirectories(folder.resolve("music"));
    SharedDemo.copyTo(music);
    for (JsonNode file :
        new ObjectMapper().readTree(music.resolve("truth.json").toFile()).get("files")) {
      TRUTH.put(file.get("path").asText(), file);
    }
    Path broken = music.resolve("Parade/Float/broken.mp3");
    Path sound = Files.walk(music).filter(f -> f.toString().endsWith(".mp3")).findFirst().get();
    byte[] bytes = Files.readAllBytes(sound);
    java.util.Arrays.fill(bytes, 4000, bytes.length, (byte) 0);
    Files.write(broken, bytes);
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
    collection.scan(music, Progress.SILENT);
    first = Measuring.run(collection, now().tracks(), stopAfter(20));
    second = Measuring.run(collection, now().tracks(), Progress.SILENT);
  }

  @AfterAll
  static void close() {
    collection.close();
  }

  private static Snapshot now() {
    return collection.state().snapshot();
  }

  private static Progress stopAfter(int tracks) {
    return new Progress() {
      private volatile long at;

      @Override
      public void at(long done, long total, String words) {
        at = done;
      }

      @Override
      public boolean stopped() {
        return at >= tracks;
      }
    };
  }

  private static JsonNode truth(int id) {
    return TRUTH.get(now().raw(id, Fields.PATH));
  }

  private static RoaringBitmap known() {
    return now().tracks(id -> truth(id) != null);
  }

  @Test
  @Order(1)
  void aStopKeepsWhatWasFoundAndTheNextRunGoesOn() {
    assertThat(first.complete()).isFalse();
    assertThat(first.measured()).isBetween(15, 30);
    assertThat(second.complete()).isTrue();
    int all = first.measured() + first.known() + second.measured() + second.known();
    assertThat(all + second.failed().size()).isEqualTo(now().count());
    assertThat(second.measured()).isLessThan(now().count() - first.measured() + 1);
  }

  @Test
  @Order(2)
  void copiesAreHeardOnceOnly() {
    long copies = TRUTH.values().stream().filter(t -> t.has("copyOf")).count();
    assertThat(copies).isPositive();
    assertThat((long) first.known() + second.known()).isGreaterThanOrEqualTo(copies);
  }

  @Test
  @Order(3)
  void aDamagedFileIsListedWithItsReasonAndNothingElseIs() {
    assertThat(second.failed()).hasSize(1);
    assertThat(second.failed().getFirst().path()).endsWith("broken.mp3");
    assertThat(second.failed().getFirst().reason()).isNotBlank();
  }

  @Test
  @Order(4)
  void theDemosTempiAreRightAndItsKeysMostly() {
    int[] tempi = new int[2];
    known()
        .forEach(
            (int id) -> {
              double bpm = now().value(id, Fields.MEASURED_BPM).orElse(0.0);
              tempi[0] += Math.abs(bpm / truth(id).get("bpm").asDouble() - 1) <= 0.01 ? 1 : 0;
              String key = now().raw(id, Fields.MEASURED_KEY);
              tempi[1] += key.equals(truth(id).get("key").asText()) ? 1 : 0;
            });
    int all = known().getCardinality();
    assertThat(tempi[0]).isGreaterThanOrEqualTo(all * 97 / 100);
    assertThat(tempi[1]).isGreaterThanOrEqualTo(all * 90 / 100);
  }

  @Test
  @Order(5)
  void plantedUpscalesAreToldAndHonestFilesAreNotAccused() {
    RoaringBitmap planted = now().tracks(id -> truth(id) != null && truth(id).has("upscaledFrom"));
    RoaringBitmap told = now().tracks(id -> now().raw(id, Fields.QUALITY).equals("upscaled"));
    assertThat(planted.getCardinality()).isGreaterThanOrEqualTo(3);
    assertThat(told).isEqualTo(planted);
    planted.forEach(
        (int id) ->
            assertThat(now().value(id, Fields.REAL_KBPS))
                .contains(truth(id).get("upscaledFrom").asLong()));
  }

  @Test
  @Order(6)
  void energiesFillTheScaleFromNoughtToHundred() {
    List<Long> energies =
        known().stream().mapToObj(id -> now().value(id, Fields.ENERGY).orElseThrow()).toList();
    assertThat(energies).contains(0L, 100L);
    assertThat(energies).allMatch(e -> e >= 0 && e <= 100);
    assertThat(MeasuredFields.ranked(now())).isEmpty();
  }

  @Test
  @Order(7)
  void measuringChangesNoFileAndNoTag() {
    assertThat(collection.history()).isEmpty();
    assertThatThrownBy(() -> collection.note(List.of(new Cell(1, Fields.BPM, "120"))))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("bpm");
  }

  @Test
  @Order(8)
  void resultsSurviveRetaggingByUsAndByOthersAndAMove() throws Exception {
    int id = known().first();
    String sound = now().raw(id, Fields.SOUND);
    Measurement before = collection.measured().of(sound).orElseThrow();
    collection.apply(
        TrackEdits.set(now(), RoaringBitmap.bitmapOf(id), Map.of(Fields.COMMENT, "own words")),
        Progress.SILENT);
    assertThat(now().raw(id, Fields.SOUND)).isEqualTo(sound);
    Path file = collection.state().path(id);
    AudioFile other = OtherLibrary.read(file);
    other.getTagOrCreateAndSetDefault().setField(org.jaudiotagger.tag.FieldKey.COMMENT, "theirs");
    other.commit();
    Files.setLastModifiedTime(
        file, java.nio.file.attribute.FileTime.fromMillis(1_700_000_000_000L));
    collection.scan(music, Progress.SILENT);
    assertThat(now().raw(id, Fields.SOUND)).as("to be looked at again").isEmpty();
    Report again = Measuring.run(collection, now().tracks(), Progress.SILENT);
    assertThat(again.known()).isEqualTo(1);
    assertThat(again.measured()).isZero();
    assertThat(now().raw(id, Fields.SOUND)).isEqualTo(sound);
    Measurement after = collection.measured().of(sound).orElseThrow();
    assertThat(after.tempo()).isEqualTo(before.tempo());
    assertThat(after.passages()).isEqualTo(before.passages());
    assertThat(after.print()).isEqualTo(before.print());
    assertThat(after.overview().toBytes()).isEqualTo(before.overview().toBytes());
  }

  @Test
  @Order(9)
  void printsAreGivenByTheirSound() {
    Snapshot now = collection.state().snapshot();
    Set<String> sounds = new HashSet<>();
    now.tracks().forEach((int id) -> sounds.add(now.raw(id, Fields.SOUND)));
    sounds.remove("");
    assertThat(sounds).hasSize(first.measured() + second.measured());
    for (String sound : sounds) {
      assertThat(collection.measured().print(sound).orElseThrow().length()).isGreaterThan(40);
    }
    assertThat(collection.measured().print("no such sound")).isEmpty();
    assertThat(collection.measured().of("no such sound")).isEmpty();
    assertThat(collection.measured().overview("no such sound")).isEmpty();
  }
}
