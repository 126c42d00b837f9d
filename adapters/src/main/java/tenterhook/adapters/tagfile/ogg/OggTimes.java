package tenterhook.adapters.tagfile.ogg;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.FileBytes;

/** How many samples a file plays, by the places in time on its pages. */
final class OggTimes {
  private static final int LAST_FIRST = 1 << 14;
  private static final int MOST = 1 << 17;

  private OggTimes() {}

  /** A page of the last stretch: the stream it is of, and its place in time. */
  private record TimeMark(int serial, long granule) {}

  /** The place in time of the last page that has one; -1 when there is none. */
  static long lastGranule(FileBytes in) throws IOException {
    return last(in).map(TimeMark::granule).orElse(-1L);
  }

  private static Optional<TimeMark> last(FileBytes in) throws IOException {
    // a page has at most 65,307 bytes, and most have far less
    Optional<TimeMark> soon = last(in, LAST_FIRST);
    return soon.isPresent() ? soon : last(in, MOST);
  }

  private static Optional<TimeMark> last(FileBytes in, int most) throws IOException {
    int window = (int) Math.min(in.length(), most);
    byte[] tail = in.read(in.length() - window, window);
    ByteBuffer numbers = ByteBuffer.wrap(tail).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = window - OggPage.HEAD; i >= 0; i--) {
      if (tail[i] == 'O' && tail[i + 1] == 'g' && tail[i + 2] == 'g' && tail[i + 3] == 'S') {
        long granule = numbers.getLong(i + 6);
        if (granule != -1) {
          return Optional.of(new TimeMark(numbers.getInt(i + 14), granule));
        }
      }
    }
    return Optional.empty();
  }

  /**
   * The samples that are played. Where the last page is of another stream than the first, all pages
   * are looked at, and the streams of the same codec are added up.
   */
  static long samples(FileBytes in, int serial, OggCodec codec) throws IOException {
    OggPage first = OggPage.at(in, 0).orElseThrow();
    Optional<TimeMark> last = last(in);
    if (last.filter(m -> m.serial() == serial).isPresent() && first.serial() == serial) {
      return last.get().granule() - codec.skipped(body(first));
    }
    Map<Integer, OggCodec> streams = new HashMap<>();
    Map<Integer, Long> ends = new HashMap<>();
    long skipped = 0;
    long at = 0;
    for (Optional<OggPage> page = OggPage.at(in, at); page.isPresent(); page = OggPage.at(in, at)) {
      OggPage here = page.get();
      at = here.end();
      if (here.first()) {
        Optional<OggCodec> known = OggCodec.of(body(here)).filter(c -> c == codec);
        known.ifPresent(c -> streams.put(here.serial(), c));
        skipped += known.map(c -> c.skipped(body(here))).orElse(0);
      }
      if (streams.containsKey(here.serial()) && here.granule() != -1) {
        ends.put(here.serial(), here.granule());
      }
    }
    return ends.values().stream().mapToLong(Long::longValue).sum() - skipped;
  }

  private static byte[] body(OggPage page) {
    return java.util.Arrays.copyOfRange(page.bytes(), page.bodyAt(), page.bytes().length);
  }
}
