package tenterhook.standins.listen;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import tenterhook.core.listen.SoundOutput;
import tenterhook.core.listen.SoundOutputs;

/** One silent device with the timing of a real one, or faster for tests. */
public final class SilentOutputs implements SoundOutputs {
  /** What the device is called. */
  public static final String NAME = "no sound card";

  private static final int BUFFER_FRAMES = SoundOutput.RATE * 60 / 1000;

  private final double speed;
  private final AtomicLong taken = new AtomicLong();
  private volatile float loudest;

  /**
   * A silent device.
   *
   * @param speed 1 for real timing
   */
  public SilentOutputs(double speed) {
    this.speed = speed;
  }

  @Override
  public List<String> names() {
    return List.of(NAME);
  }

  @Override
  public SoundOutput open(String name) {
    return new Silent();
  }

  /** How many frames were ever handed to it. */
  public long taken() {
    return taken.get();
  }

  /** The highest sample that was ever handed to it. */
  public float loudest() {
    return loudest;
  }

  private final class Silent implements SoundOutput {
    private long started = System.nanoTime();
    private long written;

    @Override
    public void write(float[] samples, int frames) {
      for (int i = 0; i < frames * 2; i++) {
        loudest = Math.max(loudest, Math.abs(samples[i]));
      }
      if (clock() > written) {
        started = System.nanoTime() - (long) (written / speed / RATE * 1e9); // it ran dry
      }
      written += frames;
      taken.addAndGet(frames);
      while (written - clock() > BUFFER_FRAMES) {
        LockSupport.parkNanos((long) ((written - clock() - BUFFER_FRAMES) / speed / RATE * 1e9));
      }
    }

    private long clock() {
      return (long) ((System.nanoTime() - started) / 1e9 * RATE * speed);
    }

    @Override
    public void flush() {
      written = 0;
      started = System.nanoTime();
    }

    @Override
    public long heard() {
      return Math.min(written, clock());
    }

    @Override
    public boolean silent() {
      return true;
    }

    @Override
    public void close() {
      written = 0;
    }
  }
}
