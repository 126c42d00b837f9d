package tenterhook.adapters.tagfile.id3;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.adapters.tagfile.tag.PlaceValues;

/**
 * The date of a recording: one frame of ID3v2.4 (TDRC, {@code 1987-05-03T20:30}), or up to three of
 * older versions (TYER {@code 1987}, TDAT {@code 0305}, TIME {@code 2030}). Either may stand in a
 * tag of any version.
 */
final class DateFrames {
  private static final String WHOLE = "TDRC";
  private static final String YEAR = "TYER";
  private static final String DAY = "TDAT";
  private static final String TIME = "TIME";
  private static final Pattern FOUR_DIGITS = Pattern.compile("\\d{4}");
  private static final Pattern DATE =
      Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})(?:[T ](\\d{2}):(\\d{2}))?");

  private final Id3v2Tag tag;

  DateFrames(Id3v2Tag tag) {
    this.tag = tag;
  }

  private Optional<String> text(String id) {
    if (!tag.has(id)) {
      return Optional.empty();
    }
    return tag.frames().stream()
        .filter(f -> f.id().equals(FrameIds.in(id, tag.version())))
        .flatMap(f -> f.texts().stream())
        .filter(t -> !t.isEmpty())
        .findFirst();
  }

  List<PlaceValues> held() {
    List<PlaceValues> held = new ArrayList<>();
    text(WHOLE).ifPresent(t -> held.add(new PlaceValues(WHOLE, List.of(t))));
    older()
        .ifPresent(
            t -> held.add(tag.version() == 4 ? held.size() : 0, new PlaceValues(YEAR, List.of(t))));
    return held;
  }

  private Optional<String> older() {
    return text(YEAR)
        .map(
            year -> {
              String day = digits(DAY);
              String time = digits(TIME);
              if (!FOUR_DIGITS.matcher(year).matches() || day.isEmpty()) {
                return year;
              }
              String date = year + "-" + day.substring(2) + "-" + day.substring(0, 2);
              return time.isEmpty()
                  ? date
                  : date + "T" + time.substring(0, 2) + ":" + time.substring(2);
            });
  }

  private String digits(String id) {
    return text(id).filter(t -> FOUR_DIGITS.matcher(t).matches()).orElse("");
  }

  Id3v2Tag with(String raw) {
    List<PlaceValues> held = held();
    boolean whole = has(held, WHOLE);
    boolean older = has(held, YEAR);
    if (!whole && !older) {
      return raw.isEmpty()
          ? tag
          : tag.version() == 4 ? set(tag, WHOLE, raw) : older(tag, raw, true);
    }
    Id3v2Tag next = whole ? set(tag, WHOLE, raw) : tag;
    return older ? older(next, raw, !whole || !digits(DAY).isEmpty()) : next;
  }

  private static boolean has(List<PlaceValues> held, String place) {
    return held.stream().anyMatch(h -> h.place().equals(place));
  }

  /** The day goes into its own frame where the year is not all that is kept there. */
  private static Id3v2Tag older(Id3v2Tag tag, String raw, boolean withDay) {
    Matcher date = DATE.matcher(raw);
    boolean apart = date.matches();
    Id3v2Tag next = set(tag, YEAR, apart ? date.group(1) : raw);
    boolean day = apart && withDay;
    next = set(next, DAY, day ? date.group(3) + date.group(2) : "");
    return set(next, TIME, day && date.group(4) != null ? date.group(4) + date.group(5) : "");
  }

  /** Sets a text frame; an empty text takes it away. */
  private static Id3v2Tag set(Id3v2Tag tag, String id, String text) {
    return TextFrames.set(tag, FrameIds.in(id, tag.version()), text);
  }
}
