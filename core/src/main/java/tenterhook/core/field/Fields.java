package tenterhook.core.field;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The catalogue of all fields. A new field is one entry here and its tag mapping. */
public final class Fields {
  private static final List<Field<?>> ENTRIES = new ArrayList<>();

  // File
  /** Whether the file is where the collection says: {@code present} or {@code lost}. */
  public static final Field<String> STATE = add("state", "file", FieldTypes.TEXT, FieldOrigin.READ);

  // Names
  public static final Field<String> ARTIST = woven("artist", "artist", FieldTypes.TEXT, "Names");
  public static final Field<String> TITLE = woven("title", "title", FieldTypes.TEXT, "Names");
  public static final Field<String> ALBUM = woven("album", "album", FieldTypes.TEXT, "Names");
  public static final Field<String> ALBUM_ARTIST =
      add("albumArtist", "album artist", FieldTypes.TEXT, FieldOrigin.FILE);
  public static final Field<String> COMPOSER =
      add("composer", "composer", FieldTypes.TEXT, FieldOrigin.FILE);
  public static final Field<String> LABEL =
      add("label", "label", FieldTypes.TEXT, FieldOrigin.FILE);

  // Numbers
  public static final Field<Integer> YEAR = woven("year", "year", FieldTypes.YEAR, "Numbers");
  public static final Field<Integer> TRACK = woven("track", "track", FieldTypes.COUNT, "Numbers");
  public static final Field<Integer> TRACK_TOTAL =
      add("trackTotal", "track total", FieldTypes.COUNT, FieldOrigin.FILE);
  public static final Field<Integer> DISC = add("disc", "disc", FieldTypes.COUNT, FieldOrigin.FILE);
  public static final Field<Integer> DISC_TOTAL =
      add("discTotal", "disc total", FieldTypes.COUNT, FieldOrigin.FILE);
  public static final Field<Double> BPM = woven("bpm", "bpm", FieldTypes.TEMPO, "Numbers");
  public static final Field<String> KEY = woven("key", "key", FieldTypes.TEXT, "Numbers");
  public static final Field<Integer> RATING =
      add("rating", "rating", FieldTypes.RATING, FieldOrigin.FILE);

  // Sight
  public static final Field<List<String>> GENRE = woven("genre", "genre", FieldTypes.LIST, "Sight");
  public static final Field<Artwork> ARTWORK = woven("artwork", "art", FieldTypes.ART, "Sight");
  public static final Field<String> COMMENT =
      add("comment", "comment", FieldTypes.TEXT, FieldOrigin.FILE);
  public static final Field<String> GROUPING =
      add("grouping", "grouping", FieldTypes.TEXT, FieldOrigin.FILE);
  public static final Field<String> LYRICS =
      add("lyrics", "lyrics", FieldTypes.TEXT, FieldOrigin.FILE);

  // Kept by the program
  public static final Field<Boolean> RESTING =
      add("resting", "resting", FieldTypes.FLAG, FieldOrigin.PROGRAM);
  public static final Field<Boolean> GUARDED =
      add("guarded", "guarded", FieldTypes.FLAG, FieldOrigin.PROGRAM);
  public static final Field<Integer> PLAYS =
      add("plays", "plays", FieldTypes.PLAYS, FieldOrigin.PROGRAM);
  public static final Field<Instant> LAST_PLAYED =
      add("lastPlayed", "last played", FieldTypes.MOMENT, FieldOrigin.PROGRAM);

  /** The dates on which it was played, as set lists or the DJ say; each counts one play. */
  public static final Field<List<String>> NIGHTS =
      add("nights", "nights", FieldTypes.LIST, FieldOrigin.PROGRAM);

  /** Empty while in the collection; {@code held} in the holding bay; {@code removed}. */
  public static final Field<String> STANDING =
      add("standing", "standing", FieldTypes.TEXT, FieldOrigin.PROGRAM);

  // Read off the file
  public static final Field<Instant> ADDED =
      add("added", "added", FieldTypes.MOMENT, FieldOrigin.READ);
  public static final Field<String> ARRIVAL =
      add("arrival", "arrival", FieldTypes.TEXT, FieldOrigin.READ);
  public static final Field<String> ROOT = add("root", "root", FieldTypes.TEXT, FieldOrigin.READ);
  public static final Field<String> PATH = add("path", "path", FieldTypes.TEXT, FieldOrigin.READ);
  public static final Field<Long> SIZE = add("size", "bytes", FieldTypes.AMOUNT, FieldOrigin.READ);

  /** Last modification of the file, milliseconds since 1970. */
  public static final Field<Long> MODIFIED =
      add("modified", "modified", FieldTypes.AMOUNT, FieldOrigin.READ);

  public static final Field<Double> DURATION =
      add("duration", "time", FieldTypes.SECONDS, FieldOrigin.READ);
  public static final Field<String> CODEC =
      add("codec", "format", FieldTypes.TEXT, FieldOrigin.READ);
  public static final Field<Long> BITRATE =
      add("bitrate", "kbps", FieldTypes.AMOUNT, FieldOrigin.READ);
  public static final Field<Long> SAMPLE_RATE =
      add("sampleRate", "sample rate", FieldTypes.AMOUNT, FieldOrigin.READ);

  /** Plays that the file's own tag counts (POPM or PCNT); a rise is added to {@link #PLAYS}. */
  public static final Field<Integer> COUNTED =
      add("counted", "counted", FieldTypes.PLAYS, FieldOrigin.READ);

  /** SHA-256 of the whole file; only known where another file has the same size. */
  public static final Field<String> CONTENT =
      add("content", "content", FieldTypes.TEXT, FieldOrigin.READ);

  /** What is not sound in the file, as a hash: another when another program changed a tag. */
  public static final Field<String> TAGS_SEAL =
      add("tagsSeal", "tags seal", FieldTypes.TEXT, FieldOrigin.READ);

  /** Samples of what sounds, as a hash: another when the file holds another recording. */
  public static final Field<String> SOUND_SEAL =
      add("soundSeal", "sound seal", FieldTypes.TEXT, FieldOrigin.READ);

  // Measured off the sound
  /** SHA-256 of what sounds in the file, apart from tags; known once it was measured. */
  public static final Field<String> SOUND =
      add("sound", "sound", FieldTypes.TEXT, FieldOrigin.MEASURED);

  public static final Field<Double> LOUDNESS =
      add("loudness", "LUFS", FieldTypes.LEVEL, FieldOrigin.MEASURED);
  public static final Field<Double> TRUE_PEAK =
      add("truePeak", "true peak", FieldTypes.LEVEL, FieldOrigin.MEASURED);
  public static final Field<Double> MEASURED_BPM =
      add("measuredBpm", "measured bpm", FieldTypes.TEMPO, FieldOrigin.MEASURED);

  /** 0 to 100. */
  public static final Field<Long> BPM_CERTAINTY =
      add("bpmCertainty", "bpm certainty", FieldTypes.AMOUNT, FieldOrigin.MEASURED);

  public static final Field<String> MEASURED_KEY =
      add("measuredKey", "measured key", FieldTypes.TEXT, FieldOrigin.MEASURED);

  /** 0 to 100. */
  public static final Field<Long> KEY_CERTAINTY =
      add("keyCertainty", "key certainty", FieldTypes.AMOUNT, FieldOrigin.MEASURED);

  /** Whether the sound is what the file claims: honest, unsure or upscaled. */
  public static final Field<String> QUALITY =
      add("quality", "quality", FieldTypes.TEXT, FieldOrigin.MEASURED);

  /** The bit rate that the sound speaks of, where it is lower than the file's. */
  public static final Field<Long> REAL_KBPS =
      add("realKbps", "real kbps", FieldTypes.AMOUNT, FieldOrigin.MEASURED);

  /** How lively it is by itself, in ten-thousandths; what energy ranks by. */
  public static final Field<Long> LIVELINESS =
      add("liveliness", "liveliness", FieldTypes.AMOUNT, FieldOrigin.MEASURED);

  /** How lively it is among all tracks of the collection, 0 to 100. */
  public static final Field<Long> ENERGY =
      add("energy", "energy", FieldTypes.AMOUNT, FieldOrigin.MEASURED);

  // Computed from others
  public static final Field<List<String>> CODES =
      add("codes", "codes", FieldTypes.LIST, FieldOrigin.DERIVED);
  public static final Field<List<String>> STRAYS =
      add("strays", "strays", FieldTypes.LIST, FieldOrigin.DERIVED);
  public static final Field<String> FOLDER =
      add("folder", "folder", FieldTypes.TEXT, FieldOrigin.DERIVED);

  private static final List<Field<?>> ALL = List.copyOf(ENTRIES);
  private static final Map<String, Field<?>> BY_KEY = byKeys();

  private static final Set<Field<?>> INTERNAL = Set.of(STANDING, CONTENT, TAGS_SEAL, SOUND_SEAL);

  private Fields() {}

  /** Whether a field serves the program alone and is offered to nobody. */
  public static boolean internal(Field<?> field) {
    return INTERNAL.contains(field);
  }

  /** All fields in the order of the catalogue. */
  public static List<Field<?>> all() {
    return ALL;
  }

  /** The fields that live in tags of the file, in the order of the catalogue. */
  public static List<Field<?>> inFile() {
    return ALL.stream().filter(f -> f.origin() == FieldOrigin.FILE).toList();
  }

  /** The fields that are measured off the sound, in the order of the catalogue. */
  public static List<Field<?>> measured() {
    return ALL.stream().filter(f -> f.origin() == FieldOrigin.MEASURED).toList();
  }

  /**
   * The field of a name; upper and lower case and blanks do not matter ({@code Album Artist}).
   *
   * @param name key or label
   */
  public static Optional<Field<?>> named(String name) {
    return Optional.ofNullable(BY_KEY.get(name.toLowerCase(Locale.ROOT).replace(" ", "")));
  }

  /**
   * The field of a key that must be there.
   *
   * @throws IllegalArgumentException when no field has the key
   */
  public static Field<?> of(String key) {
    return named(key).orElseThrow(() -> new IllegalArgumentException("no field " + key));
  }

  private static Map<String, Field<?>> byKeys() {
    Map<String, Field<?>> map = new LinkedHashMap<>();
    for (Field<?> field : ALL) {
      map.put(field.label().toLowerCase(Locale.ROOT).replace(" ", ""), field);
    }
    for (Field<?> field : ALL) {
      map.put(field.key().toLowerCase(Locale.ROOT), field);
    }
    map.put("tempo", BPM);
    return Map.copyOf(map);
  }

  private static <T> Field<T> woven(String key, String label, FieldType<T> type, String group) {
    return enter(new Field<>(key, label, type, FieldOrigin.FILE, ENTRIES.size(), group));
  }

  private static <T> Field<T> add(String key, String label, FieldType<T> type, FieldOrigin origin) {
    return enter(new Field<>(key, label, type, origin, ENTRIES.size(), ""));
  }

  private static <T> Field<T> enter(Field<T> field) {
    ENTRIES.add(field);
    return field;
  }
}
