package tenterhook.adapters.execution;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.CollectionTest;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Place;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Changes are taken back in any order, track by track, to the byte, or it is said why not. */
class UndoTest extends CollectionTest {
  private static final List<Field<?>> FIELDS =
      List.of(Fields.ARTIST, Fields.ALBUM, Fields.GENRE, Fields.LABEL, Fields.COMPOSER);

  private Map<String, byte[]> bytes() throws IOException {
    Map<String, byte[]> all = new HashMap<>();
    for (String name : List.of("one.wav", "two.wav", "three.wav")) {
      all.put(name, Files.readAllBytes(collection.state().path(id(name))));
    }
    return all;
  }

  private void sameBytes(Map<String, byte[]> expected) throws IOException {
    for (Map.Entry<String, byte[]> one : expected.entrySet()) {
      assertThat(collection.state().path(id(one.getKey())))
          .as(one.getKey())
          .hasBinaryContent(one.getValue());
    }
  }

  private LedgerEntry entry(long number) {
    return collection.history().stream()
        .filter(e -> e.number() == number)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void anOlderChangeIsTakenBackToTheByteUnderNewerOnes() throws Exception {
    Outcome newest = set(Fields.LABEL, "Tin Records", "one.wav");
    byte[] labelOnly = Files.readAllBytes(music.resolve("Rink/one.wav"));
    collection.undo(newest.number(), Progress.SILENT);
    Map<String, byte[]> before = bytes();
    Outcome first = set(Fields.ALBUM, "Slipway", "one.wav", "two.wav");
    Outcome second = set(Fields.LABEL, "Tin Records", "one.wav");
    Outcome back = collection.undo(first.number(), Progress.SILENT);
    assertThat(back.refused()).isEmpty();
    assertThat(music.resolve("Rink/one.wav")).hasBinaryContent(labelOnly);
    assertThat(collection.undo(second.number(), Progress.SILENT).refused()).isEmpty();
    sameBytes(before);
    assertThat(collection.undo(back.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(inFile(music.resolve("Rink/one.wav"), Fields.ALBUM)).isEqualTo("Slipway");
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void inAnyOrderAllTakenBackIsEveryByte(long seed) throws Exception {
    Random random = new Random(seed);
    Map<String, byte[]> before = bytes();
    List<Long> changes = new ArrayList<>();
    for (int i = 0; i < FIELDS.size(); i++) {
      RoaringBitmap some = now().tracks(id -> random.nextInt(3) > 0);
      String value = "value " + random.nextInt(100) + "x".repeat(random.nextInt(300));
      Outcome outcome =
          collection.apply(
              TrackEdits.set(now(), some, Map.of(FIELDS.get(i), value)), Progress.SILENT);
      if (outcome.number() > 0) {
        changes.add(outcome.number());
      }
      if (random.nextInt(4) == 0 && !changes.isEmpty()) { // an undo and a redo in between
        Outcome undone =
            collection.undo(changes.get(random.nextInt(changes.size())), Progress.SILENT);
        assertThat(undone.refused()).isEmpty();
        assertThat(collection.undo(undone.number(), Progress.SILENT).refused()).isEmpty();
      }
    }
    Collections.shuffle(changes, random);
    for (long change : changes) {
      assertThat(collection.undo(change, Progress.SILENT).refused()).isEmpty();
    }
    sameBytes(before);
  }

  @Test
  void whatAnotherProgramWroteIsNotTakenBackToTheByteAndThatIsSaid() throws Exception {
    Outcome album = set(Fields.ALBUM, "Slipway", "one.wav");
    Path file = music.resolve("Rink/one.wav");
    TagFiles.write(file, Map.of(Fields.COMPOSER, "Ines Corrow"), s -> new byte[0]);
    collection.scan(music, Progress.SILENT);
    Outcome exact = collection.undo(album.number(), Progress.SILENT);
    assertThat(exact.refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("old values can be set instead"));
    assertThat(inFile(file, Fields.ALBUM)).isEqualTo("Slipway");
    Outcome values = collection.undoing().undo(album.number(), false, Progress.SILENT);
    assertThat(values.refused()).isEmpty();
    assertThat(inFile(file, Fields.ALBUM)).isEmpty();
    assertThat(inFile(file, Fields.COMPOSER)).isEqualTo("Ines Corrow");
  }

  @Test
  void aTrackThatRefusesCanBeTakenBackLater() throws Exception {
    Map<String, byte[]> before = bytes();
    Outcome album = set(Fields.ALBUM, "Slipway", "one.wav", "two.wav");
    Path file = music.resolve("Rink/one.wav");
    Path away = Files.move(file, folder.resolve("away.wav"));
    Outcome partly = collection.undo(album.number(), Progress.SILENT);
    assertThat(partly.tracks()).isEqualTo(1);
    assertThat(entry(album.number()).canUndo()).isTrue();
    assertThat(entry(album.number()).partlyUndone()).isTrue();
    Files.move(away, file);
    Outcome rest = collection.undo(album.number(), Progress.SILENT);
    assertThat(rest.refused()).isEmpty();
    assertThat(rest.tracks()).isEqualTo(1);
    assertThat(entry(album.number()).canUndo()).isFalse();
    sameBytes(before);
    Outcome again = collection.undo(rest.number(), Progress.SILENT);
    assertThat(again.tracks()).isEqualTo(1);
    assertThat(entry(album.number()).remaining()).isEqualTo(1);
  }

  @Test
  void undoOfRedoOfUndoIsAnUndo() {
    long last = set(Fields.ALBUM, "Slipway", "one.wav").number();
    long first = last;
    for (int i = 0; i < 5; i++) {
      last = collection.undo(last, Progress.SILENT).number();
      assertThat(entry(first).canUndo()).as("after " + (i + 1)).isEqualTo(i % 2 == 1);
    }
  }

  @Test
  void editsOfCratesAreTakenBackAfterNewerOnes() {
    Outcome rink =
        crates(collection.state().crates().plus("Rink", new Crate.HandCrate("Fast", List.of(1))));
    Outcome ferry =
        crates(collection.state().crates().plus("Ferry", new Crate.HandCrate("Deck", List.of(2))));
    Outcome more =
        crates(
            collection
                .state()
                .crates()
                .with("Fast", c -> new Crate.HandCrate("Fast", List.of(1, 3))));
    assertThat(collection.undo(ferry.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(collection.state().crates().crate("Deck")).isEmpty();
    assertThat(collection.undo(rink.number(), Progress.SILENT).refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("Rink"));
    assertThat(collection.undo(more.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(collection.undo(rink.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(collection.state().crates()).isEqualTo(Crates.NONE);
  }

  private Outcome crates(Crates after) {
    return collection.apply(
        new Change("crates", true, List.of(new Edit.SetCrates(collection.state().crates(), after))),
        Progress.SILENT);
  }

  @Test
  void whatManyFilesHoldIsKeptOnceAndHistoryCanBeShortened() throws Exception {
    byte[] noise = new byte[150_000];
    new Random(3).nextBytes(noise);
    String long200 = Base64.getEncoder().encodeToString(noise);
    long before = collection.undoing().cost().bytes();
    for (String name : List.of("one.wav", "two.wav", "three.wav")) {
      assertThat(set(Fields.LYRICS, long200, name).refused()).isEmpty();
    }
    for (String name : List.of("one.wav", "two.wav", "three.wav")) {
      set(Fields.LYRICS, "", name);
    }
    long cost = collection.undoing().cost().bytes() - before;
    long values = 6L * long200.length(); // each change names the text once
    assertThat(cost - values).as("three files that hold it share one piece").isLessThan(450_000);
    assertThat(collection.undoing().cost().changes()).isEqualTo(6);
    assertThat(collection.undoing().shorten(collection.history().getFirst().number() - 1))
        .isPositive();
    assertThat(collection.history().getFirst().canUndo()).isTrue();
    assertThat(collection.history().getLast().canUndo()).isFalse();
    assertThat(collection.undo(collection.history().getFirst().number(), Progress.SILENT).refused())
        .isEmpty();
  }

  /** Calls that fail once the file has its new bytes. */
  private static final class FailsAfterRename extends FileCalls {
    private boolean renamed;
    private boolean broken = true;

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      if (renamed && broken && kind != CallKind.STORE) {
        throw new IOException("the disk is gone");
      }
      super.call(kind, path, action);
      renamed |= kind == CallKind.RENAME;
    }
  }

  @Test
  void whatIsDoneIsNeverCalledRefusedAndIsConfirmedWhenTheDiskIsBack() throws Exception {
    collection.close();
    FailsAfterRename calls = new FailsAfterRename();
    collection = MusicCollection.open(folder.resolve("collection"), CLOCK, calls);
    Outcome outcome = set(Fields.ALBUM, "Slipway", "one.wav");
    assertThat(outcome.refused()).isEmpty();
    assertThat(outcome.unconfirmed()).singleElement();
    assertThat(inFile(music.resolve("Rink/one.wav"), Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(set(Fields.YEAR, "1999", "one.wav").refused())
        .as("it waits for the file to be looked at")
        .isNotEmpty();
    calls.broken = false;
    assertThat(set(Fields.YEAR, "1999", "one.wav").refused()).isEmpty();
    assertThat(now().raw(id("one.wav"), Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(entry(outcome.number()).canUndo()).isTrue();
    assertThat(music.resolve("Rink")).isDirectoryNotContaining(p -> !p.toString().endsWith(".wav"));
  }

  @Test
  void recoveryWaitsForADiskThatIsAwayAndTheCollectionOpens() throws Exception {
    collection.close();
    FailsAfterRename calls = new FailsAfterRename();
    collection = MusicCollection.open(folder.resolve("collection"), CLOCK, calls);
    set(Fields.ALBUM, "Slipway", "one.wav");
    collection.close();
    Path away = Files.move(music, folder.resolve("unplugged"));
    open();
    assertThat(collection.startupProblems()).anyMatch(p -> p.reason().contains("not yet certain"));
    assertThat(now().count()).isEqualTo(3);
    assertThat(now().raw(id("one.wav"), Fields.TITLE)).isEqualTo("Cold Lamps");
    Files.move(away, music);
    collection.disks().availability(Progress.SILENT);
    assertThat(now().raw(id("one.wav"), Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(collection.confirmOpen()).isZero();
  }

  @Test
  void quickHandsAreNeverRefused() throws Exception {
    int id = id("three.wav");
    for (String code : List.of("SKA", "ELC")) {
      Outcome coded =
          collection.apply(
              now ->
                  TrackEdits.code(
                      now.snapshot(), BOOK, RoaringBitmap.bitmapOf(id), List.of(code), List.of()),
              Progress.SILENT);
      assertThat(coded.refused()).isEmpty();
    }
    assertThat(now().raw(id, Fields.COMMENT)).contains("/SKA/ELC/");
  }

  private Outcome moved(String name, String to) {
    int id = id(name);
    return collection.apply(
        new Change(
            "moves",
            true,
            List.of(new Edit.MoveFile(id, TrackEdits.place(now(), id), new Place("Music", to)))),
        Progress.SILENT);
  }

  @Test
  void foldersThatWereMadeForAFileGoWithItButNoOthers() throws Exception {
    Path theirs = Files.createDirectories(music.resolve("Theirs"));
    Outcome made = moved("one.wav", "New/Deep/one.wav");
    Outcome there = moved("two.wav", "Theirs/two.wav");
    assertThat(collection.undo(made.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(collection.undo(there.number(), Progress.SILENT).refused()).isEmpty();
    assertThat(music.resolve("New")).doesNotExist();
    assertThat(theirs).isDirectory();
    assertThat(moved("one.wav", "Rink/two.wav").refused())
        .singleElement()
        .satisfies(r -> assertThat(r.reason()).contains("taken"));
  }

  /** A disk that fails while a step clears up after itself. */
  private static final class LeavesBehind extends FileCalls {
    private boolean failing;

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      boolean late = kind == CallKind.FLUSH || kind == CallKind.DELETE;
      if (failing && late) {
        throw new IOException("the disk does not answer");
      }
      super.call(kind, path, action);
    }
  }

  @Test
  void whatCouldNotBeClearedAwayIsClearedLater() throws Exception {
    collection.close();
    LeavesBehind calls = new LeavesBehind();
    collection = MusicCollection.open(folder.resolve("collection"), CLOCK, calls);
    byte[] before = Files.readAllBytes(music.resolve("Rink/one.wav"));
    calls.failing = true;
    assertThat(set(Fields.ALBUM, "Slipway", "one.wav").refused()).hasSize(1);
    assertThat(music.resolve("Rink/one.wav")).hasBinaryContent(before);
    assertThat(music.resolve("Rink")).isDirectoryContaining(p -> !p.toString().endsWith(".wav"));
    calls.failing = false;
    collection.close();
    open();
    assertThat(music.resolve("Rink")).isDirectoryNotContaining(p -> !p.toString().endsWith(".wav"));
    assertThat(set(Fields.ALBUM, "Slipway", "one.wav").refused()).isEmpty();
  }

  /** A database that reports a trouble once although it took all in. */
  private static final class FailsAfterTransaction extends FileCalls {
    private boolean failing;

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      super.call(kind, path, action);
      if (failing && kind == CallKind.STORE) {
        failing = false;
        throw new IOException("the disk does not answer");
      }
    }
  }

  @Test
  void whatAChangeRefusedIsNeverCreditedToIt() throws Exception {
    collection.close();
    FailsAfterTransaction calls = new FailsAfterTransaction();
    collection = MusicCollection.open(folder.resolve("collection"), CLOCK, calls);
    int two = id("two.wav");
    RoaringBitmap one = RoaringBitmap.bitmapOf(id("one.wav"));
    RoaringBitmap both = RoaringBitmap.bitmapOf(id("one.wav"), two);
    long hold = collection.apply(TrackEdits.hold(now(), both, "test"), Progress.SILENT).number();
    collection.apply(TrackEdits.restore(now(), one), Progress.SILENT);
    calls.failing = true; // while the undo is entered: of it, one is refused and two not yet done
    assertThatThrownBy(() -> collection.undo(hold, Progress.SILENT))
        .isInstanceOf(StoreBroken.class);
    assertThat(collection.confirmOpen()).isZero();
    assertThat(collection.history()).as("nothing of it took place").noneMatch(e -> e.undoes() != 0);
    assertThat(now().held().toArray()).containsExactly(two);
  }
}
