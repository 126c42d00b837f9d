package tenterhook.adapters.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Lookup;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;

/** Covers of a catalogue: fetched once a release, checked, kept, and written when taken. */
class CatalogueCoversTest {
  @TempDir Path folder;
  private MusicCollection collection;
  private final Catalogue catalogue = mock(Catalogue.class);

  @BeforeEach
  void scanned() throws Exception {
    Path music = folder.resolve("music");
    for (int i = 1; i <= 3; i++) {
      Wavs.make(
          music.resolve("Slipway/" + i + ".wav"),
          i,
          Map.of(
              Fields.ARTIST,
              "Dova Lintel",
              Fields.TITLE,
              title(i),
              Fields.ALBUM,
              "Slipway",
              Fields.TRACK,
              String.valueOf(i)));
    }
    open();
    collection.scan(music, Progress.SILENT);
    when(catalogue.search(any())).thenReturn(List.of(entry(1), entry(2), entry(3)));
  }

  private void open() throws Exception {
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
  }

  @AfterEach
  void close() {
    collection.close();
  }

  private static String title(int number) {
    return List.of("Tin Harbour", "Low Lamp", "Pewter Rain").get(number - 1);
  }

  private static CatalogueEntry entry(int number) {
    return new CatalogueEntry(
        "r" + number + "/1",
        "Dova Lintel",
        title(number),
        "Slipway",
        1984,
        "Ska",
        number,
        3,
        0.1,
        "slipway");
  }

  private static byte[] picture(int side, String format) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  private List<Proposal> offered(RepairService service) {
    return service.proposals().stream().filter(p -> p.kind() == RepairKind.ARTWORK).toList();
  }

  private RepairService asked(byte[] cover) throws Exception {
    when(catalogue.artwork(any())).thenReturn(Optional.of(cover));
    RepairService service = new RepairService(collection);
    service.look(Progress.SILENT);
    assertThat(
            service
                .lookUp(collection.state().snapshot().tracks(), catalogue, Progress.SILENT)
                .trouble())
        .isEmpty();
    return service;
  }

  @Test
  void oneCoverIsFetchedForTheReleaseKeptOverARestartAndWrittenWhenTaken() throws Exception {
    byte[] cover = picture(600, "jpg");
    RepairService service = asked(cover);
    verify(catalogue, times(1)).artwork(any());
    assertThat(offered(service)).hasSize(3);
    collection.close();
    open();
    RepairService later = new RepairService(collection);
    later.look(Progress.SILENT);
    List<Proposal> proposals = offered(later);
    assertThat(proposals).hasSize(3);
    later.apply(later.change(proposals, "covers"), Progress.SILENT);
    for (int i = 1; i <= 3; i++) {
      Path file = folder.resolve("music/Slipway/" + i + ".wav");
      assertThat(TagFiles.picture(file)).contains(cover);
    }
    assertThat(offered(later)).isEmpty();
  }

  @Test
  void anotherChoiceOfCataloguesForgetsWhatWasSaidAndTheSameOneDoesNot() throws Exception {
    RepairService service = asked(picture(600, "jpg"));
    service.askFrom(List.of());
    assertThat(service.answer(1)).as("nothing changed").isPresent();
    service.askFrom(List.of("https://catalogue.example/"));
    assertThat(service.answer(1)).isEmpty();
    assertThat(service.proposals())
        .extracting(Proposal::kind)
        .doesNotContain(RepairKind.CATALOGUE, RepairKind.ARTWORK);
    assertThat(CatalogueSources.of(collection)).containsExactly("https://catalogue.example/");
    assertThat(new RepairService(collection).answer(1)).as("after a restart").isEmpty();
  }

  @Test
  void whatIsSaidAfterAnotherChoiceIsNotTaken() throws Exception {
    RepairService service = new RepairService(collection);
    service.look(Progress.SILENT);
    when(catalogue.artwork(any()))
        .thenAnswer(
            asked -> {
              service.askFrom(List.of("https://catalogue.example/"));
              return Optional.empty();
            });
    Lookup.LookedUp found =
        service.lookUp(collection.state().snapshot().tracks(), catalogue, Progress.SILENT);
    assertThat(found.trouble()).contains("meanwhile");
    assertThat(service.answer(1)).isEmpty();
  }

  @Test
  void oneCoverThatIsGoneDoesNotCostTheOthersTheirs() throws Exception {
    when(catalogue.search(any()))
        .thenReturn(List.of(entry(1).withArtwork("gone"), entry(2), entry(3)));
    when(catalogue.artwork(any()))
        .thenAnswer(
            asked -> {
              if (asked.<CatalogueEntry>getArgument(0).artwork().equals("gone")) {
                throw new Catalogue.Unanswered("gone.png cannot be read");
              }
              return Optional.of(picture(600, "jpg"));
            });
    RepairService service = new RepairService(collection);
    service.look(Progress.SILENT);
    assertThat(
            service
                .lookUp(collection.state().snapshot().tracks(), catalogue, Progress.SILENT)
                .trouble())
        .contains("gone.png");
    assertThat(offered(service)).extracting(Proposal::id).contains(2, 3);
  }

  @Test
  void aHugeCoverIsMadeToFit() throws Exception {
    RepairService service = asked(picture(Artwork.MOST_SIDE + 500, "png"));
    Artwork art =
        Artwork.parse(offered(service).getFirst().edits().getFirst().after()).orElseThrow();
    assertThat(art.trouble()).isEmpty();
    assertThat(service.picture(art.sha256(), 1)).map(ArtworkImages::describe).contains(art);
  }

  @Test
  void whatIsNoPictureOrATinyOneIsNotOffered() throws Exception {
    assertThat(offered(asked("no picture".getBytes()))).isEmpty();
    assertThat(offered(asked(picture(20, "png")))).isEmpty();
  }

  @Test
  void coversThatCannotBeFetchedAreSaidAndTheAnswersStay() throws Exception {
    when(catalogue.artwork(any())).thenThrow(new Catalogue.Unanswered("out of order"));
    RepairService service = new RepairService(collection);
    service.look(Progress.SILENT);
    Lookup.LookedUp found =
        service.lookUp(collection.state().snapshot().tracks(), catalogue, Progress.SILENT);
    assertThat(found.trouble()).contains("out of order");
    assertThat(found.answers()).hasSize(3);
    assertThat(service.answer(1)).isPresent();
    assertThat(offered(service)).isEmpty();
    assertThat(Files.exists(folder.resolve("music/Slipway/1.wav"))).isTrue();
  }
}
