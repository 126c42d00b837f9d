package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Tracks;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

/** A look that is kept in step says what a first look says, whatever happened in between. */
class GigStandingTest {
  private static final LocalDate DATE = LocalDate.of(2026, 12, 19);
  private static final int COUNT = 60;
  private static final Codebook BOOK =
      Tracks.BOOK.withCode("TRN", c -> new Code("TRN", "explicit words"));
  private static final List<String> RULES =
      List.of("genre:ska", "genre:dub", "year:1980..1999", "crate:Fast", "genre:ska year:..1990");
  private static final List<String> NEVER = List.of("artist:=B", "year:1985", "crate:Fast");

  private final Random random = new Random(90);
  private Snapshot snapshot = Snapshot.empty();
  private Crates crates = Crates.NONE;
  private CrateContents contents;
  private RoaringBitmap away = new RoaringBitmap();
  private Gig gig = Gig.of("Closing", Evening.on(DATE, LocalTime.of(18, 0), LocalTime.of(23, 0)));

  GigStandingTest() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < COUNT; i++) {
      tracks.with("duration=" + (100 + i) + ".125", "genre=Ska", "artist=A", "year=1984");
    }
    snapshot = tracks.snapshot();
    crates = Crates.NONE.plus("Shelf", new Crate.RuleCrate("Fast", rule("bpm:120..")));
    contents = new CrateContents(snapshot, BOOK, crates, DATE);
    for (int i = 0; i < 4; i++) {
      gig = gig.plus(GigPart.of("Part " + i, i == 3 ? 3 : 0), Optional.empty());
    }
    gig = gig.withPart("Part 1", p -> p.withParts(List.of(GigPart.of("Inner", 0))));
  }

  private static Rule.RuleGroup rule(String text) {
    return Rule.of(((Parsed.Good) FindParser.parse(text, BOOK)).query());
  }

  private static <T> T one(Random random, List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private int track() {
    return 1 + random.nextInt(COUNT);
  }

  private String part() {
    return one(random, gig.allParts()).name();
  }

  private Cell cell(int id, Field<?> field, String... values) {
    return new Cell(id, field, one(random, List.of(values)));
  }

  private Cell cell() {
    int id = track();
    return switch (random.nextInt(11)) {
      case 0 -> cell(id, Fields.GENRE, "Ska", "Dub", "");
      case 1 -> cell(id, Fields.YEAR, "1979", "1985", "1992", "");
      case 2 -> cell(id, Fields.ARTIST, "A", "B", "C");
      case 3 -> cell(id, Fields.DURATION, "61.7", "400.013", "");
      case 4 -> cell(id, Fields.STATE, "lost", "present", "present");
      case 5 -> cell(id, Fields.LIFECYCLE, "", "", "held", "removed");
      case 6 -> cell(id, Fields.LOUDNESS, "-9", "-9.5", "-20", "");
      case 7 -> cell(id, Fields.QUALITY, "upscaled", "");
      case 8 -> cell(id, Fields.BPM, "90", "128");
      case 9 -> cell(id, Fields.CODES, "TRN", "SKA", "");
      default -> cell(id, Fields.SOUND, "x", "");
    };
  }

  private void tracksChange() {
    List<Cell> cells = new ArrayList<>();
    RoaringBitmap changed = new RoaringBitmap();
    int count = random.nextInt(8) == 0 ? 80 : 1 + random.nextInt(3);
    for (int i = 0; i < count; i++) {
      Cell cell = cell();
      cells.add(cell);
      changed.add(cell.id());
    }
    snapshot = snapshot.with(cells);
    contents = contents.after(snapshot, changed);
  }

  private void gigChanges() {
    int id = track();
    String part = part();
    switch (random.nextInt(10)) {
      case 0 -> gig = gig.withPart(part, p -> p.plus(List.of(id, track())));
      case 1 -> gig = gig.withPart(part, p -> p.withTracks(List.of()));
      case 2 -> {
        String rule = one(random, RULES);
        gig = gig.withPart(part, p -> p.filledBy(Optional.of(rule(rule)), List.of()));
      }
      case 3 -> gig = gig.withPart(part, p -> p.filledBy(Optional.empty(), List.of()));
      case 4 -> gig = gig.with(gig.never().plus(List.of(id)));
      case 5 ->
          gig =
              gig.with(
                  NeverPlay.NOTHING.plus((Rule.Line) rule(one(random, NEVER)).parts().getFirst()));
      case 6 -> gig = gig.plus(new MustPlay(id, random.nextBoolean() ? part : "", ""));
      case 7, 8 -> gig = gig.withMustPlays(List.of());
      default -> {
        List<TrackOrder.Key> falling = List.of(new TrackOrder.Key("duration", true));
        gig =
            gig.withPart(
                part, p -> p.filledBy(p.rule(), random.nextBoolean() ? falling : List.of()));
      }
    }
  }

  private void elseChanges() {
    if (random.nextBoolean()) {
      away = random.nextBoolean() ? new RoaringBitmap() : RoaringBitmap.bitmapOf(track(), track());
    } else {
      String rule = random.nextBoolean() ? "bpm:..100" : "bpm:120..";
      crates = Crates.NONE.plus("Shelf", new Crate.RuleCrate("Fast", rule(rule)));
      contents = new CrateContents(snapshot, BOOK, crates, DATE);
    }
  }

  @Test
  void whatIsKeptInStepIsWhatAFirstLookFinds() {
    GigStanding kept = GigStanding.of(gig, snapshot, contents, away);
    int ready = 0;
    for (int round = 0; round < 3000; round++) {
      switch (random.nextInt(20)) {
        case 0 -> elseChanges();
        case 1, 2, 3, 4, 5 -> gigChanges();
        default -> tracksChange();
      }
      if (random.nextInt(3) > 0) {
        continue; // several changes at once
      }
      kept = kept.after(gig, snapshot, contents, away);
      CrateContents fresh = new CrateContents(snapshot, BOOK, crates, DATE);
      GigStanding first = GigStanding.of(gig, snapshot, fresh, away);
      assertThat(kept.readiness()).as("round " + round).isEqualTo(first.readiness());
      assertThat(GigProgram.of(kept)).isEqualTo(GigProgram.of(gig, snapshot, fresh));
      ready += kept.readiness().ready() ? 1 : 0;
    }
    assertThat(ready).isBetween(100, 900);
  }

  @Test
  void whatHasNoTrackInCommonIsLookedAtAnew() {
    Snapshot other = Tracks.none().with("duration=7200", "genre=Ska").snapshot();
    assertThat(other.changedSince(snapshot).getCardinality()).isGreaterThanOrEqualTo(COUNT);
    gig = gig.withPart("Part 0", p -> p.filledBy(Optional.of(rule("genre:ska")), List.of()));
    CrateContents of = new CrateContents(other, BOOK, crates, DATE);
    GigStanding kept = GigStanding.of(gig, snapshot, contents, away).after(gig, other, of, away);
    assertThat(kept.readiness().times().getFirst().playable()).isEqualTo(120);
  }
}
