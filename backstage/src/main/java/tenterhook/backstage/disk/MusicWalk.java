package tenterhook.backstage.disk;

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
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;

/**
 * Lists the music files below a folder. Links are named but not followed, so no circle can trap it.
 */
public final class MusicWalk {
  private static final Pattern PLAYLIST =
      Pattern.compile("\\.(m3u8?|xspf|jspf)$", Pattern.CASE_INSENSITIVE);

  private MusicWalk() {}

  /**
   * A file found.
   *
   * @param path absolute
   * @param size in bytes
   * @param modified milliseconds since 1970
   */
  public record Found(Path path, long size, long modified) {}

  /**
   * What a walk found.
   *
   * @param files in the order of their paths
   * @param playlists playlist files, in the order of their paths
   * @param empty folders in which no file lies, nor in any folder below; the highest of each
   * @param issues what could not be looked at, and why
   * @param complete false when it was stopped
   */
  public record Result(
      List<Found> files,
      List<Path> playlists,
      List<Path> empty,
      List<Refusal> issues,
      boolean complete) {
    /** Copies. */
    public Result {
      files = List.copyOf(files);
      playlists = List.copyOf(playlists);
      empty = List.copyOf(empty);
      issues = List.copyOf(issues);
    }
  }

  /**
   * A single file.
   *
   * @throws IOException when it cannot be looked at
   */
  public static Found found(Path file) throws IOException {
    BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
    return new Found(file, attributes.size(), attributes.lastModifiedTime().toMillis());
  }

  /** Whether a file's name says that it holds music. */
  public static boolean music(Path file) {
    String name = file.getFileName() == null ? "" : file.getFileName().toString();
    return TagFiles.ENDINGS.contains(TagFiles.ending(name)) && !name.startsWith(".");
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
        visitor.files, visitor.playlists, visitor.empty, visitor.issues, !progress.stopped());
  }

  private static final class Visitor extends SimpleFileVisitor<Path> {
    private final Progress progress;
    private final List<Found> files = new ArrayList<>();
    private final List<Path> playlists = new ArrayList<>();
    private final List<Path> empty = new ArrayList<>();
    private final List<Refusal> issues = new ArrayList<>();
    private final Deque<Boolean> holdsFiles = new ArrayDeque<>();

    Visitor(Progress progress) {
      this.progress = progress;
    }

    @Override
    public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes) {
      progress.at(files.size(), -1, dir.toString());
      boolean ours =
          dir.getFileName() != null && dir.getFileName().toString().equals(SafeFiles.WORKROOM);
      if (progress.stopped() || ours) {
        return ours ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.TERMINATE;
      }
      holdsFiles.push(false);
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult postVisitDirectory(Path dir, @Nullable IOException trouble) {
      boolean holds = holdsFiles.pop() || trouble != null;
      if (holds) {
        holds();
      } else if (!holdsFiles.isEmpty()) {
        empty.removeIf(e -> e.startsWith(dir));
        empty.add(dir);
      }
      return FileVisitResult.CONTINUE;
    }

    private void holds() {
      if (!holdsFiles.isEmpty() && !holdsFiles.peek()) {
        holdsFiles.pop();
        holdsFiles.push(true);
      }
    }

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      boolean music = music(file);
      holds();
      if (PLAYLIST.matcher(file.toString()).find() && attributes.isRegularFile()) {
        playlists.add(file);
      }
      if (attributes.isSymbolicLink()) {
        boolean folder = Files.isDirectory(file);
        if (music || folder) {
          issues.add(
              new Refusal(0, file.toString(), "a link, not followed; scan what it leads to"));
        }
      } else if (music && attributes.isRegularFile()) {
        files.add(new Found(file, attributes.size(), attributes.lastModifiedTime().toMillis()));
      }
      return FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult visitFileFailed(Path file, IOException trouble) {
      holds();
      issues.add(
          new Refusal(
              0, file.toString(), "cannot be opened: " + trouble.getClass().getSimpleName()));
      return FileVisitResult.CONTINUE;
    }
  }
}
