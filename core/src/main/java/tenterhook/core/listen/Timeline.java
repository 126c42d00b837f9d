package tenterhook.core.listen;

import java.util.ArrayDeque;
import java.util.Deque;

/**
 * Which frame of a track is heard, when frames were handed to a device in stretches that need not
 * follow one another: behind a loop comes its beginning.
 */
public final class Timeline {
  private static final int MOST = 64;

  /** From this frame of the device on, the track goes on from this place. */
  private record TimelineSpan(long device, long track) {}

  private final Deque<TimelineSpan> stretches = new ArrayDeque<>();
  private long written;

  /** Nothing is on its way; the next frame handed over is this one of the track. */
  public void restart(long track) {
    stretches.clear();
    written = 0;
    stretches.add(new TimelineSpan(0, track));
  }

  /** Frames were handed over. */
  public void wrote(int frames) {
    written += frames;
  }

  /** The next frame handed over is this one of the track. */
  public void jump(long track) {
    stretches.addLast(new TimelineSpan(written, track));
    if (stretches.size() > MOST) {
      stretches.removeFirst();
    }
  }

  /**
   * The frame of the track that is heard.
   *
   * @param heard how many frames the device has played since {@link #restart}
   */
  public long at(long heard) {
    long device = Math.min(heard, written);
    TimelineSpan current = new TimelineSpan(0, 0);
    for (TimelineSpan one : stretches) {
      if (one.device <= device) {
        current = one;
      }
    }
    return current.track + device - current.device;
  }

  /** How many frames were handed over since {@link #restart}. */
  public long written() {
    return written;
  }
}
