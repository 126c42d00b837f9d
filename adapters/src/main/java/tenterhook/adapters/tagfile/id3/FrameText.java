package tenterhook.adapters.tagfile.id3;

import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tenterhook.core.text.CodePages;

/**
 * How a frame spells text (ID3v2.4 structure, 4): its encoding, and whether the last text ends with
 * a terminator.
 *
 * @param encoding 0 for Latin-1, 1 for UTF-16 with a mark of its order, 2 for UTF-16 with its big
 *     end first, 3 for UTF-8
 * @param bigEnd the order of encoding 1
 * @param terminated whether a terminator stands behind the last text
 */
record FrameText(int encoding, boolean bigEnd, boolean terminated) {
  static final int LATIN = 0;
  static final int UTF16 = 1;
  static final int UTF16_BIG_END = 2;
  static final int UTF8 = 3;

  /** How a frame spells its text, by the byte of its encoding and what follows. */
  static FrameText of(byte[] content, int textFrom) {
    int encoding = content.length == 0 ? LATIN : content[0];
    boolean wide = wide(encoding);
    int length = content.length - textFrom;
    boolean terminated =
        wide
            ? length >= 2 && length % 2 == 0 && zeroPair(content, content.length - 2)
            : length >= 1 && content[content.length - 1] == 0;
    boolean bigEnd = length >= 2 && content[textFrom] == -2 && content[textFrom + 1] == -1;
    return new FrameText(encoding, bigEnd, terminated);
  }

  static boolean wide(int encoding) {
    return encoding == UTF16 || encoding == UTF16_BIG_END;
  }

  private static boolean zeroPair(byte[] bytes, int at) {
    return bytes[at] == 0 && bytes[at + 1] == 0;
  }

  /** The place of the terminator of the text that begins somewhere; the end when there is none. */
  static int end(int encoding, byte[] bytes, int from) {
    if (!wide(encoding)) {
      int at = from;
      while (at < bytes.length && bytes[at] != 0) {
        at++;
      }
      return at;
    }
    for (int at = from; at + 1 < bytes.length; at += 2) {
      if (zeroPair(bytes, at)) {
        return at;
      }
    }
    return bytes.length;
  }

  /** How many bytes a terminator has. */
  static int terminator(int encoding) {
    return wide(encoding) ? 2 : 1;
  }

  /** All texts from a place on; those at the end that are empty are left out. */
  static List<String> decode(int encoding, byte[] bytes, int from) {
    List<String> texts = new ArrayList<>();
    boolean bigEnd = encoding == UTF16_BIG_END;
    int at = from;
    while (at < bytes.length) {
      int end = end(encoding, bytes, at);
      if (encoding == UTF16) {
        bigEnd = bigEnd(bytes, at, end, texts.isEmpty(), bigEnd);
      }
      texts.add(text(encoding, bigEnd, Arrays.copyOfRange(bytes, at, end)));
      at = end + terminator(encoding);
    }
    while (!texts.isEmpty() && texts.getLast().isEmpty()) {
      texts.removeLast();
    }
    return texts;
  }

  /**
   * The order of a text by its mark; without one that of the text before, or by where zeros are.
   */
  private static boolean bigEnd(byte[] bytes, int from, int to, boolean first, boolean before) {
    if (to - from >= 2) {
      int mark = (bytes[from] & 0xFF) << 8 | bytes[from + 1] & 0xFF;
      if (mark == 0xFEFF || mark == 0xFFFE) {
        return mark == 0xFEFF;
      }
      if (first) {
        return bytes[from] == 0;
      }
    }
    return before;
  }

  private static String text(int encoding, boolean bigEnd, byte[] bytes) {
    String text = new String(bytes, charset(encoding, bigEnd));
    return text.startsWith("\uFEFF") ? text.substring(1) : text;
  }

  private static Charset charset(int encoding, boolean bigEnd) {
    return switch (encoding) {
      case UTF16 -> bigEnd ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_16LE;
      case UTF16_BIG_END -> StandardCharsets.UTF_16BE;
      case UTF8 -> StandardCharsets.UTF_8;
      default -> StandardCharsets.ISO_8859_1;
    };
  }

  /** The same way to spell, or one that has all letters of some texts in a version of ID3v2. */
  FrameText fitting(List<String> texts, int version) {
    boolean known = encoding >= LATIN && encoding <= (version == 4 ? UTF8 : UTF16);
    Charset charset = charset(encoding, bigEnd);
    return known && texts.stream().allMatch(t -> CodePages.encoded(t, charset).isPresent())
        ? this
        : new FrameText(version == 4 ? UTF8 : UTF16, false, terminated);
  }

  /** Texts with terminators between them. */
  byte[] encode(List<String> texts) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (int i = 0; i < texts.size(); i++) {
      String marked = encoding == UTF16 ? "\uFEFF" + texts.get(i) : texts.get(i);
      out.writeBytes(marked.getBytes(charset(encoding, bigEnd)));
      if (terminated || i + 1 < texts.size()) {
        out.writeBytes(new byte[terminator(encoding)]);
      }
    }
    return out.toByteArray();
  }

  /** A text with its terminator. */
  byte[] closed(String text) {
    return new FrameText(encoding, bigEnd, true).encode(List.of(text));
  }
}
