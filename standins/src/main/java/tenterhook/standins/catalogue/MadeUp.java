package tenterhook.standins.catalogue;

import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.text.Versions;

/** Recordings that nobody made, and the near misses of recordings: what makes matching hard. */
final class MadeUp {
  private static final List<String> FIRST =
      List.of(
          "Cold",
          "Paper",
          "Winter",
          "Copper",
          "Hollow",
          "Northern",
          "Amber",
          "Quiet",
          "Second",
          "Velvet",
          "Broken",
          "Early",
          "Silver",
          "Distant",
          "Plain",
          "Tidal",
          "Morning",
          "Narrow");
  private static final List<String> SECOND =
      List.of(
          "Lamps", "Harbour", "Signal", "Gate", "Engine", "Letter", "Ferry", "Rail", "Orchard",
          "Mirror", "Station", "Kite", "Bridge", "Window", "Compass", "Ladder", "Market", "Chapel");
  private static final List<String> THIRD =
      List.of("", "", "", " Song", " at Night", " Again", " for Two", " in June", " and Back");
  private static final List<String> NAMES =
      List.of(
          "Marlow", "Fenn", "Tarn", "Brack", "Quillan", "Osk", "Penhale", "Dray", "Wick", "Sorrel",
          "Thorne", "Lund", "Vane", "Carrow", "Hythe", "Merrow");
  private static final List<String> FORENAMES =
      List.of("Ada", "Jonas", "Mirela", "Tobin", "Ines", "Ruud", "Selma", "Otto", "Freya", "Milo");
  private static final List<String> GENRES =
      List.of("Ska", "Soul", "Electro", "Synth Pop", "Highlife", "City Pop", "Dub", "Garage");
  private static final List<String> VERSIONS =
      List.of("Live", "Ferry Remix", "Extended Mix", "Radio Edit", "Dub", "Instrumental");

  private MadeUp() {}

  static CatalogueEntry recording(Random random, int number) {
    String artist = any(random, FORENAMES) + " " + any(random, NAMES);
    String title = any(random, FIRST) + " " + any(random, SECOND) + any(random, THIRD);
    String album = any(random, FIRST) + " " + any(random, NAMES);
    int total = 8 + random.nextInt(6);
    return new CatalogueEntry(
        "m" + number + "/1",
        artist,
        title,
        album,
        1960 + random.nextInt(66),
        any(random, GENRES),
        1 + random.nextInt(total),
        total,
        14 + random.nextInt(200) / 10.0);
  }

  private static String any(Random random, List<String> some) {
    return some.get(random.nextInt(some.size()));
  }

  /** Other versions, covers and compilations with the year of the compilation. */
  static void nearMisses(CatalogueEntry of, Random random, Consumer<CatalogueEntry> out) {
    int dice = random.nextInt(100);
    String recording = of.id().substring(0, of.id().indexOf('/'));
    if (dice < 14) {
      out.accept(version(of, recording, random));
    } else if (dice < 26) {
      out.accept(cover(of, recording, random));
    } else if (dice < 38) {
      out.accept(compilation(of, recording, random));
    }
  }

  private static CatalogueEntry version(CatalogueEntry of, String recording, Random random) {
    String version = any(random, VERSIONS);
    double seconds = of.seconds() + (random.nextBoolean() ? 3 + random.nextInt(6) : -3);
    return copy(
        of,
        recording + "v/1",
        of.artist(),
        Versions.base(of.title()) + " (" + version + ")",
        of.album() + " Extras",
        of.year() + random.nextInt(4),
        Math.max(5, seconds));
  }

  private static CatalogueEntry cover(CatalogueEntry of, String recording, Random random) {
    String other = any(random, FORENAMES) + " " + any(random, NAMES);
    double seconds = of.seconds() + random.nextInt(90) / 10.0 - 4.5;
    return copy(
        of,
        recording + "c/1",
        other,
        of.title(),
        "Songs of Others",
        of.year() + 3 + random.nextInt(20),
        Math.max(5, seconds));
  }

  private static CatalogueEntry compilation(CatalogueEntry of, String recording, Random random) {
    return copy(
        of,
        recording + "/2",
        of.artist(),
        of.title(),
        "Rink Classics " + (1 + random.nextInt(9)),
        Math.min(2026, of.year() + 4 + random.nextInt(20)),
        of.seconds());
  }

  private static CatalogueEntry copy(
      CatalogueEntry of,
      String id,
      String artist,
      String title,
      String album,
      int year,
      double seconds) {
    return new CatalogueEntry(
        id, artist, title, album, year, of.genre(), 1 + Math.abs(id.hashCode() % 12), 12, seconds);
  }
}
