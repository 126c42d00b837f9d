package tenterhook.adapters.sound;

import java.nio.file.Path;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.measure.SoundPrinter;

/** The sound prints of files, without measuring anything else. */
public final class SoundPrints {
  private static final int BLOCK = 4096;

  private SoundPrints() {}

  /**
   * The print of a file's first two minutes.
   *
   * @param file a music file
   * @throws Unreadable when it is not there, or nothing in it sounds
   */
  public static SoundPrint of(Path file) throws Unreadable {
    try (SoundFile sound = SoundFile.open(file)) {
      SoundPrinter printer = new SoundPrinter(sound.rate(), sound.channels());
      float[] block = new float[BLOCK * sound.channels()];
      int got = sound.read(block);
      while (got >= 0 && printer.add(block, got)) {
        got = sound.read(block);
      }
      return printer.print();
    }
  }
}
