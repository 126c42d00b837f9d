package tenterhook.core.measure;

/** Cuts a stream into overlapping frames of one length; the hop may be a fraction of a sample. */
final class FrameSplitter {
  /** Takes a frame. */
  interface Sink {
    /**
     * Takes a frame.
     *
     * @param samples holds it
     * @param from where it begins
     */
    void frame(float[] samples, int from);
  }

  private final int size;
  private final double hop;
  private final Sink sink;
  private final float[] held;
  private int filled;
  private long heldFrom;
  private long frames;

  FrameSplitter(int size, double hop, Sink sink) {
    this.size = size;
    this.hop = hop;
    this.sink = sink;
    this.held = new float[size * 2 + 8192];
  }

  /** Takes the next samples of the stream. */
  void add(float[] samples, int count) {
    for (int from = 0; from < count; ) {
      int room = Math.min(count - from, held.length - filled);
      System.arraycopy(samples, from, held, filled, room);
      filled += room;
      from += room;
      cut();
    }
  }

  private void cut() {
    long at = Math.round(frames * hop);
    while (at + size <= heldFrom + filled) {
      if (at >= heldFrom) {
        sink.frame(held, (int) (at - heldFrom));
      }
      frames++;
      at = Math.round(frames * hop);
    }
    int drop = (int) Math.min(filled, Math.max(0, at - heldFrom));
    System.arraycopy(held, drop, held, 0, filled - drop);
    filled -= drop;
    heldFrom += drop;
  }
}
