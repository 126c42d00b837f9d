package tenterhook.standins.road;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/**
 * Kills the program at random moments while it writes 120 files, five times; the campaign in {@code
 * bench} does it a thousand times.
 */
class KilledInTheMiddleTest {
  private static final int FILES = 120;
  private static final int KILLS = 5;

  @TempDir Path folder;

  private void music() throws Exception {
    short[] samples = java.util.Arrays.copyOf(Synth.render(Recording.of(1, 150)), 44_100);
    Encoder.AudioForm[] forms = {
      Encoder.AudioForm.MP3,
      Encoder.AudioForm.FLAC,
      Encoder.AudioForm.M4A,
      Encoder.AudioForm.OGG,
      Encoder.AudioForm.WAV,
      Encoder.AudioForm.AIFF
    };
    List<Path> originals = new ArrayList<>();
    for (Encoder.AudioForm form : forms) {
      Path file = folder.resolve("seed." + form.ending());
      Encoder.write(samples, file, form, 128);
      TagFiles.write(file, Map.of(Fields.TITLE, "Cold Lamps"), s -> new byte[0]);
      originals.add(file);
    }
    Path music = Files.createDirectories(folder.resolve("Music"));
    for (int i = 0; i < FILES; i++) {
      Path from = originals.get(i % originals.size());
      String ending = FileExtensions.of(from.getFileName().toString());
      Files.copy(from, music.resolve(String.format("%03d.%s", i, ending)));
    }
  }

  private MusicCollection open() throws Exception {
    return MusicCollection.open(folder.resolve("collection"), InstantSource.system());
  }

  /** Killed once so many files were said to be written, and a few milliseconds later. */
  private void killWhileWriting(String album, int afterFiles, long andMillis) throws Exception {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                Writer.class.getName(),
                folder.resolve("collection").toString(),
                album)
            .redirectError(folder.resolve("errors.txt").toFile())
            .start();
    try (BufferedReader said = process.inputReader()) {
      assertThat(said.readLine()).isEqualTo("writing");
      for (int file = 0; file < afterFiles; file++) {
        said.readLine();
      }
      Thread.sleep(andMillis);
      process.destroyForcibly().waitFor();
    }
  }

  @Test
  void everyFileIsWholeAndLedgerAndFilesAgree() throws Exception {
    music();
    Map<String, String> sound = new HashMap<>();
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(collection.state().snapshot().count()).isEqualTo(FILES);
    }
    try (Stream<Path> files = Files.list(folder.resolve("Music"))) {
      for (Path file : files.toList()) {
        sound.put(file.getFileName().toString(), TagFiles.payload(file));
      }
    }
    Random random = new Random(11);
    int interrupted = 0;
    for (int kill = 0; kill < KILLS; kill++) {
      killWhileWriting("Album " + kill, random.nextInt(FILES - 50), random.nextInt(20));
      interrupted += check("Album " + kill, sound) ? 1 : 0;
    }
    assertThat(interrupted).as("kills that really came in the middle").isPositive();
  }

  /** Returns whether the kill came while some files were written and others were not. */
  private boolean check(String album, Map<String, String> sound) throws Exception {
    try (MusicCollection collection = open()) {
      Snapshot now = collection.state().snapshot();
      int[] written = {0};
      for (int id = 1; id <= FILES; id++) {
        Path file = collection.state().path(id);
        assertThat(TagFiles.payload(file)).isEqualTo(sound.get(file.getFileName().toString()));
        String inFile = TagFiles.read(file).raw(Fields.ALBUM);
        assertThat(now.raw(id, Fields.ALBUM)).as(file.toString()).isEqualTo(inFile);
        assertThat(TagFiles.read(file).raw(Fields.TITLE)).isEqualTo("Cold Lamps");
        written[0] += inFile.equals(album) ? 1 : 0;
      }
      assertThat(collection.scan(folder.resolve("Music"), Progress.SILENT).changed()).isZero();
      assertThat(folder.resolve("Music"))
          .isDirectoryNotContaining(f -> f.getFileName().toString().startsWith("."));
      assertThat(entered(collection, album)).isEqualTo(written[0]);
      return written[0] > 0 && written[0] < FILES;
    }
  }

  /** How many tracks the ledger says got an album. */
  private static int entered(MusicCollection collection, String album) {
    int count = 0;
    for (LedgerEntry entry : collection.history()) {
      for (Edit edit : collection.change(entry.number()).orElseThrow().edits()) {
        count += edit instanceof Edit.SetField set && set.after().equals(album) ? 1 : 0;
      }
    }
    return count;
  }
}
