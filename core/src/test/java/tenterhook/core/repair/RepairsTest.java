package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** All inspectors together: they settle, they keep in step, and they can be told to be quiet. */
class RepairsTest {
  private static final String[] ARTISTS = {
    "Ottoline Fask",
    "ottoline fask",
    "The Gannet Sisters",
    "Gannet Sisters, The",
    "Pewter  Wren",
    "Pewter Wren",
    "Brisk Meridian",
    "Brisk Meridien",
    "",
    "Halden & Quill",
    "DJ mc"
  };
  private static final String[] TITLES = {
    "Cold Lamps",
    "Pewter Wren - Cold Lamps",
    "SLOW FERRY",
    "Slow Ferry (Official Video)",
    "Third Bell - Ferry Remix",
    "Cafe\u0301",
    "Salt_Gate",
    "",
    "Late Orders [free dl]",
    "A - B - C",
    "02 - Two",
    "Cold Lamps (2011 Remaster)"
  };
  private static final String[] GENRES = {
    "Ska", "ska", "Hip Hop", "hip-hop", "hiphop / Soul", "(21)", "", "Soul; Ska", "HIP HOP"
  };
  private static final String[] YEARS = {"1987", "1987-05-03", "0", "2099", "", "87", "1991"};
  private static final String[] ALBUMS = {
    "Slipway", "slipway", "Low Water", "", "Slipway (Disc 2)"
  };
  private static final String[] FOLDERS = {"Rink/Doors", "Pewter Wren/1987 - Slipway", "New"};
  private static final String[] COMMENTS = {
    "", "/80S/SKA/", "own words www.tape-swap.example /80S/", "0000A1B2 00003C4D 0000FFFF 00001234"
  };

  private static String any(Random random, String[] some) {
    return some[random.nextInt(some.length)];
  }

  private static List<Cell> track(Random random, int id) {
    String title = any(random, TITLES);
    List<Cell> cells = new ArrayList<>();
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(new Cell(id, Fields.STATE, "present"));
    String name = random.nextBoolean() ? String.format("%02d %s", id % 20, title) : "x" + id;
    cells.add(new Cell(id, Fields.PATH, any(random, FOLDERS) + "/" + name + "_" + id + ".mp3"));
    cells.addAll(values(random, id));
    return cells;
  }

  private static List<Cell> values(Random random, int id) {
    String art =
        random.nextInt(3) == 0
            ? ""
            : new Artwork(
                    "a" + random.nextInt(3), 600, random.nextInt(4) == 0 ? 90 : 600, 9, "image/png")
                .raw();
    return List.of(
        new Cell(id, Fields.ARTIST, any(random, ARTISTS)),
        new Cell(id, Fields.TITLE, any(random, TITLES)),
        new Cell(id, Fields.GENRE, any(random, GENRES)),
        new Cell(id, Fields.YEAR, any(random, YEARS)),
        new Cell(id, Fields.ALBUM, any(random, ALBUMS)),
        new Cell(id, Fields.COMMENT, any(random, COMMENTS)),
        new Cell(id, Fields.TRACK, random.nextInt(4) == 0 ? "" : String.valueOf(id % 20)),
        new Cell(id, Fields.BPM, String.valueOf(random.nextBoolean() ? 128 + id % 9 : 64)),
        new Cell(id, Fields.GUARDED, random.nextInt(12) == 0 ? "yes" : ""),
        new Cell(id, Fields.ARTWORK, art));
  }

  private static Snapshot collection(Random random, int size) {
    List<Cell> cells = new ArrayList<>();
    for (int id = 1; id <= size; id++) {
      cells.addAll(track(random, id));
    }
    return derived(Snapshot.empty().with(cells));
  }

  private static Snapshot derived(Snapshot snapshot) {
    return Derived.refreshed(snapshot, Tracks.BOOK, snapshot.known());
  }

  private static Repairs inspected(Snapshot snapshot, Codebook book) {
    return Repairs.of(
        snapshot,
        book,
        RepairRules.DEFAULT,
        ExternalEvidence.none(Inspected.YEAR),
        Progress.SILENT);
  }

  @Seeded
  void whatWasMendedOnceIsMendedAndNothingMoreIsProposed(long block) {
    Seeds.each(
        block,
        25,
        random -> {
          Snapshot snapshot = collection(random, 40);
          for (RepairKind kind : RepairKind.values()) {
            List<Proposal> proposed = alone(kind, snapshot);
            Snapshot mended = Inspected.applied(snapshot, Tracks.BOOK, proposed);
            assertThat(alone(kind, mended)).as(kind + " after " + proposed).isEmpty();
          }
        });
  }

  /** What one kind proposes while all others are switched off. */
  private static List<Proposal> alone(RepairKind kind, Snapshot snapshot) {
    RepairRules rules = RepairRules.DEFAULT;
    for (RepairKind other : RepairKind.values()) {
      rules = other == kind ? rules : rules.switched(other, false);
    }
    return Repairs.of(
            snapshot, Tracks.BOOK, rules, ExternalEvidence.none(Inspected.YEAR), Progress.SILENT)
        .proposals();
  }

  @Seeded
  void followingAChangeGivesTheSameAsLookingAtAllAnew(long block) {
    Seeds.each(
        block,
        40,
        random -> {
          Snapshot snapshot = collection(random, 30);
          Repairs kept = inspected(snapshot, Tracks.BOOK);
          Codebook book = Tracks.BOOK;
          for (int step = 0; step < 8; step++) {
            RoaringBitmap changed = new RoaringBitmap();
            List<Cell> cells = new ArrayList<>();
            for (int i = 0; i <= random.nextInt(3); i++) {
              int id = 1 + random.nextInt(34);
              changed.add(id);
              cells.addAll(snapshot.known().contains(id) ? values(random, id) : track(random, id));
              cells.add(new Cell(id, Fields.STATE, random.nextInt(5) == 0 ? "lost" : "present"));
              cells.add(new Cell(id, Fields.LIFECYCLE, random.nextInt(6) == 0 ? "removed" : ""));
            }
            if (random.nextInt(4) == 0) {
              book = Tracks.BOOK.with(Genres.NONE.with(any(random, GENRES), "Hip Hop"));
            }
            snapshot = derived(snapshot.with(cells));
            kept.follow(
                snapshot,
                book,
                RepairRules.DEFAULT,
                ExternalEvidence.none(Inspected.YEAR),
                changed);
            assertThat(kept.proposals())
                .containsExactlyInAnyOrderElementsOf(inspected(snapshot, book).proposals());
          }
        });
  }

  @Test
  void oneEditIsLookedAtAlone() {
    Snapshot snapshot = collection(new Random(5), 400);
    Repairs kept = inspected(snapshot, Tracks.BOOK);
    Snapshot after = derived(snapshot.with(List.of(new Cell(7, Fields.LYRICS, "la"))));
    kept.follow(
        after,
        Tracks.BOOK,
        RepairRules.DEFAULT,
        ExternalEvidence.none(Inspected.YEAR),
        RoaringBitmap.bitmapOf(7));
    assertThat(kept.inspected()).isBetween(1L, 60L);
  }

  @Test
  void aKindCanBeSwitchedOffAndRefusedForATrack() {
    Snapshot snapshot =
        Tracks.none().with("title=COLD LAMPS ONE").with("title=COLD LAMPS TWO").snapshot();
    Repairs kept = inspected(snapshot, Tracks.BOOK);
    assertThat(kept.proposals()).hasSize(2);
    RepairRules one =
        RepairRules.DEFAULT.dismissing(RepairKind.CAPITALS, RoaringBitmap.bitmapOf(2), true);
    follow(kept, snapshot, one);
    assertThat(kept.proposals()).extracting(Proposal::id).containsExactly(1);
    follow(kept, snapshot, one.switched(RepairKind.CAPITALS, false));
    assertThat(kept.proposals()).isEmpty();
    follow(
        kept,
        snapshot,
        one.switched(RepairKind.CAPITALS, true)
            .dismissing(RepairKind.CAPITALS, RoaringBitmap.bitmapOf(2), false));
    assertThat(kept.proposals()).hasSize(2);
  }

  private static void follow(Repairs kept, Snapshot snapshot, RepairRules rules) {
    kept.follow(
        snapshot, Tracks.BOOK, rules, ExternalEvidence.none(Inspected.YEAR), new RoaringBitmap());
  }

  @Test
  void theListOfJunkIsTheDjs() {
    Snapshot snapshot = Tracks.none().with("title=Cold Lamps (tape hiss)").snapshot();
    Repairs kept = inspected(snapshot, Tracks.BOOK);
    assertThat(kept.proposals()).isEmpty();
    follow(kept, snapshot, RepairRules.DEFAULT.withJunk(List.of("tape hiss")));
    assertThat(kept.proposals())
        .singleElement()
        .extracting(Proposal::kind)
        .isEqualTo(RepairKind.JUNK);
  }

  @Test
  void aProposalSaysWhatItCloses() {
    Inspected seen =
        Inspected.of(
            Tracks.none()
                .with("artist=Varda Pell", "title=x")
                .with("title=Varda Pell - Cold Lamps"));
    assertThat(seen.of(RepairKind.ARTIST_IN_TITLE))
        .singleElement()
        .extracting(Proposal::closes)
        .isEqualTo(1);
    Field<?> field = Fields.TITLE;
    var edit = new tenterhook.core.change.Edit.SetField(1, field, "a", "b");
    assertThatThrownBy(() -> new Proposal(RepairKind.JUNK, "d", 2, List.of(edit), 90, "r"))
        .hasMessageContaining("its own track");
    assertThatThrownBy(() -> new Proposal(RepairKind.JUNK, "d", 1, List.of(edit), 101, "r"))
        .hasMessageContaining("0 to 100");
  }
}
