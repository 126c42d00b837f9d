package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.ArgumentCaptor;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.Delta;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.edit.Holders;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;

class MusicCollectionTest extends CollectionTest {
  @Test
  void anEditIsInFileAndCollectionAndTheSoundIsTheSame() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    String payload = TagFiles.payload(file);
    Outcome outcome = set(Fields.ALBUM, "Harbour Lights", "one.wav");
    assertThat(outcome.written()).isEqualTo(1);
    assertThat(inFile(file, Fields.ALBUM)).isEqualTo("Harbour Lights");
    assertThat(inFile(file, Fields.YEAR)).isEqualTo("1987-05-03");
    assertThat(now().raw(id("one.wav"), Fields.ALBUM)).isEqualTo("Harbour Lights");
    assertThat(TagFiles.payload(file)).isEqualTo(payload);
    assertThat(collection.scan(music, Progress.SILENT).changed()).isZero();
  }

  @Test
  void theFolderOfADemoMeansTheCollectionInIt(@TempDir Path demo) throws Exception {
    Path inside = demo.resolve("collection");
    MusicCollection.open(inside, InstantSource.system()).close();
    try (MusicCollection meant = MusicCollection.open(demo, InstantSource.system())) {
      assertThat(meant.folder()).isEqualTo(inside);
    }
    Path both = inside.resolve("collection");
    MusicCollection.open(both, InstantSource.system()).close();
    try (MusicCollection meant = MusicCollection.open(inside, InstantSource.system())) {
      assertThat(meant.folder()).as("what is one itself is meant itself").isEqualTo(inside);
    }
  }

  @Test
  void undoAndRedoWorkAfterARestart() throws Exception {
    set(Fields.YEAR, "1990", "one.wav", "two.wav");
    reopen();
    long number = collection.nextUndo().map(LedgerEntry::number).orElseThrow();
    collection.undo(number, Progress.SILENT);
    assertThat(inFile(music.resolve("Rink/one.wav"), Fields.YEAR)).isEqualTo("1987-05-03");
    assertThat(inFile(music.resolve("Rink/two.wav"), Fields.YEAR)).isEmpty();
    assertThat(collection.nextUndo()).isEmpty();
    reopen();
    collection.undo(collection.nextRedo().orElseThrow().number(), Progress.SILENT);
    assertThat(inFile(music.resolve("Rink/two.wav"), Fields.YEAR)).isEqualTo("1990");
    assertThat(collection.nextUndo().map(LedgerEntry::number)).contains(number);
    assertThat(collection.nextRedo()).isEmpty();
  }

  @Test
  void anEarlierChangeCanBeTakenBackAlone() throws Exception {
    long first = set(Fields.ALBUM, "Slipway", "one.wav").number();
    set(Fields.COMPOSER, "Ines Corrow", "one.wav");
    collection.undo(first, Progress.SILENT);
    assertThat(now().raw(id("one.wav"), Fields.ALBUM)).isEmpty();
    assertThat(now().raw(id("one.wav"), Fields.COMPOSER)).isEqualTo("Ines Corrow");
    assertThatThrownBy(() -> collection.undo(first, Progress.SILENT))
        .hasMessageContaining("already");
    assertThatThrownBy(() -> collection.undo(999, Progress.SILENT))
        .hasMessageContaining("no change 999");
  }

  @Test
  void redoIsGoneOnceSomethingNewWasDone() {
    set(Fields.ALBUM, "Slipway", "one.wav");
    collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
    assertThat(collection.nextRedo()).isPresent();
    set(Fields.ALBUM, "Last Lap", "two.wav");
    assertThat(collection.nextRedo()).isEmpty();
  }

  @Test
  void aTrackChangedElsewhereIsRefusedAndTheOthersGoOn() throws Exception {
    TagFiles.write(music.resolve("Rink/one.wav"), Map.of(Fields.TITLE, "Other"), s -> new byte[0]);
    Outcome outcome = set(Fields.TITLE, "Same", "one.wav", "two.wav");
    assertThat(outcome.tracks()).isEqualTo(1);
    assertThat(outcome.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("changed elsewhere"));
    assertThat(inFile(music.resolve("Rink/one.wav"), Fields.TITLE)).isEqualTo("Other");
    assertThat(collection.change(outcome.number()).orElseThrow().edits()).hasSize(1);
  }

  @Test
  void guardedTracksAreLeftAloneByBulkChangesOnly() {
    collection.apply(
        TrackEdits.flag(now(), RoaringBitmap.bitmapOf(id("one.wav")), Fields.GUARDED, true),
        Progress.SILENT);
    Outcome bulk = set(Fields.ALBUM, "Slipway", "one.wav", "two.wav");
    assertThat(bulk.refused())
        .extracting(Outcome.Refusal::reason)
        .singleElement()
        .asString()
        .contains("guarded");
    assertThat(set(Fields.ALBUM, "Slipway", "one.wav").refused()).isEmpty();
  }

  @Test
  void aReadOnlyFileIsRefusedWithAReason() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("r--r--r--"));
    collection.close();
    assertThat(ofSecondProgram("C.UTF-8", asPlainUser(), "album", "X"))
        .anyMatch(l -> l.startsWith(file.toString()) && l.contains("read-only"))
        .endsWith("written 2");
    open();
    assertThat(inFile(file, Fields.ALBUM)).isEmpty();
  }

  @Test
  void aLostFileIsNotEdited() throws Exception {
    Files.delete(music.resolve("Rink/one.wav"));
    assertThat(set(Fields.ALBUM, "X", "one.wav").refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("lost"));
  }

  @Test
  void aStopLeavesTheRestAsItWas() {
    Progress stopping = mock(Progress.class);
    when(stopping.stopped()).thenReturn(false, true);
    RoaringBitmap all = now().tracks();
    Outcome outcome =
        collection.apply(TrackEdits.set(now(), all, Map.of(Fields.ALBUM, "X")), stopping);
    assertThat(outcome.tracks()).isEqualTo(1);
    assertThat(outcome.refused()).hasSize(2);
  }

  @Test
  void programFieldsNeverTouchTheFile() throws Exception {
    byte[] before = Files.readAllBytes(music.resolve("Rink/one.wav"));
    collection.apply(
        TrackEdits.flag(now(), RoaringBitmap.bitmapOf(id("one.wav")), Fields.RESTING, true),
        Progress.SILENT);
    reopen();
    assertThat(now().raw(id("one.wav"), Fields.RESTING)).isEqualTo("yes");
    assertThat(Files.readAllBytes(music.resolve("Rink/one.wav"))).isEqualTo(before);
  }

  @Test
  void codesAreReadOffFilesOnceTheCodebookKnowsThem() {
    collection.apply(
        new Change("book", true, List.of(new Edit.SetCodebook(Codebook.EMPTY, BOOK))),
        Progress.SILENT);
    assertThat(now().value(id("two.wav"), Fields.CODES)).contains(List.of("SKA"));
    assertThat(now().value(id("two.wav"), Fields.STRAYS)).contains(List.of("WLD"));
    assertThat(folder.resolve("collection/codebook.json")).content().contains("SKA");
  }

  @Test
  void codebookAndCratesEditedByHandAreTakenOver() throws Exception {
    collection.apply(
        new Change("book", true, List.of(new Edit.SetCodebook(Codebook.EMPTY, BOOK))),
        Progress.SILENT);
    Crates crates = Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(id("two.wav"))));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
    collection.close();
    Path book = folder.resolve("collection/codebook.json");
    Files.writeString(book, Files.readString(book).replace("\"ELC\"", "\"SOU\""));
    Path shelf = folder.resolve("collection/crates/loose.json");
    Files.writeString(shelf, Files.readString(shelf).replace("Rink/two.wav", "Ferry/three.wav"));
    open();
    assertThat(collection.state().codebook().known("SOU")).isPresent();
    assertThat(collection.contents().list(collection.state().crates().crate("Hand").orElseThrow()))
        .containsExactly(id("three.wav"));
    collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
    assertThat(collection.state().codebook().known("ELC")).isPresent();
  }

  private Change resolve(Crates crates, int survivor, List<Integer> spares) {
    return new Resolution(
            now(), collection.state().codebook(), new Holders(crates, Gigs.NONE), survivor, spares)
        .change(Set.of(), new SpareFate.Hold(), true);
  }

  @Test
  void copiesAreFoundHeldAndRestored() throws Exception {
    Path copy = music.resolve("Ferry/copy.wav");
    Files.copy(music.resolve("Rink/one.wav"), copy);
    byte[] bytes = Files.readAllBytes(copy);
    collection.scan(music, Progress.SILENT);
    assertThat(collection.compareCopies(Progress.SILENT)).isEmpty();
    Group group = Duplicates.sameBytes(now()).getFirst();
    int spare = group.spares().getFirst();
    Path spareFile = collection.state().path(spare);
    Outcome held =
        collection.apply(resolve(Crates.NONE, group.survivor(), group.spares()), Progress.SILENT);
    assertThat(held.refused()).isEmpty();
    assertThat(spareFile).doesNotExist();
    assertThat(now().held()).isEqualTo(RoaringBitmap.bitmapOf(spare));
    assertThat(collection.state().path(spare)).hasBinaryContent(bytes);
    assertThat(Duplicates.sameBytes(now())).isEmpty();
    reopen();
    collection.apply(TrackEdits.restore(now(), now().held()), Progress.SILENT);
    assertThat(spareFile).hasBinaryContent(bytes);
    assertThat(now().held().isEmpty()).isTrue();
  }

  @Test
  void anInterruptedHoldIsBroughtToItsEndWithItsCrates() throws Exception {
    int one = id("one.wav");
    int two = id("two.wav");
    Crates before = Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(one)));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, before))),
        Progress.SILENT);
    Change change = resolve(before, two, List.of(one, id("three.wav")));
    collection.close();
    long number;
    try (Store store = Store.open(folder.resolve("collection"))) {
      number = new Ledger(store).open(change, CLOCK.instant(), 0);
    }
    Path held = folder.resolve("collection/holding bay/" + one + "/Music/Rink/one.wav");
    Files.createDirectories(held.getParent());
    Files.move(music.resolve("Rink/one.wav"), held);
    open();
    assertThat(now().held()).isEqualTo(RoaringBitmap.bitmapOf(one));
    assertThat(music.resolve("Ferry/three.wav")).exists();
    Crate hand = collection.state().crates().crate("Hand").orElseThrow();
    assertThat(((Crate.HandCrate) hand).tracks()).containsExactly(two);
    assertThat(collection.change(number).orElseThrow().tracks())
        .isEqualTo(RoaringBitmap.bitmapOf(one));
    assertThat(collection.undo(number, Progress.SILENT).refused()).isEmpty();
    assertThat(music.resolve("Rink/one.wav")).exists();
    assertThat(collection.state().crates()).isEqualTo(before);
  }

  @Test
  void oneChangeNeverMovesAndRewritesAFile() {
    int one = id("one.wav");
    List<Edit> both =
        new ArrayList<>(TrackEdits.hold(now(), RoaringBitmap.bitmapOf(one), "x").edits());
    both.add(new Edit.SetField(one, Fields.ALBUM, "", "Y"));
    assertThatThrownBy(() -> collection.apply(Change.of("both", both), Progress.SILENT))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(music.resolve("Rink/one.wav")).exists();
  }

  @Test
  void aTakenPlaceIsNeverOverwrittenByARestore() throws Exception {
    int id = id("one.wav");
    Path file = music.resolve("Rink/one.wav");
    collection.apply(TrackEdits.hold(now(), RoaringBitmap.bitmapOf(id), "test"), Progress.SILENT);
    Files.writeString(file, "somebody else");
    Outcome outcome = collection.apply(TrackEdits.restore(now(), now().held()), Progress.SILENT);
    assertThat(outcome.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("taken"));
    assertThat(file).hasContent("somebody else");
    assertThat(collection.state().path(id)).exists();
  }

  @Test
  void aFolderThatMovedIsClosedAndOpenedAgainByUndo() throws Exception {
    int one = id("one.wav");
    collection.apply(
        TrackEdits.flag(now(), RoaringBitmap.bitmapOf(one), Fields.RESTING, true), Progress.SILENT);
    Files.createDirectories(music.resolve("Archive"));
    Files.move(music.resolve("Rink"), music.resolve("Archive/Rink"));
    later();
    ScanReport report = collection.scan(music, Progress.SILENT);
    assertThat(report.lost()).isEqualTo(2);
    assertThat(report.added()).isEqualTo(2);
    var moves = LostSearch.run(collection, List.of(music), Progress.SILENT).moves();
    assertThat(moves).singleElement().satisfies(m -> assertThat(m.to()).isEqualTo("Archive/Rink"));
    Outcome closed =
        collection.apply(
            LostFinder.repoint(now(), collection.state().holders(), moves.getFirst().files()),
            Progress.SILENT);
    assertThat(closed.refused()).isEmpty();
    assertThat(now().count()).isEqualTo(3);
    assertThat(now().lost(one)).isFalse();
    assertThat(now().raw(one, Fields.RESTING)).isEqualTo("yes");
    collection.undo(closed.number(), Progress.SILENT);
    assertThat(now().lost(one)).isTrue();
    assertThat(now().count()).isEqualTo(5);
  }

  @Test
  void removingFromTheCollectionLeavesTheFile() {
    collection.apply(
        TrackEdits.remove(now(), RoaringBitmap.bitmapOf(id("one.wav"))), Progress.SILENT);
    assertThat(now().count()).isEqualTo(2);
    assertThat(music.resolve("Rink/one.wav")).exists();
    collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
    assertThat(now().count()).isEqualTo(3);
  }

  @Test
  void playlistsGoOutAndComeIn() throws Exception {
    Crates crates =
        Crates.NONE.plus(
            "Loose", new Crate.HandCrate("Hand", List.of(id("two.wav"), id("one.wav"))));
    collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
        Progress.SILENT);
    Path list = folder.resolve("night.m3u8");
    assertThat(
            Playlists.export(
                collection,
                crates.crate("Hand").orElseThrow(),
                list,
                PlaylistFile.Paths.from(list)))
        .isEqualTo(2);
    Files.writeString(list, Files.readString(list) + "gone.mp3\n");
    Playlists.Imported imported = Playlists.read(collection.state(), list, "Loose");
    assertThat(imported.unknown()).containsExactly(folder.resolve("gone.mp3"));
    collection.apply(imported.change(), Progress.SILENT);
    Crate back = collection.state().crates().crate("night").orElseThrow();
    assertThat(((Crate.HandCrate) back).tracks()).containsExactly(id("two.wav"), id("one.wav"));
  }

  @Test
  void listenersHearExactlyWhatChanged() {
    @SuppressWarnings("unchecked")
    Consumer<Delta> listener = mock(Consumer.class);
    collection.listen(listener);
    set(Fields.ALBUM, "Slipway", "one.wav");
    ArgumentCaptor<Delta> heard = ArgumentCaptor.forClass(Delta.class);
    verify(listener).accept(heard.capture());
    assertThat(heard.getValue().changed()).isEqualTo(RoaringBitmap.bitmapOf(id("one.wav")));
    assertThat(heard.getValue().before().snapshot().raw(id("one.wav"), Fields.ALBUM)).isEmpty();
    assertThat(heard.getValue().codebookChanged()).isFalse();
  }

  @Test
  void nothingToDoIsNotEntered() {
    List<LedgerEntry> before = new ArrayList<>(collection.history());
    Progress progress = mock(Progress.class);
    Outcome outcome = collection.apply(new Change("nothing", true, List.of()), progress);
    assertThat(outcome.number()).isZero();
    assertThat(collection.history()).isEqualTo(before);
    verify(progress, org.mockito.Mockito.never())
        .at(org.mockito.ArgumentMatchers.anyLong(), org.mockito.ArgumentMatchers.anyLong(), any());
  }

  @Test
  void completenessHasOnePointADay() {
    collection.noteCompleteness();
    collection.noteCompleteness();
    assertThat(collection.completenessHistory()).hasSize(1);
  }

  @Test
  void settingsAreRemembered() throws Exception {
    collection.keepSetting("window", "1280 800");
    reopen();
    assertThat(collection.setting("window")).contains("1280 800");
  }

  @Test
  void onlyPicturesAreKeptAsArtwork() {
    assertThatThrownBy(() -> collection.covers().keep(new byte[] {1, 2, 3}))
        .isInstanceOf(Unreadable.class);
  }

  @Test
  void closedTwiceIsClosed() throws Exception {
    collection.close();
    collection.close();
    open();
    assertThat(now().tracks().getCardinality()).isEqualTo(3);
  }

  @Test
  void whileANightIsOnNoTrackIsAlteredAndGigsAre() throws Exception {
    assertThat(set(Fields.GENRE, "Ska", "one.wav").refused()).isEmpty();
    byte[] before = Files.readAllBytes(music.resolve("Rink/one.wav"));
    collection.holdStill(true);
    Outcome refused = set(Fields.GENRE, "Dub", "one.wav", "two.wav");
    assertThat(refused.tracks()).isZero();
    assertThat(refused.refused()).hasSize(2).allMatch(r -> r.reason().contains("a night is on"));
    long last = collection.history().getFirst().number();
    assertThat(collection.undo(last, Progress.SILENT).refused()).hasSize(1);
    assertThat(music.resolve("Rink/one.wav")).hasBinaryContent(before);
    Gigs gigs =
        Gigs.NONE.plus(
            Gig.of(
                "Closing",
                Evening.on(LocalDate.of(2026, 12, 19), LocalTime.NOON, LocalTime.MIDNIGHT)));
    Edit edit = new Edit.SetGigs(Gigs.NONE, gigs);
    collection.apply(new Change("gig", true, List.of(edit)), Progress.SILENT);
    assertThat(collection.state().gigs()).isEqualTo(gigs);
    collection.holdStill(false);
    assertThat(collection.undo(last, Progress.SILENT).refused()).isEmpty();
    assertThat(now().raw(id("one.wav"), Fields.GENRE)).isEmpty();
  }
}
