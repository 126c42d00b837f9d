package tenterhook.standins.demo;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.track.Snapshot;

/** Every copy and version of the demo against what it was made from. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoCopiesTest {
  @TempDir static Path folder;
  private MusicCollection collection;
  private List<Group> groups;
  private List<Group> byBytes;
  private final Map<String, Integer> byPath = new HashMap<>();
  private JsonNode truth;

  @BeforeAll
  void measureAndLook() throws Exception {
    Path music = folder.resolve("Music");
    SharedDemo.copyTo(music);
    truth = new ObjectMapper().readTree(Files.readString(music.resolve("truth.json")));
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
    collection.scan(music, Progress.SILENT);
    Measuring.run(collection, collection.state().snapshot().tracks(), Progress.SILENT);
    CopySearch search = CopySearch.run(collection, Progress.SILENT);
    groups = search.groups(collection, Optional.of(Criteria.USUAL));
    byBytes = search.groups(collection, Optional.empty(), Evidence.SAME_BYTES);
    Snapshot now = collection.state().snapshot();
    now.tracks().forEach((int id) -> byPath.put(now.raw(id, Fields.PATH), id));
  }

  /** Copies, versions, what they were made from, and some that are neither. */
  private RoaringBitmap related() {
    RoaringBitmap ids = RoaringBitmap.bitmapOfRange(1, 16);
    for (JsonNode file : truth.path("files")) {
      for (String relation : List.of("sameSoundAs", "versionOf", "copyOf")) {
        if (file.has(relation)) {
          ids.add(byPath.get(file.path("path").asText()));
          ids.add(byPath.get(file.path(relation).asText()));
        }
      }
    }
    return ids;
  }

  @AfterAll
  void close() {
    collection.close();
  }

  private Optional<Group> together(String one, String other) {
    return together(groups, one, other);
  }

  private Optional<Group> together(List<Group> among, String one, String other) {
    List<Integer> ids = List.of(byPath.get(one), byPath.get(other));
    return among.stream().filter(g -> g.tracks().containsAll(ids)).findFirst();
  }

  @Test
  void everyByteCopyAndEveryOtherCodingIsFoundWithItsEvidence() {
    int copies = 0;
    int coded = 0;
    for (JsonNode file : truth.path("files")) {
      String path = file.path("path").asText();
      if (file.has("copyOf")) {
        assertThat(together(byBytes, path, file.path("copyOf").asText()))
            .as(path)
            .hasValueSatisfying(g -> assertThat(g.evidence()).isEqualTo(Evidence.SAME_BYTES));
        copies++;
      }
      if (file.has("sameSoundAs")) {
        assertThat(together(path, file.path("sameSoundAs").asText()))
            .as(path)
            .hasValueSatisfying(
                g -> assertThat(g.evidence()).isLessThanOrEqualTo(Evidence.SAME_SOUND));
        coded++;
      }
    }
    assertThat(copies).isPositive();
    assertThat(coded).isPositive();
  }

  @Test
  void noLiveTakeRemixOrOtherMixIsGroupedWithItsSong() {
    int versions = 0;
    for (JsonNode file : truth.path("files")) {
      if (file.has("versionOf")) {
        String path = file.path("path").asText();
        assertThat(together(path, file.path("versionOf").asText())).as(path).isEmpty();
        versions++;
      }
    }
    assertThat(versions).isPositive();
  }

  @Test
  void nothingElseIsOfferedForRemoval() {
    Map<Integer, String> recording = new HashMap<>();
    for (JsonNode file : truth.path("files")) {
      String path = file.path("path").asText();
      String of = file.path("copyOf").asText(file.path("sameSoundAs").asText(path));
      recording.put(byPath.get(path), of);
    }
    for (Group group : groups) {
      if (group.offered()) {
        Set<String> songs = new HashSet<>();
        group.tracks().forEach(id -> songs.add(root(recording, recording.get(id))));
        assertThat(songs).as(group.toString()).hasSize(1);
      }
    }
  }

  /** A copy may be of a file that is another coding itself. */
  private String root(Map<Integer, String> recording, String path) {
    String above = recording.get(byPath.get(path));
    return above.equals(path) ? path : root(recording, above);
  }

  @Test
  void lossesAreFoundAndNoAmbiguousMoveIsDecided() throws Exception {
    Path music = folder.resolve("Music");
    DemoMusic.mishaps(music, SharedDemo.TRACKS);
    collection.scan(music, Progress.SILENT);
    Snapshot now = collection.state().snapshot();
    LostSearch search = LostSearch.run(collection, List.of(music), Progress.SILENT);
    var candidates = search.candidates();
    Set<Integer> explained = new HashSet<>();
    search.moves().forEach(m -> m.files().stream().map(Candidate::id).forEach(explained::add));
    assertThat(search.single()).isEmpty();
    for (JsonNode file : truth.path("files")) {
      int id = byPath.get(file.path("path").asText());
      boolean moved = file.has("movesTo");
      boolean deleted = file.has("deleted");
      assertThat(now.lost(id)).as(file.path("path").asText()).isEqualTo(moved || deleted);
      assertThat(explained.contains(id)).isEqualTo(moved);
      if (moved) {
        assertThat(candidates.get(id))
            .anyMatch(c -> c.file().place().path().equals(file.path("movesTo").asText()));
      }
    }
  }
}
