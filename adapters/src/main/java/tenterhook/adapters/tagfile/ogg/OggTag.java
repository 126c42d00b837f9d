package tenterhook.adapters.tagfile.ogg;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.Padding;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.adapters.tagfile.vorbis.CommentTag;
import tenterhook.adapters.tagfile.vorbis.VorbisComment;
import tenterhook.core.field.Field;

/** The packet of a stream that holds its comments, with what stands around them in it. */
final class OggTag implements CommentTag {
  private static final int MOST_FLAC = (1 << 24) - 1;

  private final OggCodec codec;
  private final byte[] before;
  private final VorbisComment comment;
  private final byte[] behind;
  private final int space;

  private OggTag(OggCodec codec, byte[] before, VorbisComment comment, byte[] behind, int space) {
    this.codec = codec;
    this.before = before;
    this.comment = comment;
    this.behind = behind;
    this.space = space;
  }

  /**
   * Reads a packet.
   *
   * @throws Malformed when it holds no comments, or broken ones
   */
  static OggTag parse(OggCodec codec, byte[] packet) throws Malformed {
    int at = codec.commentAt(packet);
    if (at < 0) {
      throw new Malformed("its comments are not where they should be");
    }
    VorbisComment.Read read = VorbisComment.parse(packet, at);
    int end = packet.length;
    while (codec.padded() && end > read.end() && packet[end - 1] == 0) {
      end--;
    }
    return new OggTag(
        codec,
        Arrays.copyOf(packet, at),
        read.comment(),
        Arrays.copyOfRange(packet, read.end(), end),
        packet.length);
  }

  private OggTag with(VorbisComment next) {
    return new OggTag(codec, before, next, behind, space);
  }

  /** The packet as it is written; it keeps its length where the comments fit into it. */
  byte[] render() throws Malformed {
    byte[] comments = comment.render();
    int used = before.length + comments.length + behind.length;
    byte[] head = before;
    if (codec == OggCodec.FLAC) {
      if (comments.length + behind.length > MOST_FLAC) {
        throw new Malformed("its comments would be larger than the 16 MB that FLAC allows");
      }
      head = before.clone();
      int length = comments.length + behind.length;
      head[1] = (byte) (length >> 16);
      head[2] = (byte) (length >> 8);
      head[3] = (byte) length;
    }
    int padding = codec.padded() ? Padding.behind(used, space) : 0;
    return ByteWriter.littleEnd()
        .bytes(head)
        .bytes(comments)
        .bytes(behind)
        .zeros(padding)
        .toBytes();
  }

  @Override
  public VorbisComment comment() {
    return comment;
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>(comment.entries());
    if (behind.length > 0) {
      entries.add(new TagEntry("what stands behind the comments", behind));
    }
    return entries;
  }

  @Override
  public Tag with(Field<?> field, List<String> values) {
    return with(comment.with(field, values));
  }

  @Override
  public Optional<byte[]> picture() {
    return comment.picture();
  }

  @Override
  public Tag withPicture(Optional<Picture> picture) {
    return with(comment.withPicture(picture));
  }
}
