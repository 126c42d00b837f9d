package tenterhook.core.place;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;

class FolderTreeTest {
  private static final String[] ROOTS = {"Music", "Stick"};
  private static final String[] FOLDERS = {
    "", "Rink", "Rink/Doors", "Rink/doors", "Rink/Doors/Old", "Rinks", "Ferry/Nächte", "夜"
  };

  private static Snapshot random(Random random) {
    Tracks tracks = Tracks.none();
    for (int id = 1 + random.nextInt(60); id > 0; id--) {
      String folder = Seeds.any(random, FOLDERS);
      tracks.with(
          "root=" + Seeds.any(random, ROOTS),
          "path=" + (folder.isEmpty() ? "" : folder + "/") + id + ".mp3",
          "year=" + Seeds.any(random, "", "1987"),
          "artist=" + Seeds.any(random, "", "Pewter Wren"),
          "comment=" + Seeds.any(random, "", "/80S/SKA/"));
    }
    return tracks.snapshot();
  }

  @Seeded
  void everyFolderHasWhatIsAskedForByItsPlace(long block) {
    Seeds.each(
        block,
        100,
        r -> {
          Snapshot snapshot = random(r);
          Finder finder =
              new Finder(snapshot, Tracks.BOOK, NamedLists.NONE, LocalDate.of(2026, 11, 23));
          FolderTree tree = FolderTree.of(snapshot, Tracks.BOOK);
          assertThat(tree.roots().stream().mapToInt(FolderTree.Folder::tracks).sum())
              .isEqualTo(snapshot.count());
          tree.roots().forEach(f -> check(f, snapshot, finder));
        });
  }

  private static void check(FolderTree.Folder folder, Snapshot snapshot, Finder finder) {
    String below = folder.place().path();
    int tracks = 0;
    int holes = 0;
    List<WeaveColumn> columns = WeaveColumn.all(Tracks.BOOK);
    for (int id : snapshot.tracks()) {
      String in = snapshot.raw(id, Fields.FOLDER);
      boolean here =
          snapshot.raw(id, Fields.ROOT).equals(folder.place().root())
              && (below.isEmpty() || in.equals(below) || in.startsWith(below + "/"));
      if (here) {
        tracks++;
        int track = id;
        holes +=
            (int) columns.stream().filter(c -> c.holes(snapshot, Tracks.BOOK).test(track)).count();
      }
    }
    assertThat(folder.tracks()).as(folder.place().whole()).isEqualTo(tracks);
    assertThat(folder.whole())
        .isCloseTo(1 - holes / (double) (tracks * columns.size()), within(1e-9));
    int found = finder.find(folder.place().query()).getCardinality();
    if (below.toLowerCase(java.util.Locale.ROOT).contains("doors")) {
      assertThat(found).as("upper and lower case alike").isGreaterThanOrEqualTo(tracks);
    } else {
      assertThat(found).isEqualTo(tracks);
    }
    folder.folders().forEach(f -> check(f, snapshot, finder));
  }

  @Test
  void placesAreReadAsTheyWereWritten() {
    List<Place> places = List.of(new Place("Music", ""), new Place("Music", "Rink/Doors"));
    assertThat(Place.read(Place.write(places))).isEqualTo(places);
    assertThat(Place.read("")).isEmpty();
    assertThat(Place.read("a\tb\tc\nMusic\tRink")).containsExactly(new Place("Music", "Rink"));
    assertThat(places.get(1).name()).isEqualTo("Doors");
    assertThat(places.get(0).name()).isEqualTo("Music");
  }
}
