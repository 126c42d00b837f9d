package tenterhook.adapters.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.adapters.duplicate.ManyCopies.bytes;
import static tenterhook.adapters.duplicate.ManyCopies.groups;
import static tenterhook.adapters.duplicate.ManyCopies.said;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.job.Progress;

/**
 * Real small disks, in memory: full, read-only, or just another one. Only where the system lets the
 * tests mount one.
 */
class OtherDisksTest {
  @TempDir Path folder;
  private Path disk;

  private static int call(String... words) throws IOException, InterruptedException {
    return new ProcessBuilder(words).redirectErrorStream(true).start().waitFor();
  }

  private Path mounted(String name, int kilobytes) throws Exception {
    disk = Files.createDirectories(folder.resolve(name));
    int said = -1;
    try {
      said = call("mount", "-t", "tmpfs", "-o", "size=" + kilobytes + "k", "tmpfs", "" + disk);
    } catch (IOException noMount) {
      disk = folder;
    }
    Assumptions.assumeTrue(said == 0, "no disk can be mounted here");
    return disk;
  }

  @AfterEach
  void unmount() throws Exception {
    call("umount", "-l", disk.toString());
  }

  /** A collection whose holding bay is a disk of its own. */
  private MusicCollection withBayOn(Path bay) throws Exception {
    Random random = new Random(4);
    ManyCopies.music(folder.resolve("Music"), random, 12);
    Files.createDirectories(folder.resolve("collection"));
    Files.createSymbolicLink(folder.resolve("collection/holding bay"), bay);
    MusicCollection collection = ManyCopies.open(folder);
    ManyCopies.furnish(collection, folder.resolve("Music"), random);
    return collection;
  }

  private static Outcome keepOne(MusicCollection collection, Group group) {
    return Resolving.one(
        collection, Resolving.Wanted.of(group), Set.of(), new SpareFate.Hold(), true);
  }

  @Test
  void aHoldingBayOnAnotherDiskTakesFilesAndGivesThemBack() throws Exception {
    Path bay = mounted("bay", 2000);
    try (MusicCollection collection = withBayOn(bay)) {
      Map<Path, String> before = bytes(folder.resolve("Music"));
      Map<String, String> said = said(collection);
      List<Outcome> done =
          Resolving.all(collection, groups(collection), new SpareFate.Hold(), Progress.SILENT);
      assertThat(done).isNotEmpty().allSatisfy(o -> assertThat(o.refused()).isEmpty());
      assertThat(bytes(bay)).hasSize(collection.state().snapshot().held().getCardinality());
      for (Outcome outcome : done.reversed()) {
        collection.undo(outcome.number(), Progress.SILENT);
      }
      assertThat(bytes(folder.resolve("Music"))).isEqualTo(before);
      assertThat(said(collection)).isEqualTo(said);
      assertThat(bytes(bay)).isEmpty();
    }
  }

  @Test
  void aFullHoldingBayLeavesSparesWhereTheyAre() throws Exception {
    Path bay = mounted("bay", 40);
    try (MusicCollection collection = withBayOn(bay)) {
      Map<Path, String> before = bytes(folder.resolve("Music"));
      int refused = 0;
      for (Group group : groups(collection)) {
        refused += keepOne(collection, group).refused().size();
      }
      assertThat(refused).isPositive();
      long files = before.size();
      assertThat(bytes(folder.resolve("Music"), bay)).hasSize((int) files);
      assertThat(bytes(bay).keySet()).noneMatch(f -> f.toString().endsWith(".part"));
      collection
          .state()
          .snapshot()
          .known()
          .forEach((int id) -> assertThat(collection.state().path(id)).exists());
    }
  }

  @Test
  void onAFullOrReadOnlyDiskTheSurvivorRefusesAndNothingMoves() throws Exception {
    Path music = mounted("Music", 1200);
    Random random = new Random(4);
    ManyCopies.music(music, random, 12);
    try (MusicCollection collection = ManyCopies.open(folder)) {
      ManyCopies.furnish(collection, music, random);
      Group writes =
          groups(collection).stream()
              .filter(g -> gainsInFile(collection, g))
              .findFirst()
              .orElseThrow();
      fill(music);
      Map<Path, String> before = bytes(music);
      refusedWholly(collection, writes, before, music);
      assertThat(call("mount", "-o", "remount,ro", music.toString())).isZero();
      refusedWholly(collection, writes, before, music);
    }
  }

  private static boolean gainsInFile(MusicCollection collection, Group group) {
    var state = collection.state();
    return new Resolution(
            state.snapshot(), state.codebook(), state.crates(), group.survivor(), group.spares())
        .gains().stream().anyMatch(g -> g.key().equals(state.codebook().notation().target().key()));
  }

  private static void fill(Path disk) throws IOException {
    try (var out = Files.newOutputStream(disk.resolve("filler"))) {
      byte[] block = new byte[512];
      while (true) {
        out.write(block);
      }
    } catch (IOException full) {
      assertThat(full.getMessage()).containsIgnoringCase("space");
    }
  }

  private static void refusedWholly(
      MusicCollection collection, Group group, Map<Path, String> before, Path music)
      throws IOException {
    Map<String, String> said = said(collection);
    Outcome outcome = keepOne(collection, group);
    assertThat(outcome.number()).isZero();
    assertThat(outcome.refused()).hasSize(group.tracks().size());
    assertThat(bytes(music)).isEqualTo(before);
    assertThat(said(collection)).isEqualTo(said);
  }
}
