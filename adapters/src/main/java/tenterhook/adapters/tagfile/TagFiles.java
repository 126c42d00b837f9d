package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.disk.Splices;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.container.AudioProperties;
import tenterhook.adapters.tagfile.container.MusicFile;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/** Reads and writes the tags of music files of every format that the program knows. */
public final class TagFiles {
  private TagFiles() {}

  /** Work on a file that is taken apart. */
  @FunctionalInterface
  interface FileWork<T> {
    /** Does it. */
    T on(FileBytes in, MusicFile file) throws IOException, Unreadable;
  }

  /** Whatever is wrong with a file costs that file only, and is said in plain words. */
  static <T> T with(Path path, FileWork<T> work) throws Unreadable {
    try (FileBytes in = FileBytes.open(path)) {
      String extension = FileExtensions.of(path.getFileName().toString());
      return work.on(in, MusicFiles.read(in, extension));
    } catch (IOException broken) {
      throw new Unreadable(String.valueOf(broken.getMessage()), broken);
    } catch (RuntimeException broken) {
      throw new Unreadable("it is damaged in a way that nobody foresaw", broken);
    }
  }

  /**
   * Reads a file.
   *
   * @param path a music file
   * @return its values
   * @throws Unreadable when it is damaged, or of another kind
   */
  public static Reading read(Path path) throws Unreadable {
    return with(path, (in, file) -> reading(file));
  }

  /**
   * Reads a file that is to be recognised later.
   *
   * @param path a music file
   * @return its values and its seal, read while it was open once
   * @throws Unreadable when it is damaged, or of another kind
   */
  public static SealedReading readSealed(Path path) throws Unreadable {
    return with(path, (in, file) -> new SealedReading(reading(file), seal(in, file)));
  }

  private static AudioPayload.Seal seal(FileBytes in, MusicFile file) {
    try {
      return AudioPayload.seal(in, file);
    } catch (IOException | RuntimeException damaged) {
      return AudioPayload.Seal.NONE; // it is listed all the same
    }
  }

  private static Reading reading(MusicFile file) {
    Map<Field<?>, String> values = new HashMap<>();
    technical(file.properties(), values);
    FileTags tags = new FileTags(file.tags());
    List<String> outOfStep = new ArrayList<>();
    for (Field<?> field : FileTags.fields()) {
      String raw = tags.raw(field, outOfStep);
      if (!raw.isEmpty()) {
        values.put(field, raw);
      }
    }
    if (tags.plays() > 0) {
      values.put(Fields.COUNTED, String.valueOf(tags.plays()));
    }
    tags.picture().ifPresent(p -> values.put(Fields.ARTWORK, ArtworkImages.describe(p).raw()));
    if (!outOfStep.isEmpty()) {
      values.put(Fields.OUT_OF_STEP, String.join(String.valueOf(FieldType.SEPARATOR), outOfStep));
    }
    return new Reading(values);
  }

  private static void technical(AudioProperties sound, Map<Field<?>, String> values) {
    values.put(Fields.CODEC, sound.codec());
    if (sound.seconds() > 0) {
      BigDecimal seconds = BigDecimal.valueOf(Math.round(sound.seconds() * 1000), 3);
      values.put(Fields.DURATION, seconds.toPlainString());
    }
    if (sound.kbps() > 0) {
      values.put(Fields.BITRATE, String.valueOf(sound.kbps()));
    }
    if (sound.sampleRate() > 0) {
      values.put(Fields.SAMPLE_RATE, String.valueOf(sound.sampleRate()));
    }
  }

  /**
   * The bytes of a file's front cover.
   *
   * @param path a music file
   * @return the picture, or empty when there is none
   * @throws Unreadable when the file cannot be read
   */
  public static Optional<byte[]> picture(Path path) throws Unreadable {
    return with(path, (in, file) -> new FileTags(file.tags()).picture());
  }

  /** What the tags are to be, and the parts of the file that make them so. */
  private record PlannedWrite(FileTags meant, List<Splice> splices) {}

  /**
   * Sets fields in a file, in place. Only {@code SafeFiles} calls this, on a copy that nobody uses.
   * Everything that is not named stays bit by bit, tags that the program does not know included;
   * that is read back from the disk.
   *
   * @param path the copy
   * @param values raw values; empty takes a field away
   * @param pictures bytes of a picture by its SHA-256; null when they are not kept
   * @return how many bytes were written
   * @throws Unreadable when the file cannot hold a value or cannot be written; it may be anything
   *     then
   */
  public static long write(
      Path path, Map<Field<?>, String> values, Function<String, byte @Nullable []> pictures)
      throws Unreadable {
    PlannedWrite plan =
        with(
            path,
            (in, file) -> {
              FileTags meant = meant(file, values, pictures);
              return new PlannedWrite(meant, file.splices(in, meant.tags()));
            });
    try {
      long written = Splices.apply(path, plan.splices());
      FileTags found = with(path, (in, file) -> new FileTags(file.tags()));
      if (!found.entries().equals(plan.meant().entries())) {
        throw new Unreadable("more of its tags would have changed than was asked");
      }
      return written;
    } catch (IOException trouble) {
      throw new Unreadable(String.valueOf(trouble.getMessage()), trouble);
    }
  }

  private static FileTags meant(
      MusicFile file, Map<Field<?>, String> values, Function<String, byte @Nullable []> pictures)
      throws Unreadable {
    FileTags tags = new FileTags(file.tags());
    for (Map.Entry<Field<?>, String> value : values.entrySet()) {
      Field<?> field = value.getKey();
      boolean added = tags.tags().size() > file.tags().size();
      Optional<Tag> fresh = added ? Optional.empty() : file.fresh();
      if (field == Fields.ARTWORK) {
        tags = tags.withPicture(picture(value.getValue(), pictures), fresh);
      } else {
        tags = tags.with(field, value.getValue(), fresh);
        if (!value.getValue().isEmpty() && !tags.raw(field).equals(value.getValue())) {
          throw new Unreadable(
              "its format cannot hold this "
                  + field.label()
                  + " (it would read \""
                  + field.type().show(tags.raw(field))
                  + "\")");
        }
      }
    }
    return tags;
  }

  private static Optional<Picture> picture(String raw, Function<String, byte @Nullable []> pictures)
      throws Unreadable {
    if (raw.isEmpty()) {
      return Optional.empty();
    }
    Artwork wanted =
        Artwork.parse(raw).orElseThrow(() -> new IllegalArgumentException("not a picture: " + raw));
    byte[] bytes = pictures.apply(wanted.sha256());
    if (bytes == null) {
      throw new Unreadable("the picture that is to be its cover is no longer kept");
    }
    return Optional.of(new Picture(wanted.mime(), bytes, wanted.width(), wanted.height()));
  }

  /**
   * The hash of what sounds.
   *
   * @param path a music file
   * @throws Unreadable when the file is damaged
   */
  public static String payload(Path path) throws Unreadable {
    try {
      return AudioPayload.hash(path);
    } catch (IOException broken) {
      throw new Unreadable("its sound cannot be found: " + broken.getMessage(), broken);
    }
  }
}
