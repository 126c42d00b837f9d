package tenterhook.standins.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * A made-up collection and wishes for it as guests write them, each with the tracks that were
 * meant. Names are made of syllables; another seed gives other names, tracks and wishes.
 */
public final class SyllableWishes implements LabelledWishes {
  private static final List<String> KINDS =
      List.of(
          "as it is",
          "order swapped",
          "by",
          "typing errors",
          "feat",
          "version excluded",
          "another script",
          "version asked for",
          "version not owned",
          "only a title",
          "only a version owned",
          "medley",
          "not owned",
          "nonsense");

  private static final int ARTISTS = 160;
  private static final int SONGS = 1_500;
  private static final List<String> ONSETS =
      List.of("b", "br", "d", "f", "g", "gr", "h", "k", "l", "m", "n", "p", "r", "s", "st", "t");
  private static final List<String> VOWELS = List.of("a", "e", "i", "o", "u", "ai", "ee", "ou");
  private static final List<String> CODAS =
      List.of("", "", "", "n", "l", "r", "s", "m", "nd", "rk", "t");
  private static final List<String> PLAIN =
      List.of(
          "night", "river", "hands", "long", "road", "blue", "again", "home", "away", "light", "no",
          "more", "stand", "side", "summer", "the", "of", "my", "your", "one", "live");
  private static final List<String> VERSIONS =
      List.of(
          "Live",
          "Extended Mix",
          "Radio Edit",
          "Acoustic",
          "Instrumental",
          "%s Remix",
          "Live at %s Hall");

  private final Random random;
  private final List<Song> songs = new ArrayList<>();
  private final Set<String> titles = new TreeSet<>();
  private final List<Cell> cells = new ArrayList<>();
  private final Snapshot snapshot;

  /** A song of the collection with all its files: those of the plain recording, then versions. */
  private record Song(String artist, String title, List<Integer> plain, List<Version> versions) {}

  private record Version(String name, int track) {}

  private SyllableWishes(long seed) {
    random = new Random(seed);
    List<String> artists = new ArrayList<>();
    for (int i = 0; i < ARTISTS; i++) {
      artists.add(hit(25) ? "The " + name(1) + "s" : hit(15) ? name(1) : name(2));
    }
    int id = 1;
    for (int i = 0; i < SONGS; i++) {
      String artist = artists.get(random.nextInt(ARTISTS));
      boolean cover = i > 50 && hit(5);
      String title = cover ? songs.get(random.nextInt(songs.size())).title() : title();
      boolean known =
          songs.stream()
              .anyMatch(s -> s.artist().equals(artist) && s.title().equalsIgnoreCase(title));
      if (known) {
        continue;
      }
      titles.add(title.toLowerCase(Locale.ROOT));
      id = song(artist, title, id);
    }
    snapshot = Snapshot.empty().with(cells);
  }

  /** A collection and its wishes. */
  public static SyllableWishes of(long seed) {
    return new SyllableWishes(seed);
  }

  @Override
  public Snapshot collection() {
    return snapshot;
  }

  @Override
  public List<String> kinds() {
    return KINDS;
  }

  private int song(String artist, String title, int first) {
    int id = first;
    int seconds = 150 + random.nextInt(150);
    List<Integer> plain = new ArrayList<>();
    List<Version> versions = new ArrayList<>();
    int copies = hit(6) ? 0 : hit(12) ? 2 : 1; // now and then only a version is owned
    for (int i = 0; i < copies; i++) {
      String shown = hit(8) ? title + " (feat. " + name(2) + ")" : title;
      track(id, artist, shown, seconds + i);
      plain.add(id++);
    }
    int others = copies == 0 ? 1 : hit(18) ? 1 + random.nextInt(2) : 0;
    for (int i = 0; i < others; i++) {
      String version = String.format(Locale.ROOT, any(VERSIONS), name(1));
      track(id, artist, title + " (" + version + ")", seconds + 20 + 30 * i);
      versions.add(new Version(version, id++));
    }
    songs.add(new Song(artist, title, plain, versions));
    return id;
  }

  private void track(int id, String artist, String title, int seconds) {
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(new Cell(id, Fields.PATH, id + ".mp3"));
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.ARTIST, artist));
    cells.add(new Cell(id, Fields.TITLE, title));
    cells.add(new Cell(id, Fields.DURATION, String.valueOf(seconds)));
  }

  private boolean hit(int percent) {
    return random.nextInt(100) < percent;
  }

  private String any(List<String> some) {
    return some.get(random.nextInt(some.size()));
  }

  private String word() {
    StringBuilder word = new StringBuilder();
    int syllables = 1 + random.nextInt(3);
    for (int i = 0; i < syllables; i++) {
      word.append(any(ONSETS)).append(any(VOWELS)).append(any(CODAS));
    }
    return word.toString();
  }

  private String name(int words) {
    List<String> parts = new ArrayList<>();
    for (int i = 0; i < words; i++) {
      String word = word();
      while (word.length() < 4) {
        word = word();
      }
      parts.add(Character.toUpperCase(word.charAt(0)) + word.substring(1));
    }
    return String.join(" ", parts);
  }

  private String title() {
    List<String> words = new ArrayList<>();
    int count = 1 + random.nextInt(3);
    while (words.size() < count || String.join("", words).length() < 5) {
      String word = hit(45) ? any(PLAIN) : word();
      words.add(Character.toUpperCase(word.charAt(0)) + word.substring(1));
    }
    return String.join(" ", words);
  }

  @Override
  public List<Labelled> wishes(int count) {
    List<Labelled> wishes = new ArrayList<>();
    while (wishes.size() < count) {
      Song song = songs.get(random.nextInt(songs.size()));
      wishes.add(wish(song, random.nextInt(KINDS.size())));
    }
    return wishes;
  }

  private Labelled wish(Song song, int kind) {
    if (song.plain().isEmpty() && kind < 9) {
      return new Labelled("only a version owned", written(song.artist(), song.title()), Set.of());
    }
    return switch (kind) {
      case 0, 1 -> meant("as it is", written(song.artist(), song.title()), song);
      case 2 -> meant("order swapped", song.title() + " - " + song.artist(), song);
      case 3 -> meant("by", noise(song.title() + " by " + song.artist()), song);
      case 4, 5 ->
          meant("typing errors", written(slipped(song.artist()), slipped(song.title())), song);
      case 6 -> guest(song);
      case 7 -> excluded(song);
      case 8 -> script(song);
      case 9 -> asked(song);
      case 10 -> onlyTitle(song);
      case 11 -> medley(song);
      case 12 -> new Labelled("not owned", written(song.artist(), unowned()), Set.of());
      default -> nonsense();
    };
  }

  private Labelled meant(String kind, String line, Song song) {
    return new Labelled(kind, line, new TreeSet<>(song.plain()));
  }

  private String written(String artist, String title) {
    return switch (random.nextInt(6)) {
      case 0 -> artist + " - " + title;
      case 1 -> (artist + " – " + title).toLowerCase(Locale.ROOT);
      case 2 -> title + " (" + artist + ")";
      case 3 -> artist + ": " + title;
      case 4 -> "\"" + title + "\" " + artist;
      default -> (artist + " " + title).toLowerCase(Locale.ROOT);
    };
  }

  private String noise(String line) {
    return switch (random.nextInt(4)) {
      case 0 -> "please play " + line;
      case 1 -> line + "!!! (for our mum)";
      case 2 -> line + ", please";
      default -> line;
    };
  }

  private Labelled guest(Song song) {
    String guest = (hit(50) ? " feat. " : " ft ") + name(2);
    return hit(50)
        ? meant("feat", song.artist() + guest + " - " + song.title(), song)
        : meant("feat", song.artist() + " - " + song.title() + " (" + guest.strip() + ")", song);
  }

  private Labelled excluded(Song song) {
    String line = song.title() + " by " + song.artist();
    String out = any(List.of(", not the live one", " (not the remix)", " - no remix please"));
    return meant("version excluded", line + out, song);
  }

  private Labelled asked(Song song) {
    String line = song.artist() + " - " + song.title();
    if (song.versions().isEmpty()) {
      return new Labelled(
          "version not owned", line + any(List.of(" (live)", " remix", " (Acoustic)")), Set.of());
    }
    Version version = song.versions().get(random.nextInt(song.versions().size()));
    String name = version.name();
    return new Labelled(
        "version asked for",
        line + (hit(50) ? " (" + name + ")" : " " + name.toLowerCase(Locale.ROOT)),
        Set.of(version.track()));
  }

  private Labelled onlyTitle(Song song) {
    Set<Integer> all = new TreeSet<>();
    songs.stream()
        .filter(s -> s.title().equalsIgnoreCase(song.title()))
        .forEach(s -> all.addAll(s.plain()));
    return new Labelled(
        all.isEmpty() ? "only a version owned" : "only a title",
        hit(50) ? song.title() : song.title().toLowerCase(Locale.ROOT),
        all);
  }

  private Labelled medley(Song song) {
    Song other = songs.get(random.nextInt(songs.size()));
    return new Labelled(
        "medley",
        song.artist()
            + " - "
            + song.title()
            + any(List.of(" / ", " + ", " & "))
            + other.title()
            + (hit(50) ? " medley" : ""),
        Set.of());
  }

  private String unowned() {
    String title = title();
    while (titles.contains(title.toLowerCase(Locale.ROOT))) {
      title = title();
    }
    return title;
  }

  private Labelled nonsense() {
    return new Labelled(
        "nonsense",
        any(
            List.of(
                "something slow for the end",
                "anything by " + songs.get(random.nextInt(songs.size())).artist(),
                "80s!!",
                "the song from the film with the boat",
                "surprise us " + name(1),
                name(1) + " " + word() + " " + word())),
        Set.of());
  }

  /** Letters of a Cyrillic keyboard as they are heard. */
  private Labelled script(Song song) {
    String line = (song.artist() + " - " + song.title()).toLowerCase(Locale.ROOT);
    StringBuilder other = new StringBuilder();
    String latin = "abdefghiklmnoprstuvyz";
    String cyrillic = "абдефгхиклмнопрстувйз";
    for (char letter : line.toCharArray()) {
      int at = latin.indexOf(letter);
      other.append(at < 0 ? letter : cyrillic.charAt(at));
    }
    return meant("another script", other.toString(), song);
  }

  /** One letter left out, doubled, swapped with the next or another one, as fingers do. */
  private String slipped(String text) {
    if (text.length() < 5) {
      return text;
    }
    int at = 1 + random.nextInt(text.length() - 3);
    String before = text.substring(0, at);
    String rest = text.substring(at);
    return switch (random.nextInt(4)) {
      case 0 -> before + rest.substring(1);
      case 1 -> before + rest.charAt(0) + rest;
      case 2 -> before + rest.charAt(1) + rest.charAt(0) + rest.substring(2);
      default -> before + (char) ('a' + random.nextInt(26)) + rest.substring(1);
    };
  }
}
