package tenterhook.bench.loss;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * Damages files by chance, scans, edits and takes back: what is refused has its very bytes, what is
 * written sounds as before, and what is taken back is the same to the byte.
 */
final class MutatedFiles {
  private static final int A_TIME = 120;

  private final Path folder;
  private final long seed;

  MutatedFiles(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /**
   * What became of damaged files.
   *
   * @param read could be read and were tracks
   * @param written were edited and taken back
   */
  record MutationResult(int read, int written) {}

  /** Damages so many files. */
  MutationResult run(int mutants, Progress progress) throws Exception {
    Collections small = Collections.make(folder.resolve("whole"), seed);
    Random random = new Random(seed);
    int read = 0;
    int written = 0;
    for (int done = 0; done < mutants; done += A_TIME) {
      Path here = folder.resolve("mutants");
      Collections.remove(here);
      Map<Path, byte[]> bytes = damaged(small.music().resolve("Rink"), here, random);
      try (MusicCollection collection =
          MusicCollection.open(
              here.resolve("collection"), java.time.InstantSource.system(), FileCalls.SYSTEM)) {
        collection.scan(here.resolve("Music"), Progress.SILENT);
        read += collection.state().snapshot().count();
        written += edited(collection, bytes);
      } catch (Exception | Error broken) {
        throw new LostMusic("mutants " + done + " of seed " + seed, broken);
      }
      progress.at(done, mutants, "");
    }
    return new MutationResult(read, written);
  }

  private static Map<Path, byte[]> damaged(Path whole, Path here, Random random)
      throws IOException {
    Files.createDirectories(here.resolve("Music"));
    Map<Path, byte[]> all = new HashMap<>();
    Path[] originals;
    try (var files = Files.list(whole)) {
      originals = files.sorted().toArray(Path[]::new);
    }
    for (int i = 0; i < A_TIME; i++) {
      Path original = originals[i % originals.length];
      String name = original.getFileName().toString();
      Path mutant = here.resolve("Music").resolve(i + name.substring(name.lastIndexOf('.')));
      byte[] bytes = mutated(Files.readAllBytes(original), random);
      Files.write(mutant, bytes);
      all.put(mutant, bytes);
    }
    return all;
  }

  private static byte[] mutated(byte[] bytes, Random random) {
    byte[] mutant = bytes.clone();
    int hits = 1 + random.nextInt(12);
    boolean front = random.nextBoolean(); // where tags and tables are
    for (int i = 0; i < hits; i++) {
      int at = random.nextInt(front ? Math.min(2000, mutant.length) : mutant.length);
      switch (random.nextInt(4)) {
        case 0 -> mutant[at] = (byte) random.nextInt();
        case 1 -> mutant[at] ^= (byte) (1 << random.nextInt(8));
        case 2 -> mutant[at] = (byte) 0xFF;
        default -> mutant[at] = 0;
      }
    }
    return random.nextInt(6) == 0
        ? Arrays.copyOf(mutant, 1 + random.nextInt(mutant.length))
        : mutant;
  }

  private static int edited(MusicCollection collection, Map<Path, byte[]> bytes)
      throws IOException, Unreadable {
    Snapshot before = collection.state().snapshot();
    Map<Integer, String> sounds = sounds(collection, before);
    Outcome outcome =
        collection.apply(
            TrackEdits.set(
                before, before.tracks(), Map.of(Fields.ALBUM, "Slipway", Fields.GENRE, "Ska")),
            Progress.SILENT);
    LostMusic.unless(outcome.unconfirmed().isEmpty(), "unconfirmed: " + outcome.unconfirmed());
    refusedAlone(collection, outcome, bytes);
    takenBack(collection, outcome, sounds);
    unaltered(bytes);
    return outcome.tracks();
  }

  private static void refusedAlone(
      MusicCollection collection, Outcome outcome, Map<Path, byte[]> bytes) throws IOException {
    for (Outcome.Refusal refusal : outcome.refused()) {
      Path file = collection.state().path(refusal.id());
      LostMusic.unless(
          Arrays.equals(bytes.get(file), Files.readAllBytes(file)),
          "refused, but altered: " + file);
    }
  }

  private static void takenBack(
      MusicCollection collection, Outcome outcome, Map<Integer, String> sounds)
      throws IOException, Unreadable {
    if (outcome.number() > 0) {
      for (int id : collection.change(outcome.number()).orElseThrow().tracks()) {
        Path file = collection.state().path(id);
        LostMusic.unless(
            TagFiles.payload(file).equals(sounds.get(id)), "sounds otherwise: " + file);
      }
      Outcome back = collection.undo(outcome.number(), Progress.SILENT);
      LostMusic.unless(back.refused().isEmpty(), "not taken back: " + back.refused());
    }
  }

  private static Map<Integer, String> sounds(MusicCollection collection, Snapshot before) {
    Map<Integer, String> sounds = new HashMap<>();
    for (int id : before.tracks()) {
      try {
        sounds.put(id, TagFiles.payload(collection.state().path(id)));
      } catch (Unreadable silent) {
        sounds.put(id, "");
      }
    }
    return sounds;
  }

  private static void unaltered(Map<Path, byte[]> bytes) throws IOException {
    for (Map.Entry<Path, byte[]> one : bytes.entrySet()) {
      LostMusic.unless(
          Arrays.equals(one.getValue(), Files.readAllBytes(one.getKey())),
          "other bytes after undo: " + one.getKey());
    }
  }
}
