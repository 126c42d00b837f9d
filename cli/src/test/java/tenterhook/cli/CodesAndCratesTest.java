package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.pack.Packing;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Fields;

/** The codebook and crates without a window. */
class CodesAndCratesTest extends CommandTest {
  @BeforeEach
  void aCodebook() throws Exception {
    Path table = folder.resolve("mine.csv");
    Files.writeString(
        table,
        "facet,many,demanded,code,meaning,rule\n"
            + "Era,,yes,80S,eighties,year:1980..1989\n"
            + "Era,,yes,90S,nineties,year:1990..1999\n"
            + "Style,yes,yes,SKA,ska,\n"
            + "Style,yes,yes,DUB,dub,\n");
    assertThat(run("codebook", "import", table.toString()).status()).isZero();
  }

  @Test
  void theCodebookGoesOutAndComesBack() throws Exception {
    String before = run("codebook").out();
    Path table = folder.resolve("out.csv");
    run("codebook", "export", table.toString());
    run("codebook", "remove", "DUB");
    assertThat(run("codebook").out()).isNotEqualTo(before);
    assertThat(run("codebook", "import", table.toString()).status()).isZero();
    assertThat(run("codebook").out()).isEqualTo(before);
    assertThat(run("codebook", "export", folder.resolve("x.doc").toString()).status()).isEqualTo(2);
    Files.writeString(table, "facet,code\nEra,two words\n");
    assertThat(run("codebook", "import", table.toString()).err()).contains("line 2");
  }

  @Test
  void wordsElsewhereBecomeCodesAndAreTakenBack() throws Exception {
    run("set", "genre:ska", "grouping=Eighties, ska, keep me");
    Path file = Path.of(first("genre:ska"));
    List<JsonNode> listed = run("codebook", "bring", "--from", "grouping", "--list").lines();
    assertThat(listed).extracting(l -> l.path("code").asText()).contains("80S", "SKA", "");
    JsonNode brought = run("codebook", "bring", "--from", "grouping").last();
    assertThat(TagFiles.read(file).raw(Fields.COMMENT)).endsWith("/80S/SKA/");
    assertThat(TagFiles.read(file).raw(Fields.GROUPING)).isEqualTo("keep me");
    run("undo", brought.path("change").asText());
    assertThat(TagFiles.read(file).raw(Fields.GROUPING)).isEqualTo("Eighties, ska, keep me");
  }

  @Test
  void figuresAreWrittenBehindCodesKeptInStepAndTakenAway() throws Exception {
    run("set", "genre:ska", "comment=mine", "bpm=121", "rating=");
    Path file = Path.of(first("genre:ska"));
    assertThat(run("codebook", "figures", "{title}").err()).contains("{title} is no figure");
    JsonNode written = run("codebook", "figures", "{bpm} {rating}*").last();
    assertThat(written.path("tracks").asInt()).isGreaterThanOrEqualTo(tracks("genre:ska").size());
    assertThat(TagFiles.read(file).raw(Fields.COMMENT)).isEqualTo("mine [121]");
    run("set", "genre:ska", "rating=4");
    assertThat(TagFiles.read(file).raw(Fields.COMMENT)).isEqualTo("mine [121 4*]");
    assertThat(run("codebook", "figures").last().path("figures").asText())
        .isEqualTo("{bpm} {rating}*");
    run("codebook", "figures", "--off");
    assertThat(TagFiles.read(file).raw(Fields.COMMENT)).isEqualTo("mine");
    run("set", "genre:ska", "bpm=99");
    assertThat(TagFiles.read(file).raw(Fields.COMMENT)).isEqualTo("mine");
  }

  @Test
  void whatIsAToolIsSettledAndLeavesCrates() throws Exception {
    run("crates", "add", "Rink", "Ska", "genre:ska");
    int ska = tracks("genre:ska").size();
    assertThat(tracks("crate:Ska")).hasSize(ska);
    assertThat(run("codebook", "kinds", "tool", "crate:Ska").err())
        .contains("follow from the kind");
    assertThat(run("codebook", "kinds", "sample", "ska").err()).contains("no kind sample");
    run("codebook", "kinds", "tool", "genre:ska");
    assertThat(tracks("kind:tool")).hasSize(ska);
    assertThat(tracks("crate:Ska")).isEmpty();
    String id = tracks("genre:ska").getFirst().path("id").asText();
    assertThat(run("why", "Ska", id).lines())
        .anyMatch(l -> l.path("matter").asText().equals("kind") && !l.path("holds").asBoolean());
    assertThat(run("codebook", "kinds").lines())
        .filteredOn(l -> l.path("kind").asText().equals("tool"))
        .singleElement()
        .matches(l -> l.path("items").asInt() == ska);
    run("undo");
    assertThat(tracks("crate:Ska")).hasSize(ska);
  }

  @Test
  void straysAreAdoptedOrLeftAlone() throws Exception {
    run("set", "genre:ska", "comment=/SKA/LOUD/HUSH/");
    assertThat(run("codebook", "strays").lines())
        .extracting(l -> l.path("stray").asText())
        .contains("LOUD", "HUSH");
    run("codebook", "adopt", "LOUD", "Style");
    run("codebook", "ignore", "HUSH");
    assertThat(run("codebook", "strays").lines())
        .extracting(l -> l.path("stray").asText())
        .doesNotContain("LOUD", "HUSH");
    assertThat(tracks("code:LOUD")).hasSameSizeAs(tracks("genre:ska"));
    assertThat(TagFiles.read(Path.of(first("genre:ska"))).raw(Fields.COMMENT))
        .isEqualTo("/SKA/LOUD/HUSH/");
  }

  @Test
  void aRuleIsTextAndAsksForWhatTheQueryFinds() throws Exception {
    String rule = "genre:ska (year:..1999 or missing:year) not artist:fask";
    run("crates", "add", "Rink", "Old ska", rule, "--order", "-year,artist", "--limit", "3");
    assertThat(run("crates", "rule", "Old ska").last().path("rule").asText()).isEqualTo(rule);
    List<JsonNode> held = run("crate", "Old ska").lines();
    assertThat(held).hasSize(Math.min(3, tracks(rule).size()));
    assertThat(run("crates", "rule", "Old ska", "genre:~\"s k a\"").status()).isZero();
    assertThat(run("crates", "rule", "Old ska", "nofield:x").status()).isEqualTo(2);
    List<JsonNode> why = run("why", "Old ska", "missing:title genre:dub").lines();
    assertThat(
            run("crates", "add", "Rink", "By chance", "year:1..", "--limit", "4", "--draw", "5")
                .status())
        .isZero();
    assertThat(run("crate", "By chance").out()).isEqualTo(run("crate", "By chance").out());
    assertThat(why).allMatch(l -> l.has("holds") || l.has("in"));
    run("crates", "add", "Rink", "Varied", "present:artist", "--per-artist", "1", "--apart");
    List<String> artists =
        run("crate", "Varied").lines().stream()
            .map(n -> n.path("artist").asText().toLowerCase(Locale.ROOT))
            .toList();
    assertThat(artists).isNotEmpty().doesNotHaveDuplicates();
  }

  @Test
  void whatIsNeverPlayedStaysOutAndWhySaysSo() throws Exception {
    run("crates", "add", "Parade", "All", "present:title");
    int all = run("crate", "All").lines().size();
    int ska = tracks("genre:ska present:title").size();
    assertThat(run("crates", "never", "Parade", "genre:ska").status()).isZero();
    assertThat(run("crate", "All").lines()).hasSize(all - ska);
    String id = tracks("genre:ska present:title").getFirst().path("id").asText();
    assertThat(run("why", "All", id).lines().getFirst().path("matter").asText()).isEqualTo("never");
    assertThat(run("crates", "never", "Parade").last().path("line").asText())
        .isEqualTo("genre:ska");
    run("crates", "never", "Parade", "genre:ska", "--allow");
    assertThat(run("crate", "All").lines()).hasSize(all);
    assertThat(run("crates", "never", "Nowhere").status()).isEqualTo(2);
  }

  @Test
  void manyCratesAreBuiltAndOnceOnly() throws Exception {
    run("crates", "build", "Styles", "--codes", "Style");
    run("crates", "build", "Decades", "--decades");
    run("crates", "build", "Ferry", "--like", "Styles", "--named", "{shelf} {crate}");
    List<JsonNode> crates = run("crates").lines();
    assertThat(crates)
        .extracting(c -> c.path("crate").asText())
        .contains("ska", "dub", "Ferry ska");
    int inDecades =
        crates.stream()
            .filter(c -> c.path("shelf").asText().equals("Decades"))
            .mapToInt(c -> c.path("tracks").asInt())
            .sum();
    assertThat(inDecades).isEqualTo(tracks("present:year").size());
    run("crates", "build", "Styles", "--codes", "Style");
    assertThat(run("crates").lines()).hasSameSizeAs(crates);
    assertThat(run("crates", "coverage", "Era", "Style").lines())
        .extracting(l -> l.path("row").asText())
        .containsExactly("80S", "90S");
    assertThat(run("crates", "build", "X", "--codes", "Mood").status()).isEqualTo(2);
  }

  @Test
  void musicIsSentAlongCheckedAndNotTwice() throws Exception {
    run("crates", "add", "Rink", "Ska", "genre:ska");
    run("crates", "add", "Rink", "Dub", "genre:dub");
    Path stick = folder.resolve("stick");
    JsonNode first = run("export", "Rink", "--to", stick.toString(), "--copy").last();
    assertThat(first.path("copied").asInt()).isPositive();
    for (String line : Files.readAllLines(stick.resolve("Ska.m3u8"))) {
      if (!line.startsWith("#")) {
        assertThat(line).startsWith("Music/");
        assertThat(stick.resolve(line)).exists();
      }
    }
    for (String line : Files.readAllLines(stick.resolve("Music").resolve(Packing.SUMS))) {
      assertThat(SafeFiles.hash(stick.resolve("Music").resolve(line.substring(66))))
          .isEqualTo(line.substring(0, 64));
    }
    JsonNode again = run("export", "Rink", "--to", stick.toString(), "--copy").last();
    assertThat(again.path("copied").asInt()).isZero();
    assertThat(again.path("there").asInt()).isEqualTo(first.path("copied").asInt());
    Path list = folder.resolve("there.m3u8");
    run("export", "Ska", "--to", list.toString(), "--elsewhere", music + "=D:/Sets/");
    assertThat(Files.readAllLines(list).stream().filter(l -> !l.startsWith("#")))
        .isNotEmpty()
        .allMatch(l -> l.startsWith("D:/Sets/") && !l.contains("//"));
    assertThat(run("export", "Ska", "--to", "x.m3u8", "--elsewhere", "nothing").status())
        .isEqualTo(2);
  }

  private List<String> shelves() throws Exception {
    return run("crates").lines().stream()
        .map(l -> l.path("shelf").asText() + ":" + l.path("crate").asText())
        .toList();
  }

  @Test
  void shelvesStandInShelvesMoveAndGoOutAsFolders() throws Exception {
    run("crates", "add", "Rink/Friday", "Ska", "genre:ska");
    run("crates", "add", "Friday", "Dub", "genre:dub");
    run("crates", "add", "Ferry/Friday");
    assertThat(shelves()).contains("Rink/Friday:Ska", "Rink/Friday:Dub", "Ferry/Friday:");
    var several = run("crates", "add", "Friday", "More", "genre:ska");
    assertThat(several.status()).isEqualTo(2);
    assertThat(several.err()).contains("/Rink/Friday, /Ferry/Friday");
    run("crates", "add", "Asking", "All of it", "shelf:Rink");
    int all = run("crate", "All of it").lines().size();
    assertThat(all).isEqualTo(tracks("genre:ska or genre:dub").size());
    assertThat(run("crates", "move", "--shelf", "Asking", "Rink").err())
        .contains("All of it → All of it");
    run("crates", "rename", "--shelf", "Rink", "Ice");
    assertThat(run("crates", "rule", "All of it").last().path("rule").asText())
        .isEqualTo("shelf:Ice");
    run("crates", "never", "Ice", "genre:dub");
    assertThat(run("crates", "never", "/Ice/Friday").last().path("line").asText())
        .as("inherited")
        .isEqualTo("genre:dub");
    assertThat(run("crate", "Dub").lines()).isEmpty();
    Path stick = Files.createDirectories(folder.resolve("out"));
    run("export", "Ice", "--to", stick.toString());
    assertThat(stick.resolve("Friday").resolve("Ska.m3u8")).exists();
    run("crates", "move", "Ska", "/Ferry");
    run("crates", "move", "--shelf", "/Ferry/Friday", "/");
    assertThat(shelves()).contains("Ferry:Ska", "Friday:", "Ice/Friday:Dub");
    assertThat(run("crates", "move", "Ska").status()).isEqualTo(2);
    assertThat(run("crates", "remove", "--shelf", "Ice").err()).contains("All of it");
    assertThat(shelves()).doesNotContain("Ice/Friday:Dub");
  }

  @Test
  void treesAreBuiltOfDecadesAndOfTwoFacets() throws Exception {
    run("set", "genre:ska", "comment=/80S/SKA/");
    run("crates", "build", "Years", "--years", "1", "--within", "decade");
    run("crates", "build", "Both", "--codes", "Style", "--within", "Era");
    int years =
        run("crates").lines().stream()
            .filter(c -> c.path("shelf").asText().matches("Years/\\d{3}0s"))
            .mapToInt(c -> c.path("tracks").asInt())
            .sum();
    assertThat(years).isEqualTo(tracks("present:year").size());
    List<JsonNode> crossed =
        run("crates").lines().stream()
            .filter(c -> c.path("shelf").asText().startsWith("Both/"))
            .toList();
    assertThat(crossed).isNotEmpty().allMatch(c -> c.path("tracks").asInt() > 0);
    assertThat(run("crates", "build", "X", "--tempi", "5", "--within", "Era").status())
        .isEqualTo(2);
  }
}
