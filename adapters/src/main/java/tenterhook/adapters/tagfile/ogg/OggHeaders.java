package tenterhook.adapters.tagfile.ogg;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;

/**
 * The headers of the first stream of a file whose codec is known.
 *
 * @param codec how its sound is coded
 * @param serial the number of the stream
 * @param packets its packets of headers, and what else ends on their last page
 * @param pages the pages from that on which comments begin to that on which the headers end, those
 *     of other streams between them included
 * @param alone whether no sound is on these pages, as the standards want it
 */
record OggHeaders(
    OggCodec codec, int serial, List<byte[]> packets, List<OggPage> pages, boolean alone) {
  private static final int MOST_PAGES = 100_000;

  /** A stream that is being read. */
  private static final class Stream {
    private final int serial;
    private final List<byte[]> packets = new ArrayList<>();
    private final ByteArrayOutputStream open = new ByteArrayOutputStream();

    Stream(int serial) {
      this.serial = serial;
    }

    void take(OggPage page) {
      int at = page.bodyAt();
      for (int i = 0; i < page.segments(); i++) {
        int length = page.segment(i);
        open.write(page.bytes(), at, length);
        at += length;
        if (length < 255) {
          packets.add(open.toByteArray());
          open.reset();
        }
      }
    }
  }

  /**
   * Reads the headers.
   *
   * @throws Malformed when there is no such stream, or its headers are cut off
   * @throws IOException when the file cannot be read
   */
  static OggHeaders read(FileBytes in) throws IOException {
    Map<Integer, Stream> streams = new HashMap<>();
    Optional<Stream> found = Optional.empty();
    List<OggPage> pages = new ArrayList<>();
    long at = 0;
    for (int count = 0; count < MOST_PAGES; count++) {
      OggPage page = OggPage.at(in, at).orElseThrow(() -> cut(in));
      at = page.end();
      if (page.first()) {
        streams.put(page.serial(), new Stream(page.serial()));
      }
      if (found.isEmpty() || found.get().serial == page.serial()) {
        Optional.ofNullable(streams.get(page.serial())).ifPresent(s -> s.take(page));
      }
      if (found.isEmpty()) {
        found = streams.values().stream().filter(OggHeaders::known).findFirst();
        continue;
      }
      if (!pages.isEmpty() || page.serial() == found.get().serial) {
        pages.add(page);
      }
      Stream stream = found.get();
      OggCodec codec = OggCodec.of(stream.packets.getFirst()).orElseThrow();
      if (stream.packets.size() >= codec.headers() && ends(stream, page)) {
        boolean alone = page.granule() == 0;
        List<byte[]> packets = List.copyOf(stream.packets);
        return new OggHeaders(codec, stream.serial, packets, List.copyOf(pages), alone);
      }
    }
    throw cut(in);
  }

  /** Whether nothing goes on to the next page, or what does is sound already. */
  private static boolean ends(Stream stream, OggPage page) {
    return stream.open.size() == 0 || page.granule() > 0;
  }

  private static boolean known(Stream stream) {
    return !stream.packets.isEmpty() && OggCodec.of(stream.packets.getFirst()).isPresent();
  }

  private static Malformed cut(FileBytes in) {
    return new Malformed(
        "it ends after "
            + Malformed.amount(in.length())
            + ", before a stream of sound that is known begins");
  }
}
