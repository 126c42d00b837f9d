package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.disk.FolderWatch;
import tenterhook.adapters.repair.RepairService;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.arrival.PathPattern;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.track.Snapshot;

/** Proposals of an open collection, what lies beside it, and what arrives. */
class RepairServiceTest extends CollectionTest {
  private static final Map<Field<?>, String> LAMPS =
      Map.of(Fields.TITLE, "Cold Lamps", Fields.ARTIST, "Varda Pell");

  private RepairService repairService() {
    RepairService repairService = new RepairService(collection);
    repairService.look(Progress.SILENT);
    return repairService;
  }

  private static List<Proposal> of(RepairService repairService, RepairKind kind) {
    return repairService.proposals().stream().filter(p -> p.kind() == kind).toList();
  }

  private static byte[] picture(int side, String format) throws Exception {
    BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, format, out);
    return out.toByteArray();
  }

  @Test
  void proposalsFollowEveryChange() {
    RepairService repairService = repairService();
    List<Proposal> years = of(repairService, RepairKind.YEARS);
    assertThat(years)
        .singleElement()
        .extracting(p -> p.edits().getFirst().after())
        .isEqualTo("1987");
    assertThat(collection.apply(repairService.change(years, "years"), Progress.SILENT).refused())
        .isEmpty();
    assertThat(of(repairService, RepairKind.YEARS)).isEmpty();
    collection.undo(collection.history().getFirst().number(), Progress.SILENT);
    assertThat(of(repairService, RepairKind.YEARS)).isEqualTo(years);
  }

  /** A WAV file whose INFO list says another title than its ID3 tag. */
  private Path outOfStep() throws Exception {
    Path file = Wavs.make(music.resolve("Rink/two minds.wav"), 77, LAMPS);
    byte[] title = "Cold Lampz\0\0".getBytes(StandardCharsets.US_ASCII);
    ByteBuffer list = ByteBuffer.allocate(32).order(ByteOrder.LITTLE_ENDIAN);
    list.put("LIST".getBytes(StandardCharsets.US_ASCII)).putInt(24);
    list.put("INFOINAM".getBytes(StandardCharsets.US_ASCII)).putInt(12).put(title);
    Files.write(file, list.array(), StandardOpenOption.APPEND);
    byte[] all = Files.readAllBytes(file);
    ByteBuffer.wrap(all).order(ByteOrder.LITTLE_ENDIAN).putInt(4, all.length - 8);
    return Files.write(file, all);
  }

  @Test
  void tagsThatSayDifferentThingsAreBroughtInStepAndTakenBack() throws Exception {
    Path file = outOfStep();
    byte[] before = Files.readAllBytes(file);
    collection.scan(music, Progress.SILENT);
    RepairService repairService = repairService();
    List<Proposal> found = of(repairService, RepairKind.OUT_OF_STEP);
    assertThat(found).singleElement().satisfies(p -> assertThat(p.reason()).contains("Lampz"));
    assertThat(collection.apply(repairService.change(found, "tags"), Progress.SILENT).refused())
        .isEmpty();
    String after = new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1);
    assertThat(after).contains("INAM").contains("Cold Lamps").doesNotContain("Lampz");
    assertThat(of(repairService, RepairKind.OUT_OF_STEP)).isEmpty();
    collection.undo(collection.history().getFirst().number(), Progress.SILENT);
    assertThat(file).hasBinaryContent(before);
    assertThat(of(repairService, RepairKind.OUT_OF_STEP)).isEqualTo(found);
  }

  @Test
  void whatWasSettledIsRememberedWhenOpenedAgain() throws Exception {
    RepairService repairService = repairService();
    int id = of(repairService, RepairKind.YEARS).getFirst().id();
    repairService.settle(
        repairService
            .rules()
            .dismissing(RepairKind.YEARS, RoaringBitmap.bitmapOf(id), true)
            .switched(RepairKind.JUNK, false)
            .withCertainFrom(95)
            .withJunk(List.of("tape hiss")));
    assertThat(of(repairService, RepairKind.YEARS)).isEmpty();
    RepairRules kept = repairService.rules();
    collection.close();
    open();
    assertThat(new RepairService(collection).rules()).isEqualTo(kept);
    assertThat(of(repairService(), RepairKind.YEARS)).isEmpty();
  }

  @Test
  void aPictureBesideTheMusicBecomesItsCover() throws Exception {
    byte[] cover = picture(300, "jpg");
    Files.write(music.resolve("Ferry/cover.jpg"), cover);
    Files.write(music.resolve("Ferry/tiny.png"), picture(50, "png"));
    Files.writeString(music.resolve("Rink/broken.jpg"), "no picture");
    RepairService repairService = repairService();
    List<Proposal> found = of(repairService, RepairKind.ARTWORK);
    assertThat(found).hasSize(1);
    assertThat(repairService.artworkFor(found.getFirst().id())).hasSize(1);
    var outcome = repairService.apply(repairService.change(found, "artwork"), Progress.SILENT);
    assertThat(outcome.refused()).isEmpty();
    Path file = collection.state().path(found.getFirst().id());
    assertThat(TagFiles.picture(file)).hasValueSatisfying(b -> assertThat(b).isEqualTo(cover));
  }

  @Test
  void aHugeCoverIsMadeToFitAndUndoBringsItBack() throws Exception {
    byte[] huge = picture(1500, "png");
    Artwork art = collection.covers().keep(huge);
    RoaringBitmap one = RoaringBitmap.bitmapOf(1);
    collection.apply(
        TrackEdits.set(collection.state().snapshot(), one, Map.of(Fields.ARTWORK, art.raw())),
        Progress.SILENT);
    RepairService repairService = repairService();
    List<Proposal> found = of(repairService, RepairKind.ARTWORK);
    assertThat(found).singleElement().extracting(Proposal::id).isEqualTo(1);
    var outcome = repairService.apply(repairService.change(found, "artwork"), Progress.SILENT);
    assertThat(outcome.refused()).isEmpty();
    Artwork after = collection.state().snapshot().value(1, Fields.ARTWORK).orElseThrow();
    assertThat(after.width()).isEqualTo(Artwork.MOST_SIDE);
    assertThat(after.mime()).isEqualTo("image/jpeg");
    collection.undo(outcome.number(), Progress.SILENT);
    assertThat(TagFiles.picture(collection.state().path(1)))
        .hasValueSatisfying(b -> assertThat(b).isEqualTo(huge));
  }

  /** A catalogue that knows one song and then goes away. */
  private static Catalogue oneAnswer() {
    int[] asked = {0};
    return new Catalogue() {
      @Override
      public List<CatalogueEntry> search(List<String> words) throws Unanswered {
        if (asked[0]++ > 0) {
          throw new Unanswered("it is gone");
        }
        return List.of(
            new CatalogueEntry(
                "a/1", "Pewter Wren", "Cold Lamps", "Slipway", 1987, "Ska", 3, 9, 0));
      }

      @Override
      public List<CatalogueEntry> album(String album, String artist) {
        return List.of();
      }
    };
  }

  @Test
  void whatTheCatalogueSaidIsKeptThoughItGoesAway() throws Exception {
    collection.apply(
        TrackEdits.set(
            collection.state().snapshot(),
            RoaringBitmap.bitmapOf(2),
            Map.of(Fields.ARTIST, "Pewter Wren", Fields.TRACK, "3")),
        Progress.SILENT);
    RepairService repairService = repairService();
    Snapshot before = collection.state().snapshot();
    int id = before.tracks(i -> before.raw(i, Fields.TITLE).equals("Cold Lamps")).first();
    RoaringBitmap ids = RoaringBitmap.bitmapOf(id);
    ids.add(before.tracks(i -> before.raw(i, Fields.TITLE).isEmpty()).first());
    collection.apply(
        TrackEdits.set(before, RoaringBitmap.bitmapOf(id), Map.of(Fields.ARTIST, "Pewter Wren")),
        Progress.SILENT);
    var found = repairService.lookUp(ids, oneAnswer(), Progress.SILENT);
    assertThat(found.trouble()).isEqualTo("it is gone");
    assertThat(found.answers()).hasSize(1);
    assertThat(collection.state().snapshot().tracks()).isEqualTo(before.tracks());
    collection.close();
    open();
    RepairService later = new RepairService(collection);
    assertThat(later.answer(found.answers().keySet().iterator().next())).isPresent();
    later.look(Progress.SILENT);
    if (found.answers().containsKey(id)) {
      assertThat(of(later, RepairKind.CATALOGUE)).isNotEmpty();
    }
  }

  @Test
  void singleFilesComeInAloneAndMoveIntoPlaceWithoutOverwriting() throws Exception {
    Path inbox = folder.resolve("Inbox");
    Wavs.make(
        inbox.resolve("a.wav"), 5, Map.of(Fields.TITLE, "Cold Lamps", Fields.ARTIST, "Varda Pell"));
    Wavs.make(
        inbox.resolve("b.wav"), 6, Map.of(Fields.TITLE, "Cold Lamps", Fields.ARTIST, "Varda Pell"));
    Wavs.make(inbox.resolve("not asked for.wav"), 7);
    ScanReport report =
        collection
            .disks()
            .bring(List.of(inbox.resolve("a.wav"), inbox.resolve("b.wav")), Progress.SILENT)
            .getFirst();
    assertThat(report.added()).isEqualTo(2);
    assertThat(report.lost()).isZero();
    Snapshot now = collection.state().snapshot();
    RoaringBitmap fresh = now.tracks(id -> now.raw(id, Fields.ROOT).equals("Inbox"));
    var moves =
        PathPattern.of("New/{artist} - {title}")
            .moves(
                now,
                fresh,
                "Music",
                place -> Files.exists(collection.state().path(place).orElseThrow()));
    var outcome = collection.apply(moves, Progress.SILENT);
    assertThat(outcome.refused()).isEmpty();
    assertThat(music.resolve("New/Varda Pell - Cold Lamps.wav")).exists();
    assertThat(music.resolve("New/Varda Pell - Cold Lamps (2).wav")).exists();
    assertThat(inbox.resolve("a.wav")).doesNotExist();
    collection.undo(outcome.number(), Progress.SILENT);
    assertThat(inbox.resolve("a.wav")).exists();
    assertThatThrownBy(() -> collection.disks().bring(List.of(), Progress.SILENT))
        .hasMessageContaining("no music");
  }

  @Test
  void aWatchedFolderTellsWhatChangedOnceItIsQuiet() throws Exception {
    BlockingQueue<Set<Path>> told = new LinkedBlockingQueue<>();
    try (FolderWatch watch =
        new FolderWatch(
            List.of(music, folder.resolve("no such")),
            Duration.ofMillis(300),
            told::add,
            t -> {})) {
      assertThat(watch).isNotNull();
      Wavs.make(music.resolve("Rink/four.wav"), 4);
      Set<Path> first = told.poll(60, TimeUnit.SECONDS);
      assertThat(first).isNotNull().contains(music.resolve("Rink"));
      Wavs.make(music.resolve("New/Deep/five.wav"), 5);
      List<Path> all = new ArrayList<>();
      while (!all.contains(music.resolve("New"))) {
        Set<Path> more = told.poll(60, TimeUnit.SECONDS);
        assertThat(more).as("told so far: " + all).isNotNull();
        all.addAll(more);
      }
    }
    assertThat(collection.scan(music, Progress.SILENT).added()).isEqualTo(2);
  }
}
