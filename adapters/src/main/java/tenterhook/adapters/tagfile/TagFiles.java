package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.jaudiotagger.audio.AudioFile;
import org.jaudiotagger.audio.AudioFileIO;
import org.jaudiotagger.audio.AudioHeader;
import org.jaudiotagger.audio.mp3.MP3File;
import org.jaudiotagger.tag.FieldDataInvalidException;
import org.jaudiotagger.tag.Tag;
import org.jaudiotagger.tag.TagOptionSingleton;
import org.jaudiotagger.tag.id3.ID3v24Tag;
import org.jaudiotagger.tag.images.Artwork;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** Reads and writes the tags of music files of every format that the program knows. */
public final class TagFiles {
  private static final int SECONDS = 30;
  private static final Logger QUIET = Logger.getLogger("org.jaudiotagger");

  static {
    QUIET.setLevel(Level.OFF);
    TagOptionSingleton options = TagOptionSingleton.getInstance();
    options.setWriteMp3GenresAsText(true);
    options.setWriteMp4GenresAsText(true);
    options.setTruncateTextWithoutErrors(true);
  }

  private TagFiles() {}

  /**
   * Reads a file.
   *
   * @param file a music file
   * @return its values
   * @throws Unreadable when it is damaged, of another kind, or takes too long
   */
  public static Reading read(Path file) throws Unreadable {
    return TimeoutGuard.run(() -> readNow(file), SECONDS);
  }

  private static Reading readNow(Path file) throws Exception {
    if (FileExtensions.of(file.getFileName().toString()).equals("opus")) {
      return OpusFile.read(file);
    }
    AudioFile audio = open(file);
    Map<Field<?>, String> values = new HashMap<>();
    technical(audio.getAudioHeader(), FileExtensions.of(file.getFileName().toString()), values);
    Tag tag = tagOf(audio);
    if (tag != null) {
      for (Field<?> field : TagMap.fields()) {
        String raw = TagMap.read(tag, field);
        if (!raw.isEmpty()) {
          values.put(field, raw);
        }
      }
      long counted = Ratings.counted(TagMap.id3(tag));
      if (counted > 0) {
        values.put(Fields.COUNTED, String.valueOf(Math.min(counted, Integer.MAX_VALUE)));
      }
      Artwork art = TagMap.picture(tag);
      if (art != null && art.getBinaryData() != null) {
        values.put(Fields.ARTWORK, ArtworkImages.describe(art.getBinaryData()).raw());
      }
    }
    return new Reading(values);
  }

  private static AudioFile open(Path file) throws Exception {
    return AudioFileIO.read(file.toFile());
  }

  /** The tag that the program reads; the old short one of mp3 only when there is no other. */
  private static @org.jspecify.annotations.Nullable Tag tagOf(AudioFile audio) {
    if (audio instanceof MP3File mp3) {
      return mp3.hasID3v2Tag() ? mp3.getID3v2Tag() : mp3.getID3v1Tag();
    }
    return audio.getTag();
  }

  private static void technical(AudioHeader header, String ending, Map<Field<?>, String> values) {
    double seconds = header.getPreciseTrackLength();
    if (seconds > 0) {
      values.put(Fields.DURATION, String.format(Locale.ROOT, "%.3f", seconds));
    }
    values.put(Fields.CODEC, codec(header, ending));
    if (header.getBitRateAsNumber() > 0) {
      values.put(Fields.BITRATE, String.valueOf(header.getBitRateAsNumber()));
    }
    if (header.getSampleRateAsNumber() > 0) {
      values.put(Fields.SAMPLE_RATE, String.valueOf(header.getSampleRateAsNumber()));
    }
  }

  private static String codec(AudioHeader header, String ending) {
    return switch (ending) {
      case "m4a", "mp4" ->
          String.valueOf(header.getEncodingType()).contains("ALAC") || header.isLossless()
              ? "alac"
              : "aac";
      case "ogg", "oga" -> "vorbis";
      case "aif", "aiff" -> "aiff";
      default -> ending;
    };
  }

  /**
   * The bytes of a file's front cover.
   *
   * @param file a music file
   * @return the picture, or empty when there is none
   * @throws Unreadable when the file cannot be read
   */
  public static Optional<byte[]> picture(Path file) throws Unreadable {
    return TimeoutGuard.run(
        () -> {
          if (FileExtensions.of(file.getFileName().toString()).equals("opus")) {
            return Optional.<byte[]>empty();
          }
          Tag tag = tagOf(open(file));
          Artwork art = tag == null ? null : TagMap.picture(tag);
          return Optional.ofNullable(art == null ? null : art.getBinaryData());
        },
        SECONDS);
  }

  /**
   * Sets fields in a file, in place. Only {@code SafeFiles} calls this, on a copy that nobody uses.
   * Everything that is not named stays, tags that the program does not know included.
   *
   * @param file the copy
   * @param values raw values; empty takes a field away
   * @param pictures bytes of a picture by its SHA-256
   * @throws Unreadable when the file cannot be written
   */
  public static void write(
      Path file, Map<Field<?>, String> values, Function<String, byte[]> pictures)
      throws Unreadable {
    if (FileExtensions.of(file.getFileName().toString()).equals("opus")) {
      throw new Unreadable("Opus files can be read but not yet written");
    }
    TimeoutGuard.run(
        () -> {
          writeNow(file, values, pictures);
          return true;
        },
        4 * SECONDS);
  }

  private static void writeNow(
      Path file, Map<Field<?>, String> values, Function<String, byte[]> pictures) throws Exception {
    AudioFile audio = open(file);
    for (Tag tag : tagsToWrite(audio, values)) {
      for (Map.Entry<Field<?>, String> value : values.entrySet()) {
        if (value.getKey() == Fields.ARTWORK) {
          TagMap.setPicture(tag, value.getValue(), pictures);
        } else {
          TagMap.write(tag, value.getKey(), value.getValue());
        }
      }
    }
    audio.commit();
  }

  /** An mp3's old short tag is kept in step, but never made where there was none. */
  private static List<Tag> tagsToWrite(AudioFile audio, Map<Field<?>, String> values)
      throws FieldDataInvalidException {
    if (audio instanceof MP3File mp3) {
      if (!mp3.hasID3v2Tag() && mp3.hasID3v1Tag()) {
        mp3.setID3v2Tag(TagMap.copied(mp3.getID3v1Tag(), new ID3v24Tag()));
      }
      Tag main = mp3.getTagOrCreateAndSetDefault();
      if (!mp3.hasID3v1Tag()) {
        return List.of(main);
      }
      boolean known = values.keySet().stream().anyMatch(TagMap::inShortTag);
      return known ? List.of(main, mp3.getID3v1Tag()) : List.of(main);
    }
    return List.of(audio.getTagOrCreateAndSetDefault());
  }

  /**
   * The hash of what sounds, fenced.
   *
   * @param file a music file
   * @throws Unreadable when the file is damaged
   */
  public static String payload(Path file) throws Unreadable {
    try {
      return AudioPayload.hash(file);
    } catch (IOException broken) {
      throw new Unreadable("its sound cannot be found: " + broken.getMessage(), broken);
    }
  }
}
