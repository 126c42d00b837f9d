package tenterhook.adapters.tagfile.id3;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.bytes.ByteWriter;

/** Makes text frames, spelled as the frame before or as the rest of the tag. */
final class TextFrames {
  private TextFrames() {}

  /**
   * A frame with other texts.
   *
   * @param old the frame whose place it takes, if there is one
   * @param id its identifier in the tag's version
   */
  static Id3Frame made(Id3v2Tag tag, @Nullable Id3Frame old, String id, List<String> texts) {
    FrameText before = old == null ? usual(tag) : FrameText.of(old.content(), 1);
    FrameText text = before.fitting(texts, tag.version());
    byte[] content = ByteWriter.bigEnd().int8(text.encoding()).bytes(text.encode(texts)).toBytes();
    return old == null ? Id3Frame.of(id, content, tag.form()) : old.with(content);
  }

  /** How a tag spells its texts: as its first text does. */
  private static FrameText usual(Id3v2Tag tag) {
    for (Id3Frame frame : tag.frames()) {
      byte[] content = frame.id().startsWith("T") ? frame.content() : new byte[0];
      if (content.length > 0) {
        FrameText text = FrameText.of(content, 1);
        return new FrameText(text.encoding(), text.bigEnd(), false);
      }
    }
    return usual(tag.version());
  }

  /** How a tag of a version spells its texts where there is none yet. */
  static FrameText usual(int version) {
    return new FrameText(version == 4 ? FrameText.UTF8 : FrameText.LATIN, false, false);
  }

  /**
   * Sets the first text frame of an identifier, which is the only one then; empty takes it away.
   */
  static Id3v2Tag set(Id3v2Tag tag, String id, String text) {
    List<Id3Frame> next = new ArrayList<>();
    boolean written = text.isEmpty();
    for (Id3Frame frame : tag.frames()) {
      if (!frame.id().equals(id)) {
        next.add(frame);
      } else if (!written) {
        next.add(made(tag, frame, id, List.of(text)));
        written = true;
      }
    }
    if (!written) {
      next.add(made(tag, null, id, List.of(text)));
    }
    return tag.withFrames(next);
  }
}
