package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.merge.MergeConflict;

class GigTest {
  private static final Evening NIGHT =
      Evening.on(LocalDate.of(2026, 12, 19), LocalTime.of(18, 30), LocalTime.of(1, 0));
  private static final Gig CLOSING =
      Gig.of("Winter closing", NIGHT)
          .plus(GigPart.of("Doors", 60), Optional.empty())
          .plus(GigPart.of("Laps", 0), Optional.empty())
          .plus(GigPart.of("Easy laps", 90), Optional.of("laps"))
          .plus(GigPart.of("Pairs", 30), Optional.of("Laps"))
          .plus(new MustPlay(7, "Pairs", "first dance"));

  @Test
  void anEveningMayEndOnTheNextDay() {
    assertThat(NIGHT.minutes()).isEqualTo(390);
    assertThat(NIGHT.at(LocalTime.NOON, LocalTime.of(13, 5)).minutes()).isEqualTo(65);
    assertThat(NIGHT.at(LocalTime.NOON, LocalTime.NOON).minutes()).isEqualTo(24 * 60);
  }

  @Test
  void aPartWithoutMinutesLastsAsLongAsThoseInIt() {
    assertThat(CLOSING.part("LAPS").orElseThrow().planned()).isEqualTo(120);
    assertThat(CLOSING.allParts().stream().map(GigPart::name))
        .containsExactly("Doors", "Laps", "Easy laps", "Pairs");
  }

  @Test
  void mustPlaysFollowTheirPartAndOutliveIt() {
    Gig renamed = CLOSING.withPart("pairs", p -> p.named("Couples"));
    assertThat(renamed.mustPlays()).containsExactly(new MustPlay(7, "Couples", "first dance"));
    assertThat(renamed.withoutPart("Laps").mustPlays())
        .containsExactly(new MustPlay(7, "", "first dance"));
    assertThat(renamed.plus(new MustPlay(7, "Doors", "")).mustPlays())
        .containsExactly(new MustPlay(7, "Doors", ""));
  }

  @Test
  void whatCannotHoldTogetherIsRefusedInWords() {
    assertThatThrownBy(() -> CLOSING.plus(GigPart.of("doors", 5), Optional.of("Laps")))
        .hasMessage("there is a part 'doors' already");
    assertThatThrownBy(() -> CLOSING.plus(new MustPlay(9, "Encore", "")))
        .hasMessage("there is no part 'Encore'");
    assertThatThrownBy(() -> CLOSING.withPart("Encore", p -> p))
        .hasMessage("there is no part 'Encore'");
    assertThatThrownBy(() -> CLOSING.titled("  ")).hasMessage("a gig has a name");
    assertThatThrownBy(() -> CLOSING.reserving(0.5)).hasMessageContaining("was 0.5");
    assertThatThrownBy(() -> Gigs.NONE.plus(CLOSING).plus(CLOSING.titled("WINTER closing")))
        .hasMessage("there is a gig 'Winter closing' already");
  }

  @Test
  void wishesAreTakenOnceAndKeepWhatIsSettledOfThem() {
    Wish pewter = Wish.of("Pewter Wren - Slipway", "Oda");
    Gig gig = CLOSING.plusWishes(List.of(pewter)).settled(pewter.chosen(3));
    Gig again =
        gig.plusWishes(List.of(Wish.of("pewter wren - SLIPWAY", "oda"), Wish.of("Slipway", "")));
    assertThat(again.wishes()).containsExactly(pewter.chosen(3), Wish.of("Slipway", ""));
    assertThat(again.wishes().getFirst().open()).isFalse();
    assertThat(again.settled(pewter.refuse()).wishes().getFirst())
        .isEqualTo(new Wish("Pewter Wren - Slipway", "Oda", 0, true));
  }

  @Test
  void theModelOfAnotherNightHasNeitherItsPeopleNorItsWishes() {
    Gig gig = CLOSING.plusWishes(List.of(Wish.of("Slipway", ""))).reserving(2);
    Gig next = gig.like("Spring opening", NIGHT.on(LocalDate.of(2027, 3, 20)));
    assertThat(next.parts()).isEqualTo(gig.parts());
    assertThat(next.mustPlays()).isEqualTo(gig.mustPlays());
    assertThat(next.reserve()).isEqualTo(2);
    assertThat(next.wishes()).isEmpty();
    assertThat(next.evening().people()).isEmpty();
  }

  @Test
  void gigsStandByDateAndThoseThatAreOverApart() {
    Gig earlier = CLOSING.titled("Ferry").on(NIGHT.on(LocalDate.of(2026, 11, 1)));
    Gigs gigs = Gigs.NONE.plus(CLOSING).plus(earlier);
    LocalDate today = LocalDate.of(2026, 12, 19);
    assertThat(gigs.all()).containsExactly(earlier, CLOSING);
    assertThat(gigs.coming(today)).containsExactly(CLOSING);
    assertThat(gigs.played(today)).containsExactly(earlier);
  }

  @Test
  void editsOfDifferentThingsHoldTogetherWhicheverComesFirst() throws MergeConflict {
    List<UnaryOperator<Gig>> edits = new ArrayList<>();
    edits.add(g -> g.on(g.evening().with(new Person("Oda Brennick", "OH-da", "host"))));
    edits.add(g -> g.on(g.evening().at("Coldharbour Rink")));
    edits.add(g -> g.withPart("Doors", p -> p.plus(List.of(4, 5))));
    edits.add(g -> g.withPart("Easy laps", p -> p.lasting(80)));
    edits.add(g -> g.plusWishes(List.of(Wish.of("Slipway", ""))));
    edits.add(g -> g.with(g.never().plus(List.of(11))));
    edits.add(g -> g.plus(new MustPlay(8, "", "")));
    edits.add(g -> g.reserving(1.2));
    Gigs start = Gigs.NONE.plus(CLOSING);
    Random random = new Random(61);
    for (int round = 0; round < 200; round++) {
      int one = random.nextInt(edits.size());
      int other = (one + 1 + random.nextInt(edits.size() - 1)) % edits.size();
      Gigs first = start.with(CLOSING.title(), edits.get(one));
      Gigs second = start.with(CLOSING.title(), edits.get(other));
      Gigs both = GigsMerge.merge(start, second, first);
      assertThat(both).isEqualTo(first.with(CLOSING.title(), edits.get(other)));
      assertThat(GigsMerge.merge(second, start, GigsMerge.merge(start, first, second)))
          .isEqualTo(first);
    }
  }

  @Test
  void twoEditsOfOneThingAreRefused() {
    Gigs start = Gigs.NONE.plus(CLOSING);
    Gigs longer = start.with(CLOSING.title(), g -> g.withPart("Doors", p -> p.lasting(75)));
    Gigs shorter = start.with(CLOSING.title(), g -> g.withPart("Doors", p -> p.lasting(45)));
    assertThatThrownBy(() -> GigsMerge.merge(start, longer, shorter))
        .isInstanceOf(MergeConflict.class)
        .hasMessageContaining("the minutes of part Doors");
    Gigs gone = start.with(CLOSING.title(), g -> g.withoutPart("Doors"));
    assertThatThrownBy(() -> GigsMerge.merge(start, longer, gone))
        .hasMessageContaining("Doors is no longer there");
  }

  @Test
  void neverPlayIsPartOfTheGig() {
    Gig strict = CLOSING.with(NeverPlay.NOTHING.plus(List.of(9)));
    assertThat(strict.never().tracks()).containsExactly(9);
    assertThat(strict.mustPlays()).isEqualTo(CLOSING.mustPlays());
  }

  @Test
  void aTickStaysInItsPlaceAndOffTheModelOfTheNextNight() {
    Gig two = CLOSING.plus(new MustPlay(8, "", ""));
    Gig ticked = two.heard(7, Optional.of(LocalTime.of(21, 40)));
    assertThat(ticked.mustPlays()).extracting(MustPlay::track).containsExactly(7, 8);
    assertThat(ticked.mustPlays().getFirst().heard()).contains(LocalTime.of(21, 40));
    assertThat(ticked.heard(7, Optional.empty())).isEqualTo(two);
    assertThat(ticked.like("Next", ticked.evening()).mustPlays()).isEqualTo(two.mustPlays());
  }
}
