package tenterhook.standins.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;
import tenterhook.core.gig.Wish;
import tenterhook.core.track.Snapshot;

/**
 * The demo's three nights, with what goes wrong on real ones: a part that is too short, a must-play
 * whose file is lost, wishes with slips, one for a version that is not there, two for songs that
 * nobody has, one on a disk that is away, and an artist who is never played but was picked. The
 * demo's pieces last no longer than half a minute, and so its nights last less than an hour.
 */
final class DemoGigs {
  private static final int PICKED = 9;

  private final Snapshot snapshot;
  private final LocalDate today;
  private final List<Integer> plain;

  private DemoGigs(Snapshot snapshot, LocalDate today) {
    this.snapshot = snapshot;
    this.today = today;
    this.plain =
        all(
            id ->
                !snapshot.lost(id)
                    && snapshot.raw(id, Fields.TITLE).matches("[A-Za-z]{4,} [A-Za-z]{4,}")
                    && snapshot.raw(id, Fields.ARTIST).matches("[A-Za-z]{4,} [A-Za-z]{4,}"));
  }

  /** The gigs of a demo to which its mishaps have happened. */
  static Gigs of(Snapshot snapshot, LocalDate today) {
    DemoGigs demo = new DemoGigs(snapshot, today);
    return demo.plain.isEmpty()
        ? Gigs.NONE
        : Gigs.NONE.plus(demo.closing()).plus(demo.crossing()).plus(demo.parade());
  }

  private List<Integer> all(IntPredicate test) {
    return snapshot.tracks().stream().filter(test).boxed().toList();
  }

  /** Some tracks with plain names, also where there are few. */
  private List<Integer> picked(int from) {
    return IntStream.range(from, from + Math.min(PICKED, plain.size()))
        .mapToObj(i -> plain.get(i % plain.size()))
        .toList();
  }

  private Gig closing() {
    Evening evening =
        Evening.on(today.plusDays(17), LocalTime.of(18, 0), LocalTime.of(18, 20))
            .at("Coldharbour Rink")
            .with(new Person("Maren Odegaard-Pugh", "MAH-ren OH-deh-gohr", "host"))
            .with(new Person("Tobin Achterhuis", "TOH-bin AHK-ter-howss", "rink warden"))
            .with(new Person("Siw", "seev", "pulls the ice machine"));
    List<Integer> lost = all(id -> snapshot.lost(id) && !snapshot.raw(id, Fields.TITLE).isBlank());
    Gig gig =
        Gig.of("Winter closing", evening)
            .withParts(
                List.of(
                    filled("Doors", 4, "crate:\"Doors open\""),
                    filled("Easy laps", 4, "crate:\"Fast laps\""),
                    filled("Pairs", 5, "crate:\"Pairs only\""),
                    filled("Ice break", 3, "crate:\"Ice break\""),
                    GigPart.of("Last lap", 2).withTracks(picked(20))))
            .plusWishes(wishes());
    return lost.isEmpty()
        ? gig
        : gig.withPart("Last lap", p -> p.plus(lost.subList(0, 1)))
            .plus(new MustPlay(lost.getFirst(), "Last lap", "the last one, for the crew"))
            .plus(new MustPlay(picked(20).getFirst(), "Last lap", "when the lamps go out"))
            .plus(new MustPlay(picked(20).get(1), "Last lap", ""));
  }

  private List<Wish> wishes() {
    int exact = picked(3).getFirst();
    int slipped = picked(11).getFirst();
    List<Integer> live = all(id -> snapshot.raw(id, Fields.TITLE).endsWith("(Live)"));
    String notLive =
        live.isEmpty()
            ? "Harbour Rail by Halden & Quill, not the live one"
            : snapshot.raw(live.getFirst(), Fields.TITLE).replace(" (Live)", "")
                + " by "
                + snapshot.raw(live.getFirst(), Fields.ARTIST)
                + ", not the live one";
    return List.of(
        Wish.of(title(exact) + " by " + artist(exact) + " (for our mum)", "Maren"),
        Wish.of(slip(artist(slipped)) + " - " + slip(title(slipped)), "Maren"),
        Wish.of(notLive, "Tobin"),
        Wish.of("Corrow Marshal - Seven Doors to Spring", "Tobin"),
        Wish.of("Harbour Bells Again by Corrow Pilots", "Tobin"),
        Wish.of("the one with the foghorn", "Tobin"));
  }

  private String title(int id) {
    return snapshot.raw(id, Fields.TITLE);
  }

  private String artist(int id) {
    return snapshot.raw(id, Fields.ARTIST);
  }

  /** Two letters in each other's place. */
  private static String slip(String name) {
    return name.substring(0, 2) + name.charAt(3) + name.charAt(2) + name.substring(4);
  }

  private Gig crossing() {
    Evening evening =
        Evening.on(today.plusDays(31), LocalTime.of(22, 30), LocalTime.of(23, 0))
            .at("Night ferry Halcyon");
    GigPart deck =
        GigPart.of("On deck", 0)
            .withParts(
                List.of(
                    filled("Sunset", 3, "crate:\"Sunset deck\""),
                    filled("Stars", 2, "Moment:DEK", "bpm:..100")));
    return Gig.of("Night crossing", evening)
        .withParts(List.of(deck, filled("Breakfast lounge", 4, "crate:\"Breakfast lounge\"")));
  }

  private Gig parade() {
    Evening evening =
        Evening.on(today.plusDays(45), LocalTime.of(16, 30), LocalTime.of(17, 0))
            .at("Market square");
    List<Integer> picked = picked(30);
    NeverPlay never =
        NeverPlay.NOTHING
            .plus(line("code:LTN"))
            .plus(line("artist:=\"" + artist(picked.getFirst()) + "\""));
    return Gig.of("Lantern parade", evening)
        .withParts(
            List.of(
                filled("Gathering", 4, "Crowd:KID|ALL"),
                GigPart.of("The walk", 3).withTracks(picked)))
        .with(never);
  }

  private static GigPart filled(String name, int minutes, String... lines) {
    List<Rule> all = Arrays.stream(lines).<Rule>map(CrateJson::line).toList();
    return GigPart.of(name, minutes)
        .filledBy(Optional.of(new Rule.RuleGroup(Rule.Kind.ALL, all)), List.of());
  }

  private static Rule.Line line(String text) {
    return CrateJson.line(text);
  }
}
