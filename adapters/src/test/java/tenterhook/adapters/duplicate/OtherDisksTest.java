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
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SimulatedDisk;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.job.Progress;

/**
 * Small disks: full, read-only, or just another one. Each case runs on a simulated disk, and where
 * the system lets the tests mount one, on a real one in memory.
 */
class OtherDisksTest {
  @TempDir Path folder;
  private Path disk;
  private FileCalls calls = FileCalls.SYSTEM;

  private static int call(String... words) throws IOException, InterruptedException {
    return new ProcessBuilder(words).redirectErrorStream(true).start().waitFor();
  }

  private Path disk(String name, int kilobytes, boolean real) throws Exception {
    disk = Files.createDirectories(folder.resolve(name));
    if (real) {
      mount(kilobytes);
    } else {
      SimulatedDisk simulated = new SimulatedDisk(disk);
      simulated.sized(1024L * kilobytes);
      calls = simulated;
    }
    return disk;
  }

  private void mount(int kilobytes) throws Exception {
    int said = -1;
    try {
      said = call("mount", "-t", "tmpfs", "-o", "size=" + kilobytes + "k", "tmpfs", "" + disk);
    } catch (IOException noMount) {
      disk = folder;
    }
    Assumptions.assumeTrue(said == 0, "no real disk can be mounted here; a simulated one is tried");
  }

  @AfterEach
  void unmount() throws Exception {
    if (calls == FileCalls.SYSTEM) {
      call("umount", "-l", disk.toString());
    }
  }

  /** A collection whose holding bay is a disk of its own. */
  private MusicCollection withBayOn(Path bay) throws Exception {
    Random random = new Random(4);
    ManyCopies.music(folder.resolve("Music"), random, 12);
    Files.createDirectories(folder.resolve("collection"));
    Files.createSymbolicLink(folder.resolve("collection/holding bay"), bay);
    MusicCollection collection = ManyCopies.open(folder, calls);
    ManyCopies.furnish(collection, folder.resolve("Music"), random);
    return collection;
  }

  private static Outcome keepOne(MusicCollection collection, Group group) {
    return Resolving.one(
        collection, Resolving.Wanted.of(group), Set.of(), new SpareFate.Hold(), true);
  }

  @ParameterizedTest(name = "on a real disk: {0}")
  @ValueSource(booleans = {false, true})
  void aHoldingBayOnAnotherDiskTakesFilesAndGivesThemBack(boolean real) throws Exception {
    Path bay = disk("bay", 2000, real);
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

  @ParameterizedTest(name = "on a real disk: {0}")
  @ValueSource(booleans = {false, true})
  void aFullHoldingBayLeavesSparesWhereTheyAre(boolean real) throws Exception {
    Path bay = disk("bay", 40, real);
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

  @ParameterizedTest(name = "on a real disk: {0}")
  @ValueSource(booleans = {false, true})
  void onAFullOrReadOnlyDiskTheSurvivorRefusesAndNothingMoves(boolean real) throws Exception {
    Path music = disk("Music", 1200, real);
    Random random = new Random(4);
    ManyCopies.music(music, random, 12);
    try (MusicCollection collection = ManyCopies.open(folder, calls)) {
      ManyCopies.furnish(collection, music, random);
      Group writes =
          groups(collection).stream()
              .filter(g -> gainsInFile(collection, g))
              .findFirst()
              .orElseThrow();
      fill(music);
      Map<Path, String> before = bytes(music);
      refusedWholly(collection, writes, before, music);
      makeReadOnly(music);
      refusedWholly(collection, writes, before, music);
    }
  }

  private static boolean gainsInFile(MusicCollection collection, Group group) {
    var state = collection.state();
    return new Resolution(
            state.snapshot(), state.codebook(), state.holders(), group.survivor(), group.spares())
        .gains().stream().anyMatch(g -> g.key().equals(state.codebook().notation().target().key()));
  }

  private void makeReadOnly(Path music) throws Exception {
    if (calls instanceof SimulatedDisk simulated) {
      simulated.readOnly();
    } else {
      assertThat(call("mount", "-o", "remount,ro", music.toString())).isZero();
    }
  }

  private void fill(Path disk) throws IOException {
    if (calls instanceof SimulatedDisk simulated) {
      simulated.sized(0);
      return;
    }
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
