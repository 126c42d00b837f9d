package tenterhook.adapters.tagfile.id3;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Takes the body of an ID3v2 tag apart. Its work grows with the length of the tag alone. */
final class Id3v2Parser {
  private final int version;
  private final int flags;
  private final byte[] raw;
  private final byte[] body;
  private final boolean wholeUnsync;
  private final int[] places;

  Id3v2Parser(int version, int flags, byte[] raw) {
    this.version = version;
    this.flags = flags;
    this.raw = raw;
    this.wholeUnsync = Id3v2Tag.unsync(flags) && version < 4;
    this.body = wholeUnsync ? Unsync.decode(raw) : raw;
    this.places = wholeUnsync ? Unsync.places(raw) : new int[0];
  }

  /** Where a byte of the body stands in the tag. */
  private int place(int at) {
    return wholeUnsync ? places[at] : at;
  }

  Id3v2Tag parse(int revision, int space) {
    boolean hasExtended = Id3v2Tag.hasExtended(flags, version);
    int start = hasExtended ? ExtendedHeader.length(version, body) : 0;
    ExtendedHeader extended =
        new ExtendedHeader(
            Arrays.copyOfRange(body, 0, start), Arrays.copyOfRange(raw, 0, place(start)));
    FrameForm form = form(start);
    List<Id3Frame> frames = new ArrayList<>();
    int at = start;
    while (isFrame(form, at)) {
      int end = at + form.headLength() + form.contentLength(body, at);
      String id = new String(body, at, form.idLength(), StandardCharsets.US_ASCII);
      frames.add(new Id3Frame(id, Arrays.copyOfRange(raw, place(at), place(end)), form));
      at = end;
    }
    return Id3v2Tag.of(form, revision, flags, extended, frames, rest(place(at)), space);
  }

  private boolean isFrame(FrameForm form, int at) {
    int head = form.headLength();
    return at + head <= body.length
        && form.isId(body, at)
        && form.contentLength(body, at) <= body.length - at - head;
  }

  /** Sizes of version 4 are plain numbers where only that leads from frame to frame. */
  private FrameForm form(int start) {
    FrameForm form = new FrameForm(version, Id3v2Tag.unsync(flags), false);
    if (version < 4) {
      return form;
    }
    FrameForm plain = new FrameForm(version, Id3v2Tag.unsync(flags), true);
    int reached = reached(form, start);
    boolean whole = reached == body.length || body[reached] == 0;
    return !whole && reached(plain, start) > reached ? plain : form;
  }

  private int reached(FrameForm form, int start) {
    int at = start;
    while (isFrame(form, at)) {
      at += form.headLength() + form.contentLength(body, at);
    }
    return at;
  }

  /** What stands behind the last frame, without the zeros at its end. */
  private byte[] rest(int from) {
    int end = raw.length;
    while (end > from && raw[end - 1] == 0) {
      end--;
    }
    return Arrays.copyOfRange(raw, from, end);
  }
}
