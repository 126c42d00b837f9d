package tenterhook.core.field;

import java.util.List;

/**
 * Where a field stands in the tags of each format. A {@code /2} behind a name means the second
 * number in it, as in {@code 3/12}.
 *
 * <p>Sources: the frames of ID3v2.4 (id3.org, 2000); the field names of Vorbis comments (Xiph.Org)
 * and those in common use beside them; the metadata items of ISO base media files, of which those
 * without a four-letter code are {@code ----:mean:name}.
 *
 * @param id3 frame of ID3v2.4, such as {@code TPE1}; {@code TXXX:NAME} is a text frame with a
 *     description. Stands in MP3, WAV and AIFF
 * @param vorbis names of a Vorbis comment, the one that is written first; the others are read where
 *     it is missing. Stand in FLAC, Ogg Vorbis and Opus
 * @param mp4 item of an MP4 file, such as {@code ©ART}
 * @param inId3v1 whether the short tag of ID3v1 has a place for it
 */
public record TagNames(String id3, List<String> vorbis, String mp4, boolean inId3v1) {
  /** Checks that every format has a place for it. */
  public TagNames {
    if (id3.isBlank() || vorbis.isEmpty() || mp4.isBlank()) {
      throw new IllegalArgumentException("a field of the file needs a place in every format");
    }
    vorbis = List.copyOf(vorbis);
  }
}
