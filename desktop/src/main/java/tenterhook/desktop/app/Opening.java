package tenterhook.desktop.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.DataFolder;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.core.job.Progress;
import tenterhook.desktop.weave.WeaveModel;

/**
 * Opens the collection that the program was started for, and counts its holes, beside the toolkit,
 * which takes as long to start.
 */
public final class Opening implements Progress {
  private static final String COLLECTION = "--collection";
  private static @Nullable Opening begun;

  private final CompletableFuture<Opened> result;
  private volatile OpeningProgress at = new OpeningProgress(0, 0, "");

  /**
   * What was opened.
   *
   * @param collection to be closed at the end
   * @param weave its holes
   */
  record Opened(MusicCollection collection, WeaveModel weave) {}

  /** How far it is. */
  record OpeningProgress(long done, long total, String what) {}

  private Opening(List<String> words, boolean demo) {
    this.result = new CompletableFuture<>();
    Thread.ofPlatform().daemon().name("opening").start(() -> open(words, demo));
  }

  /**
   * Begins before the toolkit is started.
   *
   * @param args of the program
   */
  public static void begin(String... args) {
    List<String> words = List.of(args);
    begun = new Opening(words, isDemo(words));
  }

  /** What was begun before, or begins now. */
  static Opening of(List<String> words, boolean demo) {
    Opening before = begun;
    return before == null ? new Opening(words, demo) : before;
  }

  /** Whether the demo is asked for. */
  static boolean isDemo(List<String> args) {
    return plain(args).stream().findFirst().filter("demo"::equals).isPresent();
  }

  /** The words of the call that are no options. */
  static List<String> plain(List<String> args) {
    List<String> words = new ArrayList<>(args);
    int option = words.indexOf(COLLECTION);
    if (option >= 0) {
      words.subList(option, Math.min(words.size(), option + 2)).clear();
    }
    words.removeIf(w -> w.startsWith("--"));
    return words;
  }

  private void open(List<String> words, boolean demo) {
    try {
      MusicCollection collection = collection(words, demo);
      result.complete(new Opened(collection, new WeaveModel(collection)));
    } catch (CollectionRefused | IOException | RuntimeException | Error trouble) {
      result.completeExceptionally(trouble);
    }
  }

  private MusicCollection collection(List<String> words, boolean demo)
      throws IOException, CollectionRefused {
    int option = words.indexOf(COLLECTION);
    if (demo) {
      Path folder =
          option >= 0 ? Path.of(words.get(option + 1)) : DataFolder.ofUser().resolve("demo");
      return StandIns.demo(folder, this);
    }
    Path folder = option >= 0 ? Path.of(words.get(option + 1)) : DataFolder.ofUser();
    return MusicCollection.open(folder, InstantSource.system());
  }

  /** What comes of it; fails with what went wrong. */
  CompletableFuture<Opened> result() {
    return result;
  }

  /** For an end before the frame was shown: what is open already is closed in good order. */
  void closeIfOpened() {
    if (result.isDone() && !result.isCompletedExceptionally()) {
      result.join().collection().close();
    }
  }

  /** What went wrong itself. */
  static Throwable cause(Throwable trouble) {
    return trouble instanceof CompletionException && trouble.getCause() != null
        ? trouble.getCause()
        : trouble;
  }

  /** How far it is. */
  OpeningProgress at() {
    return at;
  }

  @Override
  public void at(long done, long total, String what) {
    at = new OpeningProgress(done, total, what);
  }

  @Override
  public boolean stopped() {
    return false;
  }
}
