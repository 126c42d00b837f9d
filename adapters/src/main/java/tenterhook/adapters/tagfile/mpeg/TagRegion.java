package tenterhook.adapters.tagfile.mpeg;

import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.id3.Id3v1Tag;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;

/**
 * A tag and where it stands.
 *
 * @param tag the tag
 * @param span all of it
 */
record TagRegion(Tag tag, ByteSpan span) {
  /** The fuller a tag can be, the earlier it is asked. */
  int rank() {
    return switch (tag) {
      case Id3v2Tag frames -> 0;
      case Id3v1Tag old -> 2;
      default -> 1;
    };
  }
}
