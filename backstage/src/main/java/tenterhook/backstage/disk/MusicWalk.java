package tenterhook.backstage.disk;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;

/**
 * Lists the music files below a folder. Links are named but not followed, so no circle can trap it.
 */
public final class MusicWalk {
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
   * @param issues what could not be looked at, and why
   * @param complete false when it was stopped
   */
  public record Result(List<Found> files, List<Refusal> issues, boolean complete) {
    /** Copies. */
    public Result {
      files = List.copyOf(files);
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
    return new Result(visitor.files, visitor.issues, !progress.stopped());
  }

  private static final class Visitor extends SimpleFileVisitor<Path> {
    private final Progress progress;
    private final List<Found> files = new ArrayList<>();
    private final List<Refusal> issues = new ArrayList<>();

    Visitor(Progress progress) {
      this.progress = progress;
    }

    @Override
    public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes) {
      progress.at(files.size(), -1, dir.toString());
      boolean ours =
          dir.getFileName() != null && dir.getFileName().toString().equals(SafeFiles.WORKROOM);
      return progress.stopped()
          ? FileVisitResult.TERMINATE
          : ours ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
    }

    @Override
    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
      boolean music = music(file);
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
      issues.add(
          new Refusal(
              0, file.toString(), "cannot be opened: " + trouble.getClass().getSimpleName()));
      return FileVisitResult.CONTINUE;
    }
  }
}
