package tenterhook.adapters.disk;

import io.methvin.watcher.DirectoryChangeEvent;
import io.methvin.watcher.DirectoryChangeEvent.EventType;
import io.methvin.watcher.DirectoryChangeListener;
import io.methvin.watcher.DirectoryWatcher;
import io.methvin.watcher.visitor.FileTreeVisitor;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.helpers.NOPLogger;

/**
 * Watches folders, and tells which of them something happened in, once it has been quiet for a
 * moment: a copy that is still going on is not told half done. What the program wrote itself is not
 * told.
 */
public final class FolderWatch implements AutoCloseable {
  private final Duration quiet;
  private final Consumer<Set<Path>> onChange;
  private final Consumer<Throwable> onTrouble;
  private final DirectoryWatcher watcher;
  private final Set<Path> touched = new TreeSet<>();
  private final ScheduledExecutorService teller =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().daemon().name("watch").factory());
  private Future<?> telling = teller.submit(() -> {});

  /**
   * Begins to watch folders and all below them.
   *
   * @param roots folders to watch; one that cannot be read is passed by
   * @param quiet how long nothing must happen before it is told
   * @param onChange gets the folders in which something happened, on the watch's own thread
   * @param onTrouble gets what it throws
   * @throws IOException when this system cannot watch folders, or not so many
   */
  public FolderWatch(
      Iterable<Path> roots,
      Duration quiet,
      Consumer<Set<Path>> onChange,
      Consumer<Throwable> onTrouble)
      throws IOException {
    this(roots, FolderWatch::allBelow, quiet, onChange, onTrouble);
  }

  private FolderWatch(
      Iterable<Path> roots,
      FileTreeVisitor visitor,
      Duration quiet,
      Consumer<Set<Path>> onChange,
      Consumer<Throwable> onTrouble)
      throws IOException {
    this.quiet = quiet;
    this.onChange = onChange;
    this.onTrouble = onTrouble;
    List<Path> folders = new ArrayList<>();
    roots.forEach(root -> folders.add(root.toAbsolutePath()));
    folders.removeIf(folder -> !Files.isDirectory(folder));
    this.watcher =
        DirectoryWatcher.builder()
            .paths(folders)
            .listener(new Listener())
            .fileHashing(false)
            .fileTreeVisitor(visitor)
            .logger(NOPLogger.NOP_LOGGER)
            .build();
    begin();
  }

  /**
   * Watches single folders, without what is below them.
   *
   * @param folders those that are not there are passed by
   * @throws IOException when this system cannot watch folders
   */
  public static FolderWatch of(
      List<Path> folders,
      Duration quiet,
      Consumer<Set<Path>> onChange,
      Consumer<Throwable> onTrouble)
      throws IOException {
    return new FolderWatch(
        folders, (folder, onFolder, onFile) -> onFolder.call(folder), quiet, onChange, onTrouble);
  }

  private void begin() throws IOException {
    var ended =
        watcher.watchAsync(work -> Thread.ofPlatform().daemon().name("watcher").start(work));
    if (ended.isCompletedExceptionally()) {
      close();
      try {
        ended.join();
      } catch (CompletionException refused) {
        throw refused.getCause() instanceof UncheckedIOException trouble
            ? trouble.getCause()
            : new IOException("folders cannot be watched", refused.getCause());
      }
    }
  }

  /** All folders below one, but for the program's own work rooms and what cannot be read. */
  private static void allBelow(
      Path start, FileTreeVisitor.Callback onFolder, FileTreeVisitor.Callback onFile)
      throws IOException {
    Files.walkFileTree(
        start,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes)
              throws IOException {
            if (SafeFiles.isRoom(folder)) {
              return FileVisitResult.SKIP_SUBTREE;
            }
            onFolder.call(folder);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            onFile.call(file);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFileFailed(Path file, IOException trouble) {
            return FileVisitResult.CONTINUE;
          }
        });
  }

  private final class Listener implements DirectoryChangeListener {
    @Override
    public void onEvent(DirectoryChangeEvent event) {
      if (event.eventType() == EventType.OVERFLOW) {
        touch(event.rootPath()); // more happened than could be told: all of it is looked at
      } else if (!SafeFiles.isRoom(event.path()) && !OwnWrites.asLeft(event.path())) {
        touch(event.path().getParent());
        if (event.isDirectory()) {
          touch(event.path());
        }
      }
    }

    /** A new folder that cannot be watched, or read: the rest is watched all the same. */
    @Override
    public void onException(Exception trouble) {
      onTrouble.accept(trouble);
    }
  }

  private synchronized void touch(Path folder) {
    touched.add(folder);
    telling.cancel(false);
    if (!teller.isShutdown()) {
      telling = teller.schedule(this::tell, quiet.toMillis(), TimeUnit.MILLISECONDS);
    }
  }

  /** Who is told may fail; the watch goes on, and tells of what happens next. */
  private void tell() {
    try {
      onChange.accept(taken());
    } catch (RuntimeException | Error broken) {
      onTrouble.accept(broken);
    }
  }

  private synchronized Set<Path> taken() {
    Set<Path> all = Set.copyOf(touched);
    touched.clear();
    return all;
  }

  @Override
  public void close() throws IOException {
    teller.shutdownNow();
    watcher.close();
  }
}
