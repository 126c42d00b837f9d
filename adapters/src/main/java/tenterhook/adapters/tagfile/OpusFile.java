package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jaudiotagger.tag.vorbiscomment.VorbisCommentTag;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/** Reads the comments of an Opus file (RFC 7845); it is never written. */
final class OpusFile {
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
      technical(values, seconds, in.length());
    }
    return new Reading(values);
  }

  private static void technical(Map<Field<?>, String> values, double seconds, long bytes) {
    values.put(Fields.DURATION, String.format(Locale.ROOT, "%.3f", seconds));
    values.put(Fields.CODEC, "opus");
    values.put(Fields.SAMPLE_RATE, "48000");
    if (seconds > 0) {
      values.put(Fields.BITRATE, String.valueOf(Math.round(bytes * 8 / seconds / 1000)));
    }
  }

  private static void comments(byte[] packet, Map<Field<?>, String> values) {
    Map<String, List<String>> comments = parsed(packet);
    for (Field<?> field : TagMap.fields()) {
      field.tags().orElseThrow().vorbis().stream()
          .filter(comments::containsKey)
          .findFirst()
          .map(name -> raw(field, comments.get(name)))
          .filter(raw -> !raw.isEmpty())
          .ifPresent(raw -> values.put(field, raw));
    }
  }

  private static String raw(Field<?> field, List<String> all) {
    if (field == Fields.RATING) {
      return Ratings.fromTag(all.getFirst(), new VorbisCommentTag());
    }
    return field.type().numeric()
        ? all.getFirst()
        : String.join(String.valueOf(FieldType.SEPARATOR), all);
  }

  /** The values of each name, which is in capitals here; those without a value are left out. */
  private static Map<String, List<String>> parsed(byte[] packet) {
    ByteBuffer in = ByteBuffer.wrap(packet).order(ByteOrder.LITTLE_ENDIAN);
    in.position(8);
    in.position(in.position() + 4 + in.getInt(in.position()));
    Map<String, List<String>> comments = new HashMap<>();
    int count = in.getInt();
    for (int i = 0; i < count; i++) {
      byte[] bytes = new byte[in.getInt()];
      in.get(bytes);
      String[] pair = new String(bytes, StandardCharsets.UTF_8).split("=", 2);
      if (pair.length == 2 && !pair[1].isEmpty()) {
        comments
            .computeIfAbsent(pair[0].toUpperCase(Locale.ROOT), name -> new ArrayList<>())
            .add(pair[1]);
      }
    }
    return comments;
  }
}
