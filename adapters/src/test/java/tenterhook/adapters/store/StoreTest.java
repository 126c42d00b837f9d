package tenterhook.adapters.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Figures;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Limit;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

class StoreTest {
  @TempDir Path folder;

  private static final Codebook BOOK =
      new Codebook(
          List.of(new Facet("Style", "what?", true, true, List.of(new Code("SKA", "ska")))),
          new Notation("grouping"));

  private static final Crates CRATES =
      Crates.NONE
          .plus("Rink nights", new Crate.HandCrate("Hand", List.of(3, 1)))
          .plus(
              "Rink nights",
              new Crate.RuleCrate(
                  "Fast",
                  new Rule.RuleGroup(
                      Rule.Kind.ALL,
                      List.of(
                          CrateJson.line("Style:SKA|ELC"),
                          new Rule.RuleGroup(
                              Rule.Kind.NONE, List.of(CrateJson.line("missing:year"))))),
                  List.of(new TrackOrder.Key("bpm", true), new TrackOrder.Key("artist", false)),
                  new Limit(Limit.Unit.TRACKS, 20, 7, 2, true),
                  true))
          .withShelf(
              "Rink nights",
              s ->
                  s.with(
                      new NeverPlay(
                          List.of(9), List.of(CrateJson.line("artist:=\"Pewter Wren\"")))));

  @Test
  void tracksAreLoadedAsTheyWereStored() throws Exception {
    try (Store store = Store.open(folder)) {
      store.put(
          List.of(
              new Cell(1, Fields.TITLE, "Cold 'Lamps'"),
              new Cell(1, Fields.GENRE, "Ska\u0000Dub"),
              new Cell(7, Fields.YEAR, "1987")));
      store.put(List.of(new Cell(7, Fields.YEAR, "1988")));
    }
    try (Store store = Store.open(folder)) {
      Snapshot snapshot = store.load();
      assertThat(snapshot.raw(1, Fields.TITLE)).isEqualTo("Cold 'Lamps'");
      assertThat(snapshot.value(1, Fields.GENRE)).contains(List.of("Ska", "Dub"));
      assertThat(snapshot.raw(7, Fields.YEAR)).isEqualTo("1988");
      assertThat(snapshot.known()).isEqualTo(RoaringBitmap.bitmapOf(1, 7));
    }
  }

  @Test
  void aSecondProgramIsRefused() throws Exception {
    try (Store first = Store.open(folder)) {
      assertThatThrownBy(() -> Store.open(folder))
          .isInstanceOf(CollectionRefused.class)
          .hasMessageContaining("open in another");
      assertThat(first.load().count()).isZero();
    }
  }

  @Test
  void aNewerFormIsRefusedAndNotTouched() throws Exception {
    Store.open(folder).close();
    try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve(Store.FILE));
        Statement statement = db.createStatement()) {
      statement.executeUpdate("PRAGMA user_version = 99");
    }
    Files.delete(folder.resolve("collection.db.crc32c")); // the newer program writes its own
    byte[] before = Files.readAllBytes(folder.resolve(Store.FILE));
    assertThatThrownBy(() -> Store.open(folder)).hasMessageContaining("newer Tenterhook");
    assertThat(Files.readAllBytes(folder.resolve(Store.FILE))).isEqualTo(before);
  }

  @Test
  void aDamagedFileIsRefused() throws Exception {
    Files.writeString(folder.resolve(Store.FILE), "this is no database at all, but long enough");
    assertThatThrownBy(() -> Store.open(folder))
        .isInstanceOf(CollectionRefused.class)
        .hasMessageContaining("not touched");
    assertThat(folder.resolve(Store.FILE))
        .hasContent("this is no database at all, but long enough");
  }

  @Test
  void whatFailsInOneTransactionLeavesNothing() throws Exception {
    try (Store store = Store.open(folder)) {
      assertThatThrownBy(
              () ->
                  store.together(
                      () -> {
                        store.putDocument("a", "b");
                        throw new IllegalStateException("stop");
                      }))
          .hasMessage("stop");
      assertThat(store.document("a")).isEmpty();
    }
  }

  @Test
  void rootsPicturesAndCompletenessAreKept() throws Exception {
    try (Store store = Store.open(folder)) {
      store.putRoot("Music", Path.of("/one"));
      store.putRoot("Music", Path.of("/two"));
      store.putPicture("ab", new byte[] {1, 2});
      store.putCompleteness("2026-11-22", 0.4, 10);
      store.putCompleteness("2026-11-23", 0.5, 10);
      store.putCompleteness("2026-11-23", 0.6, 10);
      assertThat(store.roots()).containsEntry("Music", Path.of("/two"));
      assertThat(store.picture("ab")).get().isEqualTo(new byte[] {1, 2});
      assertThat(store.picture("cd")).isEmpty();
      assertThat(store.completenessHistory())
          .extracting(Store.Completeness::whole)
          .containsExactly(0.4, 0.6);
    }
  }

  @Test
  void everyKindOfEditComesBackFromTheLedger() throws Exception {
    Change change =
        new Change(
            "all kinds",
            true,
            List.of(
                new Edit.SetField(1, Fields.TITLE, "a", "b"),
                new Edit.MoveFile(1, new Place("Music", "a/b"), new Place("Music", "c")),
                new Edit.Relocate(
                    2,
                    new Place("Music", "x"),
                    new Place("Disk", "y"),
                    Map.of(Fields.TITLE, "Slow Ice", Fields.SIZE, "12")),
                new Edit.SetCrates(Crates.NONE, CRATES),
                new Edit.SetCodebook(Codebook.EMPTY, BOOK)));
    try (Store store = Store.open(folder)) {
      Ledger ledger = new Ledger(store);
      long number = ledger.open(change, Instant.EPOCH, 0);
      assertThat(ledger.interrupted()).containsExactly(number);
      assertThat(ledger.entries()).isEmpty();
      ledger.close(number, new RoaringBitmap(), new RoaringBitmap(), true);
      assertThat(ledger.change(number)).contains(change);
      assertThat(ledger.entries())
          .containsExactly(new LedgerEntry(number, Instant.EPOCH, "all kinds", 2, 0, 0, 3));
    }
  }

  @Test
  void refusedTracksLeaveTheLedger() throws Exception {
    Change change =
        new Change(
            "two",
            false,
            List.of(
                new Edit.SetField(1, Fields.TITLE, "a", "b"),
                new Edit.SetField(2, Fields.TITLE, "a", "b")));
    try (Store store = Store.open(folder)) {
      Ledger ledger = new Ledger(store);
      long number = ledger.open(change, Instant.EPOCH, 0);
      ledger.close(number, RoaringBitmap.bitmapOf(1), new RoaringBitmap(), false);
      assertThat(ledger.change(number).orElseThrow().tracks()).isEqualTo(RoaringBitmap.bitmapOf(2));
      long none = ledger.open(change, Instant.EPOCH, 0);
      ledger.close(none, RoaringBitmap.bitmapOf(1, 2), new RoaringBitmap(), false);
      assertThat(ledger.change(none)).isEmpty();
      assertThat(ledger.entries()).hasSize(1);
    }
  }

  @Test
  void theCodebookIsReadBackFromItsFile() {
    assertThat(CodebookJson.read(CodebookJson.write(BOOK))).isEqualTo(BOOK);
    assertThatThrownBy(() -> CodebookJson.read("{\"tenterhook\": \"shelf\"}"))
        .hasMessageContaining("codebook");
    assertThatThrownBy(() -> CodebookJson.read("{\n\n oops")).hasMessageContaining("line 3");
    assertThatThrownBy(() -> CodebookJson.read("{\"tenterhook\":\"codebook\",\"version\":2}"))
        .hasMessageContaining("newer");
  }

  @Test
  void cratesAreReadBackByIdAndByName() {
    assertThat(CrateJson.fromIds(CrateJson.byId(CRATES))).isEqualTo(CRATES);
    String text = CrateJson.write(CRATES.shelves().getFirst(), 0, id -> "Music/" + id + ".wav");
    assertThat(text).contains("Music/3.wav").contains("\"Style:SKA|ELC\"").contains("\"none\"");
    assertThat(
            CrateJson.read(text, name -> Optional.of(Integer.parseInt(name.replaceAll("\\D", "")))))
        .isEqualTo(CRATES.shelves().getFirst());
  }

  @Test
  void shelvesInShelvesAreReadBackByIdAndByName() {
    for (int seed = 0; seed < 200; seed++) {
      Random random = new Random(seed);
      Crates crates = Crates.NONE;
      for (int i = 1; i <= 8; i++) {
        String path =
            Stream.generate(() -> "ABCD".charAt(random.nextInt(4)) + "")
                .limit(1 + random.nextInt(5))
                .collect(Collectors.joining("/"));
        NeverPlay never = new NeverPlay(List.of(i), List.of(CrateJson.line("year:" + i)));
        crates =
            crates
                .plus("/" + path, new Crate.HandCrate("c" + i, List.of(i, 3)))
                .withShelf("/" + path, s -> s.with(never));
      }
      assertThat(CrateJson.fromIds(CrateJson.byId(crates))).isEqualTo(crates);
      for (Shelf shelf : crates.shelves()) {
        assertThat(
                CrateJson.read(
                    CrateJson.write(shelf, 0, id -> "t" + id),
                    name -> Optional.of(Integer.parseInt(name.substring(1)))))
            .isEqualTo(shelf);
      }
    }
  }

  @Test
  void aLineIsOneTerm() {
    assertThatThrownBy(() -> CrateJson.line("a b")).hasMessageContaining("one term");
    assertThatThrownBy(() -> CrateJson.line("year:soon")).hasMessageContaining("character 6");
  }

  @Test
  void aShelfWrittenByHandMaySayOneFieldAndABareLimit() {
    String text =
        """
        { "tenterhook": "shelf", "version": 1, "name": "Rink",
          "crates": [ { "name": "Fast", "sort": "bpm", "falling": true, "limit": 9,
                        "keep": { "any": [ "not code:SKA", "lap" ] } } ] }
        """;
    Shelf shelf = CrateJson.read(text, n -> Optional.empty());
    assertThat(shelf.crates())
        .containsExactly(
            new Crate.RuleCrate(
                "Fast",
                new Rule.RuleGroup(
                    Rule.Kind.ANY, List.of(CrateJson.line("not code:SKA"), CrateJson.line("lap"))),
                List.of(new TrackOrder.Key("bpm", true)),
                Limit.tracks(9),
                false));
    assertThat(CrateJson.read(CrateJson.write(shelf, 0, String::valueOf), n -> Optional.empty()))
        .isEqualTo(shelf);
    assertThatThrownBy(() -> CrateJson.line("year:1990 bpm:120")).hasMessageContaining("one term");
  }

  @Test
  void plainFilesAreTakenOverOnlyWhenEdited() throws Exception {
    try (Store store = Store.open(folder)) {
      PlainFiles plain = new PlainFiles(folder, store);
      plain.write(BOOK, new ArrayList<>());
      plain.write(CRATES, String::valueOf, new ArrayList<>());
      List<Refusal> troubles = new ArrayList<>();
      assertThat(plain.editedCodebook(troubles)).isEmpty();
      assertThat(plain.editedCrates(CRATES, () -> n -> Optional.of(Integer.parseInt(n)), troubles))
          .isEmpty();
      Path shelf = folder.resolve("crates/rink-nights.json");
      Files.writeString(
          shelf, Files.readString(shelf).replace("\"tracks\" : 20", "\"tracks\" : 5"));
      Crates edited =
          plain
              .editedCrates(CRATES, () -> n -> Optional.of(Integer.parseInt(n)), troubles)
              .orElseThrow();
      assertThat(((Crate.RuleCrate) edited.crate("Fast").orElseThrow()).limit().amount())
          .isEqualTo(5);
      assertThat(troubles).isEmpty();
    }
  }

  @Test
  void aBrokenPlainFileIsNamedAndTheStoreKept() throws Exception {
    try (Store store = Store.open(folder)) {
      PlainFiles plain = new PlainFiles(folder, store);
      plain.write(CRATES, String::valueOf, new ArrayList<>());
      Files.writeString(folder.resolve("crates/rink-nights.json"), "{ broken");
      Files.writeString(folder.resolve("codebook.json"), "[]");
      List<Refusal> troubles = new ArrayList<>();
      assertThat(plain.editedCrates(CRATES, () -> n -> Optional.empty(), troubles)).isEmpty();
      assertThat(plain.editedCodebook(troubles)).isEmpty();
      assertThat(troubles).hasSize(2).allMatch(t -> t.reason().contains("stays as it was"));
    }
  }

  @Test
  void theFileOfAShelfThatIsGoneGoesToo() throws Exception {
    try (Store store = Store.open(folder)) {
      PlainFiles plain = new PlainFiles(folder, store);
      plain.write(CRATES, String::valueOf, new ArrayList<>());
      Path stranger = Files.writeString(folder.resolve("crates/mine.json"), "{}");
      plain.write(Crates.NONE, String::valueOf, new ArrayList<>());
      assertThat(folder.resolve("crates/rink-nights.json")).doesNotExist();
      assertThat(stranger).exists();
    }
  }

  @Test
  void genresAndFiguresAreWrittenAndReadWithTheCodebook() {
    Codebook book =
        Codebook.EMPTY.with(
            tenterhook.core.genre.Genres.NONE.with("hip-hop", "Hip Hop").under("Ska", "Island"));
    Figures figures = Figures.of("{bpm}").then("{key} E{energy}");
    Codebook figured = book.with(book.notation().with(figures));
    assertThat(CodebookJson.read(CodebookJson.write(figured))).isEqualTo(figured);
    String text = CodebookJson.write(book);
    assertThat(text).contains("\"hip-hop\" : \"Hip Hop\"").contains("\"Ska\" : \"Island\"");
    assertThat(CodebookJson.read(text)).isEqualTo(book);
    String without = text.replaceAll("(?s),\\s*\"genreBecomes.*", "}");
    assertThat(CodebookJson.read(without).genres()).isEqualTo(tenterhook.core.genre.Genres.NONE);
  }

  private static void room(Store store, int pages) {
    store.inTransaction(
        db -> {
          try (Statement statement = db.createStatement()) {
            return statement.execute("PRAGMA max_page_count = " + pages);
          }
        });
  }

  @Test
  void aFullDiskIsSaidInPlainWordsAndAllIsAsItWas() throws Exception {
    String large = "x".repeat(1_000_000);
    try (Store store = Store.open(folder)) {
      store.putDocument("one", "kept");
      room(store, 1);
      assertThatThrownBy(() -> store.putDocument("two", large))
          .isInstanceOf(StoreBroken.class)
          .hasMessage(
              "the disk that holds the collection is full; make room there and do it again");
      assertThatThrownBy(
              () ->
                  store.together(
                      () -> {
                        store.putDocument("one", "other");
                        store.putDocument("two", large);
                      }))
          .isInstanceOf(StoreBroken.class)
          .hasMessageContaining("full");
      assertThat(store.document("one")).contains("kept");
      assertThat(store.document("two")).isEmpty();
      room(store, 100_000);
      store.putDocument("two", large);
    }
    try (Store store = Store.open(folder)) {
      assertThat(store.document("one")).contains("kept");
      assertThat(store.document("two")).contains(large);
    }
  }

  @Test
  void whatIsClosedHasUndoneWhatItTakesBackAlsoAfterAnInterruption() throws Exception {
    Change change =
        new Change("sets year", true, List.of(new Edit.SetField(1, Fields.YEAR, "", "1987")));
    Instant at = Instant.parse("2026-11-28T12:00:00Z");
    RoaringBitmap none = new RoaringBitmap();
    long first;
    long undo;
    try (Store store = Store.open(folder)) {
      Ledger ledger = new Ledger(store);
      first = ledger.open(change, at, 0);
      ledger.close(first, none, none, false);
      undo = ledger.open(change.inverse("takes back"), at, first);
    }
    try (Store store = Store.open(folder)) {
      Ledger ledger = new Ledger(store);
      assertThat(ledger.interrupted()).containsExactly(undo);
      ledger.close(undo, none, none, false);
      assertThat(undoneBy(ledger, first)).isEqualTo(undo);
      long redo = ledger.open(change, at, undo);
      ledger.close(redo, none, none, false);
      assertThat(undoneBy(ledger, undo)).isEqualTo(redo);
      assertThat(undoneBy(ledger, first)).as("it holds again").isZero();
      long refused = ledger.open(change.inverse("takes back"), at, first);
      ledger.close(refused, RoaringBitmap.bitmapOf(1), none, false);
      assertThat(undoneBy(ledger, first)).as("nothing of it was taken back").isZero();
    }
  }

  private static long undoneBy(Ledger ledger, long number) {
    return ledger.entries().stream()
        .filter(e -> e.number() == number)
        .map(LedgerEntry::undoneBy)
        .findFirst()
        .orElseThrow();
  }
}
