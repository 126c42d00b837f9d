package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.List;
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
  private static final Pattern PIECE =
      Pattern.compile("\\s[-–—]+\\s|[|/,;:~\"“”„«»\\t]|(?=[(\\[{])|[)\\]}]|(?i)(?=\\bby\\b)");
  private static final Set<String> NEGATIONS = Set.of("not", "no", "without", "except", "never");
  private static final Set<String> GUESTS = Set.of("feat", "ft", "featuring", "with");
  private static final Set<String> NOTES =
      Set.of("for", "from", "because", "when", "if", "please", "pls", "maybe", "thanks", "thank");
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
          "something");

  /**
   * A word of a wish.
   *
   * @param text in plain Latin letters
   * @param piece which piece it is in, from 0
   * @param role what it is when neither title nor artist uses it
   */
  record Word(String text, int piece, Role role) {}

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
    List<String> texts = Romanized.words(text);
    boolean note = !texts.isEmpty() && NOTES.contains(texts.getFirst());
    boolean guest = false;
    for (String word : texts) {
      guest |= GUESTS.contains(word);
      words.add(new Word(word, piece, role(word, note, guest)));
    }
  }

  private static Role role(String word, boolean note, boolean guest) {
    if (NEGATIONS.contains(word)) {
      return Role.NEGATION;
    }
    if (guest) {
      return Role.GUEST;
    }
    if (isVersion(word)) {
      return Role.VERSION;
    }
    return note || FILLERS.contains(word) ? Role.NOTE : Role.NAME;
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
