package tenterhook.core.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.change.Place;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Wish;

class ResolutionTest {
  private static final Field<?> NOTES = Tracks.BOOK.notation().target();
  private static final SpareFate HOLD = new SpareFate.Hold();

  private static Resolution of(Tracks tracks, Crates crates) {
    return new Resolution(
        tracks.snapshot(), Tracks.BOOK, new Holders(crates, Gigs.NONE), 1, List.of(2));
  }

  private static Change change(Tracks tracks) {
    return of(tracks, Crates.NONE).change(Set.of(), HOLD, true);
  }

  private static String cover(String sha, int side) {
    return new Artwork(sha.repeat(64), side, side, 1000, "image/jpeg").raw();
  }

  @Test
  void playsAreAddedUpAndTheLatestDayIsKept() {
    Change change =
        change(
            Tracks.none()
                .with("plays=3", "lastPlayed=2026-01-01")
                .with("plays=2", "lastPlayed=2026-05-01"));
    assertThat(change.edits())
        .contains(new SetField(1, Fields.PLAYS, "3", "5"))
        .contains(new SetField(1, Fields.LAST_PLAYED, "2026-01-01", "2026-05-01"))
        .contains(new SetField(2, Fields.LIFECYCLE, "", "held"));
    assertThat(change.leader()).isEqualTo(1);
    assertThat(change.edits().getFirst()).isInstanceOf(SetField.class);
  }

  @Test
  void theSurvivorTakesOnlyWhatItLacks() {
    Change change =
        change(
            Tracks.none()
                .with("title=Slipway", "year=", "rating=")
                .with("title=slip way", "year=1984", "rating=80", "genre=Ska"));
    assertThat(change.edits())
        .contains(new SetField(1, Fields.YEAR, "", "1984"))
        .contains(new SetField(1, Fields.RATING, "", "80"))
        .contains(new SetField(1, Fields.GENRE, "", "Ska"))
        .noneMatch(e -> e instanceof SetField set && set.field() == Fields.TITLE);
  }

  @Test
  void placesOnAnotherAlbumAreNotTaken() {
    Tracks tracks =
        Tracks.none().with("album=Low Water").with("album=Harbour Lights", "track=7", "disc=2");
    assertThat(of(tracks, Crates.NONE).gains()).isEmpty();
    Tracks one = Tracks.none().with("album=Low Water").with("album=low water", "track=7");
    assertThat(of(one, Crates.NONE).gains()).extracting(Gain::key).containsExactly("track");
  }

  @Test
  void codesComeTogetherAndAFacetOfOneCodeKeepsTheSurvivorsOwn() {
    String before = Tracks.BOOK.rewritten("", List.of("80S", "SKA"), List.of());
    String other = Tracks.BOOK.rewritten("", List.of("90S", "ELC", "TRN"), List.of());
    Tracks tracks = Tracks.none().with(NOTES.key() + "=" + before).with(NOTES.key() + "=" + other);
    Gain.ValueGain gain = (Gain.ValueGain) of(tracks, Crates.NONE).gains().getFirst();
    assertThat(Tracks.BOOK.codesIn(gain.after()))
        .containsExactlyInAnyOrder("80S", "SKA", "ELC", "TRN");
  }

  @Test
  void aMuchLargerCoverIsTaken() {
    Tracks larger =
        Tracks.none().with("artwork=" + cover("a", 300)).with("artwork=" + cover("b", 800));
    assertThat(of(larger, Crates.NONE).gains())
        .singleElement()
        .isEqualTo(new Gain.ValueGain(Fields.ARTWORK, 2, cover("a", 300), cover("b", 800)));
    Tracks alike =
        Tracks.none().with("artwork=" + cover("a", 600)).with("artwork=" + cover("b", 640));
    assertThat(of(alike, Crates.NONE).gains()).isEmpty();
  }

  @Test
  void cratesPointToTheSurvivorAtThePlaceOfTheSpare() {
    Crates crates =
        Crates.NONE
            .plus("Loose", new Crate.HandCrate("Hand", List.of(3, 2, 4)))
            .plus("Loose", new Crate.HandCrate("Both", List.of(2, 1)))
            .plus("Loose", new Crate.HandCrate("Neither", List.of(4)));
    Tracks tracks = Tracks.none().with("title=a").with("title=a").with("title=c").with("title=d");
    Gain.Places places = (Gain.Places) of(tracks, crates).gains().getLast();
    assertThat(places.names()).containsExactly("Hand", "Both");
    assertThat(((Crate.HandCrate) places.after().crates().crate("Hand").orElseThrow()).tracks())
        .containsExactly(3, 1, 4);
    assertThat(((Crate.HandCrate) places.after().crates().crate("Both").orElseThrow()).tracks())
        .containsExactly(1);
  }

  @Test
  void whatIsDeclinedIsNotTaken() {
    Tracks tracks = Tracks.none().with("year=", "plays=1").with("year=1984", "plays=2");
    Change change = of(tracks, Crates.NONE).change(Set.of("year"), HOLD, true);
    assertThat(change.fieldNames()).contains("plays").doesNotContain("year");
  }

  @Test
  void sparesMayOnlyBeMarked() {
    Tracks tracks = Tracks.none().with("plays=1").with("plays=2", "year=1984");
    Change change = of(tracks, Crates.NONE).change(Set.of(), new SpareFate.Mark("TRN"), true);
    assertThat(change.edits())
        .singleElement()
        .satisfies(
            e -> {
              SetField set = (SetField) e;
              assertThat(set.id()).isEqualTo(2);
              assertThat(Tracks.BOOK.codesIn(set.after())).containsExactly("TRN");
            });
  }

  private static Evening evening(int day) {
    return Evening.on(LocalDate.of(2026, 12, day), LocalTime.of(20, 0), LocalTime.of(23, 0));
  }

  /** What is never played stays so, and what was planned for a night can still be played. */
  @Test
  void gigsAndNeverPlayListsPointToTheSurvivor() {
    NeverPlay never = NeverPlay.NOTHING.plus(List.of(2));
    Crates crates = Crates.NONE.plusShelf("Children").withShelf("Children", s -> s.with(never));
    Gig night =
        Gig.of("Winter closing", evening(19))
            .withParts(
                List.of(
                    GigPart.of("Doors", 30).withTracks(List.of(3, 2)),
                    GigPart.of("Laps", 30)
                        .withParts(List.of(GigPart.of("Pairs", 9).withTracks(List.of(2, 4, 1))))))
            .withMustPlays(
                List.of(
                    new MustPlay(2, "Pairs", "the long one"),
                    new MustPlay(1, "", "", Optional.of(LocalTime.NOON))))
            .withWishes(List.of(Wish.of("slipway", "Ana").chosen(2), Wish.of("low tide", "Bo")))
            .with(never);
    Gig other = Gig.of("Crossing", evening(20));
    Gigs gigs = Gigs.NONE.plus(night).plus(other);
    Tracks tracks = Tracks.none().with("title=a").with("title=a").with("title=c").with("title=d");
    Resolution resolution =
        new Resolution(tracks.snapshot(), Tracks.BOOK, new Holders(crates, gigs), 1, List.of(2));
    Gain.Places places = (Gain.Places) resolution.gains().getLast();
    assertThat(places.names()).containsExactly("Children", "Winter closing");
    Gig after = places.after().gigs().named("Winter closing").orElseThrow();
    assertThat(after.part("Doors").orElseThrow().tracks()).containsExactly(3, 1);
    assertThat(after.part("Pairs").orElseThrow().tracks()).containsExactly(1, 4);
    assertThat(after.mustPlays())
        .containsExactly(new MustPlay(1, "Pairs", "the long one", Optional.of(LocalTime.NOON)));
    assertThat(after.wishes()).extracting(Wish::track).containsExactly(1, 0);
    assertThat(after.never().tracks()).containsExactly(1);
    assertThat(places.after().crates().shelf("Children").orElseThrow().never().tracks())
        .containsExactly(1);
    Change change = resolution.change(Set.of(), HOLD, true);
    assertThat(change.edits())
        .contains(
            new Edit.SetCrates(crates, places.after().crates()),
            new Edit.SetGigs(gigs, places.after().gigs()));
    assertThat(resolution.change(Set.of("crates"), HOLD, true).edits())
        .noneMatch(e -> e instanceof Edit.SetGigs || e instanceof Edit.SetCrates);
  }

  @Test
  void sparesMayMoveToAFolder() {
    Change change =
        of(Tracks.none().with("title=a").with("title=a"), Crates.NONE)
            .change(Set.of(), new SpareFate.Move(new Place("Music", "Spares/Nov")), true);
    assertThat(change.edits())
        .contains(
            new Edit.MoveFile(
                2,
                new Place("Music", "Rink/Doors/2.mp3"),
                new Place("Music", "Spares/Nov/2 2.mp3")))
        .contains(new SetField(2, Fields.LIFECYCLE, "", "removed"));
  }

  @Test
  void takenBackTheSparesComeFirst() {
    Change back = change(Tracks.none().with("plays=1").with("plays=2")).inverse("takes back");
    assertThat(((Edit.OfTrack) back.edits().getFirst()).id()).isEqualTo(2);
    assertThat(back.leader()).isZero();
  }

  @Test
  void aSurvivorIsNoSpare() {
    assertThatThrownBy(
            () ->
                new Resolution(
                    Tracks.none().with("title=a").snapshot(),
                    Tracks.BOOK,
                    new Holders(Crates.NONE, Gigs.NONE),
                    1,
                    List.of(1)))
        .hasMessageContaining("survivor 1");
  }
}
