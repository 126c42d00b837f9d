package tenterhook.core.lost;

import java.util.Optional;
import tenterhook.core.lost.LostFinder.FoundFile;

/** Opens files that lost tracks may be. Answers are kept: a file is opened once. */
public interface FileInspector {
  /**
   * What a file says of itself.
   *
   * @param seconds its length
   * @param artist empty when not known
   * @param title empty when not known
   */
  record FileFacts(double seconds, String artist, String title) {}

  /** What a file says of itself; empty when it cannot be read. */
  Optional<FileFacts> facts(FoundFile file);

  /**
   * What a file is recognised by without reading all of it.
   *
   * @param tags as {@link tenterhook.core.field.Fields#TAGS_SEAL}
   * @param sound as {@link tenterhook.core.field.Fields#SOUND_SEAL}
   */
  record Seals(String tags, String sound) {}

  /** The seals of a file; empty when it cannot be read. */
  Optional<Seals> seals(FoundFile file);

  /** The hash of what sounds in a file; empty when it cannot be read. */
  Optional<String> sound(FoundFile file);

  /**
   * Whether a lost track and a file are one recording, by their sound prints.
   *
   * @return empty when the track was never measured, or the file cannot be heard
   */
  Optional<Boolean> sameSound(int lost, FoundFile file);
}
