package tenterhook.bench.window;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Locale;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.bench.LargeMusic;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.job.Progress;
import tenterhook.standins.demo.DemoCollection;

/**
 * Drives the real window with a large collection in it and prints for how long the toolkit's thread
 * was held by each act; and from the start of a process to a filled Weave, beside an empty window.
 * The program is started as its launcher does after a first sitting, which is driven here too. The
 * collection is made, with its music, when it is not there. Headless with {@code
 * -Dglass.platform=Headless -Dprism.order=sw}, and in a real window without.
 *
 * <pre>java tenterhook.bench.window.LargeWindow FOLDER [files]</pre>
 *
 * With {@code soak} in place of the files it is left to random acts for {@code -Dsoak.minutes=30}.
 */
public final class LargeWindow {
  private static final String COLLECTION = "--collection";

  private LargeWindow() {}

  /** Prints the figures. */
  public static void main(String[] args) throws Exception {
    Path folder = Path.of(args[0]).toAbsolutePath();
    Path collection = folder.resolve("collection");
    boolean soak = args.length > 1 && args[1].equals("soak");
    if (!Files.exists(collection)) {
      make(folder, args.length > 1 && !soak ? Integer.parseInt(args[1]) : 100_000);
    }
    String learned = StartTimes.trained(DrivenWindow.class, COLLECTION, collection.toString());
    if (soak) {
      StartTimes.run(learned, SoakedWindow.class, COLLECTION, collection.toString());
      return;
    }
    startTimes(learned, collection);
    StartTimes.run(learned, DrivenWindow.class, COLLECTION, collection.toString());
  }

  private static void startTimes(String learned, Path collection) throws Exception {
    double plain = StartTimes.of(StartTimes.PLAIN, EmptyWindow.class);
    double empty = StartTimes.of(StartTimes.trained(EmptyWindow.class), EmptyWindow.class);
    double filled = StartTimes.of(learned, FilledWindow.class, COLLECTION, collection.toString());
    System.out.printf(
        Locale.ROOT,
        "start to a filled Weave %.2f s; an empty window %.2f s (%.1f times), with its classes kept"
            + " ready too %.2f s (%.1f times)%n",
        filled,
        plain,
        filled / plain,
        empty,
        filled / empty);
  }

  private static void make(Path folder, int files) throws Exception {
    Path music = folder.resolve("music");
    if (!Files.exists(music)) {
      LargeMusic.make(music, files, 17);
    }
    try (MusicCollection made =
        MusicCollection.open(folder.resolve("collection"), InstantSource.system())) {
      made.apply(
          new Change(
              "legend",
              true,
              List.of(new Edit.SetCodebook(made.state().codebook(), DemoCollection.codebook()))),
          Progress.SILENT);
      long start = System.nanoTime();
      made.scan(music, Progress.SILENT);
      System.out.printf(
          Locale.ROOT,
          "first scan of %,d tracks: %.1f s%n",
          made.state().snapshot().count(),
          HeldToolkit.millis(start) / 1e3);
    }
  }
}
