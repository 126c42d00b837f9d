package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;

/**
 * Lists the music files below a folder. Links are named but not followed, so no circle can trap it.
 */
public final class MusicWalk {
  private static final Pattern PLAYLIST =
      Pattern.compile("\\.(m3u8?|xspf|jspf)$", Pattern.CASE_INSENSITIVE);

  /** The folder in a collection's folder that holds what was put aside. */
  public static final String HOLDING_BAY = "holding bay";

  private MusicWalk() {}

  /**
   * A file found.
   *
   * @param path absolute
   * @param size in bytes
   * @param modified milliseconds since 1970
   * @param key which file of its disk it is, whatever its name; null where the system does not tell
   */
  public record Found(Path path, long size, long modified, @Nullable Object key) {
    static Found of(Path path, BasicFileAttributes attributes) {
      return new Found(
          path, attributes.size(), attributes.lastModifiedTime().toMillis(), attributes.fileKey());
    }
  }

  /**
   * What a walk found.
   *
   * @param files in the order of their paths
   * @param playlists playlist files, in the order of their paths
   * @param empty folders in which no file lies, nor in any folder below; the highest of each
   * @param issues what could not be looked at, and why
   * @param unread files and folders that may hold more than was seen: of what is below them nothing
   *     is known
   * @param complete false when it was stopped
   */
  public record Result(
      List<Found> files,
      List<Path> playlists,
      List<Path> empty,
      List<Refusal> issues,
      List<Path> unread,
      boolean complete) {
    /** Copies. */
    public Result {
      files = List.copyOf(files);
      playlists = List.copyOf(playlists);
      empty = List.copyOf(empty);
      issues = List.copyOf(issues);
      unread = List.copyOf(unread);
    }
  }

  /**
   * A single file.
   *
   * @throws IOException when it cannot be looked at
   */
  public static Found found(Path file) throws IOException {
    BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
    return Found.of(file, attributes);
  }

  /**
   * Walks a folder.
   *
   * @param folder where to begin
   * @param progress told of every folder; asked whether to stop
   * @throws IOException when the folder itself cannot be read
   */
  public static Result walk(Path folder, Progress progress) throws IOException {
    Visitor visitor = new Visitor(progress);
    Files.walkFileTree(folder, visitor);
    visitor.files.sort(Comparator.comparing(Found::path));
    visitor.playlists.sort(Comparator.naturalOrder());
    visitor.empty.sort(Comparator.naturalOrder());
    return new Result(
        visitor.files,
        visitor.playlists,
        visitor.empty,
        visitor.issues,
        visitor.unread,
        !progress.stopped());
  }

  private static final class Visitor extends SimpleFileVisitor<Path> {
    private final Progress progress;
    private final List<Found> files = new ArrayList<>();
    private final List<Path> playlists = new ArrayList<>();
    private final List<Path> empty = new ArrayList<>();
    private final List<Refusal> issues = new ArrayList<>();
    private final List<Path> unread = new ArrayList<>();
    private final Deque<Boolean> holdsFiles = new ArrayDeque<>();

    Visitor(Progress progress) {
      this.progress = progress;
    }

    @Override
    public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes) {
      progress.at(files.size(), -1, dir.toString());
      boolean ours = SafeFiles.isRoom(dir) || isHoldingBay(dir);
      if (progress.stopped() || ours) {
        return ours ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.TERMINATE;
      }
      holdsFiles.push(false);
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult postVisitDirectory(Path dir, @Nullable IOException trouble) {
      boolean holds = holdsFiles.pop() || trouble != null;
      if (trouble != null) {
        unread(dir, "could not be read to its end: " + reason(trouble));
      }
      if (holds) {
        holds();
      } else if (!holdsFiles.isEmpty()) {
        empty.removeIf(e -> e.startsWith(dir));
        empty.add(dir);
      }
      return FileVisitResult.CONTINUE;
    }

    /** What a collection put aside is no music of a folder that happens to hold the collection. */
    private static boolean isHoldingBay(Path dir) {
      return dir.getFileName() != null
          && dir.getFileName().toString().equals(HOLDING_BAY)
          && Files.exists(dir.resolveSibling("collection.lock"));
    }

    private void holds() {
      if (!holdsFiles.isEmpty() && !holdsFiles.peek()) {
        holdsFiles.pop();
        holdsFiles.push(true);
      }
    }

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      boolean music = FileExtensions.isMusic(file);
      holds();
      if (PLAYLIST.matcher(file.toString()).find() && attributes.isRegularFile()) {
        playlists.add(file);
      }
      take(file, attributes, music);
      return FileVisitResult.CONTINUE;
    }

    private void take(Path file, BasicFileAttributes attributes, boolean music) {
      if (attributes.isSymbolicLink()) {
        boolean folder = Files.isDirectory(file);
        if (music || folder) {
          issues.add(
              new Refusal(0, file.toString(), "a link, not followed; scan what it leads to"));
        }
      } else if (music && attributes.isRegularFile()) {
        take(file, attributes);
      }
    }

    private void take(Path file, BasicFileAttributes attributes) {
      if (RelativePaths.lasting(file)) {
        files.add(Found.of(file, attributes));
      } else {
        unread(
            file.getParent(),
            "holds a file whose name is no text in this system's encoding ("
                + file.getFileName()
                + "); rename it");
      }
    }

    @Override
    public FileVisitResult visitFileFailed(Path file, IOException trouble) {
      holds();
      unread(file, "cannot be opened: " + reason(trouble));
      return FileVisitResult.CONTINUE;
    }

    private void unread(Path path, String reason) {
      unread.add(path);
      issues.add(new Refusal(0, path.toString(), reason));
    }

    private static String reason(IOException trouble) {
      return trouble instanceof java.nio.file.AccessDeniedException
          ? "you may not read it"
          : trouble.getClass().getSimpleName();
    }
  }
}
