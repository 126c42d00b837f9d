package tenterhook.bench.window;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.CodebookJson;
import tenterhook.adapters.store.SmallCovers;
import tenterhook.adapters.store.Store;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;
import tenterhook.standins.synth.Cover;

/**
 * Pages through the wall of covers of 10,000 made-up albums, each of ten tracks with a picture of
 * its own, beside the table of the same list in the same run: for how long the toolkit's thread is
 * held, until all covers in sight are there, and what memory pictures take. The program is started
 * as its launcher does after a first sitting, which is driven here too. What the toolkit alone
 * takes to draw the wall, and for how long others hold this machine, stands beside it.
 *
 * <pre>java -Dglass.platform=Headless -Dprism.order=sw tenterhook.bench.window.LargeWall [albums]
 * </pre>
 */
public final class LargeWall {
  private static final String COLLECTION = "--collection";
  private static final int TRACKS = 10;
  private static final int DRAWN = 400;
  private static final int BATCH = 2_000;

  private LargeWall() {}

  /** Prints the figures. */
  public static void main(String[] args) throws Exception {
    Path folder = Files.createTempDirectory("wall");
    try {
      make(folder, args.length > 0 ? Integer.parseInt(args[0]) : 10_000);
      String learned = StartTimes.trained(WallWindow.class, COLLECTION, folder.toString());
      StartTimes.run(learned, WallWindow.class, COLLECTION, folder.toString());
    } finally {
      SafeFiles.removeTree(folder);
    }
  }

  private static void make(Path folder, int albums) throws Exception {
    Codebook codebook = DemoCollection.codebook();
    Random random = new Random(23);
    List<byte[]> pictures = new ArrayList<>();
    for (int i = 0; i < DRAWN; i++) {
      pictures.add(Cover.draw(i, 192, "jpg"));
    }
    Snapshot snapshot = Snapshot.empty();
    Store store = Store.open(folder);
    store.putDocument("codebook", CodebookJson.write(codebook));
    RoaringBitmap ids = new RoaringBitmap();
    List<Cell> cells = new ArrayList<>();
    try (SmallCovers small = new SmallCovers(folder)) {
      for (int album = 0; album < albums; album++) {
        String sha256 = sha256(random);
        small.put(sha256, pictures.get(album % DRAWN));
        for (int i = 1; i <= TRACKS; i++) {
          int id = album * TRACKS + i;
          ids.add(id);
          track(id, album, i, new Artwork(sha256, 600, 600, 90_000, "image/jpeg"), cells);
        }
        if (cells.size() > BATCH || album == albums - 1) {
          store.put(cells);
          snapshot = snapshot.with(cells);
          cells.clear();
        }
      }
    }
    store.close(Derived.refreshed(snapshot, codebook, ids));
  }

  private static void track(int id, int album, int number, Artwork art, List<Cell> cells) {
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(
        new Cell(
            id, Fields.PATH, "Artist " + album / 3 + "/Album " + album + "/" + number + ".mp3"));
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.ARTIST, "Artist " + album / 3));
    cells.add(new Cell(id, Fields.ALBUM, "Album with a name that is long " + album));
    cells.add(new Cell(id, Fields.TITLE, "Title " + id));
    cells.add(new Cell(id, Fields.YEAR, String.valueOf(1960 + album % 60)));
    cells.add(new Cell(id, Fields.TRACK_TOTAL, String.valueOf(TRACKS)));
    cells.add(new Cell(id, Fields.ARTWORK, art.raw()));
  }

  private static String sha256(Random random) {
    byte[] bytes = new byte[32];
    random.nextBytes(bytes);
    return HexFormat.of().formatHex(bytes);
  }
}
