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
import tenterhook.adapters.tagfile.tag.TagEntry;

/** An AIFF file (AIFF 1.3, 1989), or an AIFF-C file (draft of 1991). */
public final class AiffFile implements MusicFile {

  private final Chunks chunks;
  private final List<ChunkTag> frames;
  private final List<Chunk> textChunks;
  private final AiffTexts texts;
  private final Chunk sound;
  private final AudioProperties properties;

  private AiffFile(
      Chunks chunks,
      List<ChunkTag> frames,
      List<Chunk> textChunks,
      AiffTexts texts,
      Chunk sound,
      AudioProperties properties) {
    this.chunks = chunks;
    this.frames = List.copyOf(frames);
    this.textChunks = List.copyOf(textChunks);
    this.texts = texts;
    this.sound = sound;
    this.properties = properties;
  }

  /** Whether a file begins as an AIFF file does, by its first twelve letters. */
  public static boolean begins(String head) {
    return head.startsWith("FORM") && (head.startsWith("AIFF", 8) || head.startsWith("AIFC", 8));
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it holds no sound, or a chunk is longer than the file
   * @throws IOException when it cannot be read
   */
  public static AiffFile read(FileBytes in) throws IOException {
    Chunks chunks = Chunks.read(in, ByteOrder.BIG_ENDIAN, "SSND", Long.MAX_VALUE);
    Chunk sound =
        chunks
            .first("SSND")
            .orElseThrow(() -> new Malformed("it holds no sound: no \"SSND\" part"));
    List<ChunkTag> frames = new ArrayList<>();
    List<Chunk> textChunks = new ArrayList<>();
    List<TagEntry> texts = new ArrayList<>();
    for (Chunk chunk : chunks.all()) {
      if (Id3Chunk.is(in, chunk)) {
        frames.add(new ChunkTag(Id3Chunk.read(in, chunk), chunk));
      } else if (AiffTexts.is(chunk)) {
        textChunks.add(chunk);
        texts.add(new TagEntry(chunk.id(), in.read(chunk.from(), chunk.content().length())));
      }
    }
    return new AiffFile(
        chunks, frames, textChunks, new AiffTexts(texts), sound, properties(in, chunks, sound));
  }

  private static AudioProperties properties(FileBytes in, Chunks chunks, Chunk sound)
      throws IOException {
    Optional<Chunk> common = chunks.first("COMM");
    if (common.isEmpty() || common.get().content().length() < 18) {
      throw new Malformed("it does not say how its sound is coded");
    }
    ByteBuffer numbers = in.buffer(common.get().from(), 18);
    long count = Integer.toUnsignedLong(numbers.getInt(2));
    int exponent = (numbers.getShort(8) & 0x7FFF) - 16_383;
    double rate = numbers.getLong(10) / Math.pow(2, 63 - exponent);
    rate = rate < 0 ? (numbers.getLong(10) >>> 1) / Math.pow(2, 62 - exponent) : rate;
    boolean known = rate >= 1 && rate < 10_000_000;
    double seconds = known ? count / rate : 0;
    return AudioProperties.of(
        "aiff", seconds, sound.content().length(), known ? (int) Math.round(rate) : 0);
  }

  @Override
  public List<Tag> tags() {
    List<Tag> tags = new ArrayList<>();
    frames.forEach(f -> tags.add(f.tag()));
    if (!textChunks.isEmpty()) {
      tags.add(texts);
    }
    return tags;
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
    return List.of(sound.content());
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> next) throws IOException {
    List<Splice> splices = new ArrayList<>();
    int more = next.size() - tags().size();
    for (int i = 0; i < frames.size(); i++) {
      if (next.get(i + more) instanceof Id3v2Tag tag && tag != frames.get(i).tag()) {
        Chunk chunk = frames.get(i).chunk();
        boolean none = tag.entries().isEmpty();
        splices.add(none ? Chunks.removed(chunk) : chunks.replaced(chunk, tag.render()));
      }
    }
    if (next.getLast() instanceof AiffTexts others) {
      texts(others, splices);
    }
    if (more > 0 && next.getFirst() instanceof Id3v2Tag tag) {
      splices.add(chunks.appended("ID3 ", tag.render()));
    }
    if (splices.stream().anyMatch(s -> s.growth() != 0)) {
      splices.add(chunks.headed(chunks.length(splices)));
    }
    return splices;
  }

  private void texts(AiffTexts next, List<Splice> splices) {
    for (int i = 0; i < textChunks.size(); i++) {
      byte[] content = next.all().get(i).bytes();
      if (content != texts.all().get(i).bytes()) {
        Chunk chunk = textChunks.get(i);
        splices.add(content.length == 0 ? Chunks.removed(chunk) : chunks.replaced(chunk, content));
      }
    }
  }
}
