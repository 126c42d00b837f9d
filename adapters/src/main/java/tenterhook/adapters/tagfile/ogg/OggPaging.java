package tenterhook.adapters.tagfile.ogg;

import java.util.ArrayList;
import java.util.List;
import tenterhook.adapters.tagfile.bytes.ByteWriter;

/** Puts packets of headers on pages (RFC 3533, 5 and 6). */
final class OggPaging {
  private static final int MOST_SEGMENTS = 255;
  private static final int FULL = 255;

  private final int serial;
  private final List<byte[]> pages = new ArrayList<>();
  private final List<Integer> laces = new ArrayList<>();
  private int sequence;
  private ByteWriter body = ByteWriter.littleEnd();
  private boolean continued;

  private OggPaging(int serial, int sequence) {
    this.serial = serial;
    this.sequence = sequence;
  }

  /**
   * The pages of packets, of which the last page ends with the last packet.
   *
   * @param serial number of the stream
   * @param sequence number of the first page
   */
  static List<byte[]> of(List<byte[]> packets, int serial, int sequence) {
    OggPaging paging = new OggPaging(serial, sequence);
    for (byte[] packet : packets) {
      paging.packet(packet);
    }
    paging.turn(false);
    return paging.pages;
  }

  private void packet(byte[] packet) {
    int at = 0;
    boolean done = false;
    while (!done) {
      if (laces.size() == MOST_SEGMENTS) {
        turn(at > 0);
      }
      int length = Math.min(FULL, packet.length - at);
      laces.add(length);
      byte[] segment = new byte[length];
      System.arraycopy(packet, at, segment, 0, length);
      body.bytes(segment);
      at += length;
      done = length < FULL;
    }
  }

  /** Ends a page; one on which no packet ends has no place in time. */
  private void turn(boolean within) {
    if (laces.isEmpty()) {
      return;
    }
    boolean ends = laces.stream().anyMatch(l -> l < FULL);
    ByteWriter page = ByteWriter.littleEnd().letters("OggS").int8(0);
    page.int8(continued ? OggPage.CONTINUED : 0);
    page.int32(ends ? 0 : -1).int32(ends ? 0 : -1).int32(serial).int32(sequence).int32(0);
    page.int8(laces.size());
    laces.forEach(page::int8);
    pages.add(OggPage.signed(page.bytes(body.toBytes()).toBytes()));
    sequence++;
    continued = within;
    laces.clear();
    body = ByteWriter.littleEnd();
  }
}
