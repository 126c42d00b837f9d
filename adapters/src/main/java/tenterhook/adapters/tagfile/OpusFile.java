package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/** Reads the comments of an Opus file (RFC 7845); it is never written. */
final class OpusFile {
  private static final Map<String, Field<?>> NAMES =
      Map.ofEntries(
          Map.entry("TITLE", Fields.TITLE),
          Map.entry("ARTIST", Fields.ARTIST),
          Map.entry("ALBUM", Fields.ALBUM),
          Map.entry("ALBUMARTIST", Fields.ALBUM_ARTIST),
          Map.entry("COMPOSER", Fields.COMPOSER),
          Map.entry("LABEL", Fields.LABEL),
          Map.entry("DATE", Fields.YEAR),
          Map.entry("TRACKNUMBER", Fields.TRACK),
          Map.entry("TRACKTOTAL", Fields.TRACK_TOTAL),
          Map.entry("GENRE", Fields.GENRE),
          Map.entry("COMMENT", Fields.COMMENT),
          Map.entry("BPM", Fields.BPM),
          Map.entry("KEY", Fields.KEY));

  private OpusFile() {}

  static Reading read(Path file) throws IOException {
    Map<Field<?>, String> values = new HashMap<>();
    try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
      byte[][] packets = OggPages.first(in, 2);
      if (!new String(packets[0], StandardCharsets.ISO_8859_1).startsWith("OpusHead")) {
        throw new IOException("no Opus stream");
      }
      int skip = ByteBuffer.wrap(packets[0]).order(ByteOrder.LITTLE_ENDIAN).getShort(10) & 0xFFFF;
      double seconds = Math.max(0, OggPages.lastGranule(in) - skip) / 48000.0;
      comments(packets[1], values);
      values.put(Fields.DURATION, String.format(Locale.ROOT, "%.3f", seconds));
      values.put(Fields.CODEC, "opus");
      values.put(Fields.SAMPLE_RATE, "48000");
      if (seconds > 0) {
        values.put(Fields.BITRATE, String.valueOf(Math.round(in.length() * 8 / seconds / 1000)));
      }
    }
    return new Reading(values);
  }

  private static void comments(byte[] packet, Map<Field<?>, String> values) {
    ByteBuffer in = ByteBuffer.wrap(packet).order(ByteOrder.LITTLE_ENDIAN);
    in.position(8);
    in.position(in.position() + 4 + in.getInt(in.position()));
    int count = in.getInt();
    for (int i = 0; i < count; i++) {
      byte[] bytes = new byte[in.getInt()];
      in.get(bytes);
      String[] pair = new String(bytes, StandardCharsets.UTF_8).split("=", 2);
      Field<?> field = NAMES.get(pair[0].toUpperCase(Locale.ROOT));
      if (field != null && pair.length == 2 && !pair[1].isEmpty()) {
        values.merge(field, pair[1], (a, b) -> a + FieldType.SEPARATOR + b);
      }
    }
  }
}
