package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.store.CrateJson;
import tenterhook.adapters.store.GigJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;
import tenterhook.core.gig.Wish;
import tenterhook.core.job.Progress;
import tenterhook.core.track.TrackOrder;

class GigFilesTest {
  private static final Gig CLOSING =
      Gig.of(
              "Winter closing",
              Evening.on(LocalDate.of(2026, 12, 19), LocalTime.of(18, 0), LocalTime.of(23, 0))
                  .at("Coldharbour Rink")
                  .with(new Person("Oda Brennick", "OH-da BREN-ik", "host")))
          .plus(GigPart.of("Doors", 60), Optional.empty())
          .plusWishes(List.of(Wish.of("Pewter Wren - Slipway", "Oda")));

  @TempDir Path folder;
  private MusicCollection collection;

  @BeforeEach
  void open() throws Exception {
    collection = MusicCollection.open(folder, InstantSource.system());
  }

  @AfterEach
  void close() {
    collection.close();
  }

  private Outcome set(Gigs after) {
    Edit edit = new Edit.SetGigs(collection.state().gigs(), after);
    return collection.apply(new Change("gigs", true, List.of(edit)), Progress.SILENT);
  }

  private Path file() {
    return folder.resolve("gigs/winter-closing.json");
  }

  @Test
  void aGigIsKeptAndWrittenAsAFileAndTakenBack() throws Exception {
    Gigs gigs = Gigs.NONE.plus(CLOSING);
    Outcome done = set(gigs);
    assertThat(Files.readString(file())).contains("\"tenterhook\" : \"gig\"", "OH-da BREN-ik");
    collection.close();
    open();
    assertThat(collection.state().gigs()).isEqualTo(gigs);
    collection.undo(done.number(), Progress.SILENT);
    assertThat(collection.state().gigs()).isEqualTo(Gigs.NONE);
    assertThat(file()).doesNotExist();
  }

  @Test
  void whatAPersonWritesIntoTheFileIsTakenOverAndWhatIsWrongIsNamed() throws Exception {
    set(Gigs.NONE.plus(CLOSING));
    Files.writeString(
        file(), Files.readString(file()).replace("\"minutes\" : 60", "\"minutes\" : 75"));
    assertThat(collection.takePlainFiles()).isTrue();
    assertThat(collection.state().gigs().all().getFirst().part("Doors").orElseThrow().minutes())
        .isEqualTo(75);
    String good = Files.readString(file());
    wrong(good.replace("2026-12-19", "next Saturday"), "next Saturday");
    wrong(good.replace("\"parts\" : [ {", "\"parts\" : [ { \"tracks\": [ \"a.mp3\" ],"), "a.mp3");
    wrong(good.replace("\"version\" : 1", "\"version\" : 9"), "newer than this program");
    assertThat(collection.state().gigs().all().getFirst().evening().date())
        .isEqualTo(CLOSING.evening().date());
  }

  private void wrong(String text, String says) throws IOException {
    Files.writeString(file(), text);
    assertThat(collection.takePlainFiles()).isFalse();
    assertThat(collection.startupProblems().getLast().reason())
        .contains("the gig stays as it was", says);
  }

  @Test
  void aFileThatCouldNotBeReadIsKeptBesideWhenTheGigIsWritten() throws Exception {
    set(Gigs.NONE.plus(CLOSING));
    Files.writeString(file(), "half a thought");
    set(collection.state().gigs().with("winter closing", g -> g.reserving(2)));
    assertThat(file().resolveSibling("winter-closing.json.kept")).hasContent("half a thought");
    assertThat(Files.readString(file())).contains("\"reserve\" : 2.0");
  }

  @Test
  void randomGigsAreReadAsTheyWereWritten() {
    Random random = new Random(67);
    for (int round = 0; round < 200; round++) {
      Gig gig = random(random, round);
      assertThat(GigJson.read(GigJson.write(gig, id -> "t" + id), n -> id(n))).isEqualTo(gig);
      Gigs gigs = Gigs.NONE.plus(gig).plus(random(random, 1000 + round));
      assertThat(GigJson.fromIds(GigJson.byId(gigs))).isEqualTo(gigs);
    }
  }

  private Map<String, String> written() throws IOException {
    Map<String, String> texts = new TreeMap<>();
    if (Files.isDirectory(folder.resolve("gigs"))) {
      try (Stream<Path> all = Files.list(folder.resolve("gigs"))) {
        for (Path one : all.toList()) {
          texts.put(one.getFileName().toString(), Files.readString(one));
        }
      }
    }
    return texts;
  }

  /** Tracks are named in files, so only such as are there can stand in them. */
  private Gig named(Gig gig) {
    List<Integer> none = List.of();
    Gig bare = gig.withMustPlays(List.of()).with(new NeverPlay(none, gig.never().lines()));
    for (GigPart part : bare.allParts()) {
      bare = bare.withPart(part.name(), p -> p.withTracks(none));
    }
    return bare.withWishes(bare.wishes().stream().map(w -> w.chosen(0)).toList());
  }

  @Test
  void hundredsOfRandomEditsTakenBackGiveTheOldFilesBack() throws Exception {
    Random random = new Random(68);
    Deque<Map<String, String>> before = new ArrayDeque<>();
    Deque<Long> changes = new ArrayDeque<>();
    for (int round = 0; round < 300; round++) {
      Gigs now = collection.state().gigs();
      boolean add = now.all().size() < 3 || random.nextInt(4) == 0;
      Gig other = named(random(random, round));
      Gig one = add ? other : now.all().get(random.nextInt(now.all().size()));
      Gigs after =
          add
              ? now.plus(other)
              : random.nextInt(3) == 0
                  ? now.minus(one.title())
                  : now.with(one.title(), g -> other.titled(g.title()));
      Map<String, String> files = written();
      Outcome done = set(after);
      if (done.number() > 0) {
        before.push(files);
        changes.push(done.number());
      }
    }
    assertThat(changes.size()).isGreaterThan(250);
    while (!changes.isEmpty()) {
      assertThat(collection.undo(changes.pop(), Progress.SILENT).refused()).isEmpty();
      assertThat(written()).isEqualTo(before.pop());
    }
    assertThat(written()).isEmpty();
  }

  private static Optional<Integer> id(String name) {
    return Optional.of(Integer.parseInt(name.substring(1)));
  }

  private static Gig random(Random random, int number) {
    Evening evening =
        Evening.on(
                LocalDate.of(2026, 1, 1).plusDays(random.nextInt(700)),
                LocalTime.of(random.nextInt(24), random.nextInt(60)),
                LocalTime.of(random.nextInt(24), random.nextInt(60)))
            .at(random.nextBoolean() ? "" : "Deck " + number)
            .noted(random.nextBoolean() ? "" : "bring \"the\" lamp\nand cable");
    for (int i = 0; i < random.nextInt(3); i++) {
      evening = evening.with(new Person("Person " + i, random.nextBoolean() ? "" : "PUR-sn", ""));
    }
    Gig gig = Gig.of("Night / " + number, evening).reserving(1 + random.nextInt(4) / 2.0);
    List<String> names = new ArrayList<>();
    for (int i = 0; i < random.nextInt(6); i++) {
      String name = "Part " + i;
      boolean inside = !names.isEmpty() && random.nextBoolean();
      Optional<String> in =
          inside ? Optional.of(names.get(random.nextInt(names.size()))) : Optional.empty();
      gig = gig.plus(part(random, name), in);
      names.add(name);
    }
    for (int i = 1; i < random.nextInt(5); i++) {
      gig = gig.plus(new MustPlay(i, names.isEmpty() ? "" : names.getLast(), i == 2 ? "" : "long"));
      Optional<LocalTime> heard = Optional.of(LocalTime.of(21, random.nextInt(60)));
      gig = gig.heard(i, random.nextBoolean() ? heard : Optional.empty());
      Wish wish = Wish.of("Wish " + i, random.nextBoolean() ? "" : "Oda");
      gig = gig.plusWishes(List.of(wish));
      gig = gig.settled(i == 1 ? wish.refuse() : i == 2 ? wish.chosen(9) : wish);
    }
    return random.nextBoolean()
        ? gig
        : gig.with(new NeverPlay(List.of(3, 1), List.of(CrateJson.line("artist:=\"Tin Lark\""))));
  }

  private static GigPart part(Random random, String name) {
    GigPart part =
        GigPart.of(name, random.nextInt(3) * 30).noted(random.nextBoolean() ? "" : "dim");
    part = part.plus(random.nextBoolean() ? List.of() : List.of(5, 2, 8));
    return random.nextBoolean()
        ? part
        : part.filledBy(
            Optional.of(
                new Rule.RuleGroup(
                    Rule.Kind.ALL,
                    List.of(
                        CrateJson.line("crate:\"Fast laps\""), CrateJson.line("bpm:105..124")))),
            List.of(new TrackOrder.Key("bpm", random.nextBoolean())));
  }
}
