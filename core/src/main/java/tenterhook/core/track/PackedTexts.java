package tenterhook.core.track;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * Texts under the numbers from 0, one behind the other as UTF-8: no object a text, and made to
 * strings only as they are asked for. Grows only; one writer, any number of readers, each of whom
 * asks only for numbers that were published to it.
 */
final class PackedTexts {
  private static final int FIRST_BYTES = 64;
  private static final int FIRST_TEXTS = 8;

  private volatile byte[] bytes;

  /** Where each text ends, which is where the next one begins. */
  private volatile int[] ends;

  private volatile int size;

  /** Half surrogates cannot be written as UTF-8; such a text is kept as it is. */
  private final Map<Integer, String> unwritable = new ConcurrentHashMap<>();

  PackedTexts() {
    this(new byte[FIRST_BYTES], new int[FIRST_TEXTS], 0);
  }

  /**
   * Texts that are packed already.
   *
   * @param bytes all texts; taken over
   * @param ends where each ends; taken over
   * @param size how many there are
   */
  PackedTexts(byte[] bytes, int[] ends, int size) {
    this.bytes = bytes;
    this.ends = ends;
    this.size = size;
  }

  int size() {
    return size;
  }

  byte[] bytes() {
    return bytes;
  }

  /** Where a text begins. */
  int from(int number) {
    return number == 0 ? 0 : ends[number - 1];
  }

  /** Where a text ends, exclusive. */
  int to(int number) {
    return ends[number];
  }

  /** All texts that are only here as strings. */
  Map<Integer, String> unwritable() {
    return unwritable;
  }

  String text(int number) {
    int to = ends[number];
    int from = from(number);
    if (from == to) {
      return "";
    }
    if (!unwritable.isEmpty()) {
      String kept = unwritable.get(number);
      if (kept != null) {
        return kept;
      }
    }
    return new String(bytes, from, to - from, StandardCharsets.UTF_8);
  }

  /** Whether a text is these bytes, in which only an unwritable one could be mistaken. */
  boolean equal(int number, byte[] utf8) {
    int from = from(number);
    return Arrays.equals(bytes, from, ends[number], utf8, 0, utf8.length);
  }

  /** Appends a text. */
  int add(String text) {
    byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
    int number = size;
    int from = from(number);
    if (from + utf8.length > bytes.length) {
      bytes = Arrays.copyOf(bytes, Math.max(from + utf8.length, grown(bytes.length)));
    }
    System.arraycopy(utf8, 0, bytes, from, utf8.length);
    if (number == ends.length) {
      ends = Arrays.copyOf(ends, grown(number));
    }
    if (!isWritable(text)) {
      unwritable.put(number, text);
    }
    ends[number] = from + utf8.length;
    size = number + 1;
    return number;
  }

  private static int grown(int length) {
    return length + (length >> 1) + 8;
  }

  /** Whether a text has no half of a surrogate pair. */
  static boolean isWritable(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (Character.isSurrogate(text.charAt(i))) {
        return text.equals(
            new String(text.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8));
      }
    }
    return true;
  }

  /** Compares two texts byte by byte, which is by their code points. */
  int compare(int a, int b) {
    @Nullable String left = unwritable.get(a);
    @Nullable String right = unwritable.get(b);
    if (left != null || right != null) {
      return text(a).compareTo(text(b));
    }
    return Arrays.compareUnsigned(bytes, from(a), ends[a], bytes, from(b), ends[b]);
  }
}
