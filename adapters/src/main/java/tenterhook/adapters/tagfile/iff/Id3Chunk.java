package tenterhook.adapters.tagfile.iff;

import java.io.IOException;
import java.util.Arrays;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;

/** A tag of ID3v2 in a chunk of its own. */
final class Id3Chunk {
  private Id3Chunk() {}

  /** Whether a chunk holds such a tag. */
  static boolean is(FileBytes in, Chunk chunk) throws IOException {
    return chunk.id().equalsIgnoreCase("id3 ")
        && chunk.content().length() >= Id3v2Tag.HEAD
        && Id3v2Tag.begins(in.read(chunk.from(), Id3v2Tag.HEAD));
  }

  /**
   * Reads the tag.
   *
   * @throws Malformed when it is longer than its chunk, or of an unknown version
   */
  static Id3v2Tag read(FileBytes in, Chunk chunk) throws IOException {
    byte[] bytes = in.read(chunk.from(), chunk.content().length());
    long length = Id3v2Tag.length(bytes);
    if (length > bytes.length) {
      throw Malformed.cut("its tag", length, bytes.length);
    }
    return Id3v2Tag.parse(Arrays.copyOf(bytes, (int) length));
  }
}
