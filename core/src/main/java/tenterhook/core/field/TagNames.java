package tenterhook.core.field;

import java.util.List;

/**
 * Where a field stands in the tags of each format. Of several names the first is the one that is
 * written where there is none yet, and shown where they differ; the others are read, and kept in
 * step. A {@code /2} behind a name means the second number in it, as in {@code 3/12}.
 *
 * <p>Sources: the frames of ID3v2.4 (id3.org, 2000); the field names of Vorbis comments (Xiph.Org)
 * and those in common use beside them; the metadata items of ISO base media files, of which those
 * without a four-letter code are {@code ----:mean:name}; the keys of APEv2; the INFO list of RIFF
 * (Multimedia Programming Interface, 1991) and what is in common use beside it; the text chunks of
 * AIFF (1989).
 *
 * @param id3 frames of ID3v2.4, such as {@code TPE1}; {@code TXXX:NAME} is a text frame with a
 *     description. Stand in MP3, WAV and AIFF
 * @param vorbis names of a Vorbis comment. Stand in FLAC, Ogg Vorbis and Opus
 * @param mp4 items of an MP4 file, such as {@code ©ART}
 * @param ape keys of an APEv2 tag. Stand in MP3
 * @param info chunks of the INFO list of a WAV file; empty where it has no place for the field
 * @param aiff text chunks of an AIFF file; empty where it has no place for the field
 * @param inId3v1 whether the short tag of ID3v1 has a place for it
 */
public record TagNames(
    List<String> id3,
    List<String> vorbis,
    List<String> mp4,
    List<String> ape,
    List<String> info,
    List<String> aiff,
    boolean inId3v1) {
  /** The mark of a name of which the second number is meant. */
  public static final String SECOND = "/2";

  /** Checks that every format that can hold all fields has a place for it. */
  public TagNames {
    if (id3.isEmpty() || vorbis.isEmpty() || mp4.isEmpty() || ape.isEmpty()) {
      throw new IllegalArgumentException("a field of the file needs a place in every format");
    }
    id3 = List.copyOf(id3);
    vorbis = List.copyOf(vorbis);
    mp4 = List.copyOf(mp4);
    ape = List.copyOf(ape);
    info = List.copyOf(info);
    aiff = List.copyOf(aiff);
  }
}
