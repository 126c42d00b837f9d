package tenterhook.core.repair.inspect;

import java.util.Set;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;

/** What programs write into a tag where nothing is known; as good as a hole. */
public final class Placeholders {
  private static final Set<String> NO_ARTIST =
      Set.of(
          "va",
          "v.a.",
          "v/a",
          "various",
          "various artists",
          "various artist",
          "unknown artist",
          "unknown",
          "<unknown>",
          "[unknown]",
          "artist",
          "no artist",
          "n/a",
          "none",
          "-",
          "?");
  private static final Set<String> NO_TITLE =
      Set.of("unknown", "<unknown>", "unknown title", "unknown track", "untitled", "title", "n/a");
  private static final Pattern NUMBERED =
      Pattern.compile("(audio ?)?(track|titel|piste) ?\\d{1,3}");

  private Placeholders() {}

  /**
   * Whether a value says no more than that it is not known.
   *
   * @param field artist and title are judged; all else is taken as it is
   */
  public static boolean stands(Field<?> field, String raw) {
    if (raw.length() > 16 || field != Fields.ARTIST && field != Fields.TITLE) {
      return false;
    }
    String folded = Fold.fold(raw).strip();
    return field == Fields.ARTIST
        ? NO_ARTIST.contains(folded)
        : NO_TITLE.contains(folded) || NUMBERED.matcher(folded).matches();
  }
}
