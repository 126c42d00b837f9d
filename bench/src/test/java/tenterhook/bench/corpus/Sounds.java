package tenterhook.bench.corpus;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** A short sound in every format, without a tag. */
final class Sounds {
  private static final int SAMPLES = 2 * 15_000;

  private final short[] samples;

  Sounds(long seed) {
    short[] all = Synth.render(Recording.of(seed, 120));
    this.samples = Arrays.copyOfRange(all, 40_000, 40_000 + SAMPLES);
  }

  byte[] of(AudioForm form) throws IOException {
    Path file = Files.createTempFile("sound", "." + form.ending());
    try {
      Encoder.write(samples, file, form, 128);
      return Files.readAllBytes(file);
    } finally {
      Files.delete(file);
    }
  }

  /** Samples of 16 bits, as they stand in a WAV file. */
  byte[] littleEnd() {
    byte[] bytes = new byte[2 * samples.length];
    for (int i = 0; i < samples.length; i++) {
      bytes[2 * i] = (byte) samples[i];
      bytes[2 * i + 1] = (byte) (samples[i] >> 8);
    }
    return bytes;
  }

  /** Samples of 16 bits, as they stand in an AIFF file. */
  byte[] bigEnd() {
    byte[] bytes = littleEnd();
    for (int i = 0; i < bytes.length; i += 2) {
      byte low = bytes[i];
      bytes[i] = bytes[i + 1];
      bytes[i + 1] = low;
    }
    return bytes;
  }
}
