package tenterhook.adapters;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.field.Field;

/** Small sound files for tests. */
public final class Wavs {
  private Wavs() {}

  /** A tenth of a second of noise; the same seed gives the same bytes. */
  public static Path make(Path file, long seed) throws IOException {
    byte[] samples = new byte[8820];
    new Random(seed).nextBytes(samples);
    AudioFormat format = new AudioFormat(44_100, 16, 1, true, false);
    Files.createDirectories(file.getParent());
    try (AudioInputStream in =
        new AudioInputStream(new ByteArrayInputStream(samples), format, samples.length / 2)) {
      AudioSystem.write(in, AudioFileFormat.Type.WAVE, file.toFile());
    }
    return file;
  }

  /** The same with tags. */
  public static Path make(Path file, long seed, Map<Field<?>, String> tags)
      throws IOException, Unreadable {
    make(file, seed);
    TagFiles.write(file, tags, sha -> new byte[0]);
    return file;
  }
}
