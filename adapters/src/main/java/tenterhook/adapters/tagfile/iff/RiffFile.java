package tenterhook.adapters.tagfile.iff;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.AudioProperties;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;

/** A WAV file: RIFF, or RF64 and BW64 (EBU Tech 3306, ITU-R BS.2088) for more than 4 GB. */
public final class RiffFile implements MusicFile {
  private static final String LARGE = "ds64";

  private final ByteOrder order;
  private final Chunks chunks;
  private final List<ChunkTag> tags;
  private final Chunk data;
  private final AudioProperties properties;

  private RiffFile(
      ByteOrder order, Chunks chunks, List<ChunkTag> tags, Chunk data, AudioProperties properties) {
    this.order = order;
    this.chunks = chunks;
    this.tags = List.copyOf(tags);
    this.data = data;
    this.properties = properties;
  }

  /** Whether a file begins as a WAV file does, by its first twelve letters. */
  public static boolean begins(String head) {
    return head.startsWith("WAVE", 8)
        && List.of("RIFF", "RF64", "BW64", "RIFX").contains(head.substring(0, 4));
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it holds no sound, or a chunk is longer than the file
   * @throws IOException when it cannot be read
   */
  public static RiffFile read(FileBytes in) throws IOException {
    ByteOrder order =
        in.letters(0, 4).equals("RIFX") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
    Chunks chunks = Chunks.read(in, order, "data", large(in, order));
    Chunk data =
        chunks
            .first("data")
            .orElseThrow(() -> new Malformed("it holds no sound: no \"data\" part"));
    return new RiffFile(
        order, chunks, tags(in, chunks, order), data, properties(in, chunks, data, order));
  }

  /** The length of the sound as the chunk for large files says it, which is the first one. */
  private static long large(FileBytes in, ByteOrder order) throws IOException {
    boolean there = in.letters(12, 4).equals(LARGE) && in.length() >= 36;
    long length = there ? in.buffer(28, 8).order(order).getLong() : Long.MAX_VALUE;
    return length < 0 ? Long.MAX_VALUE : length;
  }

  /** The fuller tag comes first. */
  private static List<ChunkTag> tags(FileBytes in, Chunks chunks, ByteOrder order)
      throws IOException {
    List<ChunkTag> tags = new ArrayList<>();
    for (Chunk chunk : chunks.all()) {
      if (Id3Chunk.is(in, chunk)) {
        tags.add(new ChunkTag(Id3Chunk.read(in, chunk), chunk));
      }
    }
    for (Chunk chunk : chunks.all()) {
      if (chunk.is("LIST") && in.letters(chunk.from(), 4).equals(InfoTag.KIND)) {
        byte[] content = in.read(chunk.from(), chunk.content().length());
        tags.add(new ChunkTag(InfoTag.parse(content, order), chunk));
      }
    }
    return tags;
  }

  private static AudioProperties properties(
      FileBytes in, Chunks chunks, Chunk data, ByteOrder order) throws IOException {
    Optional<Chunk> format = chunks.first("fmt ");
    if (format.isEmpty() || format.get().content().length() < 16) {
      throw new Malformed("it does not say how its sound is coded");
    }
    ByteBuffer numbers = in.buffer(format.get().from(), 16).order(order);
    int rate = Math.max(0, numbers.getInt(4));
    long perSecond = Integer.toUnsignedLong(numbers.getInt(8));
    long bytes = data.content().length();
    double seconds = perSecond == 0 ? 0 : (double) bytes / perSecond;
    return AudioProperties.of("wav", seconds, bytes, rate);
  }

  @Override
  public List<Tag> tags() {
    return tags.stream().map(ChunkTag::tag).toList();
  }

  @Override
  public Optional<Tag> fresh() {
    return Optional.of(Id3v2Tag.fresh());
  }

  @Override
  public AudioProperties properties() {
    return properties;
  }

  @Override
  public List<ByteSpan> sound() {
    return List.of(data.content());
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> next) throws IOException {
    List<Splice> splices = new ArrayList<>();
    int more = next.size() - tags.size();
    for (int i = 0; i < tags.size(); i++) {
      if (next.get(i + more) != tags.get(i).tag()) {
        splices.add(changed(tags.get(i).chunk(), next.get(i + more)));
      }
    }
    if (more > 0 && next.getFirst() instanceof Id3v2Tag frames) {
      splices.add(chunks.appended("id3 ", frames.render()));
    }
    if (splices.stream().anyMatch(s -> s.growth() != 0)) {
      splices.add(headed(in, chunks.length(splices)));
    }
    return splices;
  }

  private Splice changed(Chunk chunk, Tag tag) throws IOException {
    if (tag.entries().isEmpty()) {
      return Chunks.removed(chunk);
    }
    return chunks.replaced(
        chunk, tag instanceof Id3v2Tag frames ? frames.render() : ((InfoTag) tag).render());
  }

  /** A large file has its length in the chunk for that. */
  private Splice headed(FileBytes in, long length) throws IOException {
    Optional<Chunk> large = chunks.first(LARGE);
    if (large.isPresent() && Chunks.unsigned(in, 4, order) == 0xFFFFFFFFL) {
      byte[] number = ByteBuffer.allocate(8).order(order).putLong(length).array();
      return new Splice(large.get().from(), large.get().from() + 8, number);
    }
    return chunks.headed(length);
  }
}
