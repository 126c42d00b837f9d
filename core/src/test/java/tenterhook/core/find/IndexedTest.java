package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** A column that is asked again answers from an index; the answer must not tell. */
class IndexedTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final List<String> TEXTS =
      List.of(
          "year:1980..1994",
          "missing:year",
          "genre:ska",
          "genre:~\"s k a\"",
          "not bpm:100..",
          "code:SKA&80S",
          "present:era",
          "artist:=a",
          "beat:60..70",
          "title:lap or missing:genre");

  @Seeded
  void theSecondAnswerIsTheFirstAndThatOfEachTrackAlone(long block) {
    Seeds.each(
        block,
        60,
        random -> {
          Tracks tracks = Tracks.none();
          int count = 70 + random.nextInt(60);
          for (int i = 0; i < count; i++) {
            tracks.with(values(random));
          }
          Snapshot now = tracks.snapshot();
          for (int edit = 0; edit < 3; edit++) {
            Finder finder = new Finder(now, Tracks.BOOK, NamedLists.NONE, TODAY);
            for (String text : TEXTS) {
              Query query = ((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query();
              RoaringBitmap first = finder.find(query);
              RoaringBitmap second = finder.find(query);
              assertThat(second).as(text).isEqualTo(first);
              now.tracks()
                  .forEach(
                      (int id) ->
                          assertThat(finder.holds(query, id))
                              .as(text + " " + id)
                              .isEqualTo(first.contains(id)));
            }
            now = edited(now, random, count);
          }
        });
  }

  private static String[] values(Random random) {
    return new String[] {
      "artist=" + List.of("A", "B", "").get(random.nextInt(3)),
      "title=" + List.of("Last Lap", "Deck", "").get(random.nextInt(3)),
      "genre=" + List.of("Ska", "S-K-A", "Dub", "").get(random.nextInt(4)),
      "year=" + List.of("1979", "1984", "1994", "", "0").get(random.nextInt(5)),
      "bpm=" + List.of("65", "131.5", "99.9", "").get(random.nextInt(4)),
      "comment=" + List.of("", "/SKA/", "/80S/SKA/", "/90S/ELC/").get(random.nextInt(4))
    };
  }

  /** Some tracks change, one is new, far behind the last. */
  private static Snapshot edited(Snapshot now, Random random, int count) {
    RoaringBitmap changed = new RoaringBitmap();
    List<Cell> cells = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      int id = 1 + random.nextInt(count);
      changed.add(id);
      cells.add(new Cell(id, Fields.COMMENT, random.nextBoolean() ? "/ELC/" : ""));
      cells.add(new Cell(id, Fields.YEAR, random.nextBoolean() ? "1984" : ""));
    }
    int far = 1024 * (1 + random.nextInt(3)) + random.nextInt(40);
    changed.add(far);
    cells.add(new Cell(far, Fields.STATE, "present"));
    cells.add(new Cell(far, Fields.ROOT, "Music"));
    cells.add(new Cell(far, Fields.PATH, "far.mp3"));
    return Derived.refreshed(now.with(cells), Tracks.BOOK, changed);
  }
}
