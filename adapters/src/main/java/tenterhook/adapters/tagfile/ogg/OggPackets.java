package tenterhook.adapters.tagfile.ogg;

import java.io.IOException;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;

/** What the pages of a file hold, whatever their boundaries are. */
final class OggPackets {
  private static final int LAST = 1 << 16;

  private final FileBytes in;

  OggPackets(FileBytes in) {
    this.in = in;
  }

  /**
   * Takes in every packet of every stream except the second, which holds comments; and what stands
   * behind the last page.
   */
  void digestSound(MessageDigest digest) throws IOException {
    Map<Integer, Integer> packets = new HashMap<>();
    long at = 0;
    for (Optional<OggPage> page = OggPage.at(in, at); page.isPresent(); page = OggPage.at(in, at)) {
      OggPage here = page.get();
      int packet = here.first() ? 0 : packets.getOrDefault(here.serial(), 0);
      packets.put(here.serial(), digest(here, packet, digest));
      at = here.end();
    }
    in.digest(new ByteSpan(at, in.length()), digest);
  }

  /** Takes in a page; the number of the packet in which it ends. */
  private static int digest(OggPage page, int first, MessageDigest digest) {
    int packet = first;
    int at = page.bodyAt();
    for (int i = 0; i < page.segments(); i++) {
      int length = page.segment(i);
      if (packet != 1) {
        digest.update(page.bytes(), at, length);
      }
      packet += length < 255 ? 1 : 0;
      at += length;
    }
    return packet;
  }

  /** Takes in what the pages hold that begin in the last stretch of the file, headers left out. */
  void digestLast(long headersEnd, MessageDigest digest) throws IOException {
    int window = Math.clamp(in.length() - headersEnd, 0, LAST);
    byte[] tail = in.read(in.length() - window, window);
    int at = 0;
    while (at + OggPage.HEAD <= window) {
      if (tail[at] != 'O' || tail[at + 1] != 'g' || tail[at + 2] != 'g' || tail[at + 3] != 'S') {
        at++;
        continue;
      }
      int body = at + OggPage.HEAD + (tail[at + OggPage.HEAD - 1] & 0xFF);
      int end = body;
      for (int i = at + OggPage.HEAD; i < Math.min(body, window); i++) {
        end += tail[i] & 0xFF;
      }
      if (end <= window) {
        digest.update(tail, body, end - body);
      }
      at = Math.max(end, at + OggPage.HEAD);
    }
  }
}
