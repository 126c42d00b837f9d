package tenterhook.standins;

import java.nio.file.Path;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.jaudiotagger.audio.AudioFile;
import org.jaudiotagger.audio.AudioFileIO;

/** Reads and writes tags by a library that shares no code with the program's own editors. */
public final class OtherLibrary {
  private static final Logger TALKATIVE = Logger.getLogger("org.jaudiotagger");

  static {
    TALKATIVE.setLevel(Level.OFF);
  }

  private OtherLibrary() {}

  /** Reads a file; what it gives can be changed, and written by {@code commit}. */
  public static AudioFile read(Path file) throws Exception {
    return AudioFileIO.read(file.toFile());
  }
}
