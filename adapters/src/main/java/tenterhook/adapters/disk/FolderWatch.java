package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.file.ClosedWatchServiceException;
import java.nio.file.FileSystems;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardWatchEventKinds;
import java.nio.file.WatchEvent;
import java.nio.file.WatchKey;
import java.nio.file.WatchService;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/**
 * Watches folders and all below them, and tells which of them something happened in, once it has
 * been quiet for a moment: a copy that is still going on is not told half done.
 */
public final class FolderWatch implements AutoCloseable {
  private final WatchService service;
  private final Duration quiet;
  private final Consumer<Set<Path>> onChange;
  private final Consumer<Throwable> onTrouble;
  private final Map<WatchKey, Path> folders = new ConcurrentHashMap<>();
  private final Thread thread;

  /**
   * Begins to watch.
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
    this.service = FileSystems.getDefault().newWatchService();
    this.quiet = quiet;
    this.onChange = onChange;
    this.onTrouble = onTrouble;
    try {
      for (Path root : roots) {
        register(root);
      }
    } catch (IOException | RuntimeException trouble) {
      service.close();
      throw trouble;
    }
    this.thread = Thread.ofPlatform().daemon().name("watch").start(this::run);
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
    FolderWatch watch = new FolderWatch(List.of(), quiet, onChange, onTrouble);
    for (Path folder : folders) {
      if (Files.isDirectory(folder)) {
        watch.watch(folder);
      }
    }
    return watch;
  }

  private void watch(Path dir) throws IOException {
    WatchKey key =
        dir.register(
            service,
            StandardWatchEventKinds.ENTRY_CREATE,
            StandardWatchEventKinds.ENTRY_DELETE,
            StandardWatchEventKinds.ENTRY_MODIFY);
    folders.put(key, dir);
  }

  private void register(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) {
      return;
    }
    Files.walkFileTree(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes)
              throws IOException {
            if (ours(dir)) {
              return FileVisitResult.SKIP_SUBTREE;
            }
            watch(dir);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFileFailed(Path file, IOException trouble) {
            return FileVisitResult.CONTINUE;
          }
        });
  }

  private static boolean ours(Path path) {
    return SafeFiles.isRoom(path);
  }

  private void run() {
    Set<Path> touched = new TreeSet<>();
    try {
      while (true) {
        WatchKey key =
            touched.isEmpty()
                ? service.take()
                : service.poll(quiet.toMillis(), TimeUnit.MILLISECONDS);
        if (key == null) {
          Set<Path> told = Set.copyOf(touched);
          touched.clear();
          tell(told);
        } else {
          take(key, touched);
        }
      }
    } catch (InterruptedException | ClosedWatchServiceException ended) {
      Thread.currentThread().interrupt();
    }
  }

  /** Who is told may fail; the watch goes on, and what it holds is told anew at the next event. */
  private void tell(Set<Path> folders) {
    try {
      onChange.accept(folders);
    } catch (RuntimeException | Error broken) {
      onTrouble.accept(broken);
    }
  }

  private void take(WatchKey key, Set<Path> touched) {
    Path folder = folders.get(key);
    for (WatchEvent<?> event : key.pollEvents()) {
      if (folder != null && event.kind() == StandardWatchEventKinds.OVERFLOW) {
        touched.add(folder); // more happened than could be told: all of it is looked at
      } else if (folder != null
          && event.context() instanceof Path name
          && !ours(name)
          && !OwnWrites.asLeft(folder.resolve(name))) {
        touched.add(folder);
        follow(folder.resolve(name), touched);
      }
    }
    if (!key.reset()) {
      folders.remove(key);
    }
  }

  /** A folder that is new is watched too; it may hold files already. */
  private void follow(Path child, Set<Path> touched) {
    if (Files.isDirectory(child) && !folders.containsValue(child)) {
      try {
        register(child);
        touched.add(child);
      } catch (IOException full) {
        touched.add(child); // not watched from now on, but told this once
      }
    }
  }

  @Override
  public void close() throws IOException {
    service.close();
    thread.interrupt();
  }
}
