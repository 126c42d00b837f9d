package tenterhook.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * Makes a large library of small mp3 files with tags: some ten files a folder, some twenty-five an
 * artist, holes as collections have them, codes of the demo's codebook in two thirds of the
 * comments. Every file sounds like no other. {@code java tenterhook.bench.LargeMusic FOLDER
 * [files]}
 */
public final class LargeMusic {
  private static final String[] FIRST = {
    "Amber", "Basalt", "Cobble", "Dune", "Ember", "Fennel", "Gravel", "Hollow", "Island", "Juniper",
    "Kelp", "Lantern", "Marble", "Nettle", "Ochre", "Pebble", "Quarry", "Reed", "Saffron", "Timber"
  };
  private static final String[] SECOND = {
    "Arcade", "Bridge", "Causeway", "Depot", "Estuary", "Foundry", "Garden", "Harbour", "Inlet",
    "Jetty", "Kiosk", "Landing", "Meadow", "Nursery", "Orchard", "Parade", "Quay", "Ridge",
    "Station", "Terrace"
  };
  private static final String[] GENRES = {
    "Ska", "Soul", "Electro", "Synth Pop", "Highlife", "City Pop", "Dub", "Garage"
  };
  private static final String[] ERAS = {"60S", "70S", "80S", "90S", "00S", "10S", "20S"};
  private static final String[] STYLES = {"SKA", "SOU", "ELC", "SYN", "HIL", "CIT", "DUB", "GAR"};
  private static final String[] PACES = {"GLD", "LAP", "SPR"};

  /** MPEG 1, layer 3, 128 kbit/s, 44.1 kHz: 417 bytes a frame. */
  private static final byte[] FRAME_HEAD = {(byte) 0xFF, (byte) 0xFB, (byte) 0x90, 0};

  private static final int FRAME = 417;
  private static final int FRAMES = 8;

  private LargeMusic() {}

  /** Makes the files. */
  public static void main(String[] args) throws IOException {
    make(Path.of(args[0]), args.length > 1 ? Integer.parseInt(args[1]) : 100_000, 17);
  }

  /**
   * Makes the files.
   *
   * @param folder made when it is not there
   * @param files how many
   * @param seed of the chances
   */
  public static void make(Path folder, int files, long seed) throws IOException {
    Random random = new Random(seed);
    for (int made = 0, album = 0; made < files; album++) {
      Album of = new Album(album, random);
      Path place = Files.createDirectories(folder.resolve(of.folder()));
      int tracks = Math.min(files - made, 4 + random.nextInt(13));
      for (int number = 1; number <= tracks; number++) {
        write(place, of, number, tracks, made++, random);
      }
    }
  }

  /** What the tracks of a folder have in common. */
  private record Album(String artist, String title, int year, String genre) {
    Album(int number, Random random) {
      this(
          words(random.nextInt(4000)),
          word(FIRST, number) + " " + word(SECOND, number / 20) + " " + number / 400,
          1960 + random.nextInt(66),
          word(GENRES, random.nextInt(GENRES.length)));
    }

    String folder() {
      return artist + "/" + title;
    }
  }

  private static String words(int number) {
    String name = word(FIRST, number) + " " + word(SECOND, number / 20);
    return number < 400 ? name : name + " " + word(SECOND, number / 400 + 7);
  }

  private static String word(String[] words, int number) {
    return words[number % words.length];
  }

  private static void write(Path place, Album of, int number, int tracks, int id, Random random)
      throws IOException {
    String title =
        word(FIRST, random.nextInt(20)) + " " + word(SECOND, random.nextInt(20)) + " " + id;
    Tag tag = Id3v2Tag.empty(random.nextBoolean() ? 3 : 4);
    tag = with(tag, Fields.TITLE, title, random, 60);
    tag = with(tag, Fields.ARTIST, of.artist, random, 25);
    tag = with(tag, Fields.ALBUM, of.title, random, 12);
    tag = with(tag, Fields.YEAR, String.valueOf(of.year), random, 6);
    tag = with(tag, Fields.GENRE, of.genre, random, 8);
    tag = with(tag, Fields.TRACK, String.valueOf(number), random, 20);
    tag = with(tag, Fields.TRACK_TOTAL, String.valueOf(tracks), random, 3);
    String bpm = String.format(Locale.ROOT, "%.1f", 70 + random.nextInt(900) / 10.0);
    tag = with(tag, Fields.BPM, bpm, random, 3);
    tag = with(tag, Fields.COMMENT, comment(random), random, 10);
    String name = String.format(Locale.ROOT, "%02d %s.mp3", number, title);
    try (OutputStream out = Files.newOutputStream(place.resolve(name))) {
      out.write(((Id3v2Tag) tag).render());
      out.write(sound(id));
    }
  }

  /** One in so many tracks has a hole there. */
  private static Tag with(Tag tag, Field<?> field, String value, Random random, int oneIn) {
    return random.nextInt(oneIn) == 0 ? tag : tag.with(field, List.of(value));
  }

  private static String comment(Random random) {
    String note = "note " + random.nextInt(20_000);
    return random.nextInt(3) == 0
        ? note
        : note
            + " /"
            + String.join(
                "/",
                word(ERAS, random.nextInt(7)),
                word(STYLES, random.nextInt(8)),
                word(PACES, random.nextInt(3)))
            + "/";
  }

  private static byte[] sound(int id) {
    ByteBuffer sound = ByteBuffer.allocate(FRAMES * FRAME);
    for (int i = 0; i < FRAMES; i++) {
      sound.position(i * FRAME).put(FRAME_HEAD);
    }
    return sound.putInt(FRAME / 2, id).array();
  }
}
