package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Commands about files that are not there, and about what is played. */
class MissingAndPlayedTest extends CommandTest {
  private JsonNode lose() throws Exception {
    JsonNode track = tracks("").getFirst();
    Files.delete(Path.of(track.path("path").asText()));
    run("lost");
    return track;
  }

  @Test
  void aLostTrackIsKeptAsAWishAndTheListIsWritten() throws Exception {
    JsonNode track = lose();
    assertThat(run("lost").lines()).hasSize(1);
    Path list = folder.resolve("wishes.csv");
    assertThat(run("lost", "wish", "file:lost", "--to", list.toString()).status()).isZero();
    assertThat(Files.readString(list)).contains(track.path("title").asText());
    assertThat(run("lost").lines()).isEmpty();
    assertThat(run("lost", "wish").lines()).hasSize(1);
    assertThat(run("undo").status()).isZero();
    assertThat(run("lost").lines()).hasSize(1);
  }

  @Test
  void aTrackThatANightToComeNeedsIsNotTakenOutInSilence() throws Exception {
    lose();
    run("gigs", "add", "Night crossing", "--date", "2999-01-01");
    run("gigs", "add", "Long ago", "--date", "2020-01-01");
    run("gig", "Night crossing", "part", "Deck");
    run("gig", "Night crossing", "part", "Deck", "--pick", "file:lost");
    run("gig", "Long ago", "part", "Deck");
    run("gig", "Long ago", "part", "Deck", "--pick", "file:lost");
    assertThat(run("--dry-run", "lost", "remove").err()).contains("Night crossing");
    var removed = run("lost", "remove");
    assertThat(removed.err()).contains("Night crossing").doesNotContain("Long ago");
    run("undo", removed.last().path("change").asText());
    run("gig", "Night crossing", "part", "Deck", "--remove");
    assertThat(run("lost", "remove").err()).doesNotContain("plan to play");
  }

  @Test
  void anotherFileTakesTheLostOnesPlace() throws Exception {
    JsonNode track = lose();
    String heir =
        tracks("").stream()
            .map(t -> t.path("path").asText())
            .filter(p -> Files.exists(Path.of(p)))
            .findFirst()
            .orElseThrow();
    assertThat(run("lost", "replace", track.path("id").asText(), heir).status()).isZero();
    assertThat(run("lost").lines()).isEmpty();
    assertThat(run("lost", "replace", "999999", heir).status()).isEqualTo(TenterhookCommand.WRONG);
  }

  @Test
  void playlistsThatPointToNothingAreMended() throws Exception {
    String there = first("");
    Path list =
        Files.writeString(
            music.resolve("old.m3u8"), "elsewhere/" + Path.of(there).getFileName() + "\n");
    List<JsonNode> lines = run("lost", "disk", "--mend").lines();
    assertThat(lines).anyMatch(l -> l.path("playlist").asText().equals(list.toString()));
    Path mended = music.resolve("old mended.m3u8");
    assertThat(mended.getParent().resolve(Files.readAllLines(mended).getLast()))
        .isEqualTo(Path.of(there));
  }

  @Test
  void setListsCountANightOnce() throws Exception {
    JsonNode track = tracks("").getFirst();
    Path list =
        Files.writeString(
            folder.resolve("2026-03-07.m3u8"), track.path("path").asText() + "\nnobody.mp3\n");
    JsonNode unmatched = run("plays", "import", list.toString()).lines().getFirst();
    assertThat(unmatched.path("unmatched").asText()).isEqualTo("nobody.mp3");
    run("plays", "import", list.toString());
    run("plays", "count", "id:" + track.path("id").asText(), "--night", "2026-03-07");
    assertThat(run("plays").lines())
        .singleElement()
        .satisfies(l -> assertThat(l.path("plays").asInt()).isEqualTo(1))
        .satisfies(l -> assertThat(l.path("lastPlayed").asText()).isEqualTo("2026-03-07"));
    Path nameless = Files.writeString(folder.resolve("night.m3u8"), "a.mp3\n");
    assertThat(run("plays", "import", nameless.toString()).status())
        .isEqualTo(TenterhookCommand.PARTLY);
    assertThat(run("plays", "count", "", "--night", "soon").status())
        .isEqualTo(TenterhookCommand.WRONG);
  }

  @Test
  void whatNobodyPlaysGoesToAnArchive() throws Exception {
    String path = first("");
    Path list = Files.writeString(folder.resolve("old night.m3u8"), path + "\n");
    run("plays", "import", list.toString(), "--night", "2020-01-04");
    assertThat(run("stale").lines()).isEmpty();
    assertThat(run("stale", "--months", "24").lines()).hasSize(1);
    Path archive = Files.createDirectories(folder.resolve("Archive"));
    assertThat(run("stale", "--months", "24", "--archive", archive.toString()).status()).isZero();
    assertThat(Path.of(path)).doesNotExist();
    assertThat(tracks("resting:yes")).hasSize(1);
    assertThat(run("undo").status()).isZero();
    assertThat(Path.of(path)).exists();
    assertThat(run("stale", "--order", "colour").status()).isEqualTo(TenterhookCommand.WRONG);
  }

  @Test
  void theHoldingBayIsEmptiedOnlyWhenAskedTwice() throws Exception {
    run("duplicates", "resolve", "--apply");
    int held = run("holding").lines().size();
    assertThat(held).isPositive();
    assertThat(run("holding", "empty").last().path("held").asInt()).isEqualTo(held);
    assertThat(run("holding").lines()).hasSize(held);
    assertThat(run("holding", "empty", "--yes").status()).isZero();
    assertThat(run("holding").lines()).isEmpty();
  }
}
