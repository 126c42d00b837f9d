package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Fields;
import tenterhook.standins.demo.DemoMusic;
import tenterhook.standins.synth.Cover;

/** Every command by what a script sees of it: lines, messages, exit status, files. */
class CommandLineTest extends CommandTest {
  @Test
  void aSecondScanChangesNothing() throws Exception {
    JsonNode last = run("scan", music.toString()).last();
    assertThat(last.path("changed").asInt()).isZero();
    assertThat(last.path("added").asInt()).isZero();
    assertThat(last.path("files").asInt()).isEqualTo(tracks("").size());
    assertThat(last.has("seconds")).isTrue();
  }

  @Test
  void filesThatCannotBeReadMakeStatusOne() throws Exception {
    Files.writeString(music.resolve("bad.mp3"), "no music");
    Call scan = run("scan", music.toString());
    assertThat(scan.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(scan.lines().getFirst().path("path").asText()).endsWith("bad.mp3");
    assertThat(scan.lines().getFirst().path("reason").asText()).isNotBlank();
  }

  @Test
  void aTrackIsOneObjectWithAllItsData() throws Exception {
    JsonNode track = tracks("present:artist present:year").getFirst();
    assertThat(track.fieldNames())
        .toIterable()
        .contains(
            "id",
            "path",
            "state",
            "title",
            "artist",
            "album",
            "albumArtist",
            "genre",
            "year",
            "track",
            "trackTotal",
            "disc",
            "comment",
            "grouping",
            "composer",
            "bpm",
            "key",
            "rating",
            "lyrics",
            "codes",
            "strays",
            "durationSeconds",
            "codec",
            "bitrateKbps",
            "sampleRateHz",
            "artwork",
            "added",
            "plays",
            "lastPlayed",
            "resting",
            "guarded");
    assertThat(Path.of(track.path("path").asText())).isAbsolute().exists();
    assertThat(track.path("state").asText()).isEqualTo("present");
    assertThat(track.path("year").isInt()).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"folder", "genre", "decade", "arrived", "artist"})
  void theWeaveEqualsTheTruth(String by) throws Exception {
    JsonNode truth = JSON.readTree(music.resolve(DemoMusic.TRUTH).toFile());
    List<JsonNode> rows = run("weave", "--by", by).lines();
    JsonNode whole = rows.getLast();
    for (String field :
        List.of("artist", "title", "album", "year", "track", "bpm", "key", "genre", "artwork")) {
      assertThat(whole.path("holes").path(field))
          .as(field)
          .isEqualTo(truth.path("holes").path(field));
      int sum =
          rows.subList(0, rows.size() - 1).stream()
              .mapToInt(r -> r.path("holes").path(field).asInt())
              .sum();
      assertThat(sum).isEqualTo(whole.path("holes").path(field).asInt());
    }
  }

  @Test
  void setWritesFilesAndUndoTakesItBack() throws Exception {
    int before = tracks("missing:year").size();
    JsonNode outcome = run("set", "missing:year", "year=1987", "album artist=Various").last();
    assertThat(outcome.path("tracks").asInt()).isEqualTo(before).isPositive();
    assertThat(outcome.path("written").asInt()).isEqualTo(before);
    String path = first("year:1987 albumArtist:various");
    assertThat(TagFiles.read(Path.of(path)).raw(Fields.YEAR)).isEqualTo("1987");
    assertThat(run("undo", outcome.path("change").asText()).status()).isZero();
    assertThat(tracks("missing:year")).hasSize(before);
    List<JsonNode> history = run("history").lines();
    assertThat(history).hasSize(2);
    assertThat(history.getLast().path("undoneBy").asInt()).isEqualTo(2);
  }

  @Test
  void aDryRunDoesNothing() throws Exception {
    int before = tracks("missing:year").size();
    assertThat(run("--dry-run", "set", "missing:year", "year=1987").last().path("tracks").asInt())
        .isEqualTo(before);
    assertThat(tracks("missing:year")).hasSize(before);
    assertThat(run("history").lines()).isEmpty();
  }

  @Test
  void aRefusedFileIsListedWithStatusOne() throws Exception {
    Path path = Path.of(first("codec:flac or format:flac"));
    TagFiles.write(path, java.util.Map.of(Fields.ALBUM, "Edited elsewhere"), s -> new byte[0]);
    int id = tracks("path:\"" + path.getFileName() + "\"").getFirst().path("id").asInt();
    Call call = run("set", "path:\"" + path.getFileName() + "\"", "album=Mine");
    assertThat(id).isPositive();
    assertThat(call.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(call.last().path("refused").toString()).contains("changed elsewhere");
    assertThat(TagFiles.read(path).raw(Fields.ALBUM)).isEqualTo("Edited elsewhere");
  }

  @Test
  void artworkIsSetAndRemoved() throws Exception {
    Path cover = Files.write(folder.resolve("cover.png"), Cover.draw(3, 400, "png"));
    String query = "missing:artwork format:aiff";
    String path = first(query);
    assertThat(run("art", query, "--file", cover.toString()).status()).isZero();
    assertThat(TagFiles.picture(Path.of(path))).get().isEqualTo(Files.readAllBytes(cover));
    assertThat(run("art", "format:aiff", "--remove").status()).isZero();
    assertThat(TagFiles.picture(Path.of(path))).isEmpty();
    assertThat(
            run("art", "format:aiff", "--file", music.resolve(DemoMusic.TRUTH).toString()).status())
        .isNotZero();
  }

  @Test
  void codesAreGivenTakenAndRenamed() throws Exception {
    assertThat(run("codebook", "facet", "Style", "--many", "--demanded").status()).isZero();
    assertThat(run("codebook", "add", "Style", "SKA", "ska").status()).isZero();
    assertThat(run("codebook", "add", "Style", "ZZZ").status()).isZero();
    String name = Path.of(first("format:flac")).getFileName().toString();
    String query = "path:\"" + name + "\"";
    assertThat(run("code", query, "+ZZZ").status()).isZero();
    assertThat(first("Style:ZZZ")).endsWith(name);
    assertThat(run("codebook", "rename", "ZZZ", "YYY").status()).isZero();
    assertThat(TagFiles.read(Path.of(first("code:YYY"))).raw(Fields.COMMENT)).contains("/YYY/");
    assertThat(run("code", query, "-YYY").status()).isZero();
    assertThat(tracks("code:YYY")).isEmpty();
    assertThat(run("codebook").lines().getFirst().path("codes").has("YYY")).isTrue();
    assertThat(run("code", query, "+YYY").status()).isZero();
    assertThat(run("codebook", "write", "--field", "grouping").status()).isZero();
    assertThat(TagFiles.read(Path.of(first("code:YYY"))).raw(Fields.GROUPING)).contains("/YYY/");
    assertThat(TagFiles.read(Path.of(first("code:YYY"))).raw(Fields.COMMENT)).doesNotContain("YYY");
    assertThat(run("codebook", "rename-facet", "Style", "Kind").status()).isZero();
    assertThat(first("Kind:YYY")).endsWith(name);
    assertThat(run("codebook", "remove", "YYY").status()).isZero();
    assertThat(run("codebook").lines().getFirst().path("codes").has("YYY")).isFalse();
  }

  @Test
  void cratesAreMadeListedExplainedAndExported() throws Exception {
    assertThat(run("crates", "add", "Rink", "Eighties", "year:1980..1989").status()).isZero();
    assertThat(run("crates", "add", "Rink", "Old", "crate:Eighties", "present:artist").status())
        .isZero();
    int count = tracks("year:1980..1989").size();
    assertThat(run("crates").lines().getFirst().path("tracks").asInt()).isEqualTo(count);
    assertThat(run("crate", "Eighties").lines()).hasSize(count);
    Call circle = run("crates", "add", "Rink", "Circle", "crate:Circle");
    assertThat(circle.status()).isEqualTo(TenterhookCommand.WRONG);
    assertThat(circle.err()).contains("Circle → Circle");
    String id = tracks("not year:1980..1989").getFirst().path("id").asText();
    List<JsonNode> why = run("why", "Eighties", id).lines();
    assertThat(why.getFirst().path("holds").asBoolean()).isFalse();
    assertThat(why.getLast().path("in").asBoolean()).isFalse();
    Path list = folder.resolve("lists/eighties.m3u8");
    assertThat(run("export", "Eighties", "--to", list.toString(), "--relative").status()).isZero();
    assertThat(Files.readString(list)).contains("../music/");
    assertThat(run("import", list.toString()).status()).isZero();
    assertThat(run("crate", "eighties 2").lines()).hasSize(count);
    assertThat(run("export", "Rink", "--to", folder.resolve("shelf").toString()).lines())
        .hasSize(2);
    Call removed = run("crates", "remove", "Eighties");
    assertThat(removed.err()).contains("Old");
  }

  @Test
  void lostFilesAreFoundAfterTheMishaps() throws Exception {
    JsonNode mishaps = JSON.readTree(music.resolve(DemoMusic.TRUTH).toFile()).path("mishaps");
    assertThat(plain("demo", "--mishaps", music.toString(), "--tracks", "40").status()).isZero();
    run("scan", music.toString());
    int lost = mishaps.path("moved").asInt() + mishaps.path("deleted").asInt();
    assertThat(run("lost").lines()).hasSize(lost);
    JsonNode applied = run("lost", "find", music.toString(), "--apply").last();
    assertThat(applied.path("refused").isEmpty()).isTrue();
    assertThat(run("lost").lines()).hasSize(mishaps.path("deleted").asInt());
    assertThat(run("lost", "remove").last().path("tracks").asInt())
        .isEqualTo(mishaps.path("deleted").asInt());
    assertThat(run("lost").lines()).isEmpty();
  }

  @Test
  void duplicatesAreHeldAndRestored() throws Exception {
    List<JsonNode> groups = run("duplicates").lines();
    JsonNode clear =
        groups.stream().filter(g -> g.path("offered").asBoolean()).findFirst().orElseThrow();
    Path spare = Path.of(clear.path("spares").path(0).asText());
    byte[] bytes = Files.readAllBytes(spare);
    run("duplicates", "resolve");
    assertThat(spare).exists();
    assertThat(run("duplicates", "resolve", "--apply").status()).isZero();
    assertThat(spare).doesNotExist();
    assertThat(run("duplicates").lines()).noneMatch(g -> g.path("offered").asBoolean());
    assertThat(run("holding").lines()).isNotEmpty();
    assertThat(run("holding", "restore").status()).isZero();
    assertThat(spare).hasBinaryContent(bytes);
    assertThat(run("holding").lines()).isEmpty();
  }

  @Test
  void aWrongQueryIsPointedAt() {
    Call call = run("tracks", "yeer:1990");
    assertThat(call.status()).isEqualTo(TenterhookCommand.WRONG);
    assertThat(call.out()).isEmpty();
    assertThat(call.err()).contains("yeer:1990\n^ ").contains("did you mean year");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "set|artist:x|nofield=1",
        "set|artist:x|year=soon",
        "set|artist:x|year",
        "weave|--by|yeer",
        "code||SKA",
        "code||+NOPE",
        "undo|99",
        "undo",
        "crate|None",
        "nonsense",
        "set",
        "export|x|--to|y",
        "codebook|add|None|X",
        "codebook|rename|A|B",
        "why|None|1",
        "duplicates|--evidence|guess"
      })
  void wrongCallsAreRefusedWithStatusTwo(String call) {
    Call refused = run(call.split("\\|"));
    assertThat(refused.status()).as(refused.err()).isEqualTo(TenterhookCommand.WRONG);
    assertThat(refused.err()).isNotBlank();
    assertThat(refused.out()).isEmpty();
  }

  @Test
  void aCollectionInUseIsStatusThree() throws Exception {
    try (MusicCollection open =
        MusicCollection.open(folder.resolve("collection"), InstantSource.system())) {
      Call call = run("tracks");
      assertThat(open.state().snapshot().count()).isPositive();
      assertThat(call.status()).isEqualTo(TenterhookCommand.NO_COLLECTION);
      assertThat(call.err()).contains("open in another");
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "demo",
        "scan",
        "tracks",
        "weave",
        "set",
        "art",
        "lost",
        "duplicates",
        "holding",
        "plays",
        "stale",
        "codebook",
        "code",
        "crates",
        "crate",
        "gigs",
        "gig",
        "why",
        "export",
        "import",
        "history",
        "undo"
      })
  void everyCommandHasHelp(String command) {
    Call help = plain(command, "--help");
    assertThat(help.status()).isZero();
    assertThat(help.out()).contains("Usage: tenterhook " + command);
  }

  @Test
  void peopleGetSentences() {
    Call call =
        plain(
            "--collection",
            folder.resolve("collection").toString(),
            "set",
            "missing:year",
            "year=1987");
    assertThat(call.out()).contains("year on").contains("undo 1 takes it back");
  }

  @Test
  void repairsAreListedTriedAndApplied() throws Exception {
    Call listed = run("repairs", "--kind", "genres");
    assertThat(listed.lines()).isNotEmpty();
    JsonNode one = listed.lines().getFirst();
    for (String key : List.of("kind", "path", "field", "before", "after", "certainty", "reason")) {
      assertThat(one.has(key)).as(key).isTrue();
    }
    assertThat(one.path("field").asText()).isEqualTo("genre");
    assertThat(
            run("repairs", "apply", "--kind", "genres", "--dry-run").last().path("tracks").asInt())
        .isEqualTo(listed.lines().size());
    assertThat(run("repairs", "--kind", "genres").out()).isEqualTo(listed.out());
    JsonNode applied = run("repairs", "apply", "--kind", "genres").last();
    assertThat(applied.path("written").asInt()).isEqualTo(listed.lines().size());
    assertThat(TagFiles.read(Path.of(one.path("path").asText())).raw(Fields.GENRE))
        .isEqualTo(one.path("after").asText());
    assertThat(run("repairs", "--kind", "genres").out()).isBlank();
    run("undo", applied.path("change").asText());
    assertThat(run("repairs", "--kind", "genres").out()).isEqualTo(listed.out());
  }

  @Test
  void anOwnKindOfRepairIsMadeTakenAndGivenUp() throws Exception {
    assertThat(run("repairs", "kinds", "Numbers", "number track").err()).contains("the order");
    assertThat(run("repairs", "kinds", "Wrong", "replace nothing a b").status()).isEqualTo(2);
    assertThat(
            run("repairs", "kinds", "Marked", "behind grouping \" *\"")
                .last()
                .path("steps")
                .asText())
        .contains("behind grouping");
    run("set", "genre:ska", "grouping=mine");
    int ska = run("tracks", "genre:ska").lines().size();
    assertThat(run("repairs", "--kind", "own").lines())
        .filteredOn(l -> l.path("after").asText().equals("mine *"))
        .hasSize(ska);
    run("repairs", "apply", "genre:ska", "--kind", "own");
    assertThat(run("tracks", "grouping:\"mine *\"").lines()).hasSize(ska);
    assertThat(run("repairs", "genre:ska", "--kind", "own").out()).isBlank();
    run("repairs", "kinds", "Marked", "--remove");
    assertThat(run("repairs", "kinds").out()).isBlank();
    assertThat(run("repairs", "--kind", "own").out()).isBlank();
  }

  @Test
  void aKindThatDoesNotExistIsRefusedWithThoseThatDo() {
    Call wrong = run("repairs", "--kind", "magic");
    assertThat(wrong.status()).isEqualTo(2);
    assertThat(wrong.err()).contains("artist-in-title");
  }

  @Test
  void theCatalogueIsAskedAndItsAnswersBecomeRepairs() throws Exception {
    Call nobody = run("catalogue", "look", "missing:album");
    assertThat(nobody.status()).isEqualTo(2);
    assertThat(nobody.err()).contains("no catalogue is chosen").contains("catalogue use");
    Call asked = run("catalogue", "look", "missing:album", "--service", "demo");
    assertThat(asked.status()).isZero();
    assertThat(asked.lines()).isNotEmpty().allMatch(l -> l.has("matches"));
    Call repairs = run("repairs", "--kind", "catalogue");
    assertThat(repairs.out()).contains("\"album\"");
    Call gone = run("catalogue", "look", "missing:year", "--service", "http://127.0.0.1:9/v1/");
    assertThat(gone.status()).isEqualTo(1);
    assertThat(gone.err()).contains("cannot be reached").contains("nothing was changed");
  }

  @Test
  void cataloguesOfOnesOwnAreKeptInOrderAndAsked() throws Exception {
    JsonNode match =
        run("catalogue", "look", "--service", "demo").lines().stream()
            .map(l -> l.path("matches").path(0))
            .filter(m -> m.path("certainty").asInt() >= 90)
            .findFirst()
            .orElseThrow();
    Path table = folder.resolve("own.csv");
    Files.writeString(
        table,
        "artist,title,album,year\n\"%s\",\"%s\",Own Pressing,1999\n"
            .formatted(match.path("artist").asText(), match.path("title").asText()));
    Path shop = Files.createDirectories(folder.resolve("shop"));
    Call kept = run("catalogue", "use", table.toString(), shop.toString());
    assertThat(kept.lines())
        .extracting(l -> l.path("source").asText())
        .containsExactly(table.toString(), shop.toString());
    Call asked = run("catalogue", "look");
    assertThat(asked.out()).contains("Own Pressing");
    assertThat(run("catalogue", "use", music.toString()).err()).contains("cannot vouch for itself");
    assertThat(run("catalogue", "use").lines()).hasSize(2);
    assertThat(run("catalogue", "use", "--none").out()).isBlank();
    assertThat(run("catalogue", "look").status()).isEqualTo(2);
  }

  @Test
  void filesMoveByAPatternAndBack() throws Exception {
    Call dry =
        run(
            "move",
            "genre:Ska",
            "--root",
            "music",
            "--pattern",
            "Sorted/{artist}/{title}",
            "--dry-run");
    List<JsonNode> planned = dry.lines().subList(0, dry.lines().size() - 1);
    assertThat(planned).isNotEmpty().allMatch(l -> Files.exists(Path.of(l.path("from").asText())));
    JsonNode moved =
        run("move", "genre:Ska", "--root", "music", "--pattern", "Sorted/{artist}/{title}").last();
    assertThat(moved.path("tracks").asInt()).isEqualTo(planned.size());
    assertThat(planned).allMatch(l -> Files.exists(Path.of(l.path("to").asText())));
    assertThat(run("undo", moved.path("change").asText()).status()).isZero();
    assertThat(planned).allMatch(l -> Files.exists(Path.of(l.path("from").asText())));
    assertThat(run("move", "genre:Ska", "--root", "nowhere").status()).isEqualTo(2);
    assertThat(run("move", "genre:Ska", "--root", "music", "--pattern", "x").err())
        .contains("{title}");
  }

  @Test
  void tracksAreMeasuredOnceAndListedEveryTime() throws Exception {
    Call call = run("analyse", "folder:Doors");
    assertThat(call.status()).isZero();
    assertThat(call.err()).contains(" 0 known before, 0 could not be");
    for (JsonNode line : call.lines()) {
      assertThat(Path.of(line.path("path").asText())).exists();
      assertThat(line.path("bpm").asDouble()).isBetween(60.0, 185.0);
      assertThat(line.path("key").asText()).matches("[A-G][b#]?m?");
      assertThat(line.path("loudnessLufs").asDouble()).isBetween(-40.0, -5.0);
      assertThat(line.path("quality").asText()).isIn("honest", "unsure", "upscaled");
      assertThat(line.path("energy").asInt()).isBetween(0, 100);
    }
    Call again = run("analyse", "folder:Doors");
    assertThat(again.out()).isEqualTo(call.out());
    assertThat(again.err()).contains("0 measured");
    assertThat(run("tracks", "loudness:-40..-5 folder:Doors").lines()).hasSameSizeAs(call.lines());
    Files.write(music.resolve("Rink/Doors/broken.flac"), new byte[5000]);
    assertThat(run("scan", music.toString()).status()).isEqualTo(1);
  }

  @Test
  void whatGoesWithATrackIsListedWithItsReasons() throws Exception {
    Call call = run("goes-with", "bpm:100..140 present:key", "--tempo", "12", "--limit", "5");
    assertThat(call.status()).isZero();
    assertThat(call.lines()).isNotEmpty().hasSizeLessThanOrEqualTo(5);
    for (JsonNode line : call.lines()) {
      int sum = 0;
      for (JsonNode part : line.path("parts")) {
        sum += part.path("points").asInt();
        assertThat(part.path("words").asText()).isNotBlank();
      }
      assertThat(line.path("score").asInt()).isEqualTo(sum);
    }
    assertThat(run("goes-with", "artist:nobody").status()).isEqualTo(2);
    assertThat(run("goes-with", "bpm:100..140", "--tempo", "0").status()).isEqualTo(2);
  }
}
