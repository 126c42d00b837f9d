package tenterhook.adapters.tagfile.ogg;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.AudioProperties;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.tag.Tag;

/**
 * An Ogg file. Its tag is that of the first stream whose codec is known; the other streams, be they
 * beside it or chained behind it, keep every byte.
 */
public final class OggFile implements MusicFile {
  private final OggHeaders headers;
  private final OggTag tag;
  private final AudioProperties properties;

  private OggFile(OggHeaders headers, OggTag tag, AudioProperties properties) {
    this.headers = headers;
    this.tag = tag;
    this.properties = properties;
  }

  /** Whether a file begins with a page, by its first twelve letters. */
  public static boolean begins(String head) {
    return head.startsWith("OggS");
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it holds no known sound, or its comments are broken
   * @throws IOException when it cannot be read
   */
  public static OggFile read(FileBytes in) throws IOException {
    OggHeaders headers = OggHeaders.read(in);
    OggTag tag = OggTag.parse(headers.codec(), headers.packets().get(1));
    return new OggFile(headers, tag, properties(in, headers));
  }

  private static AudioProperties properties(FileBytes in, OggHeaders headers) throws IOException {
    byte[] first = headers.packets().getFirst();
    int rate = headers.codec().rate(first);
    long samples = OggTimes.samples(in, headers.serial(), headers.codec());
    double seconds = rate <= 0 ? 0 : Math.max(0, (double) samples / rate);
    return AudioProperties.of(headers.codec().label(), seconds, in.length(), Math.max(0, rate));
  }

  @Override
  public List<Tag> tags() {
    return List.of(tag);
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
    return List.of();
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> tags) throws IOException {
    if (!(tags.getFirst() instanceof OggTag next) || next == tag) {
      return List.of();
    }
    if (!headers.alone()) {
      throw new Malformed("its sound begins on a page of its headers, which no standard allows");
    }
    List<byte[]> packets = new ArrayList<>(headers.packets().subList(1, headers.packets().size()));
    packets.set(0, next.render());
    List<OggPage> old = headers.pages();
    List<byte[]> made = OggPaging.of(packets, headers.serial(), old.getFirst().sequence());
    ByteWriter out = ByteWriter.littleEnd();
    made.forEach(out::bytes);
    int before = 0;
    for (OggPage page : old) {
      if (page.serial() == headers.serial()) {
        before++;
      } else {
        out.bytes(page.bytes());
      }
    }
    List<Splice> splices = new ArrayList<>();
    long end = old.getLast().end();
    splices.add(new Splice(old.getFirst().at(), end, out.toBytes()));
    if (made.size() != before) {
      renumber(in, end, made.size() - before, splices);
    }
    return splices;
  }

  /**
   * The pages that follow in the stream get other numbers; a chained one has numbers of its own.
   */
  private void renumber(FileBytes in, long from, int more, List<Splice> splices)
      throws IOException {
    long at = from;
    for (Optional<OggPage> page = OggPage.at(in, at); page.isPresent(); page = OggPage.at(in, at)) {
      OggPage here = page.get();
      at = here.end();
      if (here.serial() == headers.serial()) {
        if (here.first()) {
          return;
        }
        splices.add(here.numbered(here.sequence() + more));
      }
    }
  }

  @Override
  public void digestSound(FileBytes in, MessageDigest digest) throws IOException {
    new OggPackets(in).digestSound(digest);
  }

  @Override
  public void digestRest(FileBytes in, MessageDigest digest) {
    digest.update(headers.packets().get(1));
  }

  /** How long it is, and what the pages of its last stretch hold. */
  @Override
  public void sampleSound(FileBytes in, MessageDigest digest) throws IOException {
    digest.update(Long.toString(OggTimes.lastGranule(in)).getBytes(StandardCharsets.US_ASCII));
    new OggPackets(in).digestLast(headers.pages().getLast().end(), digest);
  }
}
