package tenterhook.adapters.tagfile.flac;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.Padding;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.adapters.tagfile.vorbis.CommentTag;
import tenterhook.adapters.tagfile.vorbis.FlacPicture;
import tenterhook.adapters.tagfile.vorbis.VorbisComment;
import tenterhook.core.field.Field;

/** The metadata blocks of a FLAC file, among them its comments and pictures. */
final class FlacTag implements CommentTag {
  private final List<FlacBlock> blocks;
  private final VorbisComment comment;
  private final int space;

  private FlacTag(List<FlacBlock> blocks, VorbisComment comment, int space) {
    this.blocks = List.copyOf(blocks);
    this.comment = comment;
    this.space = space;
  }

  /**
   * The tag of a file's blocks.
   *
   * @param blocks all, in their order
   * @param space how many bytes they take
   * @throws Malformed when the comments are broken
   */
  static FlacTag of(List<FlacBlock> blocks, int space) throws Malformed {
    for (FlacBlock block : blocks) {
      if (block.type() == FlacBlock.COMMENT) {
        return new FlacTag(blocks, VorbisComment.parse(block.content(), 0).comment(), space);
      }
    }
    return new FlacTag(blocks, VorbisComment.empty(), space);
  }

  private FlacTag withComment(VorbisComment next) {
    FlacBlock block = new FlacBlock(FlacBlock.COMMENT, next.render());
    List<FlacBlock> others = new ArrayList<>(blocks);
    int at = 0;
    while (at < others.size() && others.get(at).type() != FlacBlock.COMMENT) {
      at++;
    }
    if (at < others.size()) {
      others.set(at, block);
    } else {
      others.add(1, block);
    }
    return new FlacTag(others, next, space);
  }

  /** The blocks as they are written, padding last; they keep their space where they fit into it. */
  byte[] render() throws Malformed {
    List<FlacBlock> kept = blocks.stream().filter(b -> b.type() != FlacBlock.PADDING).toList();
    int used = kept.stream().mapToInt(b -> FlacBlock.HEAD + b.content().length).sum();
    boolean exact = used == space;
    int padding = exact ? 0 : Padding.behind(used + FlacBlock.HEAD, space);
    ByteWriter out = ByteWriter.bigEnd();
    for (int i = 0; i < kept.size(); i++) {
      write(out, kept.get(i), exact && i + 1 == kept.size());
    }
    if (!exact) {
      write(out, new FlacBlock(FlacBlock.PADDING, new byte[padding]), true);
    }
    return out.toBytes();
  }

  private static void write(ByteWriter out, FlacBlock block, boolean last) throws Malformed {
    if (block.content().length > FlacBlock.MOST) {
      throw new Malformed("a block of it would be larger than the 16 MB that FLAC allows");
    }
    out.int32((last ? 1L << 31 : 0) | (long) block.type() << 24 | block.content().length);
    out.bytes(block.content());
  }

  @Override
  public VorbisComment comment() {
    return comment;
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>();
    for (FlacBlock block : blocks) {
      if (block.type() != FlacBlock.COMMENT && block.type() != FlacBlock.PADDING) {
        entries.add(new TagEntry(block.name(), block.content()));
      }
    }
    entries.addAll(comment.entries());
    return entries;
  }

  @Override
  public Tag with(Field<?> field, List<String> values) {
    return withComment(comment.with(field, values));
  }

  /** A picture in a block, and which block it is. */
  private record Block(int at, FlacPicture picture) {}

  private Optional<Block> front() {
    List<Block> all = new ArrayList<>();
    for (int i = 0; i < blocks.size(); i++) {
      int at = i;
      if (blocks.get(i).type() == FlacBlock.PICTURE) {
        FlacPicture.parse(blocks.get(i).content()).ifPresent(p -> all.add(new Block(at, p)));
      }
    }
    return all.stream()
        .min(Comparator.comparing(b -> b.picture().type(), Picture.NEAREST_TO_COVER));
  }

  @Override
  public Optional<byte[]> picture() {
    return front().map(b -> b.picture().image()).or(comment::picture);
  }

  @Override
  public Tag withPicture(Optional<Picture> picture) {
    Optional<Block> old = front();
    if (old.isEmpty() && comment.picture().isPresent()) {
      return withComment(comment.withPicture(picture));
    }
    List<FlacBlock> next = new ArrayList<>(blocks);
    int at = old.map(Block::at).orElse(blocks.size());
    int type = old.map(b -> b.picture().type()).orElse(Picture.FRONT);
    byte[] description = old.map(b -> b.picture().description()).orElse(new byte[0]);
    old.ifPresent(b -> next.remove(b.at()));
    picture.ifPresent(
        p ->
            next.add(
                at, new FlacBlock(FlacBlock.PICTURE, FlacPicture.render(p, type, description))));
    return new FlacTag(next, comment, space);
  }
}
