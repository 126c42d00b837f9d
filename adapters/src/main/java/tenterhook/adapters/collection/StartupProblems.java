package tenterhook.adapters.collection;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.core.change.Outcome.Refusal;

/** What is amiss since the collection was opened, in words for the DJ. */
final class StartupProblems {
  private final Path folder;
  private final List<Refusal> all = new CopyOnWriteArrayList<>();

  StartupProblems(Path folder) {
    this.folder = folder;
  }

  /** All so far, for who adds more. */
  List<Refusal> all() {
    return all;
  }

  void add(String words) {
    all.add(new Refusal(0, folder.toString(), words));
  }

  /** What broke that only follows what was changed. */
  void addView(Throwable broken) {
    all.add(new Refusal(0, "view", "could not follow what was changed: " + broken));
  }

  /** Names that the program, as it was started, cannot tell apart. */
  void sayUnreadableNames() {
    if (!RelativePaths.allNamesReadable()) {
      add(
          "names of files with letters outside ASCII cannot be read as the program was started; no"
              + " file is called lost. Start it with LC_ALL=C.UTF-8");
    }
  }

  /** Changes whose last step is not yet certain. */
  void sayWaiting(int tracks) {
    if (tracks > 0) {
      add(
          "the last change of "
              + tracks
              + " tracks is not yet certain on their files, since their disk is not there or cannot"
              + " be written; it is finished when it is");
    }
  }
}
