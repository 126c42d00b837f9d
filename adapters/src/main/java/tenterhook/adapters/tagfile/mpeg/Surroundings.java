package tenterhook.adapters.tagfile.mpeg;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.ape.ApeTag;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.id3.Id3v1Tag;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;

/**
 * What stands around sound that has no container of its own: tags of ID3v2 and APE in front of it
 * and behind it, ID3v1 with its extension at the very end, and blocks of Lyrics3 before that.
 */
public final class Surroundings {
  private static final int EXTENSION = 227;
  private static final int LYRICS_END = 9;
  private static final int LYRICS_SIZE = 6;
  private static final int OLD_LYRICS = 5100;
  private static final int PIECE = 1 << 13;

  private final List<TagRegion> regions;
  private final ByteSpan sound;

  private Surroundings(List<TagRegion> regions, ByteSpan sound) {
    this.regions = regions.stream().sorted(Comparator.comparing(TagRegion::rank)).toList();
    this.sound = sound;
  }

  /** The tags; the fuller one can be, the earlier it comes. */
  public List<Tag> tags() {
    return regions.stream().map(TagRegion::tag).toList();
  }

  /** What is left between them. */
  public ByteSpan sound() {
    return sound;
  }

  /**
   * What changes when the tags do.
   *
   * @param tags in the order of {@link #tags}
   * @throws IOException when one is larger than its format allows
   */
  public List<Splice> splices(List<Tag> tags) throws IOException {
    List<Splice> splices = new ArrayList<>();
    for (int i = 0; i < regions.size(); i++) {
      if (tags.get(i) != regions.get(i).tag()) {
        ByteSpan span = regions.get(i).span();
        splices.add(new Splice(span.from(), span.to(), rendered(tags.get(i))));
      }
    }
    return splices;
  }

  /** A tag as it is written; one without an entry is none. */
  static byte[] rendered(Tag tag) throws IOException {
    if (tag.entries().isEmpty()) {
      return new byte[0];
    }
    return switch (tag) {
      case Id3v2Tag frames -> frames.render();
      case ApeTag items -> items.render();
      case Id3v1Tag old -> old.render();
      default -> throw new IllegalArgumentException(tag.name() + " has no place around sound");
    };
  }

  /**
   * Looks from both ends.
   *
   * @throws Malformed when a tag is longer than the file, or broken
   * @throws IOException when the file cannot be read
   */
  public static Surroundings of(FileBytes in) throws IOException {
    List<TagRegion> regions = new ArrayList<>();
    long start = 0;
    for (long next = front(in, start, regions); next > start; next = front(in, start, regions)) {
      start = next;
    }
    long end = in.length();
    List<TagRegion> behind = new ArrayList<>();
    for (long next = back(in, start, end, behind);
        next < end;
        next = back(in, start, end, behind)) {
      end = next;
    }
    regions.addAll(behind.reversed());
    return new Surroundings(regions, new ByteSpan(Math.min(skipZeros(in, start, end), end), end));
  }

  /** Where what begins at a place ends, if it is a tag; else the place itself. */
  private static long front(FileBytes in, long at, List<TagRegion> regions) throws IOException {
    byte[] head = in.read(at, Math.min(Id3v2Tag.HEAD, in.length() - at));
    if (Id3v2Tag.begins(head)) {
      ByteSpan span = span(in, at, Id3v2Tag.length(head));
      regions.add(new TagRegion(Id3v2Tag.parse(in.read(at, span.length())), span));
      return span.to();
    }
    if (in.letters(at, 8).equals(ApeTag.MAGIC) && in.length() - at >= ApeTag.FOOT) {
      long items = Integer.toUnsignedLong(Integer.reverseBytes(in.buffer(at + 12, 4).getInt()));
      ByteSpan span = span(in, at, ApeTag.FOOT + items);
      byte[] all = in.read(at, span.length());
      if (items >= ApeTag.FOOT && ApeTag.endsWithFoot(all)) {
        regions.add(new TagRegion(ApeTag.parse(all), span));
        return span.to();
      }
    }
    return at;
  }

  private static ByteSpan span(FileBytes in, long at, long length) throws Malformed {
    if (length > in.length() - at) {
      throw Malformed.cut("its tag", length, in.length() - at);
    }
    return new ByteSpan(at, at + length);
  }

  /** Where what ends at a place begins, if it is a tag; else the place itself. */
  private static long back(FileBytes in, long start, long end, List<TagRegion> regions)
      throws IOException {
    if (end - start >= Id3v1Tag.LENGTH && Id3v1Tag.begins(in.letters(end - Id3v1Tag.LENGTH, 4))) {
      long from = end - Id3v1Tag.LENGTH;
      byte[] tag = in.read(from, Id3v1Tag.LENGTH);
      regions.add(new TagRegion(Id3v1Tag.parse(tag), new ByteSpan(from, end)));
      return from;
    }
    if (end - start >= EXTENSION && in.letters(end - EXTENSION, 4).equals("TAG+")) {
      return end - EXTENSION;
    }
    if (end - start >= ApeTag.FOOT && in.letters(end - ApeTag.FOOT, 8).equals(ApeTag.MAGIC)) {
      return ape(in, start, end, regions);
    }
    if (end - start >= Id3v2Tag.HEAD && in.letters(end - Id3v2Tag.HEAD, 3).equals("3DI")) {
      return appended(in, start, end, regions);
    }
    return lyrics(in, start, end);
  }

  private static long ape(FileBytes in, long start, long end, List<TagRegion> regions)
      throws IOException {
    byte[] foot = in.read(end - ApeTag.FOOT, ApeTag.FOOT);
    long length = ApeTag.length(foot);
    if (!ApeTag.isFoot(foot) || length < ApeTag.FOOT || length > end - start) {
      return end;
    }
    ByteSpan span = new ByteSpan(end - length, end);
    regions.add(new TagRegion(ApeTag.parse(in.read(span.from(), length)), span));
    return span.from();
  }

  private static long appended(FileBytes in, long start, long end, List<TagRegion> regions)
      throws IOException {
    byte[] head = in.read(end - Id3v2Tag.HEAD, Id3v2Tag.HEAD);
    head[0] = 'I';
    head[1] = 'D';
    head[2] = '3';
    long length = Id3v2Tag.begins(head) ? Id3v2Tag.length(head) : Long.MAX_VALUE;
    if (length > end - start || !in.letters(end - length, 3).equals("ID3")) {
      return end;
    }
    ByteSpan span = new ByteSpan(end - length, end);
    regions.add(new TagRegion(Id3v2Tag.parse(in.read(span.from(), length)), span));
    return span.from();
  }

  /** Lyrics3v2 says how long it is; the older form is looked for in the length it may have. */
  private static long lyrics(FileBytes in, long start, long end) throws IOException {
    if (end - start < LYRICS_END + LYRICS_SIZE) {
      return end;
    }
    String last = in.letters(end - LYRICS_END, LYRICS_END);
    if (last.equals("LYRICS200")) {
      String size = in.letters(end - LYRICS_END - LYRICS_SIZE, LYRICS_SIZE);
      long from = size.matches("\\d+") ? end - 15 - Long.parseLong(size) : -1;
      return from >= start && in.letters(from, 11).equals("LYRICSBEGIN") ? from : end;
    }
    if (last.equals("LYRICSEND")) {
      long from = Math.max(start, end - OLD_LYRICS);
      int begin = in.letters(from, (int) (end - from)).indexOf("LYRICSBEGIN");
      return begin < 0 ? end : from + begin;
    }
    return end;
  }

  /** Padding behind a tag is not sound; a file of nothing else is left as it is. */
  private static long skipZeros(FileBytes in, long start, long end) throws IOException {
    long at = start;
    while (at < end) {
      byte[] bytes = in.read(at, Math.min(PIECE, end - at));
      for (int i = 0; i < bytes.length; i++) {
        if (bytes[i] != 0) {
          return at + i;
        }
      }
      at += bytes.length;
    }
    return start;
  }
}
