package tenterhook.core.track;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.BitSet;
import java.util.function.UnaryOperator;

/**
 * Texts in a form made for searching, with a signature each: a bit for every letter and digit, and
 * hashed bits for every pair of bytes that follow one another. A text whose signature lacks a bit
 * of the wanted one cannot contain it, so that few texts are searched themselves. (Superimposed
 * coding: C. Faloutsos and S. Christodoulakis, "Signature files", ACM TOIS 2, 1984.)
 */
final class SearchIndex {
  private static final int DIGITS = 26;
  private static final int OTHERS = 36;
  private static final int OTHER_BITS = 28;
  private static final int SPREAD = 0x9E3779B1;

  private final UnaryOperator<String> form;
  private final PackedTexts texts = new PackedTexts();
  private volatile Signatures signatures = new Signatures(0);

  /**
   * An index without a text.
   *
   * @param form makes a text searchable; equal forms are equal for searching
   */
  SearchIndex(UnaryOperator<String> form) {
    this.form = form;
  }

  /** Three longs a text: its characters, and two of pairs. */
  private record Signatures(long[] characters, long[] pairs, long[] morePairs) {
    Signatures(int room) {
      this(new long[room], new long[room], new long[room]);
    }

    Signatures grown(int room) {
      return new Signatures(
          Arrays.copyOf(characters, room),
          Arrays.copyOf(pairs, room),
          Arrays.copyOf(morePairs, room));
    }

    void sign(int at, byte[] bytes, int from, int to) {
      long own = 0;
      long first = 0;
      long second = 0;
      for (int i = from; i < to; i++) {
        own |= 1L << bit(bytes[i]);
        if (i + 1 < to) {
          int hash = ((bytes[i] & 0xFF) << 8 | bytes[i + 1] & 0xFF) * SPREAD;
          long pair = 1L << (hash >>> 26);
          first |= (hash & 1 << 25) == 0 ? pair : 0;
          second |= (hash & 1 << 25) == 0 ? 0 : pair;
        }
      }
      characters[at] = own;
      pairs[at] = first;
      morePairs[at] = second;
    }

    private static int bit(byte character) {
      if (character >= 'a' && character <= 'z') {
        return character - 'a';
      }
      if (character >= '0' && character <= '9') {
        return DIGITS + character - '0';
      }
      return OTHERS + (character & 0xFF) % OTHER_BITS;
    }
  }

  /** Takes in the texts of a dictionary that it does not have yet. */
  synchronized void follow(PackedTexts source, int upTo) {
    for (int number = texts.size(); number < upTo; number++) {
      if (number == signatures.characters.length) {
        signatures = signatures.grown(Math.max(upTo, number + (number >> 1)));
      }
      texts.add(form.apply(source.text(number)));
      signatures.sign(number, texts.bytes(), texts.from(number), texts.to(number));
    }
  }

  /** How many texts it has taken in. */
  int size() {
    return texts.size();
  }

  /** The searchable form of a text that was taken in. */
  String text(int number) {
    return texts.text(number);
  }

  /** The order of two searchable forms. */
  int compare(int a, int b) {
    return texts.compare(a, b);
  }

  /**
   * The numbers whose searchable form contains a part.
   *
   * @param part in the same form; an empty one is contained in all
   * @param size how many numbers to look through, at most {@link #size}
   */
  BitSet containing(String part, int size) {
    BitSet found = new BitSet(size);
    if (part.isEmpty()) {
      found.set(0, size);
      return found;
    }
    if (!PackedTexts.isWritable(part)) { // half a pair may be part of a whole one
      for (int number = 0; number < size; number++) {
        found.set(number, text(number).contains(part));
      }
      return found;
    }
    search(part.getBytes(StandardCharsets.UTF_8), size, found);
    texts
        .unwritable()
        .forEach(
            (number, text) -> {
              if (number < size) {
                found.set(number, text.contains(part));
              }
            });
    return found;
  }

  private void search(byte[] part, int size, BitSet found) {
    Signatures wanted = new Signatures(1);
    wanted.sign(0, part, 0, part.length);
    long characters = wanted.characters[0];
    long pairs = wanted.pairs[0];
    long morePairs = wanted.morePairs[0];
    boolean exact = part.length == 1 && Signatures.bit(part[0]) < OTHERS;
    Signatures all = signatures;
    byte[] bytes = texts.bytes();
    for (int number = 0; number < size; number++) {
      if ((all.characters[number] & characters) == characters
          && (all.pairs[number] & pairs) == pairs
          && (all.morePairs[number] & morePairs) == morePairs
          && (exact || contains(bytes, texts.from(number), texts.to(number), part))) {
        found.set(number);
      }
    }
  }

  private static boolean contains(byte[] bytes, int from, int to, byte[] part) {
    byte first = part[0];
    for (int i = from; i <= to - part.length; i++) {
      if (bytes[i] == first && Arrays.equals(bytes, i + 1, i + part.length, part, 1, part.length)) {
        return true;
      }
    }
    return false;
  }
}
