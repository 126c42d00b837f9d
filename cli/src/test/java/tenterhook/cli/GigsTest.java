package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Gigs without a window. */
class GigsTest extends CommandTest {
  @Test
  void aGigIsPlannedShownCopiedAndTakenBack() throws Exception {
    assertThat(run("gigs", "add", "Winter closing", "--date", "2999-12-19").status()).isZero();
    run("gig", "Winter closing", "person", "Oda Brennick", "--said", "OH-da", "--role", "host");
    run("gig", "Winter closing", "part", "Laps", "--notes", "bright");
    JsonNode filled =
        run("gig", "winter closing", "part", "Doors", "--minutes", "60", "--in", "Laps").last();
    assertThat(filled.path("tracks").asInt()).isZero();
    run("gig", "Winter closing", "part", "Doors", "--fill", "genre:ska year:1980..1989");
    run("gig", "Winter closing", "part", "Doors", "--pick", "genre:dub");
    run("gig", "Winter closing", "never", "artist:=\"Tin Lark\"");
    int dub = tracks("genre:dub").size();
    assertThat(dub).isPositive();
    List<JsonNode> shown = run("gig", "Winter closing").lines();
    assertThat(shown).hasSize(4);
    assertThat(shown.getFirst().path("said").asText()).isEqualTo("OH-da");
    assertThat(shown.get(1).path("minutes").asInt()).isEqualTo(60);
    assertThat(shown.get(2).path("depth").asInt()).isEqualTo(1);
    assertThat(shown.get(2).path("tracks").asInt()).isEqualTo(dub);
    assertThat(shown.get(2).path("rule").asText()).isEqualTo("genre:ska year:1980..1989");
    assertThat(shown.get(3).path("never").asText()).isEqualTo("artist:=\"Tin Lark\"");

    run("gigs", "add", "Spring opening", "--date", "2999-03-20", "--like", "Winter closing");
    assertThat(run("gigs").lines())
        .extracting(g -> g.path("gig").asText())
        .containsExactly("Spring opening", "Winter closing");
    assertThat(run("gig", "Spring opening").lines()).hasSize(3);
    JsonNode gone = run("gigs", "remove", "winter closing").last();
    assertThat(run("gigs").lines()).hasSize(1);
    run("undo", gone.path("change").asText());
    assertThat(run("gig", "Winter closing").lines()).isEqualTo(shown);
  }

  @Test
  void whatIsOverStandsUnderPlayed() throws Exception {
    run("gigs", "add", "Night crossing", "--date", "2020-01-01", "--place", "Halcyon");
    assertThat(run("gigs").last().path("played").asBoolean()).isTrue();
    assertThat(Files.exists(folder.resolve("collection/gigs/night-crossing.json"))).isTrue();
  }

  @Test
  void aGigIsPutOffRenamedAndKeepsTheRest() throws Exception {
    run("gigs", "add", "Ferry", "--date", "2999-01-01", "--place", "Halcyon");
    run("gig", "Ferry", "part", "Deck", "--minutes", "60");
    run(
        "gig",
        "Ferry",
        "evening",
        "--date",
        "2999-02-02",
        "--until",
        "03:30",
        "--title",
        "Crossing");
    JsonNode gig = run("gigs").last();
    assertThat(gig.path("gig").asText()).isEqualTo("Crossing");
    assertThat(gig.path("date").asText()).isEqualTo("2999-02-02");
    assertThat(gig.path("from").asText()).isEqualTo("20:00");
    assertThat(gig.path("until").asText()).isEqualTo("03:30");
    assertThat(gig.path("place").asText()).isEqualTo("Halcyon");
    assertThat(run("gig", "Crossing").lines()).hasSize(1);
    assertThat(run("gig", "Crossing", "evening", "--reserve", "0.2").err()).contains("was 0.2");
  }

  @Test
  void whatIsLeftBeforeTheNightIsSaid() throws Exception {
    run("gigs", "add", "Night crossing", "--date", "2999-01-01");
    run("gig", "Night crossing", "part", "Deck", "--minutes", "600");
    var wanting = run("gig", "Night crossing", "ready");
    assertThat(wanting.status()).isEqualTo(1);
    assertThat(wanting.lines().getFirst().path("sentence").asText())
        .isEqualTo("Not ready: Deck has 0 of 600 minutes.");
    run("gig", "Night crossing", "part", "Deck", "--minutes", "0", "--fill", "present:title");
    assertThat(run("gig", "Night crossing", "ready").status()).isZero();
    run("gig", "Night crossing", "part", "Hold");
    String one = oneTrack();
    assertThat(run("gig", "Night crossing", "must", "present:title").err()).contains("finds one");
    run("gig", "Night crossing", "must", one, "--in", "Hold", "--note", "the long one");
    assertThat(run("gig", "Night crossing").lines())
        .anyMatch(l -> l.path("note").asText().equals("the long one"));
    assertThat(run("gig", "Night crossing", "ready").lines())
        .anyMatch(l -> l.path("finding").asText().equals("must_play_unplaced"));
    run("gig", "Night crossing", "part", "Hold", "--pick", one);
    assertThat(run("gig", "Night crossing", "ready").status()).isZero();
    run("gig", "Night crossing", "never", one);
    assertThat(run("gig", "Night crossing", "ready").status()).isEqualTo(1);
    run("gig", "Night crossing", "must", one, "--remove");
    assertThat(run("gig", "Night crossing", "ready").status()).isZero();
  }

  @Test
  void wishesAreTakenFromATextAndFromAListAndSettled() throws Exception {
    run("gigs", "add", "Parade", "--date", "2999-01-01");
    Path text = folder.resolve("wishes.txt");
    Files.writeString(text, "1. Pewter Wren - Slipway\n2. Cold Lamps\n");
    run("gig", "Parade", "wishes", "add", text.toString(), "--by", "Oda");
    Path list = folder.resolve("wishes.csv");
    Files.writeString(list, "artist,title\nTin Lark,Edge\n");
    run("gig", "Parade", "wishes", "add", list.toString());
    run("gig", "Parade", "wishes", "add", text.toString(), "--by", "Oda");
    assertThat(run("gig", "Parade", "wishes").lines())
        .extracting(w -> w.path("wish").asText() + "/" + w.path("by").asText())
        .containsExactly("Pewter Wren - Slipway/Oda", "Cold Lamps/Oda", "Tin Lark – Edge/");
    run("gig", "Parade", "wishes", "settle", "cold lamps", "--refuse");
    run("gig", "Parade", "wishes", "settle", "Pewter Wren - Slipway", "--as", oneTrack());
    assertThat(run("gig", "Parade", "wishes").lines())
        .extracting(w -> w.path("state").asText())
        .containsExactly("chosen", "refused", "missing");
    assertThat(run("gig", "Parade", "ready").lines())
        .filteredOn(l -> l.path("finding").asText().equals("wish_open"))
        .hasSize(1);
    assertThat(run("gig", "Parade", "wishes", "settle", "Nothing", "--refuse").err())
        .contains("nobody wished 'Nothing'");
  }

  @Test
  void wishesAreHeldAgainstTheCollectionAndTheCertainOnesTakenAtOnce() throws Exception {
    run("gigs", "add", "Parade", "--date", "2999-01-01");
    JsonNode track = run("tracks", oneTrack()).last();
    String full = track.path("title").asText() + " by " + track.path("artist").asText();
    Path text = folder.resolve("wishes.txt");
    Files.writeString(text, full + "\nZwxq Vvk - Qqjh\n");
    run("gig", "Parade", "wishes", "add", text.toString(), "--by", "Oda");
    List<JsonNode> shown = run("gig", "Parade", "wishes").lines();
    assertThat(shown.getFirst().path("state").asText()).isEqualTo("certain");
    JsonNode offer = shown.getFirst().path("offers").path(0);
    assertThat(offer.path("tracks").path(0).asInt()).isEqualTo(track.path("id").asInt());
    assertThat(offer.path("certainty").asInt()).isGreaterThanOrEqualTo(90);
    assertThat(run("gig", "Parade", "wishes", "missing").lines())
        .singleElement()
        .satisfies(m -> assertThat(m.path("missing").asText()).isEqualTo("Zwxq Vvk - Qqjh"));
    run("gig", "Parade", "wishes", "settle", "--certain");
    assertThat(run("gig", "Parade", "wishes").lines())
        .extracting(w -> w.path("state").asText())
        .containsExactly("chosen", "missing");
    assertThat(run("gig", "Parade", "wishes", "settle").err()).contains("--certain");
  }

  @Test
  void whatBecameOfANightIsReadFromItsSetListAndCountedOnce() throws Exception {
    run("gigs", "add", "Ferry", "--date", "2020-01-01");
    String one = oneTrack();
    JsonNode track = run("tracks", one).last();
    run("gig", "Ferry", "part", "Deck", "--pick", one);
    run("gig", "Ferry", "must", one);
    Path text = folder.resolve("wishes.txt");
    Files.writeString(text, "Zwxq Vvk - Qqjh");
    run("gig", "Ferry", "wishes", "add", text.toString());
    assertThat(run("gig", "Ferry", "played").lines().getFirst().path("missed").asInt())
        .isEqualTo(1);
    Path list = folder.resolve("night.csv");
    Files.writeString(
        list,
        "artist,title\n\""
            + track.path("artist").asText()
            + "\",\""
            + track.path("title").asText()
            + "\"\nNobody,Nothing\n");
    var read = run("gig", "Ferry", "played", list.toString());
    assertThat(read.status()).as("a line that no track fits").isEqualTo(1);
    run("gig", "Ferry", "played", list.toString());
    JsonNode plays = run("tracks", one).last();
    assertThat(plays.path("plays").asInt()).isEqualTo(track.path("plays").asInt() + 1);
    List<JsonNode> after = run("gig", "Ferry", "played").lines();
    assertThat(after.getFirst().path("asPlanned").asInt()).isEqualTo(1);
    assertThat(after.getFirst().path("missed").asInt()).isZero();
    assertThat(after)
        .extracting(l -> l.path("line").asText())
        .contains("your wish was not played: Zwxq Vvk - Qqjh")
        .anyMatch(l -> l.startsWith("played: "));
  }

  @Test
  void aGigFollowsARenamedCrateAndIsNamedBeforeOneGoes() throws Exception {
    run("crates", "add", "Night", "Laps", "genre:ska");
    run("gigs", "add", "Ferry", "--date", "2999-01-01");
    run("gig", "Ferry", "part", "Deck", "--fill", "crate:Laps bpm:..120");
    run("gig", "Ferry", "never", "crate:Laps");
    JsonNode renamed = run("crates", "rename", "Laps", "Rounds").last();
    assertThat(run("gig", "Ferry").lines())
        .anyMatch(l -> l.path("rule").asText().equals("crate:Rounds bpm:..120"))
        .anyMatch(l -> l.path("never").asText().equals("crate:Rounds"));
    run("gig", "Ferry", "part", "Hold", "--fill", "shelf:Night");
    run("crates", "rename", "Night", "Late", "--shelf");
    assertThat(run("gig", "Ferry").lines())
        .anyMatch(l -> l.path("rule").asText().equals("shelf:Late"));
    run("undo");
    assertThat(run("crates", "remove", "Rounds").err()).contains("gigs are filled by it: Ferry");
    run("undo");
    run("undo", renamed.path("change").asText());
    assertThat(run("gig", "Ferry").lines())
        .anyMatch(l -> l.path("rule").asText().equals("crate:Laps bpm:..120"));
  }

  @Test
  void aGigIsPackedAndChecked() throws Exception {
    run("gigs", "add", "Ferry", "--date", "2999-01-01");
    run("gig", "Ferry", "part", "Deck", "--pick", oneTrack());
    String stick = folder.resolve("stick").toString();
    JsonNode plan = run("gig", "Ferry", "pack", stick, "--dry-run").last();
    assertThat(plan.path("tracks").asInt()).isEqualTo(1);
    assertThat(plan.path("fits").asBoolean()).isTrue();
    assertThat(Path.of(stick)).doesNotExist();
    assertThat(run("gig", "Ferry", "check", stick).err()).contains("no gig was packed");
    assertThat(run("gig", "Ferry", "pack", stick).last().path("copied").asInt()).isEqualTo(1);
    assertThat(run("gig", "Ferry", "pack", stick).last().path("there").asInt()).isEqualTo(1);
    assertThat(run("gig", "Ferry", "check", stick).status()).isZero();
    try (var copies =
        Files.newDirectoryStream(
            folder.resolve("stick/Music"), "*.{flac,mp3,m4a,ogg,opus,wav,aiff}")) {
      Files.writeString(copies.iterator().next(), "flipped");
    }
    var broken = run("gig", "Ferry", "check", stick);
    assertThat(broken.status()).isEqualTo(1);
    assertThat(broken.last().path("damaged")).hasSize(1);
  }

  /** A line of the find language that finds one track alone, whose file is there. */
  private String oneTrack() throws Exception {
    for (JsonNode track : run("tracks", "present:title not file:lost").lines()) {
      String line = "title:=\"" + track.path("title").asText() + "\"";
      if (!line.contains("\\") && run("tracks", line).lines().size() == 1) {
        return line;
      }
    }
    throw new IllegalStateException("every title is there twice");
  }

  @Test
  void whatIsWrongIsSaidInWords() throws Exception {
    assertThat(run("gig", "Nowhere").err()).contains("there is no gig 'Nowhere'");
    run("gigs", "add", "Winter closing", "--date", "2999-12-19");
    assertThat(run("gigs", "add", "WINTER closing", "--date", "2999-12-20").err())
        .contains("there is a gig");
    assertThat(run("gig", "Winter closing", "part", "A", "--in", "B").err())
        .contains("there is no part 'B'");
    assertThat(run("gig", "Winter closing", "never", "year:soon").status()).isEqualTo(2);
    assertThat(run("gigs", "add", "X", "--date", "soon").status()).isEqualTo(2);
  }
}
