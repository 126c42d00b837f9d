package tenterhook.desktop.shell;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import javafx.application.Platform;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.ScanReport;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.FolderWatch;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.job.Progress;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Frame;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/**
 * What comes in from outside: scans that were asked for, files that are dropped, watched folders.
 */
public final class Arriving implements AutoCloseable {
  private static final Duration QUIET = Duration.ofSeconds(2);

  private final Workspace workspace;
  private final Frame frame;
  private volatile @Nullable FolderWatch watch;
  private Set<Path> watched = Set.of();
  private @Nullable FolderWatch plainFiles;

  Arriving(Workspace workspace, Frame frame) {
    this.workspace = workspace;
    this.frame = frame;
  }

  /** Brings a folder in or up to date as a job. */
  public void scan(Path folder) {
    workspace.independentJob(
        Words.of("job.scan", String.valueOf(folder.getFileName())),
        p -> scanned(folder, p),
        this::told);
  }

  /** Reads files again, as a job, that were read before the program knew all of its fields. */
  void catchUp() {
    workspace.latestOnly(
        this,
        () -> workspace.collection().disks().behind().getCardinality(),
        behind -> {
          if (behind > 0) {
            workspace.independentJob(
                Words.of("job.catchUp", behind),
                p -> workspace.collection().disks().catchUp(p),
                read -> frame.inform(Words.of("told.caughtUp", read), false, 0));
          }
        });
  }

  private ScanReport scanned(Path folder, Progress progress) throws IOException {
    ScanReport report = workspace.collection().scan(folder, progress);
    workspace.collection().compareCopies(progress);
    return report;
  }

  private void told(ScanReport r) {
    watch();
    String words = Words.of("told.scan", r.files(), r.added(), r.changed(), r.lost(), r.returned());
    if (r.issues().isEmpty()) {
      frame.inform(words, false, 0);
    } else {
      Refusal first = r.issues().getFirst();
      frame.inform(
          Words.of("told.scanIssues", words, r.issues().size(), first.path(), first.reason()),
          true,
          0);
    }
  }

  /** Accepts a drag of files. */
  void over(DragEvent event) {
    if (event.getDragboard().hasFiles()) {
      event.acceptTransferModes(TransferMode.COPY, TransferMode.LINK);
      event.consume();
    }
  }

  /** Brings dropped files and folders in. */
  void dropped(DragEvent event) {
    if (event.getDragboard().hasFiles()) {
      bring(event.getDragboard().getFiles().stream().map(File::toPath).toList());
      event.setDropCompleted(true);
      event.consume();
    }
  }

  /**
   * Brings files and folders in where they are; nothing is moved. Single files bring in only
   * themselves.
   */
  public void bring(List<Path> paths) {
    Map<Path, List<Path>> files = new TreeMap<>();
    List<Path> folders = new ArrayList<>();
    for (Path path : paths) {
      if (Files.isDirectory(path)) {
        folders.add(path);
      } else if (FileExtensions.isMusic(path)) {
        files.computeIfAbsent(path.toAbsolutePath().getParent(), f -> new ArrayList<>()).add(path);
      }
    }
    if (files.isEmpty() && folders.isEmpty()) {
      frame.inform(Words.of("bring.none"), true, 0);
      return;
    }
    folders.forEach(this::scan);
    for (List<Path> together : files.values()) {
      workspace.job(
          Words.of("bring.job", together.size()),
          true,
          p -> {
            ScanReport report = workspace.collection().disks().bring(together, p).getFirst();
            workspace.collection().compareCopies(p);
            return report;
          },
          r -> {
            frame.go(Station.ARRIVALS);
            told(r);
          });
    }
  }

  /** Watches all roots from now on; what changes in them is scanned beside the window. */
  public void watch() {
    CollectionState state = workspace.collection().state();
    Map<String, Path> roots = new TreeMap<>(state.roots());
    roots.remove(Place.HOLDING_BAY);
    Set<Path> now = Set.copyOf(roots.values());
    if (now.equals(watched)) {
      return;
    }
    watched = now;
    watchPlainFiles();
    workspace.chore(Words.of("watch.job"), false, p -> watch(now), this::told);
  }

  /**
   * What a person writes into the file of the codebook, a shelf or a gig is taken over while it is
   * open.
   */
  private void watchPlainFiles() {
    if (plainFiles != null) {
      return;
    }
    Path folder = workspace.collection().folder();
    workspace.chore(
        Words.of("watch.job"),
        false,
        p ->
            FolderWatch.of(
                List.of(folder, folder.resolve("crates"), folder.resolve("gigs")),
                QUIET,
                touched -> takePlainFiles(),
                this::failed),
        watch -> plainFiles = watch);
  }

  private void takePlainFiles() {
    int before = workspace.collection().startupProblems().size();
    boolean taken = workspace.collection().takePlainFiles();
    List<Refusal> problems = workspace.collection().startupProblems();
    Platform.runLater(
        () -> {
          if (problems.size() > before) {
            Refusal last = problems.getLast();
            frame.inform(last.path() + ": " + last.reason(), true, 0);
          } else if (taken) {
            frame.inform(Words.of("told.plainFiles"), false, 0);
          }
        });
  }

  /** Walks all folders, so not on the toolkit's thread; gives a sentence when it cannot be done. */
  private String watch(Set<Path> roots) {
    try {
      closeRoots();
      watch = new FolderWatch(roots, QUIET, this::touched, this::failed);
      return "";
    } catch (IOException | RuntimeException tooMany) {
      return Words.of("watch.cannot", String.valueOf(tooMany.getMessage()));
    }
  }

  private void failed(Throwable broken) {
    Platform.runLater(() -> told(Words.of("watch.cannot", String.valueOf(broken))));
  }

  private void told(String trouble) {
    if (!trouble.isEmpty()) {
      frame.inform(trouble, true, 0);
    }
  }

  private void touched(Set<Path> folders) {
    Platform.runLater(
        () -> {
          for (Path folder : RelativePaths.highest(folders)) {
            workspace.unseen(Words.of("watch.job"), p -> scanned(folder, p), this::noticed);
          }
        });
  }

  private void noticed(ScanReport r) {
    if (r.added() + r.lost() + r.returned() > 0) {
      frame.inform(Words.of("watch.told", r.added(), r.lost(), r.returned()), false, 0);
    }
  }

  @Override
  public void close() throws IOException {
    closeRoots();
    FolderWatch old = plainFiles;
    plainFiles = null;
    if (old != null) {
      old.close();
    }
  }

  private void closeRoots() throws IOException {
    FolderWatch old = watch;
    watch = null;
    if (old != null) {
      old.close();
    }
  }
}
