package tenterhook.adapters.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.catalogue.CatalogueFiles.Held;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Catalogues of one's own: each form is read as what it says, and what is none says so. */
class CatalogueSourcesTest {
  private static final List<String> WORDS = List.of("tin", "harbour", "dova", "lintel");

  @TempDir Path folder;

  private final CatalogueSources sources =
      new CatalogueSources(
          () -> {
            throw new IOException("nobody asked for the demo");
          });

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  private Held read(Path source) throws IOException {
    return CatalogueFiles.read(source, Progress.SILENT);
  }

  private CatalogueEntry only(Path source) throws IOException {
    Held held = read(source);
    assertThat(held.entries()).hasSize(1);
    return held.entries().getFirst();
  }

  @Test
  void aTableIsReadWithAnySeparatorDateAndLength() throws Exception {
    CatalogueEntry entry =
        only(
            file(
                "shop.csv",
                "\uFEFFTitle;Artist;Release;Date;Number;Length\n"
                    + "Tin Harbour;Dova Lintel;Slipway;03.05.1984;3/12;1:03:25\n"));
    assertThat(entry)
        .isEqualTo(
            new CatalogueEntry(
                "f0", "Dova Lintel", "Tin Harbour", "Slipway", 1984, "", 3, 0, 3805));
  }

  @ParameterizedTest
  @CsvSource({
    "year, 1984, 1984.0",
    "year, 20110503, 2011",
    "year, May 2011, 2011",
    "year, B2, 0",
    "year, '(P) 2004', 2004",
    "seconds, 3:25, 205",
    "seconds, 200.5, 200.5",
    "seconds, -4, 0",
    "seconds, long, 0",
    "track, A3, 0",
    "track, 07, 7"
  })
  void aNumberThatCannotBeReadIsNotKnown(String column, String text, double meant)
      throws Exception {
    CatalogueEntry entry =
        only(file("a.csv", "artist,title," + column + "\nDova Lintel,Tin Harbour," + text + "\n"));
    double read =
        switch (column) {
          case "year" -> entry.year();
          case "track" -> entry.track();
          default -> entry.seconds();
        };
    assertThat(read).isEqualTo(meant);
  }

  @Test
  void jsonIsReadInTheFormOfAnAnswerOrAsAListAndNeedsNoIds() throws Exception {
    String one = "{\"artist\":\"Dova Lintel\",\"title\":\"Tin Harbour\",\"year\":1984}";
    assertThat(only(file("a.json", "{\"entries\":[" + one + "]}")).year()).isEqualTo(1984);
    assertThat(only(file("b.json", "[" + one + ",{\"title\":\"Alone\"},7]")).year())
        .isEqualTo(1984);
    assertThat(read(folder.resolve("b.json")).unusable()).isEqualTo(2);
    sources.open(List.of(folder.resolve("b.json").toString()), Progress.SILENT);
    assertThat(sources.leftOut()).contains("b.json").contains("2 of 3");
    sources.open(List.of(folder.resolve("a.json").toString()), Progress.SILENT);
    assertThat(sources.leftOut()).isEmpty();
    assertThat(read(file("c.json", "[{\"artist\":\"A\",\"title\":\"B\",\"year\":-1}]")).unusable())
        .isEqualTo(1);
  }

  @Test
  void aPlaylistIsACatalogueOfItsNames() throws Exception {
    CatalogueEntry entry =
        only(
            file(
                "a.xspf",
                "<playlist version='1' xmlns='http://xspf.org/ns/0/'><trackList><track>"
                    + "<title>Tin Harbour</title><creator>Dova Lintel</creator>"
                    + "<album>Slipway</album><duration>200400</duration>"
                    + "</track></trackList></playlist>"));
    assertThat(List.of(entry.artist(), entry.title(), entry.album(), entry.seconds()))
        .containsExactly("Dova Lintel", "Tin Harbour", "Slipway", 200.0);
    assertThat(only(file("a.m3u8", "#EXTINF:201,Dova Lintel - Tin Harbour\nx.mp3\n")).seconds())
        .isEqualTo(201);
  }

  @Test
  void aFolderOfTaggedMusicIsACatalogueAndIsNotTouched() throws Exception {
    Path shop = Files.createDirectories(folder.resolve("shop"));
    Path tagged =
        Wavs.make(
            shop.resolve("Slipway/03.wav"),
            1,
            Map.of(
                Fields.ARTIST,
                "Dova Lintel",
                Fields.TITLE,
                "Tin Harbour",
                Fields.ALBUM,
                "Slipway",
                Fields.YEAR,
                "1984",
                Fields.TRACK,
                "3"));
    byte[] before = Files.readAllBytes(tagged);
    Wavs.make(shop.resolve("bare.wav"), 2);
    Files.writeString(shop.resolve("broken.flac"), "no music");
    Held held = read(shop);
    assertThat(held.unusable()).isEqualTo(2);
    CatalogueEntry entry = only(shop);
    assertThat(entry.values())
        .containsEntry(Fields.YEAR, "1984")
        .containsEntry(Fields.TRACK, "3")
        .containsEntry(Fields.ALBUM, "Slipway");
    assertThat(entry.seconds()).isBetween(0.09, 0.11);
    assertThat(tagged).hasBinaryContent(before);
  }

  @ParameterizedTest
  @CsvSource({
    "a.json, '{\"entries\":[', no whole JSON",
    "b.json, '{\"tracks\":[]}', no list",
    "c.csv, 'name,by', must name its columns",
    "d.csv, 'title,artist\n\"open', no whole CSV",
    "e.xspf, '<playlist>', no whole XSPF",
    "f.txt, 'Tin Harbour', no catalogue known here"
  })
  void whatIsNoCatalogueSaysWhyAndThatNothingChanged(String name, String text, String why)
      throws Exception {
    Path source = file(name, text);
    assertThatThrownBy(() -> sources.open(List.of(source.toString()), Progress.SILENT))
        .isInstanceOf(IOException.class)
        .hasMessageContaining(name)
        .hasMessageContaining(why)
        .hasMessageContaining("nothing was changed");
  }

  @Test
  void aFileThatIsGoneSaysSoAndOneThatChangedIsReadAnew() throws Exception {
    String head = "artist,title,year\n";
    Path source = file("a.csv", head + "Dova Lintel,Tin Harbour,1984\n");
    List<String> kept = List.of(CatalogueSources.checked(source.toString(), List.of()));
    assertThat(year(kept)).isEqualTo(1984);
    Files.writeString(source, head + "Dova Lintel,Tin Harbour,1985\n");
    assertThat(year(kept)).isEqualTo(1985);
    Files.delete(source);
    assertThatThrownBy(() -> sources.open(kept, Progress.SILENT))
        .hasMessageContaining("is not there")
        .hasMessageContaining("nothing was changed");
  }

  private int year(List<String> kept) throws Exception {
    Catalogue opened = sources.open(kept, Progress.SILENT);
    return opened.search(WORDS).getFirst().year();
  }

  @Test
  void theEarlierOfSeveralIsBelieved() throws Exception {
    String head = "artist,title,album,year\nDova Lintel,Tin Harbour,Slipway,";
    String first = file("a.csv", head + "1984\n").toString();
    String second = file("b.csv", head + "1999\n").toString();
    assertThat(year(List.of(first, second))).isEqualTo(1984);
    assertThat(year(List.of(second, first))).isEqualTo(1999);
    assertThat(sources.open(List.of(first, second), Progress.SILENT).search(WORDS)).hasSize(1);
  }

  @Test
  void anAddressIsKeptWithItsStrokeAndAPathInFull() throws Exception {
    assertThat(CatalogueSources.checked(" http://catalogue.example/v1 ", List.of()))
        .isEqualTo("http://catalogue.example/v1/");
    assertThat(CatalogueSources.checked("demo", List.of())).isEqualTo("demo");
    Path source = file("a.csv", "artist,title\n");
    assertThat(CatalogueSources.checked(folder + "/./a.csv", List.of()))
        .isEqualTo(source.toAbsolutePath().toString());
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "https://", "http:// /v1", "/no/such/file.csv", "nul\u0000"})
  void whatIsNeitherAddressNorThereIsRefused(String source) {
    assertThatThrownBy(() -> CatalogueSources.checked(source, List.of()))
        .isInstanceOf(IOException.class);
  }

  @Test
  void aFolderOfTheCollectionCannotVouchForItself() throws Exception {
    Path root = Files.createDirectories(folder.resolve("music/Rink")).getParent();
    for (Path within : List.of(root, root.resolve("Rink"), folder)) {
      assertThatThrownBy(() -> CatalogueSources.checked(within.toString(), List.of(root)))
          .hasMessageContaining("cannot vouch for itself");
    }
    assertThat(CatalogueSources.checked(file("a.csv", "").toString(), List.of(root)))
        .endsWith("a.csv");
  }

  @Test
  void aNewCollectionAsksNobodyAndRemembersWhatItIsTold() throws Exception {
    Path place = folder.resolve("collection");
    try (MusicCollection collection = MusicCollection.open(place, InstantSource.system())) {
      assertThat(CatalogueSources.of(collection)).isEmpty();
      assertThat(CatalogueSources.chosen(collection)).isFalse();
      CatalogueSources.keep(collection, List.of("https://catalogue.example/", "/a b;c.csv"));
    }
    try (MusicCollection collection = MusicCollection.open(place, InstantSource.system())) {
      assertThat(CatalogueSources.of(collection))
          .containsExactly("https://catalogue.example/", "/a b;c.csv");
      CatalogueSources.keep(collection, List.of());
      assertThat(CatalogueSources.of(collection)).isEmpty();
      assertThat(CatalogueSources.chosen(collection)).isTrue();
    }
  }

  @Test
  void coversAreTakenFromBesideTheFileAndFromTheMusicItself() throws Exception {
    byte[] picture = picture(400);
    Files.write(folder.resolve("slipway.png"), picture);
    Path table =
        file(
            "a.csv",
            "artist,title,cover\n"
                + "Dova Lintel,Tin Harbour,slipway.png\nDova Lintel,Tin Lamp,../x.png\n"
                + "Dova Lintel,Tin Gone,gone.png\n");
    Catalogue opened = sources.open(List.of(table.toString()), Progress.SILENT);
    Map<String, CatalogueEntry> byTitle = new HashMap<>();
    opened.search(List.of("tin")).forEach(e -> byTitle.put(e.title(), e));
    assertThat(opened.artwork(byTitle.get("Tin Harbour"))).contains(picture);
    assertThat(byTitle.get("Tin Lamp").artwork()).as("outside its folder").isEmpty();
    assertThatThrownBy(() -> opened.artwork(byTitle.get("Tin Gone")))
        .isInstanceOf(Catalogue.Unanswered.class)
        .hasMessageContaining("gone.png");
    assertThat(opened.artwork(byTitle.get("Tin Harbour").withArtwork("/etc/hosts"))).isEmpty();

    Path shop = folder.resolve("shop");
    Path music = Wavs.make(shop.resolve("1.wav"), 1);
    TagFiles.write(
        music,
        Map.of(
            Fields.ARTIST,
            "Dova Lintel",
            Fields.TITLE,
            "Tin Harbour",
            Fields.ARTWORK,
            ArtworkImages.describe(picture).raw()),
        sha -> picture);
    Catalogue tagged = sources.open(List.of(shop.toString()), Progress.SILENT);
    assertThat(tagged.artwork(tagged.search(List.of("tin")).getFirst())).contains(picture);
  }

  static byte[] picture(int side) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  @Test
  void aTableInLatin1IsReadWithItsLetters() throws Exception {
    Path source = folder.resolve("old.csv");
    Files.write(
        source, "artist,title\nÉloïse Tarn,Tin Harbour\n".getBytes(StandardCharsets.ISO_8859_1));
    assertThat(only(source).artist()).isEqualTo("Éloïse Tarn");
  }
}
