package tenterhook.adapters.tagfile.id3;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.StarRating;

/**
 * Ratings and counters of plays: the POPM and PCNT frames (ID3v2.4 frames, 4.16 and 4.17). A rating
 * stands behind the name of whoever gave it, and before a counter that may be missing.
 */
final class Popularimeter {
  private static final String OWNER = "tenterhook";
  private static final String RATING = "POPM";
  private static final String COUNTER = "PCNT";

  private Popularimeter() {}

  private static boolean is(Id3Frame frame, String id) {
    return frame.id().equals(FrameIds.in(id, frame.form().version()));
  }

  private static int ratingAt(byte[] content) {
    return FrameText.end(FrameText.LATIN, content, 0) + 1;
  }

  private static int rating(byte[] content) {
    int at = ratingAt(content);
    return at < content.length ? content[at] & 0xFF : 0;
  }

  private static long counter(byte[] content, int from) {
    long count = 0;
    for (int i = from; i < content.length && count < Integer.MAX_VALUE; i++) {
      count = count << 8 | content[i] & 0xFF;
    }
    return Math.min(count, Integer.MAX_VALUE);
  }

  /** The raw ratings of a tag, one for each owner who gave one. */
  static List<String> ratings(List<Id3Frame> frames) {
    return frames.stream()
        .filter(f -> is(f, RATING))
        .map(f -> StarRating.POPULARIMETER.fromTag(String.valueOf(rating(f.content()))))
        .filter(raw -> !raw.isEmpty())
        .toList();
  }

  /** The highest counter of a tag, 0 for none. */
  static long plays(List<Id3Frame> frames) {
    long most = 0;
    for (Id3Frame frame : frames) {
      if (is(frame, RATING)) {
        byte[] content = frame.content();
        most = Math.max(most, counter(content, ratingAt(content) + 1));
      } else if (is(frame, COUNTER)) {
        most = Math.max(most, counter(frame.content(), 0));
      }
    }
    return most;
  }

  /** Frames with every owner's rating set; a frame that counts stays without one. */
  static List<Id3Frame> with(List<Id3Frame> frames, FrameForm form, String raw) {
    OptionalInt wanted = StarRating.POPULARIMETER.toTag(raw);
    int number = wanted.orElse(0);
    if (number > 255 || !raw.isEmpty() && wanted.isEmpty()) {
      return frames;
    }
    List<Id3Frame> next = new ArrayList<>();
    boolean found = false;
    for (Id3Frame frame : frames) {
      boolean rated = is(frame, RATING);
      found |= rated;
      (rated ? rated(frame, number) : Optional.of(frame)).ifPresent(next::add);
    }
    if (!found && number > 0) {
      byte[] content = ByteWriter.bigEnd().letters(OWNER).int8(0).int8(number).toBytes();
      next.add(Id3Frame.of(FrameIds.in(RATING, form.version()), content, form));
    }
    return next;
  }

  private static Optional<Id3Frame> rated(Id3Frame frame, int number) {
    byte[] content = frame.content().clone();
    int at = ratingAt(content);
    if (at >= content.length) {
      return Optional.of(frame);
    }
    if (number == 0 && counter(content, at + 1) == 0) {
      return Optional.empty();
    }
    content[at] = (byte) number;
    return Optional.of(frame.with(content));
  }
}
