package tenterhook.standins.demo;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.ScanReport;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.crate.Crate;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Group;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

/** What the program sees of the demo is what the plan put into it. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoTest {
  private static final int TRACKS = SharedDemo.TRACKS;
  private static final int FEW = 40;

  @TempDir static Path folder;
  private Path music;
  private JsonNode truth;
  private MusicCollection collection;

  @BeforeAll
  void make() throws Exception {
    music = folder.resolve("demo/music");
    SharedDemo.copyTo(music);
    truth = new ObjectMapper().readTree(music.resolve(DemoMusic.TRUTH).toFile());
    try (MusicCollection before =
        MusicCollection.open(folder.resolve("before"), InstantSource.system())) {
      ScanReport report = before.scan(music, Progress.SILENT);
      assertThat(report.issues()).isEmpty();
      assertThat(report.files()).isEqualTo(truth.path("tracks").asInt());
      assertThat(before.scan(music, Progress.SILENT).changed()).isZero();
      totals(before);
    }
    collection = DemoCollection.open(folder.resolve("demo"), TRACKS, Progress.SILENT);
  }

  @AfterAll
  void close() {
    collection.close();
  }

  /** Before the mishaps, every field's holes are those of the plan. */
  private void totals(MusicCollection before) {
    Weave weave = Weave.of(before.state().snapshot(), DemoCollection.codebook(), WeaveBy.FOLDER);
    List<String> seen = new ArrayList<>();
    for (int i = 0; i < weave.columns().size(); i++) {
      String key = weave.columns().get(i).key();
      if (truth.path("holes").has(key) && !weave.columns().get(i).facet()) {
        assertThat(weave.total().holes().get(i))
            .as(key)
            .isEqualTo(truth.path("holes").path(key).asInt());
        seen.add(key);
      }
    }
    assertThat(seen).hasSize(9);
  }

  @Test
  void codesAreReadAsPlanned() throws Exception {
    try (MusicCollection fresh =
        MusicCollection.open(folder.resolve("coded"), InstantSource.system())) {
      var book =
          new tenterhook.core.change.Edit.SetCodebook(
              fresh.state().codebook(), DemoCollection.codebook());
      fresh.apply(new tenterhook.core.change.Change("book", true, List.of(book)), Progress.SILENT);
      Path copy = folder.resolve("again/music");
      SharedDemo.copyTo(copy);
      fresh.scan(copy, Progress.SILENT);
      Weave weave = Weave.of(fresh.state().snapshot(), fresh.state().codebook(), WeaveBy.FOLDER);
      for (int i = 0; i < weave.columns().size(); i++) {
        if (weave.columns().get(i).facet()) {
          String key = weave.columns().get(i).key();
          assertThat(weave.total().holes().get(i))
              .as(key)
              .isEqualTo(truth.path("holes").path(key).asInt());
        }
      }
    }
  }

  @Test
  void theSameNumberOfTracksGivesTheSameBytes() throws Exception {
    Path first = folder.resolve("first");
    Path second = folder.resolve("second");
    assertThat(DemoMusic.make(first, FEW, Progress.SILENT)).isGreaterThan(FEW / 2);
    DemoMusic.make(second, FEW, Progress.SILENT);
    try (Stream<Path> files = Files.walk(first)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Path other = second.resolve(first.relativize(file));
        assertThat(Files.mismatch(file, other)).as(file.toString()).isEqualTo(-1);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "artist in title",
        "missing",
        "junk",
        "artist spelling",
        "genre spelling",
        "wrong year",
        "stray",
        "no artwork",
        "tiny artwork",
        "no codes",
        "clash"
      })
  void everyTroubleIsPlanted(String kind) {
    assertThat(truth.findValuesAsText("kind")).contains(kind);
  }

  @Test
  void everyFormatAndScriptIsThere() {
    Set<String> codecs = new HashSet<>();
    StringBuilder names = new StringBuilder();
    Snapshot now = collection.state().snapshot();
    now.tracks()
        .forEach(
            (int id) -> {
              codecs.add(now.raw(id, Fields.CODEC));
              names.append(now.name(id));
            });
    assertThat(codecs).contains("mp3", "flac", "aac", "vorbis", "wav", "aiff");
    assertThat(names)
        .containsPattern("\\p{IsCyrillic}")
        .containsPattern("\\p{IsGreek}")
        .containsPattern("\\p{IsHan}")
        .contains("\u0301")
        .contains("É");
  }

  @Test
  void mishapsAreSeenAsLosses() {
    Snapshot now = collection.state().snapshot();
    int lost =
        truth.path("mishaps").path("moved").asInt() + truth.path("mishaps").path("deleted").asInt();
    assertThat(LostFinder.lost(now).getCardinality()).isEqualTo(lost);
  }

  @Test
  void theFolderThatMovedIsInferred() throws Exception {
    Snapshot now = collection.state().snapshot();
    var moves = LostSearch.run(collection, List.of(music), Progress.SILENT).moves();
    assertThat(moves)
        .singleElement()
        .satisfies(m -> assertThat(m.from()).isEqualTo(truth.path("mishaps").path("from").asText()))
        .satisfies(m -> assertThat(m.to()).isEqualTo(truth.path("mishaps").path("to").asText()))
        .satisfies(m -> assertThat(m.files()).hasSize(truth.path("mishaps").path("moved").asInt()));
  }

  @Test
  void byteCopiesAreFoundAndVersionsAreNot() {
    Snapshot now = collection.state().snapshot();
    Set<String> inGroups = new HashSet<>();
    for (Group group : Duplicates.sameBytes(now)) {
      group.tracks().forEach(id -> inGroups.add(now.raw(id, Fields.PATH)));
    }
    for (JsonNode file : truth.path("files")) {
      String path =
          file.has("movesTo") ? file.path("movesTo").asText() : file.path("path").asText();
      if (file.has("copyOf")) {
        assertThat(inGroups).contains(path);
      }
      if (file.has("versionOf") || file.has("sameSoundAs")) {
        assertThat(inGroups).doesNotContain(path);
      }
    }
  }

  @Test
  void everyRuleCrateHoldsWhatItsQueryFinds() {
    for (Crate crate : collection.state().crates().all()) {
      if (crate instanceof Crate.RuleCrate rule) {
        int found = collection.contents().finder().find(rule.rule().query()).getCardinality();
        assertThat(collection.contents().count(crate)).as(crate.name()).isEqualTo(found);
      }
    }
    assertThat(CrateJson.fromIds(CrateJson.byId(collection.state().crates())))
        .isEqualTo(collection.state().crates());
  }
}
