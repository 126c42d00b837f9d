package tenterhook.core.listen;

/** An open way out for sound: two channels at {@value #RATE} frames a second. */
public interface SoundOutput extends AutoCloseable {
  /** Frames a second. */
  int RATE = 44_100;

  /**
   * Hands frames over; waits while the device has enough.
   *
   * @param samples left and right in turn, full scale at 1
   * @param frames how many frames of them
   * @throws SoundLost when the device is gone
   */
  void write(float[] samples, int frames) throws SoundLost;

  /** Forgets what was handed over and not yet heard; counting starts anew. */
  void flush();

  /** How many frames were heard since the last flush, or since it was opened. */
  long heard();

  /** Whether nothing can be heard, since no device is behind it. */
  boolean silent();

  @Override
  void close();

  /** A device that can no longer be used. */
  final class SoundLost extends Exception {
    /** With what happened in plain words. */
    public SoundLost(String message, Throwable cause) {
      super(message, cause);
    }
  }
}
