package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Tracks;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.gig.GigFinding.Kind;
import tenterhook.core.track.Snapshot;

class GigReadinessTest {
  private static final LocalDate DATE = LocalDate.of(2026, 12, 19);
  private static final Gig NIGHT =
      Gig.of("Closing", Evening.on(DATE, LocalTime.of(18, 0), LocalTime.of(23, 0)));
  private static final String MEASURED = "sound=x";

  private static GigReadiness look(Gig gig, Snapshot snapshot, int... away) {
    CrateContents contents = new CrateContents(snapshot, Tracks.BOOK, Crates.NONE, DATE);
    return GigReadiness.of(gig, snapshot, contents, RoaringBitmap.bitmapOf(away));
  }

  private static Rule.RuleGroup rule(String text) {
    return Rule.of(((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query());
  }

  private static Gig doors(int minutes, Integer... tracks) {
    return NIGHT.plus(GigPart.of("Doors", minutes).plus(List.of(tracks)), Optional.empty());
  }

  @Test
  void aNightWithEnoughMusicIsReady() {
    Snapshot snapshot = Tracks.none().with("duration=5400", MEASURED, "loudness=-9").snapshot();
    GigReadiness look = look(doors(60, 1), snapshot);
    assertThat(look.findings()).isEmpty();
    assertThat(look.ready()).isTrue();
    assertThat(look.sentence()).isEqualTo("Ready.");
    assertThat(look.times()).containsExactly(new GigReadiness.PartTime("Doors", 60, 90));
  }

  @Test
  void tooLittleIsRedAndTooLittleInReserveIsNot() {
    Snapshot snapshot = Tracks.none().with("duration=3900", MEASURED).snapshot();
    assertThat(look(doors(60, 1), snapshot).sentence()).isEqualTo("Ready, 1 thing to look at.");
    GigReadiness look = look(doors(70, 1), snapshot);
    assertThat(look.ready()).isFalse();
    assertThat(look.sentence()).isEqualTo("Not ready: Doors has 65 of 70 minutes.");
    assertThat(look(doors(60, 1), snapshot, 1).ready()).isFalse();
  }

  @Test
  void aMustPlayIsToBeThereInItsPartAndNotBanned() {
    Snapshot snapshot =
        Tracks.none()
            .with("title=Slipway", "artist=Pewter Wren", "duration=9000", MEASURED)
            .with("title=Edge", "artist=Tin Lark", "duration=9000", MEASURED)
            .snapshot();
    Gig gig = doors(10, 1).plus(GigPart.of("Laps", 0).plus(List.of(2)), Optional.empty());
    assertThat(look(gig.plus(new MustPlay(1, "Doors", "")), snapshot).ready()).isTrue();
    assertThat(look(gig.plus(new MustPlay(1, "Laps", "")), snapshot).sentence())
        .isEqualTo("Not ready: Pewter Wren – Slipway must be played and is not in Laps.");
    GigReadiness gone = look(gig.plus(new MustPlay(1, "Doors", "")), snapshot, 1);
    assertThat(gone.sentence())
        .isEqualTo("Not ready: Doors has 0 of 10 minutes, and 1 more; 1 thing to look at.");
    assertThat(gone.findings())
        .extracting(GigFinding::words)
        .contains("Pewter Wren – Slipway must be played and is not there");
    Gig strict = gig.plus(new MustPlay(2, "", "")).with(NeverPlay.NOTHING.plus(List.of(2)));
    assertThat(look(strict, snapshot).findings())
        .extracting(GigFinding::kind)
        .contains(Kind.MUST_PLAY_BANNED, Kind.SHUT_OUT);
  }

  @Test
  void aRuleBringsInNothingThatIsNeverPlayedAndStandsBehindWhatWasPicked() {
    Snapshot snapshot =
        Tracks.none()
            .with("artist=B", "genre=Ska")
            .with("artist=A", "genre=Ska")
            .with("artist=Tin Lark", "genre=Ska")
            .with("artist=C", "genre=Dub")
            .snapshot();
    Gig gig =
        NIGHT
            .plus(
                GigPart.of("Doors", 0)
                    .plus(List.of(4, 3))
                    .filledBy(Optional.of(rule("genre:ska")), List.of()),
                Optional.empty())
            .with(
                NeverPlay.NOTHING.plus(
                    (Rule.Line) rule("artist:=\"Tin Lark\"").parts().getFirst()));
    CrateContents contents = new CrateContents(snapshot, Tracks.BOOK, Crates.NONE, DATE);
    PartMusic music =
        GigStanding.of(gig, snapshot, contents, new RoaringBitmap()).music().getFirst();
    assertThat(music.tracks()).containsExactly(4, 2, 1);
    assertThat(music.banned().toArray()).containsExactly(3);
  }

  /** What a reading of one track after the other says, which shares no code with the look. */
  private static final class ByHand {
    private final Gig gig;
    private final Snapshot snapshot;
    private final Set<Integer> away;
    private final String genre;
    private final String banned;

    ByHand(Gig gig, Snapshot snapshot, Set<Integer> away, String genre, String banned) {
      this.gig = gig;
      this.snapshot = snapshot;
      this.away = away;
      this.genre = genre;
      this.banned = banned;
    }

    private boolean there(int id) {
      return !snapshot.raw(id, Fields.STATE).equals("lost") && !away.contains(id);
    }

    private boolean ban(int id) {
      return snapshot.raw(id, Fields.ARTIST).equals(banned);
    }

    private Set<Integer> music(GigPart part) {
      Set<Integer> all = new LinkedHashSet<>();
      part.tracks().stream().filter(id -> !ban(id)).forEach(all::add);
      if (part.rule().isPresent()) {
        for (int id : snapshot.tracks()) {
          if (snapshot.raw(id, Fields.GENRE).equals(genre) && !ban(id)) {
            all.add(id);
          }
        }
      }
      return all;
    }

    /** The music of a part and all in it. */
    private Set<Integer> whole(GigPart part) {
      Set<Integer> all = new HashSet<>(music(part));
      part.parts().forEach(p -> all.addAll(whole(p)));
      return all;
    }

    private double minutes(GigPart part) {
      return whole(part).stream()
          .filter(this::there)
          .mapToDouble(id -> Double.parseDouble(snapshot.raw(id, Fields.DURATION)) / 60)
          .sum();
    }

    boolean ready() {
      for (GigPart part : gig.allParts()) {
        if (minutes(part) < part.planned()) {
          return false;
        }
      }
      for (MustPlay must : gig.mustPlays()) {
        boolean placed = false;
        for (GigPart part : gig.allParts()) {
          boolean here = must.part().isEmpty() || part.name().equals(must.part());
          placed |= here && whole(part).contains(must.track());
        }
        if (!there(must.track()) || ban(must.track()) || !placed) {
          return false;
        }
      }
      return true;
    }

    Set<String> picks(boolean gone) {
      Set<String> found = new HashSet<>();
      for (GigPart part : gig.allParts()) {
        String ids =
            part.tracks().stream()
                .filter(id -> gone ? !there(id) : ban(id))
                .sorted()
                .map(String::valueOf)
                .collect(Collectors.joining(","));
        if (!ids.isEmpty()) {
          found.add(part.name() + ":" + ids);
        }
      }
      return found;
    }
  }

  private static Set<String> found(GigReadiness look, Kind kind) {
    return look.findings().stream()
        .filter(f -> f.kind() == kind)
        .map(
            f ->
                f.part()
                    + ":"
                    + f.tracks().stream()
                        .mapToObj(String::valueOf)
                        .collect(Collectors.joining(",")))
        .collect(Collectors.toSet());
  }

  @Test
  void theSentenceIsTrueForRandomNights() {
    Random random = new Random(71);
    List<String> artists = List.of("Pewter Wren", "Tin Lark", "Oda Brennick");
    List<String> genres = List.of("Ska", "Dub", "Highlife");
    int ready = 0;
    for (int round = 0; round < 400; round++) {
      Tracks tracks = Tracks.none();
      int count = 5 + random.nextInt(30);
      for (int i = 0; i < count; i++) {
        tracks.with(
            "artist=" + artists.get(random.nextInt(3)),
            "genre=" + genres.get(random.nextInt(3)),
            "duration=" + (120 + random.nextInt(900)),
            "state=" + (random.nextInt(12) == 0 ? "lost" : "present"));
      }
      Snapshot snapshot = tracks.snapshot();
      String genre = genres.get(random.nextInt(3));
      String banned = random.nextInt(3) == 0 ? artists.get(random.nextInt(3)) : "";
      Gig gig = gig(random, count, genre, banned);
      Set<Integer> away = random.nextInt(4) == 0 ? Set.of(1 + random.nextInt(count)) : Set.of();
      GigReadiness look = look(gig, snapshot, away.stream().mapToInt(Integer::intValue).toArray());
      ByHand hand = new ByHand(gig, snapshot, away, genre, banned);
      assertThat(look.ready()).as(look.sentence()).isEqualTo(hand.ready());
      assertThat(look.sentence()).startsWith(hand.ready() ? "Ready" : "Not ready: ");
      for (GigReadiness.PartTime time : look.times()) {
        GigPart part = gig.part(time.part()).orElseThrow();
        assertThat(time.playable())
            .isCloseTo(hand.minutes(part), org.assertj.core.data.Offset.offset(1e-9));
      }
      assertThat(found(look, Kind.GONE)).isEqualTo(hand.picks(true));
      assertThat(found(look, Kind.SHUT_OUT)).isEqualTo(hand.picks(false));
      ready += hand.ready() ? 1 : 0;
    }
    assertThat(ready).isBetween(60, 340);
  }

  private static Gig gig(Random random, int count, String genre, String banned) {
    Gig gig = NIGHT.reserving(1 + random.nextInt(3) / 2.0);
    if (!banned.isEmpty()) {
      gig =
          gig.with(
              NeverPlay.NOTHING.plus(
                  (Rule.Line) rule("artist:=\"" + banned + "\"").parts().getFirst()));
    }
    List<String> names = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(4); i++) {
      GigPart part = GigPart.of("Part " + i, random.nextInt(3) * 8);
      for (int pick = 0; pick < random.nextInt(6); pick++) {
        part = part.plus(List.of(1 + random.nextInt(count)));
      }
      if (random.nextBoolean()) {
        part = part.filledBy(Optional.of(rule("genre:=" + genre)), List.of());
      }
      boolean inside = !names.isEmpty() && random.nextInt(3) == 0;
      gig = gig.plus(part, inside ? Optional.of(names.getLast()) : Optional.empty());
      names.add(part.name());
    }
    if (random.nextInt(3) == 0) {
      String in = random.nextBoolean() ? "" : names.get(random.nextInt(names.size()));
      gig = gig.plus(new MustPlay(1 + random.nextInt(count), in, ""));
    }
    return gig;
  }

  @Test
  void theSameRecordingInTwoPartsIsNamedOnce() {
    Snapshot snapshot =
        Tracks.none()
            .with("title=Slipway", "artist=Pewter Wren", "soundSeal=a", MEASURED)
            .with("title=Slipway", "artist=Pewter Wren", "soundSeal=a", MEASURED)
            .snapshot();
    Gig gig = doors(0, 1).plus(GigPart.of("Laps", 0).plus(List.of(2)), Optional.empty());
    GigReadiness look = look(gig, snapshot);
    assertThat(look.findings()).extracting(GigFinding::kind).containsExactly(Kind.TWICE);
    assertThat(look.findings().getFirst().words())
        .isEqualTo("Pewter Wren – Slipway is in Doors and Laps");
  }

  @Test
  void whatStandsOutInAPartIsNamed() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 5; i++) {
      tracks.with("loudness=-9", MEASURED, "duration=100");
    }
    tracks.with("loudness=-20", MEASURED, "duration=100", "quality=upscaled");
    tracks.with("duration=100");
    GigReadiness look = look(doors(0, 1, 2, 3, 4, 5, 6, 7), tracks.snapshot());
    assertThat(found(look, Kind.LOUDNESS)).containsExactly("Doors:6");
    assertThat(found(look, Kind.UPSCALED)).containsExactly("Doors:6");
    assertThat(found(look, Kind.UNMEASURED)).containsExactly("Doors:7");
    assertThat(look.ready()).isTrue();
  }

  @Test
  void whatIsCodedAsExplicitIsNamed() {
    Codebook book = Tracks.BOOK.withCode("TRN", c -> new Code("TRN", "Explicit words in it"));
    Snapshot snapshot =
        Tracks.none()
            .with("comment=/TRN/", "duration=100", MEASURED)
            .with("comment=/SKA/", "duration=100", MEASURED)
            .snapshot();
    CrateContents contents = new CrateContents(snapshot, book, Crates.NONE, DATE);
    GigReadiness look = GigReadiness.of(doors(0, 1, 2), snapshot, contents, new RoaringBitmap());
    assertThat(found(look, Kind.EXPLICIT)).containsExactly("Doors:1");
    assertThat(look(doors(0, 1, 2), snapshot).findings()).isEmpty();
  }
}
