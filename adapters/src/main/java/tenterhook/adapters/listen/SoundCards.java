package tenterhook.adapters.listen;

import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;
import tenterhook.core.listen.SoundOutput;
import tenterhook.core.listen.SoundOutput.SoundLost;
import tenterhook.core.listen.SoundOutputs;

/** The machine's sound cards, by the Java Sound interface of the JDK. */
public final class SoundCards implements SoundOutputs {
  private static final AudioFormat FORMAT = new AudioFormat(SoundOutput.RATE, 16, 2, true, false);
  private static final DataLine.Info LINE = new DataLine.Info(SourceDataLine.class, FORMAT);

  /**
   * What a device holds: short enough that a key is heard at once, long enough not to break off.
   */
  private static final int BUFFER_FRAMES = SoundOutput.RATE * 60 / 1000;

  @Override
  public List<String> names() {
    List<String> names = new ArrayList<>();
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      if (AudioSystem.getMixer(info).isLineSupported(LINE)) {
        names.add(info.getName());
      }
    }
    return names;
  }

  @Override
  public SoundOutput open(String name) throws SoundLost {
    try {
      SourceDataLine line = line(name);
      line.open(FORMAT, BUFFER_FRAMES * FORMAT.getFrameSize());
      line.start();
      return new Card(line);
    } catch (LineUnavailableException | IllegalArgumentException | SecurityException trouble) {
      throw new SoundLost("the sound device cannot be used: " + trouble.getMessage(), trouble);
    }
  }

  private static SourceDataLine line(String name) throws LineUnavailableException {
    for (Mixer.Info info : AudioSystem.getMixerInfo()) {
      Mixer mixer = AudioSystem.getMixer(info);
      if (info.getName().equals(name) && mixer.isLineSupported(LINE)) {
        return (SourceDataLine) mixer.getLine(LINE);
      }
    }
    return (SourceDataLine) AudioSystem.getLine(LINE);
  }

  /** An open card. */
  private static final class Card implements SoundOutput {
    private final SourceDataLine line;
    private byte[] bytes = new byte[0];
    private long base;

    Card(SourceDataLine line) {
      this.line = line;
    }

    @Override
    public void write(float[] samples, int frames) throws SoundLost {
      int count = frames * FORMAT.getFrameSize();
      if (bytes.length < count) {
        bytes = new byte[count];
      }
      for (int i = 0; i < frames * 2; i++) {
        int value = Math.round(Math.clamp(samples[i], -1f, 1f) * 32_767);
        bytes[2 * i] = (byte) value;
        bytes[2 * i + 1] = (byte) (value >> 8);
      }
      if (line.write(bytes, 0, count) < count && !line.isOpen()) {
        throw new SoundLost("the sound device is gone", new IllegalStateException("line closed"));
      }
    }

    @Override
    public void flush() {
      line.stop();
      line.flush();
      base = line.getLongFramePosition();
      line.start();
    }

    @Override
    public long heard() {
      return Math.max(0, line.getLongFramePosition() - base);
    }

    @Override
    public boolean silent() {
      return false;
    }

    @Override
    public void close() {
      line.close();
    }
  }
}
