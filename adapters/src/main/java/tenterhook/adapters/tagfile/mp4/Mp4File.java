package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.AudioProperties;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.container.SoundSpans;
import tenterhook.adapters.tagfile.tag.Tag;

/** An MP4 file. */
public final class Mp4File implements MusicFile {
  private final List<Mp4Box> boxes;
  private final MetadataPlace place;
  private final Mp4Tag tag;
  private final AudioProperties properties;

  private Mp4File(List<Mp4Box> boxes, MetadataPlace place, Mp4Tag tag, AudioProperties properties) {
    this.boxes = boxes;
    this.place = place;
    this.tag = tag;
    this.properties = properties;
  }

  /** Whether a file begins as an MP4 file does, by its first twelve letters. */
  public static boolean begins(String head) {
    return head.startsWith("ftyp", 4);
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it describes no sound, or its boxes are broken
   * @throws IOException when it cannot be read
   */
  public static Mp4File read(FileBytes in) throws IOException {
    List<Mp4Box> boxes = Mp4Box.in(in, 0, in.length());
    Mp4Box movie =
        boxes.stream()
            .filter(b -> b.type().equals("moov"))
            .findFirst()
            .orElseThrow(() -> new Malformed("it does not say what it holds: no \"moov\" part"));
    MetadataPlace place = MetadataPlace.find(in, movie);
    long bytes = sound(boxes).stream().mapToLong(ByteSpan::length).sum();
    return new Mp4File(boxes, place, tag(in, place), Mp4Properties.read(in, movie, bytes));
  }

  private static Mp4Tag tag(FileBytes in, MetadataPlace place) throws IOException {
    List<Mp4Item> items = new ArrayList<>();
    if (place.list().isPresent()) {
      for (Mp4Box box : place.list().get().children(in, 0)) {
        items.add(Mp4Item.parse(in.read(box.at(), box.length())));
      }
    }
    return new Mp4Tag(items);
  }

  private static List<ByteSpan> sound(List<Mp4Box> boxes) {
    return boxes.stream().filter(b -> b.type().equals("mdat")).map(Mp4Box::content).toList();
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
    return sound(boxes);
  }

  /** What the sample tables point to, so that tables which point elsewhere are another sound. */
  @Override
  public void digestSound(FileBytes in, MessageDigest digest) throws IOException {
    List<ByteSpan> samples = SampleTables.spans(in);
    List<ByteSpan> all = samples.isEmpty() ? sound() : samples;
    if (all.isEmpty()) {
      throw new Malformed("it holds no sound: no \"mdat\" part");
    }
    SoundSpans.digest(in, all, digest);
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> tags) throws IOException {
    return tags.getFirst() instanceof Mp4Tag next && next != tag
        ? new Mp4Rewrite(in, boxes, place).splices(next.render())
        : List.of();
  }
}
