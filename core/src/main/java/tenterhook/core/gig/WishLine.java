package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.text.Romanized;
import tenterhook.core.text.Versions;

/**
 * A wish taken apart: its words in plain letters, in the pieces that dashes, commas, brackets and
 * "by" make of it. Which words are the title and which the artist is not decided here.
 *
 * @param words in their order
 */
record WishLine(List<Word> words) {
  private static final String PART = "pt";
  private static final Pattern PART_WORD = Pattern.compile(PART + "\\d+");
  private static final Pattern PIECE =
      Pattern.compile("\\s[-–—]+\\s|[|/,;:~\"“”„«»\\t]|(?=[(\\[{])|[)\\]}]|(?i)(?=\\bby\\b)");
  private static final Set<String> NEGATIONS = Set.of("not", "no", "without", "except", "never");
  private static final Set<String> GUESTS = Set.of("feat", "ft", "featuring", "with");
  private static final Set<String> NOTES =
      Set.of(
          "for", "from", "because", "when", "if", "please", "pls", "plz", "maybe", "thanks",
          "thank");
  private static final Set<String> PARTS =
      Set.of("part", "pt", "pts", "parte", "teil", "vol", "volume");

  /** Numbers of parts. */
  static final List<String> ROMAN = List.of("i", "ii", "iii", "iv", "v", "vi", "vii");

  private static final Set<String> FILLERS =
      Set.of(
          "please",
          "pls",
          "play",
          "the",
          "song",
          "track",
          "by",
          "a",
          "can",
          "you",
          "we",
          "want",
          "love",
          "one",
          "version",
          "of",
          "called",
          "and",
          "would",
          "i",
          "like",
          "to",
          "hear",
          "thanks",
          "thx",
          "original",
          "something",
          "could",
          "wed",
          "id",
          "dj",
          "wish",
          "request",
          "plz",
          "xx",
          "xxx",
          "xo",
          "hi",
          "hey",
          "hello",
          "cheers",
          "bitte",
          "danke",
          "spiel",
          "merci",
          "gracias");

  /**
   * A word of a wish.
   *
   * @param text in plain Latin letters
   * @param piece which piece it is in, from 0
   * @param role what it is by itself, when neither title nor artist uses it
   * @param noted whether its piece begins as a note does
   * @param guestSince the place of the word in its piece, such as feat, behind which guests are
   *     named; -1 for none
   */
  record Word(String text, int piece, Role role, boolean noted, int guestSince) {}

  /** What a word is that belongs to no name. */
  enum Role {
    /** It may be a name. */
    NAME,
    /** A version that is asked for. */
    VERSION,
    /** What follows may be a version that is not wanted. */
    NEGATION,
    /** Somebody who plays too. */
    GUEST,
    /** A note to the DJ, politeness. */
    NOTE
  }

  /** Copies. */
  WishLine {
    words = List.copyOf(words);
  }

  /** Takes a line apart. */
  static WishLine of(String line) {
    List<Word> words = new ArrayList<>();
    Matcher separator = PIECE.matcher(line);
    int piece = 0;
    int from = 0;
    while (from <= line.length()) {
      boolean found = separator.find();
      int to = found ? separator.start() : line.length();
      addPiece(line.substring(from, to), piece++, words);
      if (!found) {
        break;
      }
      from = separator.end();
    }
    return new WishLine(words);
  }

  private static void addPiece(String text, int piece, List<Word> words) {
    List<String> texts = words(text);
    boolean note = !texts.isEmpty() && NOTES.contains(texts.getFirst());
    int guest = -1;
    for (String word : texts) {
      guest = guest < 0 && GUESTS.contains(word) ? words.size() : guest;
      words.add(new Word(word, piece, role(word), note, guest));
    }
  }

  private static Role role(String word) {
    if (NEGATIONS.contains(word)) {
      return Role.NEGATION;
    }
    if (GUESTS.contains(word)) {
      return Role.GUEST;
    }
    if (isVersion(word)) {
      return Role.VERSION;
    }
    return FILLERS.contains(word) || NOTES.contains(word) ? Role.NOTE : Role.NAME;
  }

  /** The words of a text; "part two" of something, however it is written, is one word. */
  static List<String> words(String text) {
    List<String> words = new ArrayList<>();
    for (String word : Romanized.words(text)) {
      String before = words.isEmpty() ? "" : words.getLast();
      int number = PARTS.contains(before) ? number(word) : 0;
      if (number > 0) {
        words.set(words.size() - 1, PART + number);
      } else {
        words.add(word);
      }
    }
    return words;
  }

  private static int number(String word) {
    return word.length() < 3 && word.chars().allMatch(c -> c >= '0' && c <= '9')
        ? Integer.parseInt(word)
        : ROMAN.indexOf(word) + 1;
  }

  /** Which part of something a title is, such as {@code pt2}; empty when it says none. */
  static Optional<String> part(List<String> words) {
    return words.stream().filter(w -> PART_WORD.matcher(w).matches()).findFirst();
  }

  /** Whether a word tells that another recording than the plain one is meant. */
  static boolean isVersion(String word) {
    return MIXED.contains(word)
        || Versions.isWord(word) && !SAME_RECORDING.contains(word) && !GUESTS.contains(word);
  }

  /** Words of what is made from several songs, or from one without its voice. */
  static final Set<String> MIXED = Set.of("medley", "mashup", "karaoke");

  /** Words of versions that are the same music for somebody who wishes. */
  static final Set<String> SAME_RECORDING =
      Set.of("original", "version", "remaster", "remastered", "mono", "stereo", "reissue", "part");
}
