package tenterhook.core.text;

import com.ibm.icu.text.Transliterator;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.codec.language.DoubleMetaphone;

/**
 * Names of any script in plain Latin letters, and what they sound like: a way to find what was
 * written as it was heard. The letters are those of ICU's transforms, the sounds those of the
 * double metaphone (L. Philips, 2000).
 */
public final class Romanized {
  private static final int SOUNDS = 8;

  private Romanized() {}

  /** Made once, when the first text needs it. */
  private static final class Letters {
    static final Transliterator LATIN =
        Transliterator.getInstance("Any-Latin; NFD; [:Mn:] Remove; Latin-ASCII; Lower");
  }

  /** The text in lower case and the letters a to z; what has no such letters stays. */
  public static String of(String text) {
    String folded = Fold.fold(text);
    return folded.chars().allMatch(c -> c < 128) ? folded : Letters.LATIN.transliterate(folded);
  }

  /** The words of a text by {@link #of}: letters and figures; {@code &} and {@code +} are "and". */
  public static List<String> words(String text) {
    List<String> words = new ArrayList<>();
    String plain = of(text).replaceAll("['’ʹʼ`]", "").replaceAll("[&+]", " and ");
    for (String word : plain.split("[^\\p{L}\\p{N}]+")) {
      if (!word.isEmpty()) {
        words.add(word);
      }
    }
    return words;
  }

  /**
   * What a word sounds like.
   *
   * @param word letters as {@link #of} gives them
   * @return the same for words that sound alike; empty when it has no consonants
   */
  public static String sound(String word) {
    DoubleMetaphone metaphone = new DoubleMetaphone();
    metaphone.setMaxCodeLen(SOUNDS);
    String sound = metaphone.doubleMetaphone(word);
    return sound == null ? "" : sound;
  }
}
