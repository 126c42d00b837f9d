package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.container.MusicFile;

/**
 * What sounds in a file, apart from its tags, as hashes. Two files that differ in tags only have
 * the same payload hash, in whatever way tags stand around the sound.
 */
public final class AudioPayload {
  private AudioPayload() {}

  /**
   * What a file is recognised by without reading all of it.
   *
   * @param tags hash of all that does not sound, 16 hex digits: another when any tag is
   * @param sound hash of the length of what sounds and of two samples of it, 16 hex digits: the
   *     same after tags were rewritten, another for another recording
   */
  public record Seal(String tags, String sound) {
    /** Of a file that has tags but no sound where its format says. */
    public static final Seal NONE = new Seal("", "");
  }

  /**
   * The payload's hash. In ISO base media files it covers what the sample tables point to, in their
   * order, so that tables which point elsewhere are not the same sound.
   *
   * @param path a music file of a known format
   * @return lower-case hex SHA-256
   * @throws IOException when the file cannot be read or has no payload where its format says
   */
  public static String hash(Path path) throws IOException {
    MessageDigest digest = SafeFiles.newDigest();
    try (FileBytes in = FileBytes.open(path)) {
      read(in, path).digestSound(in, digest);
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  /**
   * The seal of a file.
   *
   * @param path a music file of a known format
   * @throws IOException when the file cannot be read or has no payload where its format says
   */
  public static Seal seal(Path path) throws IOException {
    try (FileBytes in = FileBytes.open(path)) {
      return seal(in, read(in, path));
    }
  }

  /** The seal of a file that is open. */
  static Seal seal(FileBytes in, MusicFile file) throws IOException {
    MessageDigest tags = SafeFiles.newDigest();
    MessageDigest sound = SafeFiles.newDigest();
    file.digestRest(in, tags);
    file.sampleSound(in, sound);
    return new Seal(shortened(tags), shortened(sound));
  }

  private static MusicFile read(FileBytes in, Path path) throws IOException {
    return MusicFiles.read(in, FileExtensions.of(path.getFileName().toString()));
  }

  private static String shortened(MessageDigest digest) {
    return HexFormat.of().formatHex(digest.digest(), 0, 8);
  }
}
