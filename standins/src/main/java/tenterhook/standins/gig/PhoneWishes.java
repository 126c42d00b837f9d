package tenterhook.standins.gig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * A collection of names as people give them, in several languages, and wishes as thumbs write them
 * on a phone. Titles hold the very words that tell versions, politeness and guests elsewhere, many
 * are called alike or begin alike, artists share words; wishes lose words, letters, accents and
 * separators, are corrected by the phone, and name what nobody owns. It shares neither names nor
 * damage with {@link SyllableWishes}.
 */
public final class PhoneWishes implements LabelledWishes {
  private static final List<String> KINDS =
      List.of(
          "whole, untidy",
          "spelled by ear",
          "corrected by the phone",
          "part of the artist",
          "words left out",
          "run together",
          "other accents and signs",
          "version asked for",
          "version not owned",
          "this part of several",
          "that part not owned",
          "same title, artist not owned",
          "title that begins alike",
          "talk");
  private static final List<String> FIRST =
      List.of(
          "Ana",
          "Jörn",
          "Maëlle",
          "Tomás",
          "Sigrún",
          "Wendell",
          "Ottoline",
          "Nikos",
          "Petra",
          "Łucja",
          "Bran",
          "Cosima",
          "Hervé",
          "Inge",
          "Duarte",
          "Mirela");
  private static final List<String> LAST =
      List.of(
          "Vandersloot",
          "Quillfeather",
          "Óbregon",
          "Straßner",
          "Pellworm",
          "Çaylıca",
          "Thistlewood",
          "Márquina",
          "Brøndholt",
          "Ravenscar",
          "Lefèvrier",
          "Zawadowska",
          "Okonjara",
          "Haldane",
          "Fennimore",
          "Castelnau");
  private static final List<String> THINGS =
      List.of(
          "Lighthouse",
          "Gutter",
          "Paraffin",
          "Kettle",
          "Meridian",
          "Larkspur",
          "Gangway",
          "Velvet",
          "Hinterland",
          "Postcard",
          "Marzipan",
          "Gasometer",
          "Quarry",
          "Bramble",
          "Siphon",
          "Attic");
  private static final List<String> GROUPS =
      List.of(
          "Orchestra", "Brothers", "Sisters", "Club", "Ensemble", "Trio", "Collective", "Choir");
  private static final List<String> SENTENCES =
      List.of(
          "Don't Wait for %s",
          "Not Without %s",
          "I'm Only %s",
          "Play It for %s",
          "By the %s",
          "With You and %s",
          "%s, Please",
          "Live Among the %s",
          "The %s Mix-Up",
          "No More %s",
          "When the %s Sings",
          "From %s to %s",
          "%s / %s",
          "What If %s?",
          "(You Can't) Leave %s",
          "%s %s",
          "My %s",
          "%s",
          "The %s",
          "%s Again",
          "Song for %s",
          "Ode an %s",
          "Où est %s",
          "Adiós, %s",
          "Never %s Alone",
          "%s in the Radio",
          "One %s Left",
          "%s Forever",
          "Hey %s!");
  private static final List<String> WORDS =
      List.of(
          "Harbour",
          "Winter",
          "Mother",
          "Strangers",
          "Bicycle",
          "Thunder",
          "Silver",
          "Monday",
          "Garden",
          "Telephone",
          "Corduroy",
          "Midnight",
          "Cinnamon",
          "Distance",
          "Window",
          "Kiosk",
          "Sailor",
          "Orange",
          "Quiet",
          "Feather",
          "Tomorrow",
          "Paper",
          "Engine",
          "Coffee",
          "Mañana",
          "Straße",
          "Étoile",
          "Canción",
          "Brücke",
          "Møllen",
          "99 Lanterns",
          "4 o'Clock");
  private static final List<String> VERSIONS =
      List.of("Live", "Acoustic", "Extended", "Instrumental", "Radio Edit", "Club Mix", "Demo");

  /** What a phone makes of words, and what ears make of letters. */
  private static final Map<String, String> BY_EAR =
      Map.of(
          "ph", "f", "ck", "k", "ie", "y", "ee", "ea", "tt", "t", "ll", "l", "qu", "kw", "sh",
          "sch", "ou", "u", "x", "ks");

  private static final List<String> OPENINGS =
      List.of(
          "could you play ",
          "pls play ",
          "we'd love ",
          "wish: ",
          "🎶 ",
          "",
          "",
          "",
          "for my wife: ",
          "dj!!! ");
  private static final List<String> ENDINGS =
      List.of(" 🙏", " thx", " (for Petra and Bran)", "!!", " please", "", "", "", " ❤️❤️", " xx");

  private final Random random;
  private final List<Song> songs = new ArrayList<>();
  private final Set<String> artists = new LinkedHashSet<>();
  private final Snapshot snapshot;

  /** Files by the name of their version; the plain one has none. */
  private record Song(String artist, String title, Map<String, Integer> files) {
    String base() {
      int part = title.indexOf(", Pt. ");
      return part < 0 ? title : title.substring(0, part);
    }
  }

  private PhoneWishes(long seed) {
    random = new Random(seed);
    while (artists.size() < 140) {
      artists.add(artist());
    }
    List<Cell> cells = new ArrayList<>();
    int id = 1;
    while (songs.size() < 1_200) {
      String artist = any(List.copyOf(artists));
      String title = hit(15) && !songs.isEmpty() ? any(songs).base() : title();
      int parts = hit(4) ? 2 : 1;
      if (songs.stream().anyMatch(s -> s.artist.equals(artist) && s.base().equals(title))) {
        continue;
      }
      for (int part = 1; part <= parts; part++) {
        String named = parts == 1 ? title : title + ", Pt. " + part;
        id = add(new Song(artist, named, new LinkedHashMap<>()), id, cells);
      }
    }
    snapshot = Snapshot.empty().with(cells);
  }

  /** A collection and its wishes; another seed gives others. */
  public static PhoneWishes of(long seed) {
    return new PhoneWishes(seed);
  }

  private int add(Song song, int first, List<Cell> cells) {
    int id = first;
    int seconds = 140 + random.nextInt(160);
    List<String> versions = new ArrayList<>();
    versions.add("");
    if (hit(15) && song.base().equals(song.title)) {
      versions.add(any(VERSIONS));
    }
    for (String version : versions) {
      cells.add(new Cell(id, Fields.ROOT, "Music"));
      cells.add(new Cell(id, Fields.PATH, id + ".flac"));
      cells.add(new Cell(id, Fields.STATE, "present"));
      cells.add(new Cell(id, Fields.ARTIST, song.artist));
      String shown = version.isEmpty() ? song.title : song.title + " (" + version + ")";
      cells.add(new Cell(id, Fields.TITLE, shown));
      cells.add(new Cell(id, Fields.DURATION, String.valueOf(seconds + 25 * version.length())));
      song.files.put(version, id++);
    }
    songs.add(song);
    return id;
  }

  @Override
  public Snapshot collection() {
    return snapshot;
  }

  @Override
  public List<String> kinds() {
    return KINDS;
  }

  @Override
  public List<Labelled> wishes(int count) {
    List<Labelled> wishes = new ArrayList<>();
    while (wishes.size() < count) {
      Song song = any(songs);
      boolean parted = !song.base().equals(song.title);
      String kind = parted ? KINDS.get(9 + random.nextInt(2)) : any(KINDS);
      if (parted || !kind.contains("part of several") && !kind.contains("part not owned")) {
        wishes.add(wish(kind, song));
      }
    }
    return wishes;
  }

  private Labelled wish(String kind, Song song) {
    return switch (kind) {
      case "whole, untidy" -> meant(kind, joined(song.artist, song.title), song, "");
      case "spelled by ear" -> meant(kind, joined(byEar(song.artist), byEar(song.title)), song, "");
      case "corrected by the phone" -> corrected(kind, song);
      case "part of the artist" -> meant(kind, joined(part(song.artist), song.title), song, "");
      case "words left out" -> meant(kind, joined(song.artist, fewer(song.title)), song, "");
      case "run together" -> meant(kind, song.artist + " " + song.title.replace(" ", ""), song, "");
      case "other accents and signs" ->
          meant(kind, joined(typed(song.artist), typed(song.title)), song, "");
      case "version asked for", "version not owned" -> version(song);
      case "this part of several" -> meant(kind, joined(song.artist, partName(song, 0)), song, "");
      case "that part not owned" ->
          new Labelled(kind, joined(song.artist, partName(song, 5)), Set.of());
      case "same title, artist not owned" ->
          new Labelled(kind, joined(stranger(), song.title), Set.of());
      case "title that begins alike" ->
          new Labelled(kind, joined(song.artist, song.title + " " + other(song)), Set.of());
      default -> talk(song);
    };
  }

  private Labelled meant(String kind, String line, Song song, String version) {
    Set<Integer> all = new TreeSet<>();
    all.add(song.files.get(version));
    return new Labelled(kind, line, all);
  }

  private Labelled version(Song song) {
    List<String> owned = song.files.keySet().stream().filter(v -> !v.isEmpty()).toList();
    String asked = owned.isEmpty() ? any(VERSIONS) : any(owned);
    String words =
        switch (random.nextInt(4)) {
          case 0 -> song.artist + " - " + song.title + " - " + asked.toLowerCase(Locale.ROOT);
          case 1 ->
              "the " + asked.toLowerCase(Locale.ROOT) + " of " + song.title + " by " + song.artist;
          case 2 -> song.title + " (" + asked + "), " + song.artist;
          default -> song.artist + " " + song.title + " " + asked.toUpperCase(Locale.ROOT);
        };
    return owned.isEmpty()
        ? new Labelled("version not owned", words, Set.of())
        : meant("version asked for", words, song, asked);
  }

  private Labelled corrected(String kind, Song song) {
    List<String> words = new ArrayList<>(List.of(song.title.split(" ")));
    int longest = 0;
    for (int i = 0; i < words.size(); i++) {
      longest = words.get(i).length() > words.get(longest).length() ? i : longest;
    }
    String word = words.get(longest);
    int at = word.length() / 2;
    words.set(
        longest, word.substring(0, at) + any(List.of("e", "i", "a", "r")) + word.substring(at));
    return meant(kind, joined(song.artist, String.join(" ", words)), song, "");
  }

  private Labelled talk(Song song) {
    return new Labelled(
        "talk",
        any(
            List.of(
                "anything but " + song.artist,
                "no " + song.artist + " please",
                "the one that goes la la " + any(WORDS),
                "more from the " + any(THINGS) + " people",
                "my cousin " + any(FIRST) + " says hi",
                "first dance at nine",
                any(FIRST) + " turns 40",
                "something like " + song.artist,
                "louder!!",
                "not the " + any(WORDS) + " one again")),
        Set.of());
  }

  private String partName(Song song, int more) {
    String number = song.title.substring(song.title.length() - 1);
    int wanted = Integer.parseInt(number) + more;
    return song.base() + any(List.of(" part " + wanted, ", Pt. " + wanted, " pt " + wanted));
  }

  private String stranger() {
    return Stream.generate(this::artist)
        .filter(name -> artists.stream().noneMatch(a -> shares(a, name)))
        .findFirst()
        .orElseThrow();
  }

  private static boolean shares(String one, String other) {
    Set<String> words = new TreeSet<>(List.of(one.split(" ")));
    return List.of(other.split(" ")).stream().filter(w -> w.length() > 3).anyMatch(words::contains);
  }

  /** A word that makes another title of a title, and none that the collection has. */
  private String other(Song song) {
    while (true) {
      String word = any(WORDS);
      String title = song.title + " " + word;
      if (songs.stream().noneMatch(s -> s.title.equalsIgnoreCase(title))) {
        return word;
      }
    }
  }

  private String joined(String artist, String title) {
    String line =
        switch (random.nextInt(6)) {
          case 0 -> artist + " - " + title;
          case 1 -> title + " - " + artist;
          case 2 -> title + " by " + artist;
          case 3 -> artist + " " + title;
          case 4 -> title + ", " + artist;
          default -> artist + ": " + title;
        };
    String cased =
        switch (random.nextInt(4)) {
          case 0 -> line.toLowerCase(Locale.ROOT);
          case 1 -> line.toUpperCase(Locale.ROOT);
          default -> line;
        };
    return any(OPENINGS) + cased + any(ENDINGS);
  }

  private String byEar(String text) {
    String heard = text;
    List<String> there =
        BY_EAR.keySet().stream().sorted().filter(k -> text.substring(1).contains(k)).toList();
    if (!there.isEmpty()) {
      String sound = any(there);
      int at = heard.indexOf(sound, 1);
      heard = heard.substring(0, at) + BY_EAR.get(sound) + heard.substring(at + sound.length());
    }
    return heard;
  }

  /** A surname, or what a group is called first. */
  private String part(String artist) {
    List<String> words =
        List.of(artist.split(" ")).stream()
            .filter(w -> w.length() > 3 && !GROUPS.contains(w))
            .toList();
    return words.isEmpty() ? artist : words.getLast();
  }

  private String fewer(String title) {
    List<String> words = new ArrayList<>(List.of(title.split(" ")));
    if (words.size() > 2) {
      words.remove(words.stream().min((a, b) -> a.length() - b.length()).orElseThrow());
    }
    return String.join(" ", words);
  }

  /**
   * Without the signs that a hurried thumb leaves out, and with the spellings of other keyboards.
   */
  private static String typed(String text) {
    return text.replace("'", "")
        .replace("’", "")
        .replace("ö", "oe")
        .replace("ü", "ue")
        .replace("ß", "ss")
        .replace("ø", "oe")
        .replace("ñ", "n")
        .replace("&", "and")
        .replaceAll("[!?,()]", "")
        .replace("You ", "u ");
  }

  private String artist() {
    return switch (random.nextInt(6)) {
      case 0, 1 -> any(FIRST) + " " + any(LAST);
      case 2 -> "The " + any(THINGS) + " " + any(GROUPS);
      case 3 -> any(FIRST) + " & the " + any(THINGS) + "s";
      case 4 -> any(THINGS) + " " + any(List.of("9", "Nine", "and Sons", "FM", "d'Or"));
      default -> any(LAST);
    };
  }

  private String title() {
    String sentence = any(SENTENCES);
    return sentence.chars().filter(c -> c == '%').count() > 1
        ? String.format(Locale.ROOT, sentence, any(WORDS), any(WORDS))
        : String.format(Locale.ROOT, sentence, any(WORDS));
  }

  private boolean hit(int percent) {
    return random.nextInt(100) < percent;
  }

  private <T> T any(List<T> some) {
    return some.get(random.nextInt(some.size()));
  }
}
