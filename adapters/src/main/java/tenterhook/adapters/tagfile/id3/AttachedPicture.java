package tenterhook.adapters.tagfile.id3;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.Picture;

/**
 * A picture in a frame (APIC, ID3v2.4 frames, 4.14; PIC, ID3v2.2, 4.15).
 *
 * @param frame the frame it stands in
 * @param type what it shows, such as {@link Picture#FRONT}
 * @param head what stands in front of the image: encoding, form, type and description
 * @param image the picture's bytes
 */
record AttachedPicture(Id3Frame frame, int type, byte[] head, byte[] image) {
  private static final String LINK = "-->";

  /** The picture in a frame; empty when it is none, or only a link to one. */
  static Optional<AttachedPicture> in(Id3Frame frame) {
    int version = frame.form().version();
    if (!frame.id().equals(FrameIds.in("APIC", version))) {
      return Optional.empty();
    }
    byte[] content = frame.content();
    int typeAt = version == 2 ? 4 : FrameText.end(FrameText.LATIN, content, 1) + 1;
    if (typeAt + 1 >= content.length) {
      return Optional.empty();
    }
    String form = new String(content, 1, typeAt - 1, StandardCharsets.ISO_8859_1);
    int end = FrameText.end(content[0], content, typeAt + 1);
    int from = end + FrameText.terminator(content[0]);
    if (form.startsWith(LINK) || from >= content.length) {
      return Optional.empty();
    }
    return Optional.of(
        new AttachedPicture(
            frame,
            content[typeAt] & 0xFF,
            Arrays.copyOfRange(content, 0, from),
            Arrays.copyOfRange(content, from, content.length)));
  }

  /** The picture that is nearest to a cover. */
  static Optional<AttachedPicture> front(List<Id3Frame> frames) {
    return frames.stream()
        .flatMap(f -> in(f).stream())
        .min(Comparator.comparing(AttachedPicture::type, Picture.NEAREST_TO_COVER));
  }

  /** Frames with another front cover in the place of the old one, or behind all. */
  static List<Id3Frame> replaced(List<Id3Frame> frames, FrameForm form, Optional<Picture> picture) {
    Optional<AttachedPicture> old = front(frames);
    List<Id3Frame> next = new ArrayList<>();
    for (Id3Frame frame : frames) {
      if (old.isEmpty() || frame != old.get().frame()) {
        next.add(frame);
      } else {
        picture.ifPresent(p -> next.add(frame.with(content(p, form, old.get()))));
      }
    }
    if (old.isEmpty()) {
      picture.ifPresent(
          p ->
              next.add(
                  Id3Frame.of(FrameIds.in("APIC", form.version()), content(p, form, null), form)));
    }
    return next;
  }

  /** What it shows and how it is described stays. */
  private static byte[] content(Picture picture, FrameForm form, @Nullable AttachedPicture old) {
    ByteWriter out = ByteWriter.bigEnd();
    out.int8(old == null ? FrameText.LATIN : old.head[0]);
    if (form.version() == 2) {
      out.letters(picture.mime().equals("image/png") ? "PNG" : "JPG");
    } else {
      out.letters(picture.mime()).int8(0);
    }
    out.int8(old == null ? Picture.FRONT : old.type);
    return out.bytes(old == null ? new byte[1] : old.description())
        .bytes(picture.bytes())
        .toBytes();
  }

  private byte[] description() {
    int version = frame.form().version();
    int typeAt = version == 2 ? 4 : FrameText.end(FrameText.LATIN, head, 1) + 1;
    return Arrays.copyOfRange(head, typeAt + 1, head.length);
  }
}
