package tenterhook.core.field;

import static tenterhook.core.field.Trait.INTERNAL;
import static tenterhook.core.field.Trait.LONG;
import static tenterhook.core.field.Trait.NAME;
import static tenterhook.core.field.Trait.OF_FILE;
import static tenterhook.core.field.Trait.OWN_WORDS;
import static tenterhook.core.field.Trait.PLACE_ON_ALBUM;
import static tenterhook.core.field.Trait.REPAIRABLE;
import static tenterhook.core.field.Trait.SEARCHED;
import static tenterhook.core.field.Trait.SETTABLE;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The catalogue of all fields. A new field is one entry here: its type, where it stands in tags,
 * and its traits say everything that tables, panels, find, rules, repairs and commands need. A new
 * field of the file also says {@code since(n)}, one more than the {@link #version} before it.
 */
public final class Fields {
  private static final List<Field<?>> ENTRIES = new ArrayList<>();

  // File
  /** Whether the file is where the collection says: {@code present} or {@code lost}. */
  public static final Field<String> STATE = read("state", FieldTypes.TEXT).label("file").add();

  // Names
  public static final Field<String> ARTIST =
      file("artist", FieldTypes.TEXTS)
          .woven("Names")
          .tags("TPE1", "ARTIST", "©ART")
          .info("IART")
          .aiff("AUTH")
          .inId3v1()
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();
  public static final Field<String> TITLE =
      file("title", FieldTypes.TEXT)
          .woven("Names")
          .tags("TIT2", "TITLE", "©nam")
          .info("INAM")
          .aiff("NAME")
          .inId3v1()
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();

  /** The version words, such as "Extended Mix", where a file has them apart from its title. */
  public static final Field<String> MIX_NAME =
      file("mixName", FieldTypes.TEXT)
          .since(2)
          .tags("TIT3", "VERSION|SUBTITLE", ownItem("SUBTITLE"))
          .ape("Subtitle|VERSION")
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();

  public static final Field<String> ALBUM =
      file("album", FieldTypes.TEXT)
          .woven("Names")
          .tags("TALB", "ALBUM", "©alb")
          .info("IPRD")
          .inId3v1()
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();
  public static final Field<String> ALBUM_ARTIST =
      file("albumArtist", FieldTypes.TEXTS)
          .tags("TPE2", "ALBUMARTIST|ALBUM ARTIST", "aART")
          .ape("Album Artist|ALBUMARTIST")
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();
  public static final Field<String> COMPOSER =
      file("composer", FieldTypes.TEXTS)
          .tags("TCOM", "COMPOSER", "©wrt")
          .info("IMUS")
          .traits(SEARCHED, REPAIRABLE, OWN_WORDS)
          .add();
  public static final Field<String> REMIXER =
      file("remixer", FieldTypes.TEXTS)
          .since(2)
          .tags("TPE4", "REMIXER", ownItem("REMIXER"))
          .traits(SEARCHED, REPAIRABLE, NAME)
          .add();
  public static final Field<String> LABEL =
      file("label", FieldTypes.TEXTS)
          .tags("TPUB", "LABEL|ORGANIZATION", ownItem("LABEL"))
          .ape("Label|Publisher")
          .traits(REPAIRABLE)
          .add();

  // Numbers
  public static final Field<Integer> YEAR =
      file("year", FieldTypes.YEAR)
          .woven("Numbers")
          .tags("TDRC|TYER", "DATE|YEAR", "©day")
          .ape("Year|DATE")
          .info("ICRD")
          .inId3v1()
          .add();
  public static final Field<Integer> TRACK =
      file("track", FieldTypes.COUNT)
          .woven("Numbers")
          .tags("TRCK", "TRACKNUMBER", "trkn")
          .ape("Track|TRACKNUMBER")
          .info("ITRK|IPRT")
          .inId3v1()
          .traits(PLACE_ON_ALBUM)
          .add();
  public static final Field<Integer> TRACK_TOTAL =
      file("trackTotal", FieldTypes.COUNT)
          .tags("TRCK/2", "TRACKTOTAL|TOTALTRACKS|TRACKNUMBER/2", "trkn/2")
          .ape("Track/2|TRACKTOTAL|TOTALTRACKS")
          .info("ITRK/2|IPRT/2")
          .traits(PLACE_ON_ALBUM)
          .totalOf(TRACK)
          .add();
  public static final Field<Integer> DISC =
      file("disc", FieldTypes.COUNT)
          .tags("TPOS", "DISCNUMBER", "disk")
          .ape("Disc|DISCNUMBER")
          .traits(PLACE_ON_ALBUM)
          .add();
  public static final Field<Integer> DISC_TOTAL =
      file("discTotal", FieldTypes.COUNT)
          .tags("TPOS/2", "DISCTOTAL|TOTALDISCS|DISCNUMBER/2", "disk/2")
          .ape("Disc/2|DISCTOTAL|TOTALDISCS")
          .traits(PLACE_ON_ALBUM)
          .totalOf(DISC)
          .add();
  public static final Field<Double> BPM =
      file("bpm", FieldTypes.TEMPO).woven("Numbers").tags("TBPM", "BPM", "tmpo").add();
  public static final Field<String> KEY =
      file("key", FieldTypes.TEXT)
          .woven("Numbers")
          .tags("TKEY", "KEY|INITIALKEY", ownItem("initialkey") + "|" + ownItem("KEY"))
          .add();

  /** In ID3 the first popularimeter; in an MP4 file not standardized, but in common use. */
  public static final Field<Integer> RATING =
      file("rating", FieldTypes.RATING).tags("POPM", "RATING", "rate").add();

  // Sight
  public static final Field<List<String>> GENRE =
      file("genre", FieldTypes.LIST)
          .woven("Sight")
          .tags("TCON", "GENRE", "©gen|gnre")
          .info("IGNR")
          .inId3v1()
          .traits(SEARCHED, REPAIRABLE, OWN_WORDS)
          .add();
  public static final Field<String> MOOD =
      file("mood", FieldTypes.TEXTS)
          .since(2)
          .tags("TMOO", "MOOD", ownItem("MOOD"))
          .traits(SEARCHED, REPAIRABLE, OWN_WORDS)
          .add();

  /** Of the words that are sung; ISO 639-2 codes, such as {@code eng}, or words. */
  public static final Field<String> LANGUAGE =
      file("language", FieldTypes.TEXTS)
          .since(2)
          .tags("TLAN", "LANGUAGE", ownItem("LANGUAGE"))
          .info("ILNG")
          .add();

  /** Whether the album is of several artists. */
  public static final Field<Boolean> COMPILATION =
      file("compilation", FieldTypes.FILE_FLAG).since(2).tags("TCMP", "COMPILATION", "cpil").add();

  public static final Field<Artwork> ARTWORK =
      file("artwork", FieldTypes.ART).label("art").woven("Sight").add();
  public static final Field<String> COMMENT =
      file("comment", FieldTypes.TEXT)
          .tags("COMM", "COMMENT|DESCRIPTION", "©cmt")
          .info("ICMT")
          .aiff("ANNO")
          .inId3v1()
          .traits(SEARCHED, OWN_WORDS)
          .add();
  public static final Field<String> GROUPING =
      file("grouping", FieldTypes.TEXT)
          .tags("TIT1", "GROUPING", "©grp")
          .traits(SEARCHED, OWN_WORDS)
          .add();
  public static final Field<String> LYRICS =
      file("lyrics", FieldTypes.TEXT)
          .tags("USLT", "LYRICS|UNSYNCEDLYRICS", "©lyr")
          .traits(OWN_WORDS, LONG)
          .add();

  // Kept by the program
  public static final Field<Boolean> RESTING =
      kept("resting", FieldTypes.FLAG).traits(SETTABLE).add();
  public static final Field<Boolean> GUARDED =
      kept("guarded", FieldTypes.FLAG).traits(SETTABLE).add();
  public static final Field<Integer> PLAYS = kept("plays", FieldTypes.PLAYS).traits(SETTABLE).add();
  public static final Field<Instant> LAST_PLAYED = kept("lastPlayed", FieldTypes.MOMENT).add();

  /** The dates on which it was played, as set lists or the DJ say; each counts one play. */
  public static final Field<List<String>> NIGHTS = kept("nights", FieldTypes.LIST).add();

  /** Empty while in the collection; {@code held} in the holding bay; {@code removed}. */
  public static final Field<String> LIFECYCLE =
      kept("lifecycle", FieldTypes.TEXT).traits(INTERNAL).add();

  // Read off the file
  public static final Field<Instant> ADDED = read("added", FieldTypes.MOMENT).add();
  public static final Field<String> ARRIVAL = read("arrival", FieldTypes.TEXT).add();
  public static final Field<String> ROOT = read("root", FieldTypes.TEXT).add();
  public static final Field<String> PATH = read("path", FieldTypes.TEXT).traits(SEARCHED).add();
  public static final Field<Long> SIZE =
      read("size", FieldTypes.AMOUNT).unit("bytes").label("bytes").traits(OF_FILE).add();

  /** The version of the catalogue by which its tags were read; empty for the first. */
  public static final Field<Long> READ_WITH =
      read("readWith", FieldTypes.AMOUNT).traits(OF_FILE, INTERNAL).add();

  /** Last modification of the file, milliseconds since 1970. */
  public static final Field<Long> MODIFIED =
      read("modified", FieldTypes.AMOUNT).traits(OF_FILE, INTERNAL).add();

  public static final Field<Double> DURATION =
      read("duration", FieldTypes.SECONDS).unit("seconds").label("time").traits(OF_FILE).add();
  public static final Field<String> CODEC =
      read("codec", FieldTypes.TEXT).label("format").traits(OF_FILE).add();
  public static final Field<Long> BITRATE =
      read("bitrate", FieldTypes.AMOUNT).unit("kbps").label("kbps").traits(OF_FILE).add();
  public static final Field<Long> SAMPLE_RATE =
      read("sampleRate", FieldTypes.AMOUNT).unit("hz").traits(OF_FILE).add();

  /** Plays that the file's own tag counts (POPM or PCNT); a rise is added to {@link #PLAYS}. */
  public static final Field<Integer> COUNTED =
      read("counted", FieldTypes.PLAYS).traits(OF_FILE).add();

  /**
   * Values that stand elsewhere in the file's tags than those that are shown, and differ: each the
   * field's key, the place and the value, separated by {@code |}.
   */
  public static final Field<List<String>> OUT_OF_STEP =
      read("outOfStep", FieldTypes.LIST).since(3).traits(OF_FILE, INTERNAL).add();

  /** SHA-256 of the whole file; only known where another file has the same size. */
  public static final Field<String> CONTENT =
      read("content", FieldTypes.TEXT).traits(OF_FILE, INTERNAL).add();

  /** What is not sound in the file, as a hash: another when another program changed a tag. */
  public static final Field<String> TAGS_SEAL =
      read("tagsSeal", FieldTypes.TEXT).traits(OF_FILE, INTERNAL).add();

  /** Samples of what sounds, as a hash: another when the file holds another recording. */
  public static final Field<String> SOUND_SEAL =
      read("soundSeal", FieldTypes.TEXT).traits(OF_FILE, INTERNAL).add();

  // Measured off the sound
  /** SHA-256 of what sounds in the file, apart from tags; known once it was measured. */
  public static final Field<String> SOUND = measured("sound", FieldTypes.TEXT).add();

  public static final Field<Double> LOUDNESS =
      measured("loudness", FieldTypes.LEVEL).label("LUFS").add();
  public static final Field<Double> TRUE_PEAK = measured("truePeak", FieldTypes.LEVEL).add();
  public static final Field<Double> MEASURED_BPM = measured("measuredBpm", FieldTypes.TEMPO).add();

  /** 0 to 100. */
  public static final Field<Long> BPM_CERTAINTY = measured("bpmCertainty", FieldTypes.AMOUNT).add();

  public static final Field<String> MEASURED_KEY = measured("measuredKey", FieldTypes.TEXT).add();

  /** 0 to 100. */
  public static final Field<Long> KEY_CERTAINTY = measured("keyCertainty", FieldTypes.AMOUNT).add();

  /** Whether the sound is what the file claims: honest, unsure or upscaled. */
  public static final Field<String> QUALITY = measured("quality", FieldTypes.TEXT).add();

  /** The bit rate that the sound speaks of, where it is lower than the file's. */
  public static final Field<Long> REAL_KBPS = measured("realKbps", FieldTypes.AMOUNT).add();

  /** How lively it is by itself, in ten-thousandths; what energy ranks by. */
  public static final Field<Long> LIVELINESS =
      measured("liveliness", FieldTypes.AMOUNT).traits(INTERNAL).add();

  /** How lively it is among all tracks of the collection, 0 to 100. */
  public static final Field<Long> ENERGY = measured("energy", FieldTypes.AMOUNT).add();

  // Computed from others
  public static final Field<List<String>> CODES = derived("codes", FieldTypes.LIST).add();
  public static final Field<List<String>> STRAYS = derived("strays", FieldTypes.LIST).add();
  public static final Field<String> FOLDER = derived("folder", FieldTypes.TEXT).add();

  /**
   * What the item is, by the DJ's rules: {@code track}, {@code mix}, {@code loop}, {@code tool}.
   */
  public static final Field<String> KIND = derived("kind", FieldTypes.TEXT).since(4).add();

  private static final List<Field<?>> ALL = List.copyOf(ENTRIES);
  private static final Map<String, Field<?>> BY_KEY = byKeys();
  private static final int VERSION = readFromFiles();

  private Fields() {}

  private static int readFromFiles() {
    return ALL.stream()
        .filter(f -> f.origin() == FieldOrigin.FILE || f.origin() == FieldOrigin.READ)
        .mapToInt(Field::since)
        .max()
        .orElseThrow();
  }

  /** All fields in the order of the catalogue. */
  public static List<Field<?>> all() {
    return ALL;
  }

  /** The fields that are good for something, in the order of the catalogue. */
  public static List<Field<?>> with(Trait trait) {
    return ALL.stream().filter(f -> f.is(trait)).toList();
  }

  /** The fields that a person may be shown, in the order of the catalogue. */
  public static List<Field<?>> offered() {
    return ALL.stream().filter(f -> !f.is(INTERNAL)).toList();
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
   * The version of the catalogue: the highest that a field of files came with. Files that were read
   * by an older one are read again for the fields that came since.
   */
  public static int version() {
    return VERSION;
  }

  /** The field that says how many there are of what another numbers, if there is one. */
  public static Optional<Field<?>> totalOf(Field<?> number) {
    return ALL.stream().filter(f -> f.totalOf().filter(n -> n == number).isPresent()).findFirst();
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

  /** An item of MP4 without a four-letter code, under the mean that readers commonly look for. */
  private static String ownItem(String name) {
    return "----:com.apple.iTunes:" + name;
  }

  private static <T> FieldSpec<T> file(String key, FieldType<T> type) {
    return new FieldSpec<>(ENTRIES, key, type, FieldOrigin.FILE);
  }

  private static <T> FieldSpec<T> kept(String key, FieldType<T> type) {
    return new FieldSpec<>(ENTRIES, key, type, FieldOrigin.PROGRAM);
  }

  private static <T> FieldSpec<T> read(String key, FieldType<T> type) {
    return new FieldSpec<>(ENTRIES, key, type, FieldOrigin.READ);
  }

  private static <T> FieldSpec<T> measured(String key, FieldType<T> type) {
    return new FieldSpec<>(ENTRIES, key, type, FieldOrigin.MEASURED);
  }

  private static <T> FieldSpec<T> derived(String key, FieldType<T> type) {
    return new FieldSpec<>(ENTRIES, key, type, FieldOrigin.DERIVED);
  }
}
