package tenterhook.backstage.tagfile;

import org.jaudiotagger.tag.Tag;
import org.jaudiotagger.tag.id3.AbstractID3v2Tag;

/**
 * A rating of 1 to 5 in a tag: fifths of 255 in ID3 (the range of a POPM frame), fifths of 100
 * elsewhere. A number in between is kept behind an {@code @}.
 */
final class Ratings {
  private Ratings() {}

  private static int step(Tag tag) {
    return tag instanceof AbstractID3v2Tag ? 51 : 20;
  }

  static String fromTag(String text, Tag tag) {
    if (text.isBlank() || !text.strip().chars().allMatch(Character::isDigit)) {
      return "";
    }
    int value = Integer.parseInt(text.strip());
    int step = step(tag);
    int rating = Math.clamp(Math.round(value / (float) step), value > 0 ? 1 : 0, 5);
    if (rating == 0) {
      return "";
    }
    return rating * step == value ? String.valueOf(rating) : rating + "@" + value;
  }

  static String toTag(String raw, Tag tag) {
    String[] parts = raw.split("@", 2);
    return parts.length == 2 ? parts[1] : String.valueOf(Integer.parseInt(raw) * step(tag));
  }
}
