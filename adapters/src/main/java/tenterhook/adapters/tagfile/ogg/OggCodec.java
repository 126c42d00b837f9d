package tenterhook.adapters.tagfile.ogg;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The codecs whose comments are known, by how their headers begin. */
enum OggCodec {
  /** Vorbis I, 4.2. */
  VORBIS("\u0001vorbis", "\u0003vorbis", 3),
  /** RFC 7845, 5. */
  OPUS("OpusHead", "OpusTags", 2),
  /** RFC 9639, 10.1. */
  FLAC("\u007fFLAC", "", 2),
  /** The Speex manual, 7. */
  SPEEX("Speex   ", "", 2);

  /** Opus counts time in these, whatever the rate of what was coded. */
  private static final int OPUS_RATE = 48_000;

  /** Where stream information begins in the first packet of FLAC. */
  static final int FLAC_INFO = 17;

  private static final int FLAC_BLOCK_HEAD = 4;
  private static final int FLAC_COMMENT = 4;

  private final byte[] first;
  private final byte[] second;
  private final int headers;

  OggCodec(String first, String second, int headers) {
    this.first = first.getBytes(StandardCharsets.ISO_8859_1);
    this.second = second.getBytes(StandardCharsets.ISO_8859_1);
    this.headers = headers;
  }

  /** The codec of a stream that begins with a packet. */
  static Optional<OggCodec> of(byte[] packet) {
    return Arrays.stream(values()).filter(c -> starts(packet, c.first)).findFirst();
  }

  private static boolean starts(byte[] packet, byte[] with) {
    return packet.length >= with.length
        && Arrays.equals(packet, 0, with.length, with, 0, with.length);
  }

  /**
   * How many packets of headers a stream has at least, of which the second holds the comments. Of
   * FLAC those behind it are not touched.
   */
  int headers() {
    return headers;
  }

  /** Where comments begin in the second packet; -1 when it holds none. */
  int commentAt(byte[] packet) {
    if (this == FLAC) {
      boolean comment = packet.length >= FLAC_BLOCK_HEAD && (packet[0] & 0x7F) == FLAC_COMMENT;
      return comment ? FLAC_BLOCK_HEAD : -1;
    }
    return starts(packet, second) ? second.length : -1;
  }

  /** Whether what stands behind comments may be zeros, of any number. */
  boolean padded() {
    return this == VORBIS || this == OPUS;
  }

  /** The rate in which the first packet counts time; 0 when it is too short. */
  int rate(byte[] packet) {
    ByteBuffer in = ByteBuffer.wrap(packet).order(ByteOrder.LITTLE_ENDIAN);
    return switch (this) {
      case OPUS -> OPUS_RATE;
      case VORBIS -> packet.length < 16 ? 0 : in.getInt(12);
      case SPEEX -> packet.length < 40 ? 0 : in.getInt(36);
      case FLAC ->
          packet.length < FLAC_INFO + 14
              ? 0
              : in.order(ByteOrder.BIG_ENDIAN).getInt(FLAC_INFO + 10) >>> 12;
    };
  }

  /** The samples at the beginning that are not played. */
  int skipped(byte[] packet) {
    return this == OPUS && packet.length >= 12
        ? ByteBuffer.wrap(packet).order(ByteOrder.LITTLE_ENDIAN).getShort(10) & 0xFFFF
        : 0;
  }

  /** The name of what is coded. */
  String label() {
    return name().toLowerCase(Locale.ROOT);
  }
}
