package tenterhook.standins.stick;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.pack.GigPacking;
import tenterhook.adapters.pack.PackDisk;
import tenterhook.adapters.pack.Packing;
import tenterhook.adapters.pack.Packing.PackReport;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.crate.Rule;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;
import tenterhook.core.job.Progress;
import tenterhook.standins.demo.DemoCollection;

/** Gigs of the demo onto sticks of all kinds. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class GigPackingTest {
  @TempDir static Path demo;
  @TempDir Path folder;

  private MusicCollection collection;
  private Path stick;

  @BeforeAll
  void open() throws Exception {
    collection = DemoCollection.open(demo, 60, Progress.SILENT);
  }

  @AfterAll
  void close() throws Exception {
    collection.close();
  }

  @BeforeEach
  void stick() throws Exception {
    stick = Files.createDirectories(folder.resolve("stick"));
  }

  private List<Integer> present() {
    var now = collection.state().snapshot();
    return now.tracks().stream().filter(id -> !now.lost(id)).boxed().toList();
  }

  private Gig gig() {
    List<Integer> ids = present();
    return Gig.of(
            "Closing: the <last> one?",
            Evening.on(LocalDate.of(2999, 1, 1), LocalTime.of(18, 0), LocalTime.of(23, 0))
                .with(new Person("Oda & Co", "OH-da", "host")))
        .withParts(
            List.of(
                GigPart.of("Doors / early?", 3).withTracks(ids.subList(0, 5)),
                GigPart.of("Laps", 0)
                    .withParts(List.of(GigPart.of("Fast", 3).withTracks(ids.subList(3, 9))))))
        .plus(new MustPlay(ids.get(4), "Fast", "the long one"));
  }

  private GigPacking packing(Gig gig, PackDisk disk) {
    return new GigPacking(gig, collection.state(), collection.contents(), stick, disk);
  }

  private PackReport pack(PackDisk disk) throws Exception {
    return packing(gig(), disk).pack(Progress.SILENT);
  }

  private GigPacking.Check check() throws Exception {
    return packing(gig(), PackDisk.SYSTEM).check(Progress.SILENT);
  }

  private List<Path> music() throws Exception {
    try (Stream<Path> all = Files.list(stick.resolve(GigPacking.MUSIC))) {
      return all.filter(p -> !p.getFileName().toString().startsWith("."))
          .filter(p -> !p.toString().endsWith(".sha256"))
          .sorted()
          .toList();
    }
  }

  @Test
  void aGigStandsThereWholeWithPlaylistsSheetAndHashes() throws Exception {
    GigPacking.PackPlan plan = packing(gig(), PackDisk.SYSTEM).plan();
    assertThat(plan.tracks()).isEqualTo(9);
    assertThat(plan.bytes()).isPositive();
    assertThat(plan.fits()).isTrue();
    assertThat(pack(PackDisk.SYSTEM).copied()).isEqualTo(9);
    assertThat(check().clean()).isTrue();
    assertThat(check().whole()).isEqualTo(9);
    assertThat(stick.resolve("01 Doors _ early_.m3u8")).exists();
    Path fast = stick.resolve("02 Fast.xspf");
    assertThat(PlaylistFile.read(fast).entries())
        .hasSize(6)
        .allSatisfy(e -> assertThat(e.file().orElseThrow()).exists());
    assertThat(stick.resolve(GigPacking.SHEET))
        .content()
        .contains("Closing: the &lt;last&gt; one?", "Oda &amp; Co", "OH-da", "the long one")
        .contains("18:03 Laps")
        .doesNotContain("<last>", "src=", "href=");
    assertThat(stick.resolve(GigPacking.DATA)).content().contains("\"said\" : \"OH-da\"");
    assertThat(packing(gig(), PackDisk.SYSTEM).plan().bytes()).isZero();
    PackReport again = pack(PackDisk.SYSTEM);
    assertThat(again.copied()).isZero();
    assertThat(again.there()).isEqualTo(9);
  }

  @Test
  void checkingFindsAFlippedByteAMissingFileAndAStray() throws Exception {
    pack(PackDisk.SYSTEM);
    List<Path> copies = music();
    byte[] bytes = Files.readAllBytes(copies.get(0));
    bytes[bytes.length / 2] ^= 1;
    Files.write(copies.get(0), bytes);
    Files.delete(copies.get(1));
    Path stray = Files.writeString(stick.resolve("Music/mine.txt"), "somebody's own");
    GigPacking.Check check = check();
    assertThat(check.clean()).isFalse();
    assertThat(check.damaged()).containsExactly(copies.get(0).getFileName().toString());
    assertThat(check.missing()).containsExactly(copies.get(1).getFileName().toString());
    assertThat(check.strays()).containsExactly("mine.txt");
    assertThat(check.unpacked().getCardinality()).isEqualTo(2);
    PackReport mended = pack(PackDisk.SYSTEM);
    assertThat(mended.copied()).as("the flipped one is no longer what was written").isEqualTo(1);
    assertThat(mended.refused()).hasSize(1);
    assertThat(stray).hasContent("somebody's own");
    Files.delete(copies.get(0));
    assertThat(pack(PackDisk.SYSTEM).copied()).isEqualTo(1);
    assertThat(check().clean()).isTrue();
  }

  @Test
  void aStickWithoutRoomIsAskedBeforeTheFirstByte() throws Exception {
    assertThatThrownBy(() -> pack(new StandInStick(stick).holds(1000, true)))
        .hasMessageContaining("nothing was written")
        .hasMessageContaining("room for 0.0 MB");
    assertThat(stick).isEmptyDirectory();
  }

  @Test
  void aStickThatClaimsMoreThanItHoldsLeavesNoHalfFileAndTellsEach() throws Exception {
    long size = 0;
    for (int id : present().subList(0, 9)) {
      size += Files.size(collection.state().path(id));
    }
    PackReport report = pack(new StandInStick(stick).holds(size / 2, false));
    assertThat(report.copied()).isBetween(1, 8);
    assertThat(report.copied() + report.refused().size()).isEqualTo(9);
    assertThat(report.refused()).allMatch(r -> r.reason().contains("No space left"));
    assertThat(check().damaged()).isEmpty();
    assertThat(check().unpacked().getCardinality()).isEqualTo(report.refused().size());
    assertThat(pack(PackDisk.SYSTEM).copied()).isEqualTo(report.refused().size());
    assertThat(check().clean()).isTrue();
  }

  @Test
  void lockedOnesAndThoseThatAreOldSayWhatTheyRefuse() throws Exception {
    PackReport locked = pack(new StandInStick(stick).readOnly());
    assertThat(locked.copied()).isZero();
    assertThat(locked.refused()).hasSize(9).allMatch(r -> r.reason().contains("locked"));
    long most = Files.size(collection.state().path(present().getFirst())) - 1;
    StandInStick old = new StandInStick(stick).takesNoMoreThan(most);
    int tooLarge = packing(gig(), old).plan().refused().size();
    assertThat(tooLarge).isPositive();
    assertThat(packing(gig(), old).pack(Progress.SILENT).refused()).hasSize(tooLarge);
    assertThat(music()).hasSize(9 - tooLarge);
  }

  @Test
  void aStickThatIsPulledOutKeepsWhatWasWholeAndGoesOnLater() throws Exception {
    PackReport report = pack(new StandInStick(stick).pulledOutAfter(4));
    assertThat(report.copied()).isEqualTo(4);
    assertThat(report.refused()).hasSize(5);
    assertThat(music()).hasSize(4);
    PackReport rest = pack(PackDisk.SYSTEM);
    assertThat(rest.copied()).isEqualTo(5);
    assertThat(rest.there()).isEqualTo(4);
    SafeFiles.removeTree(stick);
    assertThatThrownBy(this::check).hasMessageContaining("no gig was packed");
  }

  @Test
  void aSlowOneIsStoppedAndGoesOnWhereItWas() throws Exception {
    AtomicInteger told = new AtomicInteger();
    PackReport stopped =
        packing(gig(), new StandInStick(stick).slow(Duration.ofMillis(20)))
            .pack(
                new Progress() {
                  @Override
                  public void at(long done, long total, String words) {
                    told.incrementAndGet();
                  }

                  @Override
                  public boolean stopped() {
                    return told.get() == 3;
                  }
                });
    assertThat(stopped.stopped()).isTrue();
    assertThat(stopped.copied()).isEqualTo(3);
    assertThat(stick.resolve(GigPacking.SHEET)).doesNotExist();
    assertThat(pack(PackDisk.SYSTEM).there()).isEqualTo(3);
    assertThat(check().clean()).isTrue();
  }

  @Test
  void whatAnybodyElsePutThereStays() throws Exception {
    Path own = Files.writeString(stick.resolve(GigPacking.SHEET), "my own sheet");
    assertThatThrownBy(() -> pack(PackDisk.SYSTEM)).hasMessageContaining("left as it was");
    assertThat(own).hasContent("my own sheet");
  }

  @Test
  void namesThatDifferInCaseOnlyAndLongOnesAreAllThere() throws Exception {
    String deep = "Fourteen lamps over the harbour rail, ".repeat(5);
    List<Path> files = new ArrayList<>();
    for (String name :
        List.of(
            "a/LAMPS.wav",
            "b/lamps.wav",
            "c/Lamps.WAV",
            "d/" + deep + "one.wav",
            "e/" + deep + "two.wav",
            "f/" + "夜の渡し船".repeat(16) + ".wav",
            "g/con.wav",
            "h/what? <now>.wav")) {
      Path file = folder.resolve(name);
      Files.createDirectories(file.getParent());
      files.add(Files.writeString(file, "sound of " + name));
    }
    Path far = stick.resolve("a folder of its own/".repeat(12) + "Music");
    PackReport report =
        new Packing(far, new StandInStick(stick).caseBlind()).copy(files, Progress.SILENT);
    assertThat(far.toString().length()).as("beyond what old systems take").isGreaterThan(260);
    assertThat(report.copied()).isEqualTo(files.size());
    assertThat(report.names().values().stream().map(n -> n.toLowerCase(Locale.ROOT)))
        .doesNotHaveDuplicates()
        .allSatisfy(n -> assertThat(n.getBytes(UTF_8).length).isLessThanOrEqualTo(210));
    for (Path file : files) {
      assertThat(far.resolve(report.names().get(file))).hasSameTextualContentAs(file);
    }
  }

  private Gig random(Random random, int round) {
    List<Integer> ids = new ArrayList<>(present());
    Collections.shuffle(ids, random);
    Gig gig =
        Gig.of(
            "Night " + round,
            Evening.on(LocalDate.of(2999, 1, 1), LocalTime.NOON, LocalTime.MIDNIGHT));
    for (int p = 0; p <= random.nextInt(4); p++) {
      GigPart part =
          GigPart.of("Part " + p, random.nextInt(9))
              .withTracks(ids.subList(p, p + random.nextInt(6)));
      if (random.nextInt(3) == 0) {
        Rule.Line line = CrateJson.line("year:" + (1970 + random.nextInt(30)) + "..2000");
        Rule.RuleGroup rule = new Rule.RuleGroup(Rule.Kind.ALL, List.of(line));
        part = part.filledBy(Optional.of(rule), List.of());
      }
      boolean inside = p > 0 && random.nextInt(3) == 0;
      gig = gig.plus(part, inside ? Optional.of("Part " + (p - 1)) : Optional.empty());
    }
    return random.nextInt(3) == 0
        ? gig.with(gig.never().plus(ids.subList(0, 1 + random.nextInt(4))))
        : gig;
  }

  @Test
  void hundredsOfRandomGigsPackedAndCheckedAreClean() throws Exception {
    Random random = new Random(6);
    for (int round = 0; round < 200; round++) {
      Gig gig = random(random, round);
      GigPacking packing = packing(gig, PackDisk.SYSTEM);
      assertThat(packing.pack(Progress.SILENT).refused()).isEmpty();
      assertThat(packing.check(Progress.SILENT).clean()).as("round " + round).isTrue();
    }
  }
}
