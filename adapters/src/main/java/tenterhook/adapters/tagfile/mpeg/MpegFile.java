package tenterhook.adapters.tagfile.mpeg;

import java.io.IOException;
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

/** A file of MPEG audio with the tags around it. */
public final class MpegFile implements MusicFile {

  private final Surroundings around;
  private final AudioProperties properties;

  private MpegFile(Surroundings around, AudioProperties properties) {
    this.around = around;
    this.properties = properties;
  }

  /**
   * Reads a file.
   *
   * @throws Malformed when it has neither a tag nor MPEG audio, or a tag is broken
   * @throws IOException when it cannot be read
   */
  public static MpegFile read(FileBytes in) throws IOException {
    Surroundings around = Surroundings.of(in);
    AudioProperties properties = MpegFrames.properties(in, around.sound());
    if (around.tags().isEmpty() && properties.sampleRate() == 0) {
      throw new Malformed("it holds no sound of MPEG audio, whatever its name says");
    }
    return new MpegFile(around, properties);
  }

  @Override
  public List<Tag> tags() {
    return around.tags();
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
    return List.of(around.sound());
  }

  @Override
  public List<Splice> splices(FileBytes in, List<Tag> tags) throws IOException {
    boolean more = tags.size() > around.tags().size();
    List<Splice> splices = new ArrayList<>();
    if (more) {
      splices.add(new Splice(0, 0, Surroundings.rendered(tags.getFirst())));
    }
    splices.addAll(around.splices(more ? tags.subList(1, tags.size()) : tags));
    return splices;
  }
}
