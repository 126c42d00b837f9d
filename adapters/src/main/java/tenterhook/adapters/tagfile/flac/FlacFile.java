package tenterhook.adapters.tagfile.flac;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.AudioProperties;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.mpeg.Surroundings;
import tenterhook.adapters.tagfile.tag.Tag;

/** A FLAC file: {@code fLaC}, metadata blocks, sound; some have tags of ID3 around all that. */
public final class FlacFile implements MusicFile {
  private static final String MAGIC = "fLaC";

  private final FlacTag tag;
  private final Surroundings around;
  private final ByteSpan blocks;
  private final ByteSpan sound;
  private final AudioProperties properties;

  private FlacFile(FlacTag tag, Surroundings around, ByteSpan blocks, AudioProperties properties) {
    this.tag = tag;
    this.around = around;
    this.blocks = blocks;
    this.sound = new ByteSpan(blocks.to(), around.sound().to());
    this.properties = properties;
  }

  /** Whether FLAC begins at a place. */
  public static boolean begins(FileBytes in, long at) throws IOException {
    return in.letters(at, 4).equals(MAGIC);
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it is no FLAC file, or its blocks are broken
   * @throws IOException when it cannot be read
   */
  public static FlacFile read(FileBytes in) throws IOException {
    Surroundings around = Surroundings.of(in);
    long start = around.sound().from();
    if (!begins(in, start)) {
      throw new Malformed("it holds no FLAC, whatever its name says");
    }
    List<FlacBlock> blocks = new ArrayList<>();
    long at = start + MAGIC.length();
    boolean last = false;
    while (!last) {
      int head = in.buffer(at, FlacBlock.HEAD).getInt();
      int length = head & FlacBlock.MOST;
      long there = around.sound().to() - at - FlacBlock.HEAD;
      if (length > there) {
        throw Malformed.cut("a block of it", length, Math.max(0, there));
      }
      blocks.add(new FlacBlock(head >> 24 & 0x7F, in.read(at + FlacBlock.HEAD, length)));
      at += FlacBlock.HEAD + length;
      last = head < 0;
    }
    ByteSpan span = new ByteSpan(start + MAGIC.length(), at);
    FlacTag tag = FlacTag.of(blocks, (int) Math.min(span.length(), Integer.MAX_VALUE));
    return new FlacFile(tag, around, span, properties(blocks, around.sound().to() - at));
  }

  private static AudioProperties properties(List<FlacBlock> blocks, long bytes) throws Malformed {
    if (blocks.getFirst().type() != FlacBlock.STREAM_INFO
        || blocks.getFirst().content().length < 18) {
      throw new Malformed("it does not say how its sound is coded");
    }
    return properties(blocks.getFirst().content(), bytes);
  }

  /**
   * What stream information says (RFC 9639, 8.2).
   *
   * @param info 18 bytes or more
   * @param bytes how many bytes of sound there are
   */
  private static AudioProperties properties(byte[] info, long bytes) {
    long packed = ByteBuffer.wrap(info).getLong(10);
    int rate = (int) (packed >>> 44);
    long samples = packed & 0xFFFFFFFFFL;
    double seconds = rate == 0 ? 0 : (double) samples / rate;
    return AudioProperties.of("flac", seconds, bytes, rate);
  }

  @Override
  public List<Tag> tags() {
    List<Tag> tags = new ArrayList<>();
    tags.add(tag);
    tags.addAll(around.tags());
    return tags;
  }

  @Override
  public Optional<Tag> fresh() {
    return Optional.empty();
  }

  @Override
  public AudioProperties properties() {
    return properties;
  }

  @Override
  public List<ByteSpan> sound() {
    return List.of(sound);
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> tags) throws IOException {
    List<Splice> splices = new ArrayList<>(around.splices(tags.subList(1, tags.size())));
    if (tags.getFirst() instanceof FlacTag next && next != tag) {
      splices.add(new Splice(blocks.from(), blocks.to(), next.render()));
    }
    return splices;
  }
}
