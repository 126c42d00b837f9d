package tenterhook.core.narrow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.text.Normalizer;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.code.Codebook;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Query;
import tenterhook.core.genre.Genres;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.narrow.NarrowCounts.GroupCounts;
import tenterhook.core.narrow.NarrowGroup.OfFacet;
import tenterhook.core.narrow.NarrowGroup.Own;
import tenterhook.core.narrow.NarrowValue.Stands;
import tenterhook.core.track.Snapshot;

/** Narrowing, against a count that reads one track after the other and shares no code with it. */
class NarrowCounterTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final Codebook BOOK =
      Tracks.BOOK.with(Genres.NONE.under("Dub", "Reggae").under("Ska", "Reggae"));
  private static final Map<String, String> PARENTS = Map.of("dub", "reggae", "ska", "reggae");
  private static final String[] ARTISTS = {
    "Ottoline Fask", "OTTOLINE FASK", "Éloïse", "Eloise", "The Gannet Sisters", "霧笛ユニット"
  };
  private static final String[] GENRES = {"Ska", "Dub", "dub", "Reggae", "Synth Pop", "Schläger"};
  private static final Map<String, String> PLAIN = new ConcurrentHashMap<>();
  private static final String[] KEYS = {"Am", "A minor", "C", "8x", "F#m", "Gb moll", "Ebm", "D#m"};
  private static final String[] CODES = {"80S", "90S", "SKA", "ELC", "TRN"};
  private static final String[] FOLDERS = {"Rink/Doors", "Rink", "Rink/Pairs", "Ferry", "Rinks"};

  /** A track as the test knows it; null and empty for holes. */
  private record Made(
      List<String> artists,
      List<String> genres,
      Integer year,
      Double bpm,
      String key,
      Integer energy,
      Integer rating,
      Integer plays,
      String codec,
      String folder,
      List<String> codes,
      boolean lost,
      boolean resting) {
    static Made random(Random random) {
      return new Made(
          Seeds.some(random, 2, ARTISTS),
          Seeds.some(random, 2, GENRES),
          random.nextInt(4) == 0 ? null : 1975 + random.nextInt(30),
          random.nextInt(4) == 0 ? null : 40 + random.nextInt(360) / 2.0,
          random.nextInt(3) == 0 ? "" : Seeds.any(random, KEYS),
          random.nextInt(3) == 0 ? null : random.nextInt(101),
          random.nextInt(3) == 0 ? null : 1 + random.nextInt(5),
          random.nextInt(3) == 0 ? null : 1 + random.nextInt(30),
          Seeds.any(random, "mp3", "flac"),
          Seeds.any(random, FOLDERS),
          Seeds.some(random, 3, CODES),
          random.nextInt(6) == 0,
          random.nextInt(6) == 0);
    }

    void addTo(Tracks tracks, int id) {
      List<String> values = new ArrayList<>();
      values.add("artist=" + String.join("\u0000", artists));
      values.add("genre=" + String.join("\u0000", genres));
      values.add("year=" + (year == null ? "" : year));
      values.add("bpm=" + (bpm == null ? "" : bpm));
      values.add("key=" + key);
      values.add("energy=" + (energy == null ? "" : energy));
      values.add("rating=" + (rating == null ? "" : rating));
      values.add("plays=" + (plays == null ? "" : plays));
      values.add("codec=" + codec);
      values.add("path=" + folder + "/" + id + ".mp3");
      values.add("comment=mine" + (codes.isEmpty() ? "" : " /" + String.join("/", codes) + "/"));
      values.add("state=" + (lost ? "lost" : "present"));
      values.add("resting=" + (resting ? "yes" : ""));
      tracks.with(values.toArray(String[]::new));
    }
  }

  private record Given(
      List<Made> tracks,
      Snapshot snapshot,
      Finder finder,
      RoaringBitmap list,
      NarrowCounter counter) {
    static Given random(Random random) {
      Tracks tracks = Tracks.none();
      List<Made> made = new ArrayList<>();
      int count = 5 + random.nextInt(120);
      RoaringBitmap list = new RoaringBitmap();
      for (int id = 1; id <= count; id++) {
        Made one = Made.random(random);
        made.add(one);
        one.addTo(tracks, id);
        if (random.nextInt(8) > 0) {
          list.add(id);
        }
      }
      Snapshot snapshot = tracks.snapshot();
      return new Given(
          made,
          snapshot,
          new Finder(snapshot, BOOK, NamedLists.NONE, TODAY),
          list,
          new NarrowCounter(BOOK));
    }

    int count(Predicate<Made> test) {
      int count = 0;
      for (int id : list) {
        count += test.test(tracks.get(id - 1)) ? 1 : 0;
      }
      return count;
    }

    NarrowCounts counts(Narrowings narrowings, String filter) {
      return counter.count(
          new NarrowRequest(
              snapshot,
              finder,
              list,
              narrowings,
              filter,
              Set.of(Own.ARTIST, Own.GENRE, Own.FOLDER, Own.YEAR),
              Optional.of(new MusicalKey(9, true))));
    }
  }

  private static String plain(String text) {
    return PLAIN.computeIfAbsent(
        text,
        t ->
            Normalizer.normalize(t, Normalizer.Form.NFD)
                .replaceAll("\\p{Mn}", "")
                .toLowerCase(Locale.ROOT));
  }

  /** Whether a track has a value, read off the words that the window shows. */
  private static boolean has(Made track, NarrowGroup group, String words) {
    boolean none = words.equals("none");
    if (group instanceof OfFacet facet) {
      List<String> of =
          BOOK.facet(facet.name()).orElseThrow().codes().stream().map(c -> c.token()).toList();
      return none ? track.codes.stream().noneMatch(of::contains) : track.codes.contains(words);
    }
    return switch ((Own) group) {
      case GENRE ->
          none
              ? track.genres.isEmpty()
              : track.genres.stream()
                  .map(NarrowCounterTest::plain)
                  .anyMatch(g -> g.equals(plain(words)) || plain(words).equals(PARENTS.get(g)));
      case ARTIST ->
          none
              ? track.artists.isEmpty()
              : track.artists.stream().anyMatch(a -> plain(a).equals(plain(words)));
      case DECADE ->
          none
              ? track.year == null
              : track.year != null && words.equals(track.year / 10 * 10 + "s");
      case YEAR -> track.year != null && between(words, track.year);
      case TEMPO -> none ? track.bpm == null : track.bpm != null && tempo(words, track.bpm);
      case KEY -> none ? track.key.isEmpty() : key(words, track.key);
      case ENERGY ->
          none ? track.energy == null : track.energy != null && between(words, track.energy);
      case RATING -> none ? track.rating == null : words.equals(track.rating + " of 5");
      case PLAYS ->
          words.equals("never played")
              ? track.plays == null
              : track.plays != null && between(words, track.plays);
      case FOLDER -> track.folder.equals(words) || track.folder.startsWith(words + "/");
      case FORMAT -> track.codec.equals(words);
      case STATE ->
          switch (words) {
            case "file is lost" -> track.lost;
            case "resting" -> track.resting;
            case "without artwork", "without lyrics", "not measured" -> true;
            default -> false;
          };
    };
  }

  private static boolean between(String words, double value) {
    String[] ends = words.replace(" and more", " to 99999").split(" to ");
    return ends.length == 1
        ? value == Double.parseDouble(ends[0])
        : value >= Double.parseDouble(ends[0]) && value <= Double.parseDouble(ends[1]);
  }

  private static boolean tempo(String words, double bpm) {
    String range = words.replaceAll(" bpm.*", "");
    boolean halfToo = words.endsWith("half and double");
    return between(range, bpm) || halfToo && (between(range, bpm / 2) || between(range, bpm * 2));
  }

  private static boolean key(String words, String key) {
    Set<String> same =
        switch (key) {
          case "Am", "A minor" -> Set.of("Am", "Am or a neighbour");
          case "C" -> Set.of("C", "Am or a neighbour");
          case "F#m", "Gb moll" -> Set.of("F#m");
          case "Ebm", "D#m" -> Set.of("Ebm");
          default -> Set.of(key);
        };
    return same.contains(words);
  }

  private record Picked(NarrowGroup group, String words, boolean out) {}

  private static boolean passes(Made track, List<Picked> picked, Predicate<Picked> of) {
    Set<NarrowGroup> groups = new HashSet<>();
    picked.stream().filter(of).forEach(p -> groups.add(p.group()));
    return groups.stream()
        .allMatch(
            g -> {
              List<Picked> own =
                  picked.stream().filter(of).filter(p -> p.group().equals(g)).toList();
              boolean any = own.stream().anyMatch(p -> !p.out());
              return own.stream().noneMatch(p -> p.out() && has(track, g, p.words()))
                  && (!any || own.stream().anyMatch(p -> !p.out() && has(track, g, p.words())));
            });
  }

  private static int expected(
      Given given, List<Picked> picked, NarrowGroup group, NarrowValue value) {
    Predicate<Picked> elsewhere = p -> !p.group().equals(group);
    Predicate<Picked> shutHere = p -> p.group().equals(group) && p.out();
    Predicate<Picked> inHere = p -> p.group().equals(group) && !p.out();
    boolean anyIn = picked.stream().anyMatch(inHere);
    return given.count(
        track ->
            has(track, group, value.words())
                && passes(track, picked, elsewhere)
                && switch (value.stands()) {
                  case FREE, IN -> passes(track, picked, shutHere);
                  case BESIDES -> passes(track, picked, shutHere) && !passes(track, picked, inHere);
                  case OUT -> !anyIn || passes(track, picked, inHere);
                });
  }

  @Seeded
  void everyCountIsThatOfACountByHand(long block) {
    Seeds.each(
        block,
        2000,
        random -> {
          Given given = Given.random(random);
          Narrowings narrowings = Narrowings.NONE;
          List<Picked> picked = new ArrayList<>();
          for (int step = random.nextInt(6); step > 0; step--) {
            String filter = random.nextInt(4) == 0 ? "100-130" : "";
            List<GroupCounts> groups = given.counts(narrowings, filter).groups();
            List<GroupCounts> some = groups.stream().filter(g -> !g.values().isEmpty()).toList();
            if (some.isEmpty()) {
              continue;
            }
            GroupCounts group = some.get(random.nextInt(some.size()));
            NarrowValue value = group.values().get(random.nextInt(group.values().size()));
            boolean out = random.nextInt(3) == 0;
            boolean known =
                picked.removeIf(
                    p -> p.group().equals(group.group()) && p.words().equals(value.words()));
            if (value.words().contains("bpm")) {
              picked.removeIf(p -> p.group() == Own.TEMPO && p.words().contains("bpm"));
            }
            narrowings =
                known
                    ? narrowings.without(List.of(value.narrowing()))
                    : narrowings.toggled(value.narrowing().out(out));
            if (!known) {
              picked.add(new Picked(group.group(), value.words(), out));
            }
          }
          check(given, narrowings, picked);
        });
  }

  private static void check(Given given, Narrowings narrowings, List<Picked> picked) {
    RoaringBitmap byHand = new RoaringBitmap();
    for (int id : given.list()) {
      if (passes(given.tracks().get(id - 1), picked, p -> true)) {
        byHand.add(id);
      }
    }
    assertThat(given.finder().find(narrowings.query(), given.list()))
        .as(FindText.write(narrowings.query()))
        .isEqualTo(byHand);
    for (GroupCounts group : given.counts(narrowings, "").groups()) {
      for (NarrowValue value : group.values()) {
        int byHandToo = expected(given, picked, group.group(), value);
        if (value.tracks() != byHandToo) { // described only then, since there are very many
          fail("%s %s after %s is %d by hand", group.group(), value, picked, byHandToo);
        }
      }
    }
    assertThat(Narrowings.read(narrowings.write(), BOOK)).isEqualTo(narrowings);
  }

  private static Narrowing first(NarrowCounts counts, NarrowGroup group, String words) {
    return value(counts, group, words).narrowing();
  }

  private static NarrowValue value(NarrowCounts counts, NarrowGroup group, String words) {
    return counts.of(group).orElseThrow().values().stream()
        .filter(v -> v.words().equals(words))
        .findFirst()
        .orElseThrow(() -> new AssertionError(words + " is not in " + counts.of(group)));
  }

  private Given small() {
    Tracks tracks =
        Tracks.none()
            .with("year=1984", "bpm=124", "comment=/80S/SKA/")
            .with("year=1986", "bpm=62", "comment=/80S/ELC/TRN/")
            .with("year=1986", "bpm=99", "comment=/80S/ELC/")
            .with("year=1993", "bpm=120", "comment=/90S/SKA/");
    Snapshot snapshot = tracks.snapshot();
    return new Given(
        List.of(),
        snapshot,
        new Finder(snapshot, BOOK, NamedLists.NONE, TODAY),
        snapshot.tracks(),
        new NarrowCounter(BOOK));
  }

  @Test
  void whatIsChosenReadsAsTheLinesOfARule() {
    Given given = small();
    NarrowCounts all = given.counts(Narrowings.NONE, "");
    Narrowings chosen =
        Narrowings.NONE
            .toggled(first(all, Own.DECADE, "1980s"))
            .toggled(first(all, new OfFacet("Style"), "SKA"))
            .toggled(first(all, new OfFacet("Style"), "ELC"))
            .toggled(
                first(
                    given.counts(Narrowings.NONE, "118-132"),
                    Own.TEMPO,
                    "118 to 132 bpm, half and double"))
            .toggled(first(all, new OfFacet("Use"), "TRN").out(true));
    Query kept = chosen.kept(new Query.Word("rink"), Query.ALL);
    assertThat(FindText.write(kept))
        .isEqualTo(
            "rink year:1980..1989 Style:SKA|ELC beat:118..132 (not Use:TRN)"
                .replaceAll("[()]", ""));
    assertThat(given.finder().find(chosen.query())).isEqualTo(Tracks.ids(1));
    assertThat(chosen.steps().stream().map(NarrowWords::of))
        .containsExactly("1980s", "Style SKA or ELC", "118 to 132 bpm, half and double", "not TRN");
  }

  @Test
  void aSecondValueSaysWhatItWouldAddAndAShutOneWhatItTakes() {
    Given given = small();
    NarrowCounts all = given.counts(Narrowings.NONE, "");
    Narrowings ska =
        Narrowings.NONE
            .toggled(first(all, new OfFacet("Style"), "SKA"))
            .toggled(first(all, new OfFacet("Use"), "TRN").out(true));
    NarrowCounts counts = given.counts(ska, "");
    NarrowValue elc = value(counts, new OfFacet("Style"), "ELC");
    assertThat(elc.stands()).isEqualTo(Stands.BESIDES);
    assertThat(elc.tracks()).isEqualTo(1);
    NarrowValue trn = value(counts, new OfFacet("Use"), "TRN");
    assertThat(trn.stands()).isEqualTo(Stands.OUT);
    assertThat(trn.tracks()).isZero();
    assertThat(
            value(given.counts(ska.toggled(elc.narrowing()), ""), new OfFacet("Use"), "TRN")
                .tracks())
        .isEqualTo(1);
  }

  @Test
  void whatWouldLeaveNothingIsIdle() {
    Given given = small();
    NarrowCounts all = given.counts(Narrowings.NONE, "");
    Narrowings nineties = Narrowings.NONE.toggled(first(all, Own.DECADE, "1990s"));
    NarrowValue elc = value(given.counts(nineties, ""), new OfFacet("Style"), "ELC");
    assertThat(elc.tracks()).isZero();
    assertThat(elc.idle()).isTrue();
  }

  @Test
  void anotherTempoTakesThePlaceOfTheFirstAndItsSpreadFollowsTheOtherGroups() {
    Given given = small();
    Narrowing fast = first(given.counts(Narrowings.NONE, "118-132"), Own.TEMPO, "118 to 132 bpm");
    Narrowing slow = first(given.counts(Narrowings.NONE, "60-70"), Own.TEMPO, "60 to 70 bpm");
    assertThat(Narrowings.NONE.toggled(fast).toggled(slow).all()).containsExactly(slow);
    NarrowCounts all = given.counts(Narrowings.NONE, "");
    Narrowings narrowed = Narrowings.NONE.toggled(fast).toggled(first(all, Own.DECADE, "1980s"));
    TempoSpread spread =
        given.counts(narrowed, "").of(Own.TEMPO).orElseThrow().tempi().orElseThrow();
    assertThat(spread.tracks().stream().mapToInt(Integer::intValue).sum()).isEqualTo(3);
    assertThat(spread.tracks().get(TempoSpread.bar(62))).isEqualTo(1);
    assertThat(spread.tracks().get(TempoSpread.bar(120))).isZero();
  }

  @Test
  void whatACodebookDoesNotKnowAnyMoreIsLeftOutOfWhatWasKept() {
    Given given = small();
    Narrowing use = first(given.counts(Narrowings.NONE, ""), new OfFacet("Use"), "TRN");
    String kept = Narrowings.NONE.toggled(use).write();
    assertThat(Narrowings.read(kept, BOOK).all()).containsExactly(use);
    assertThat(Narrowings.read(kept, BOOK.minus("Use")).isEmpty()).isTrue();
    assertThat(Narrowings.read("nonsense\n\t\t", BOOK).isEmpty()).isTrue();
  }
}
