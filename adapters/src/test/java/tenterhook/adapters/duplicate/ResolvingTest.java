package tenterhook.adapters.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.adapters.duplicate.ManyCopies.bytes;
import static tenterhook.adapters.duplicate.ManyCopies.groups;
import static tenterhook.adapters.duplicate.ManyCopies.plays;
import static tenterhook.adapters.duplicate.ManyCopies.said;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.JavaProgram;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.Crate;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * Keeping one of many never loses anything: by chance, by fault, and when it is taken back. A
 * survivor that took tags over has its old tags and its sound to the byte again afterwards, though
 * the tags may be laid out otherwise; all other files are the same to the byte.
 */
class ResolvingTest {
  private static final int COLLECTIONS = Integer.getInteger("collections", 60);
  private static final SpareFate HOLD = new SpareFate.Hold();

  @TempDir Path folder;

  private static Outcome keepOne(MusicCollection collection, Group group) {
    return Resolving.one(collection, Resolving.Wanted.of(group), Set.of(), HOLD, true);
  }

  /** The recordings that each crate holds, by what sounds. */
  private static Map<String, Set<String>> recordings(MusicCollection collection) throws Exception {
    Map<String, Set<String>> all = new HashMap<>();
    for (Crate crate : collection.state().crates().all()) {
      Set<String> sounds = new HashSet<>();
      for (int id : ((Crate.HandCrate) crate).tracks()) {
        if (collection.state().snapshot().has(id)) {
          sounds.add(TagFiles.payload(collection.state().path(id)));
        }
      }
      all.put(crate.name(), sounds);
    }
    return all;
  }

  @Test
  void inHundredsOfCollectionsNothingIsLostAndUndoIsExact() throws Exception {
    int resolved = 0;
    for (int seed = 1; seed <= COLLECTIONS; seed++) {
      Random random = new Random(seed);
      Path here = folder.resolve("c" + seed);
      Path music = here.resolve("Music");
      ManyCopies.music(music, random, 4);
      try (MusicCollection collection = ManyCopies.open(here)) {
        ManyCopies.furnish(collection, music, random);
        resolved += resolveAndTakeBack(collection, music);
      }
    }
    assertThat(resolved).isGreaterThan(COLLECTIONS);
  }

  private static int resolveAndTakeBack(MusicCollection collection, Path music) throws Exception {
    Map<String, String> said = said(collection);
    Map<Path, String> before = bytes(music);
    Map<String, Set<String>> recordings = recordings(collection);
    int plays = plays(collection);
    List<Long> changes = new ArrayList<>();
    Set<Path> touched = new HashSet<>();
    for (Group group : groups(collection)) {
      group.tracks().forEach(id -> touched.add(collection.state().path(id)));
      Outcome outcome = keepOne(collection, group);
      assertThat(outcome.refused()).isEmpty();
      changes.add(outcome.number());
    }
    assertThat(groups(collection)).isEmpty();
    assertThat(plays(collection)).isEqualTo(plays);
    assertThat(recordings(collection)).isEqualTo(recordings);
    Map<Path, String> after = bytes(music);
    before.forEach(
        (file, hash) -> {
          if (!touched.contains(file)) {
            assertThat(after).as("a file that was not chosen").containsEntry(file, hash);
          }
        });
    for (long change : changes.reversed()) {
      assertThat(collection.undo(change, Progress.SILENT).refused()).isEmpty();
    }
    assertThat(said(collection)).isEqualTo(said);
    assertThat(bytes(music)).isEqualTo(before);
    return changes.size();
  }

  private MusicCollection furnished(int seed, int recordings) throws Exception {
    Random random = new Random(seed);
    ManyCopies.music(folder.resolve("Music"), random, recordings);
    MusicCollection collection = ManyCopies.open(folder);
    ManyCopies.furnish(collection, folder.resolve("Music"), random);
    return collection;
  }

  @Test
  void whenTheSurvivorVanishesTheSparesStay() throws Exception {
    try (MusicCollection collection = furnished(3, 8)) {
      Group group =
          groups(collection).stream()
              .filter(g -> differ(collection.state().snapshot(), g))
              .findFirst()
              .orElseThrow();
      Path survivor = collection.state().path(group.survivor());
      Path spare = collection.state().path(group.spares().getFirst());
      byte[] bytes = Files.readAllBytes(spare);
      Map<String, String> said = said(collection);
      Files.delete(survivor);
      Outcome outcome = keepOne(collection, group);
      assertThat(outcome.number()).isZero();
      assertThat(outcome.refused()).hasSize(group.spares().size());
      assertThat(outcome.refused().getLast().reason()).contains("left alone");
      assertThat(spare).hasBinaryContent(bytes);
      assertThat(said(collection)).isEqualTo(said);
    }
  }

  /** Whether the survivor's file would be written: a spare has a code that it lacks. */
  private static boolean differ(Snapshot now, Group group) {
    List<String> own = now.value(group.survivor(), Fields.CODES).orElse(List.of());
    return group.spares().stream()
        .flatMap(id -> now.value(id, Fields.CODES).orElse(List.of()).stream())
        .anyMatch(c -> !own.contains(c) && (c.equals("ELC") || c.equals("SKA")));
  }

  @Test
  void aSpareThatVanishesIsSaidAndTheRestIsDone() throws Exception {
    try (MusicCollection collection = furnished(5, 8)) {
      Group group =
          groups(collection).stream().filter(g -> g.tracks().size() == 3).findFirst().orElseThrow();
      int gone = group.spares().getFirst();
      Files.delete(collection.state().path(gone));
      Outcome outcome = keepOne(collection, group);
      assertThat(outcome.refused())
          .singleElement()
          .satisfies(r -> assertThat(r.id()).isEqualTo(gone));
      assertThat(collection.state().snapshot().held())
          .isEqualTo(RoaringBitmap.bitmapOf(group.spares().getLast()));
    }
  }

  @Test
  void theHoldingBaySaysWhenAndWhyAndIsEmptiedOnlyByItself() throws Exception {
    try (MusicCollection collection = furnished(7, 6)) {
      Group group = groups(collection).getFirst();
      Path from = collection.state().path(group.spares().getFirst());
      Outcome outcome = keepOne(collection, group);
      HoldingBay.Held held = HoldingBay.of(collection).getLast();
      assertThat(held.why()).isEqualTo(outcome.title());
      assertThat(held.at()).startsWith("20");
      assertThat(from.toString()).endsWith(held.from().path());
      Path file = collection.state().path(held.id());
      Outcome stuck =
          HoldingBay.empty(
              collection,
              collection.state().snapshot().held(),
              false,
              f -> {
                throw new IOException("the bin is full");
              },
              Progress.SILENT);
      assertThat(stuck.refused()).isNotEmpty().allMatch(r -> r.reason().contains("bin is full"));
      assertThat(file).exists();
      Outcome emptied =
          HoldingBay.empty(
              collection, RoaringBitmap.bitmapOf(held.id()), false, Files::delete, Progress.SILENT);
      assertThat(emptied.title()).isEqualTo("empties the holding bay of 1 file");
      assertThat(file).doesNotExist();
      assertThat(emptied.number()).as("no undo is offered").isZero();
      assertThat(collection.history().getFirst().canUndo()).isFalse();
      assertThat(collection.undo(outcome.number(), Progress.SILENT).refused()).isNotEmpty();
    }
  }

  @Test
  void whatStaysIsRememberedAndCanBeTakenBack() throws Exception {
    try (MusicCollection collection = furnished(9, 6)) {
      Group group = groups(collection).getFirst();
      CopySearch.bothStay(collection, group);
      assertThat(groups(collection)).doesNotContain(group);
      CopySearch.bothStayNoMore(collection, group);
      assertThat(groups(collection)).contains(group);
      Outcome restored =
          collection.apply(
              TrackEdits.restore(
                  collection.state().snapshot(), collection.state().snapshot().held()),
              Progress.SILENT);
      assertThat(restored.tracks()).isZero();
    }
  }

  /** Kills the program at random moments while it keeps one of each of many groups. */
  @Test
  void aKillInTheMiddleLosesNothing() throws Exception {
    int interrupted = 0;
    Map<String, Integer> sounds = new HashMap<>();
    int plays;
    Map<String, Set<String>> recordings;
    try (MusicCollection collection = furnished(11, 120)) {
      count(collection, sounds);
      plays = plays(collection);
      recordings = recordings(collection);
    }
    for (int kill = 0; kill < 4; kill++) {
      Process process =
          JavaProgram.of(List.of(), Holder.class, folder.toString())
              .redirectError(folder.resolve("errors.txt").toFile())
              .start();
      try (BufferedReader said = process.inputReader()) {
        assertThat(said.readLine()).isEqualTo("holding");
        for (int group = 0; group < 1 + 7 * kill; group++) {
          said.readLine();
        }
        Thread.sleep(3L * kill);
        process.destroyForcibly().waitFor();
      }
      try (MusicCollection collection = ManyCopies.open(folder)) {
        Map<String, Integer> now = new HashMap<>();
        count(collection, now);
        assertThat(now).isEqualTo(sounds);
        assertThat(plays(collection)).isEqualTo(plays);
        assertThat(recordings(collection)).isEqualTo(recordings);
        int left = groups(collection).size();
        interrupted += left > 0 && !collection.state().snapshot().held().isEmpty() ? 1 : 0;
        while (collection.nextUndo().filter(e -> e.title().startsWith("keeps")).isPresent()) {
          long number = collection.nextUndo().orElseThrow().number();
          assertThat(collection.undo(number, Progress.SILENT).refused()).isEmpty();
        }
        assertThat(collection.state().snapshot().held().isEmpty()).isTrue();
      }
    }
    assertThat(interrupted).as("kills that really came in the middle").isPositive();
  }

  /** How often each recording is there, wherever the collection says its files are. */
  private static void count(MusicCollection collection, Map<String, Integer> sounds)
      throws Exception {
    for (int id : collection.state().snapshot().known().stream().boxed().toList()) {
      sounds.merge(TagFiles.payload(collection.state().path(id)), 1, Integer::sum);
    }
  }
}
