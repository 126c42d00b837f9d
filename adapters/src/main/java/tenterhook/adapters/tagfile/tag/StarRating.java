package tenterhook.adapters.tagfile.tag;

import java.util.OptionalInt;

/**
 * How many stars a rating in a tag stands for. A raw rating is the stars, and behind an {@code @}
 * the number in the tag where it is not the one that the program writes, so that undo is exact.
 *
 * <p>The range of ID3's popularimeter is 1 to 255 (ID3v2.4 frames, 4.17), without a word on stars.
 * The program writes fifths of it; of other numbers it takes the nearest of those in common use.
 * Elsewhere ratings are of 100 by custom; numbers up to 5 are stars there.
 */
public enum StarRating {
  /** Of 255. */
  POPULARIMETER(51, new int[] {1, 64, 128, 196, 255}),
  /** Of 100. */
  PERCENT(20, new int[] {20, 40, 60, 80, 100});

  private final int step;
  private final int[] common;

  StarRating(int step, int[] common) {
    this.step = step;
    this.common = common;
  }

  /**
   * The raw rating of a number in a tag.
   *
   * @param text a whole number
   * @return raw, or empty for none
   */
  public String fromTag(String text) {
    String digits = text.strip();
    if (digits.isEmpty() || digits.length() > 9 || !digits.chars().allMatch(Character::isDigit)) {
      return "";
    }
    int number = Integer.parseInt(digits);
    if (number == 0) {
      return "";
    }
    int stars = stars(number);
    return stars * step == number ? String.valueOf(stars) : stars + "@" + number;
  }

  private int stars(int number) {
    if (this == PERCENT && number <= 5) {
      return number;
    }
    if (number % step == 0 && number / step <= 5) {
      return number / step;
    }
    int best = 1;
    for (int stars = 2; stars <= 5; stars++) {
      boolean nearer = Math.abs(common[stars - 1] - number) <= Math.abs(common[best - 1] - number);
      best = nearer ? stars : best;
    }
    return best;
  }

  /**
   * The number that stands for a raw rating.
   *
   * @param raw stars, or stars and the number itself
   * @return empty when it is no rating
   */
  public OptionalInt toTag(String raw) {
    String[] parts = raw.split("@", 2);
    String digits = parts[parts.length - 1];
    if (!digits.matches("\\d{1,9}")) {
      return OptionalInt.empty();
    }
    int number = Integer.parseInt(digits);
    return OptionalInt.of(parts.length == 2 ? number : number * step);
  }
}
