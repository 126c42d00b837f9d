package tenterhook.adapters.tagfile;

import java.io.IOException;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.flac.FlacFile;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.iff.AiffFile;
import tenterhook.adapters.tagfile.iff.RiffFile;
import tenterhook.adapters.tagfile.mp4.Mp4File;
import tenterhook.adapters.tagfile.mpeg.MpegFile;
import tenterhook.adapters.tagfile.ogg.OggFile;

/** Tells what a music file is by its bytes, and takes it apart. */
public final class MusicFiles {
  private MusicFiles() {}

  /**
   * Reads a file.
   *
   * @param extension of its name, in lower case; only MPEG audio, which has no mark of its own, is
   *     believed by it
   * @throws Malformed when it is of no known format, or not built as its format says
   * @throws IOException when it cannot be read
   */
  public static MusicFile read(FileBytes in, String extension) throws IOException {
    String head = in.letters(0, 12);
    if (OggFile.begins(head)) {
      return OggFile.read(in);
    }
    if (RiffFile.begins(head)) {
      return RiffFile.read(in);
    }
    if (AiffFile.begins(head)) {
      return AiffFile.read(in);
    }
    if (Mp4File.begins(head)) {
      return Mp4File.read(in);
    }
    if (FlacFile.begins(in, afterTag(in)) || extension.equals("flac")) {
      return FlacFile.read(in);
    }
    if (!extension.equals("mp3")) {
      throw new Malformed("it is of no format that is known here, whatever its name says");
    }
    return MpegFile.read(in);
  }

  private static long afterTag(FileBytes in) throws IOException {
    byte[] head = in.read(0, Math.min(Id3v2Tag.HEAD, in.length()));
    return Id3v2Tag.begins(head) ? Id3v2Tag.length(head) : 0;
  }
}
