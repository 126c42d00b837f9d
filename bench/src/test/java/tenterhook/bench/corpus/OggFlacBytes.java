package tenterhook.bench.corpus;

import static tenterhook.bench.corpus.VorbisBytes.line;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Writes FLAC in Ogg (RFC 9639, 10.1). */
final class OggFlacBytes {
  private OggFlacBytes() {}

  static byte[] file(byte[] flac, byte[] comment) {
    byte[] info = Arrays.copyOfRange(flac, 4, 4 + 4 + 34);
    info[0] = 0;
    byte[] first =
        TagBytes.joined(
            new byte[] {0x7F}, line("FLAC"), new byte[] {1, 0, 0, 1}, line("fLaC"), info);
    byte[] block = VorbisBytes.block(4, comment);
    block[0] |= (byte) 0x80;
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    List<byte[]> packets = new ArrayList<>(List.of(first, block));
    packets.addAll(frames(flac));
    OggBytes pages = OggBytes.ofPackets(packets, blockSize(flac));
    out.writeBytes(pages.with(block, 4713));
    return out.toByteArray();
  }

  private static int blockSize(byte[] flac) {
    return ByteBuffer.wrap(flac).getShort(8) & 0xFFFF;
  }

  /** Frames by their sync code and the number of the frame, which counts up from 0. */
  private static List<byte[]> frames(byte[] flac) {
    int at = 4;
    boolean last = false;
    while (!last) {
      int head = ByteBuffer.wrap(flac).getInt(at);
      last = head < 0;
      at += 4 + (head & 0xFFFFFF);
    }
    List<byte[]> frames = new ArrayList<>();
    int from = at;
    for (int i = at + 1; i + 5 < flac.length; i++) {
      boolean sync = flac[i] == -1 && flac[i + 1] == flac[at + 1];
      if (sync && flac[i + 4] == frames.size() + 1 && flac[i + 2] >> 4 == flac[at + 2] >> 4) {
        frames.add(Arrays.copyOfRange(flac, from, i));
        from = i;
      }
    }
    frames.add(Arrays.copyOfRange(flac, from, flac.length));
    return frames;
  }
}
