package tenterhook.adapters.tagfile.container;

import java.io.IOException;
import java.security.MessageDigest;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.tag.Tag;

/** A music file taken apart: its tags, and where its sound stands. A value of one moment. */
public interface MusicFile {
  /** The tags that are there, in the order in which they are asked for values. */
  List<Tag> tags();

  /**
   * A tag without entries, of the kind that a value gets into which no tag of the file can hold.
   *
   * @return one that {@link #splices} takes beside the file's tags; empty where a file has but one
   */
  Optional<Tag> fresh();

  /** What is known of the sound. */
  AudioProperties properties();

  /**
   * The parts of the file that change when its tags do.
   *
   * @param in the file
   * @param tags as many as there are, in the same order; one made from {@link #fresh} may come
   *     before them
   * @throws IOException when the file cannot hold them, or cannot be read
   */
  List<Splice> splices(FileBytes in, List<Tag> tags) throws IOException;

  /** The stretches of the file that sound, in its order; none where sound lies in packets. */
  List<ByteSpan> sound();

  /**
   * Takes what sounds into a digest, in the order of playing.
   *
   * @throws IOException when it is not where the file says
   */
  default void digestSound(FileBytes in, MessageDigest digest) throws IOException {
    SoundSpans.digest(in, sound(), digest);
  }

  /**
   * Takes in the length of what sounds, and samples of it.
   *
   * @throws IOException when it is not where the file says
   */
  default void sampleSound(FileBytes in, MessageDigest digest) throws IOException {
    SoundSpans.sample(in, sound(), digest);
  }

  /**
   * Takes in all that does not sound.
   *
   * @throws IOException when it cannot be read
   */
  default void digestRest(FileBytes in, MessageDigest digest) throws IOException {
    SoundSpans.digestOutside(in, sound(), digest);
  }
}
