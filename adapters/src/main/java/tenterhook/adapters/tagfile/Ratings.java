package tenterhook.adapters.tagfile;

import java.util.ArrayList;
import java.util.List;
import org.jaudiotagger.tag.Tag;
import org.jaudiotagger.tag.TagField;
import org.jaudiotagger.tag.id3.AbstractID3v2Frame;
import org.jaudiotagger.tag.id3.AbstractID3v2Tag;
import org.jaudiotagger.tag.id3.framebody.FrameBodyPCNT;
import org.jaudiotagger.tag.id3.framebody.FrameBodyPOPM;

/**
 * Ratings and counters of plays in a tag. A rating of 1 to 5 is fifths of 255 in ID3 (the range of
 * a POPM frame), fifths of 100 elsewhere; a number in between is kept behind an {@code @}. Plays
 * are counted in the PCNT and POPM frames of ID3 (id3.org, ID3v2.4 frames 4.16 and 4.17).
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

  /** The highest count of plays that a tag holds, 0 for none. */
  static long counted(Tag tag) {
    long most = 0;
    for (Object body : bodies(tag)) {
      if (body instanceof FrameBodyPOPM popm) {
        most = Math.max(most, popm.getCounter());
      } else if (body instanceof FrameBodyPCNT pcnt) {
        most = Math.max(most, pcnt.getCounter());
      }
    }
    return most;
  }

  private static List<Object> bodies(Tag tag) {
    List<Object> bodies = new ArrayList<>();
    if (tag instanceof AbstractID3v2Tag) {
      for (String id : List.of("POPM", "POP", "PCNT", "CNT")) {
        for (TagField field : tag.getFields(id)) {
          if (field instanceof AbstractID3v2Frame frame) {
            bodies.add(frame.getBody());
          }
        }
      }
    }
    return bodies;
  }

  /**
   * Sets the rating in the frame that is there, so that its count of plays and its owner stay.
   *
   * @return false when there is no such frame that counts; then the tag's own way loses nothing
   */
  static boolean writtenBesideCounter(Tag tag, String raw) {
    for (Object body : bodies(tag)) {
      if (body instanceof FrameBodyPOPM popm && popm.getCounter() > 0) {
        popm.setRating(raw.isEmpty() ? 0 : Long.parseLong(toTag(raw, tag)));
        return true;
      }
    }
    return false;
  }
}
