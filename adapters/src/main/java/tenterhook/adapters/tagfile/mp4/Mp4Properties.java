package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.AudioProperties;

/** What the description of a movie says of its first track of sound (ISO 14496-12, 8.4 and 8.5). */
final class Mp4Properties {
  private static final int ENTRY_AT = 8;
  private static final int ENTRY_LENGTH = 36;
  private static final int RATE_AT = 32;

  private Mp4Properties() {}

  /** A length of time in ticks, of which so many are a second. */
  private record Ticks(long perSecond, long count) {
    double seconds() {
      return perSecond <= 0 || count < 0 ? 0 : (double) count / perSecond;
    }
  }

  static AudioProperties read(FileBytes in, Mp4Box movie, long bytes) throws IOException {
    for (Mp4Box track : movie.children(in, 0)) {
      if (track.type().equals("trak") && isSound(in, track)) {
        Optional<Mp4Box> header = Mp4Box.deeper(in, track, "mdia", "mdhd");
        Ticks ticks = header.isEmpty() ? new Ticks(0, 0) : ticks(in, header.get());
        double seconds = ticks.count() == 0 ? fragments(in, movie) : ticks.seconds();
        Optional<Mp4Box> entries = Mp4Box.deeper(in, track, "mdia", "minf", "stbl", "stsd");
        return described(in, entries, seconds, bytes);
      }
    }
    throw new Malformed("it has no track of sound");
  }

  private static boolean isSound(FileBytes in, Mp4Box track) throws IOException {
    Optional<Mp4Box> handler = Mp4Box.deeper(in, track, "mdia", "hdlr");
    return handler.isPresent() && in.letters(handler.get().from() + 8, 4).equals("soun");
  }

  /** The ticks in the head of a movie or a medium, whose layouts are the same so far. */
  private static Ticks ticks(FileBytes in, Mp4Box box) throws IOException {
    boolean wide = in.read(box.from(), 1)[0] == 1;
    ByteBuffer numbers = in.buffer(box.from() + (wide ? 20 : 12), wide ? 12 : 8);
    long perSecond = Integer.toUnsignedLong(numbers.getInt());
    long count = wide ? numbers.getLong() : Integer.toUnsignedLong(numbers.getInt());
    return new Ticks(perSecond, !wide && count == 0xFFFFFFFFL ? 0 : count);
  }

  /** How long a movie in fragments is, where it says so. */
  private static double fragments(FileBytes in, Mp4Box movie) throws IOException {
    Optional<Mp4Box> header = movie.child(in, "mvhd");
    Optional<Mp4Box> extent = Mp4Box.deeper(in, movie, "mvex", "mehd");
    if (header.isEmpty() || extent.isEmpty()) {
      return 0;
    }
    boolean wide = in.read(extent.get().from(), 1)[0] == 1;
    ByteBuffer count = in.buffer(extent.get().from() + 4, wide ? 8 : 4);
    long ticks = wide ? count.getLong() : Integer.toUnsignedLong(count.getInt());
    return new Ticks(ticks(in, header.get()).perSecond(), ticks).seconds();
  }

  private static AudioProperties described(
      FileBytes in, Optional<Mp4Box> entries, double seconds, long bytes) throws IOException {
    if (entries.isEmpty() || entries.get().to() - entries.get().from() < ENTRY_AT + ENTRY_LENGTH) {
      throw new Malformed("it does not say how its sound is coded");
    }
    long at = entries.get().from() + ENTRY_AT;
    String type = in.letters(at + 4, 4);
    int rate = in.buffer(at + RATE_AT, 4).getInt() >>> 16;
    if (type.equals("alac") && in.letters(at + ENTRY_LENGTH + 4, 4).equals("alac")) {
      rate = in.buffer(at + ENTRY_LENGTH + 12 + 20, 4).getInt();
    }
    return AudioProperties.of(codec(type), seconds, bytes, Math.max(0, rate));
  }

  private static String codec(String type) {
    return switch (type) {
      case "mp4a" -> "aac";
      case "fLaC" -> "flac";
      case "ac-3" -> "ac3";
      case "Opus" -> "opus";
      default -> type.strip();
    };
  }
}
