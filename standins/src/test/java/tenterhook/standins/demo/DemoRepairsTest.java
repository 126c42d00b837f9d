package tenterhook.standins.demo;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.repair.RepairService;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.change.Outcome;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.catalogue.CatalogueService;
import tenterhook.standins.catalogue.DemoCatalogue;

/** What is proposed for the demo is what was planted, and nothing that only looks wrong. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DemoRepairsTest {
  private static final Set<Field<?>> JUDGED =
      Set.of(
          Fields.TITLE,
          Fields.ARTIST,
          Fields.ALBUM,
          Fields.ALBUM_ARTIST,
          Fields.YEAR,
          Fields.GENRE,
          Fields.TRACK,
          Fields.TRACK_TOTAL,
          Fields.DISC);

  @TempDir static Path folder;
  private final Map<String, JsonNode> truth = new HashMap<>();
  private MusicCollection collection;
  private RepairService repairService;

  @BeforeAll
  void open() throws Exception {
    Path music = folder.resolve("music");
    SharedDemo.copyTo(music);
    for (JsonNode file :
        new ObjectMapper().readTree(music.resolve(DemoMusic.TRUTH).toFile()).path("files")) {
      truth.put(file.path("path").asText(), file);
    }
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
    collection.apply(
        new Change(
            "book",
            true,
            List.of(
                new Edit.SetCodebook(collection.state().codebook(), DemoCollection.codebook()))),
        Progress.SILENT);
    collection.scan(music, Progress.SILENT);
    repairService = new RepairService(collection);
    repairService.look(Progress.SILENT);
  }

  @AfterAll
  void close() {
    collection.close();
  }

  private List<SetField> proposed(String path, String field) {
    Snapshot snapshot = collection.state().snapshot();
    List<SetField> found = new ArrayList<>();
    for (Proposal proposal : repairService.proposals()) {
      for (SetField edit : proposal.edits()) {
        if (snapshot.raw(edit.id(), Fields.PATH).equals(path) && edit.field().key().equals(field)) {
          found.add(edit);
        }
      }
    }
    return found;
  }

  @Test
  void everyPlantedTroubleThatFilesCanTellIsProposedWithWhatWasMeant() {
    Set<String> kinds = new HashSet<>();
    truth.forEach(
        (path, file) -> {
          for (JsonNode trouble : file.path("troubles")) {
            String by = trouble.path("by").asText();
            if (!by.isEmpty() && !by.equals("catalogue")) {
              meant(path, trouble);
              kinds.add(by);
            }
          }
        });
    assertThat(kinds)
        .contains(
            "artist-in-title",
            "file-name",
            "folder-name",
            "junk",
            "capitals",
            "broken-letters",
            "artists",
            "genres",
            "years",
            "track-numbers",
            "discs",
            "whole-album",
            "artwork");
  }

  private void meant(String path, JsonNode trouble) {
    String field = trouble.path("field").asText();
    String meant = trouble.path("meant").asText();
    List<SetField> edits = proposed(path, field);
    assertThat(edits).as(path + " " + trouble).isNotEmpty();
    if (field.equals("artwork")) {
      Artwork after = Artwork.parse(edits.getFirst().after()).orElseThrow();
      assertThat(after.usable() && after.fits()).as(path + " " + after).isTrue();
    } else if (field.equals("bpm")) {
      assertThat(Double.parseDouble(edits.getFirst().after())).isEqualTo(Double.parseDouble(meant));
    } else {
      assertThat(edits).as(path + " " + trouble).extracting(SetField::after).contains(meant);
    }
  }

  @Test
  void noTrapIsTouched() {
    List<String> traps = new ArrayList<>();
    truth.forEach(
        (path, file) ->
            file.path("traps")
                .forEach(
                    trap -> {
                      traps.add(path);
                      assertThat(proposed(path, trap.path("field").asText()))
                          .as(path + ": " + trap.path("why").asText())
                          .isEmpty();
                    }));
    assertThat(traps).hasSizeGreaterThan(12);
  }

  @Test
  void ofAHundredCertainOnesNotOneIsWrong() {
    Snapshot snapshot = collection.state().snapshot();
    List<String> wrong = new ArrayList<>();
    int certain = 0;
    for (Proposal proposal : repairService.proposals()) {
      for (SetField edit : proposal.edits()) {
        if (proposal.certainty() >= Proposal.CERTAIN && JUDGED.contains(edit.field())) {
          certain++;
          JsonNode clean = truth.get(snapshot.raw(edit.id(), Fields.PATH)).path("clean");
          if (!clean.path(edit.field().key()).asText().equals(edit.after())) {
            wrong.add(proposal.toString());
          }
        }
      }
    }
    assertThat(certain).isGreaterThan(50);
    assertThat(wrong.size() * 100).as(wrong.toString()).isLessThan(certain);
  }

  @Test
  void tagsThatSayAnotherYearAreProposedToBeBroughtInStep() {
    Snapshot now = collection.state().snapshot();
    Map<String, String> found = new HashMap<>();
    for (Proposal proposal : repairService.proposals()) {
      if (proposal.kind() == RepairKind.OUT_OF_STEP) {
        found.put(now.raw(proposal.id(), Fields.PATH), proposal.reason());
      }
    }
    Map<String, String> planted = new HashMap<>();
    truth.forEach(
        (path, file) -> {
          String original = file.path("copyOf").asText();
          String year = truth.getOrDefault(original, file).path("oldTagYear").asText();
          if (!year.isEmpty()) {
            planted.put(path, "ID3v1: " + year);
          }
        });
    assertThat(planted).isNotEmpty();
    assertThat(found).isEqualTo(planted);
  }

  @Test
  void acceptedRepairsReachTheFilesAndUndoTakesThemBack() {
    Snapshot before = collection.state().snapshot();
    List<Long> changes = new ArrayList<>();
    for (RepairKind kind : RepairKind.values()) {
      List<Proposal> certain =
          repairService.proposals().stream()
              .filter(p -> p.kind() == kind && p.certainty() >= Proposal.CERTAIN)
              .toList();
      if (!certain.isEmpty()) {
        Outcome outcome =
            repairService.apply(repairService.change(certain, kind.key()), Progress.SILENT);
        assertThat(outcome.refused()).as(kind.key()).isEmpty();
        changes.add(outcome.number());
        for (Proposal left : repairService.proposals()) {
          assertThat(certain).as("proposed again").doesNotContain(left);
        }
      }
    }
    assertThat(changes).hasSizeGreaterThan(8);
    assertThat(collection.state().codebook().genres().becomes())
        .containsEntry("citypop", "City Pop");
    for (long number : changes.reversed()) {
      assertThat(collection.undo(number, Progress.SILENT).refused()).isEmpty();
    }
    Snapshot after = collection.state().snapshot();
    before
        .tracks()
        .forEach(
            (int id) ->
                Fields.inFile()
                    .forEach(
                        f ->
                            assertThat(after.raw(id, f)).as(f.key()).isEqualTo(before.raw(id, f))));
    assertThat(collection.state().codebook()).isEqualTo(DemoCollection.codebook());
  }

  @Test
  void whatOnlyTheCatalogueCanKnowIsProposedFromIt() throws Exception {
    RepairService asking = new RepairService(collection);
    asking.look(Progress.SILENT);
    try (CatalogueService service =
        CatalogueService.start(DemoCatalogue.of(SharedDemo.TRACKS), 0)) {
      CatalogueClient client =
          new CatalogueClient(service.address(), CatalogueClient.Manners.NEIGHBOURLY, t -> {});
      var found = asking.lookUp(collection.state().snapshot().tracks(), client, Progress.SILENT);
      assertThat(found.trouble()).isEmpty();
    }
    Set<String> proposed = new HashSet<>();
    int certain = 0;
    int wrong = 0;
    Snapshot snapshot = collection.state().snapshot();
    for (Proposal proposal : asking.proposals()) {
      if (proposal.kind() == RepairKind.CATALOGUE) {
        for (SetField edit : proposal.edits()) {
          String path = snapshot.raw(edit.id(), Fields.PATH);
          proposed.add(path + "|" + edit.field().key() + "|" + edit.after());
          String clean = truth.get(path).path("clean").path(edit.field().key()).asText();
          boolean sure = proposal.certainty() >= Proposal.CERTAIN;
          certain += sure ? 1 : 0;
          wrong += sure && !clean.equals(edit.after()) ? 1 : 0;
        }
      }
    }
    assertThat(certain).isGreaterThan(30);
    assertThat(wrong * 100).as(wrong + " of " + certain).isLessThanOrEqualTo(certain);
    truth.forEach(
        (path, file) -> {
          for (JsonNode trouble : file.path("troubles")) {
            if (trouble.path("by").asText().equals("catalogue")) {
              assertThat(proposed)
                  .as(trouble.toString())
                  .contains(
                      path
                          + "|"
                          + trouble.path("field").asText()
                          + "|"
                          + trouble.path("meant").asText());
            }
          }
        });
  }
}
