package tenterhook.adapters.tagfile.mpeg;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.container.AudioProperties;

/**
 * The frames of MPEG audio (ISO 11172-3, 2.4.1; ISO 13818-3): how long it plays follows from the
 * count of frames that encoders leave in the first one, else from the sizes of the first frames.
 */
final class MpegFrames {
  private static final int LOOKED_THROUGH_FIRST = 1 << 13;
  private static final int LOOKED_THROUGH = 1 << 17;
  private static final int VBRI_AT = 36;

  /** The letters "Info", by which encoders say that the bit rate is constant. */
  private static final int CONSTANT = 0x496E666F;

  private static final int[][] KBPS = {
    {0, 32, 64, 96, 128, 160, 192, 224, 256, 288, 320, 352, 384, 416, 448},
    {0, 32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384},
    {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320},
    {0, 32, 48, 56, 64, 80, 96, 112, 128, 144, 160, 176, 192, 224, 256},
    {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160}
  };
  private static final int[] RATES = {44_100, 48_000, 32_000};

  private MpegFrames() {}

  /**
   * The head of a frame.
   *
   * @param version 1 for MPEG-1, 2 for MPEG-2, 4 for what is called MPEG-2.5
   * @param layer 1 to 3
   * @param kbps bit rate
   * @param rate samples a second
   * @param length bytes to the next frame
   * @param mono whether it has one channel
   */
  private record Head(int version, int layer, int kbps, int rate, int length, boolean mono) {
    int samples() {
      return layer == 1 ? 384 : layer == 3 && version > 1 ? 576 : 1152;
    }

    /** Where encoders leave their count, behind the side information of layer III. */
    int countAt() {
      boolean first = version == 1;
      return 4 + (mono ? first ? 17 : 9 : first ? 32 : 17);
    }

    boolean like(Head other) {
      return version == other.version && layer == other.layer && rate == other.rate;
    }
  }

  private static Optional<Head> head(int bits) {
    int version = bits >> 19 & 3;
    int layer = 4 - (bits >> 17 & 3);
    int rate = bits >> 10 & 3;
    int kbps = bits >> 12 & 15;
    if (bits >>> 21 != 0x7FF || version == 1 || layer == 4 || rate == 3 || kbps % 15 == 0) {
      return Optional.empty();
    }
    int divisor = version == 3 ? 1 : version == 2 ? 2 : 4;
    int hertz = RATES[rate] / divisor;
    int table = divisor == 1 ? layer - 1 : layer == 1 ? 3 : 4;
    int rated = KBPS[table][kbps];
    int padding = bits >> 9 & 1;
    int length =
        layer == 1
            ? (12_000 * rated / hertz + padding) * 4
            : (layer == 3 && divisor > 1 ? 72_000 : 144_000) * rated / hertz + padding;
    return Optional.of(new Head(divisor, layer, rated, hertz, length, (bits >> 6 & 3) == 3));
  }

  /** What the frames in a stretch of a file say; of no sample rate when there are none. */
  static AudioProperties properties(FileBytes in, ByteSpan sound) throws IOException {
    AudioProperties soon = properties(in, sound, LOOKED_THROUGH_FIRST);
    return soon.sampleRate() > 0 || sound.length() <= LOOKED_THROUGH_FIRST
        ? soon
        : properties(in, sound, LOOKED_THROUGH);
  }

  private static AudioProperties properties(FileBytes in, ByteSpan sound, int most)
      throws IOException {
    ByteBuffer bytes = in.buffer(sound.from(), Math.min(most, sound.length()));
    int at = first(bytes, sound.length());
    if (at < 0) {
      return new AudioProperties("mp3", 0, 0, 0);
    }
    Head head = head(bytes.getInt(at)).orElseThrow();
    long length = sound.length() - at;
    long frames = counted(bytes, at, head);
    if (frames > 0) {
      double seconds = (double) frames * head.samples() / head.rate();
      int next = at + head.length();
      boolean constant = at + head.countAt() + 4 <= bytes.limit() && next + 4 <= bytes.limit();
      if (constant && bytes.getInt(at + head.countAt()) == CONSTANT) {
        int kbps = head(bytes.getInt(next)).map(Head::kbps).orElse(head.kbps());
        return new AudioProperties("mp3", seconds, kbps, head.rate());
      }
      return AudioProperties.of("mp3", seconds, length, head.rate());
    }
    double kbps = average(bytes, at, head);
    double seconds = length * 8 / kbps / 1000;
    return new AudioProperties("mp3", seconds, (int) Math.round(kbps), head.rate());
  }

  /** The first frame that another one of its kind follows, or that is the only one. */
  private static int first(ByteBuffer bytes, long length) {
    for (int at = 0; at + 4 <= bytes.limit(); at++) {
      if (bytes.get(at) != -1) {
        continue;
      }
      Optional<Head> head = head(bytes.getInt(at));
      if (head.isPresent() && followed(bytes, at, head.get(), length)) {
        return at;
      }
    }
    return -1;
  }

  private static boolean followed(ByteBuffer bytes, int at, Head head, long length) {
    int next = at + head.length();
    if (next + 4 > bytes.limit()) {
      return next >= length - 4;
    }
    return head(bytes.getInt(next)).filter(head::like).isPresent();
  }

  /** The count of frames that an encoder left in the first one; 0 when it left none. */
  private static long counted(ByteBuffer bytes, int at, Head head) {
    int mark = at + head.countAt();
    if (mark + 12 <= bytes.limit()) {
      int letters = bytes.getInt(mark);
      boolean marked = letters == 0x58696E67 || letters == CONSTANT; // "Xing" else
      if (marked && (bytes.getInt(mark + 4) & 1) != 0) {
        return Integer.toUnsignedLong(bytes.getInt(mark + 8));
      }
    }
    int other = at + VBRI_AT;
    boolean there = other + 18 <= bytes.limit() && bytes.getInt(other) == 0x56425249; // "VBRI"
    return there ? Integer.toUnsignedLong(bytes.getInt(other + 14)) : 0;
  }

  /** The average bit rate of the first frames. */
  private static double average(ByteBuffer bytes, int from, Head first) {
    int at = from;
    int count = 0;
    double all = 0;
    Optional<Head> head = Optional.of(first);
    while (head.isPresent()) {
      all += head.get().kbps();
      count++;
      at += head.get().length();
      head =
          at + 4 <= bytes.limit() ? head(bytes.getInt(at)).filter(first::like) : Optional.empty();
    }
    return all / count;
  }
}
