package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import tenterhook.core.job.Progress;
import tenterhook.standins.demo.DemoMusic;

/** Makes the demo's music. */
@Command(name = "demo", description = "Makes the demo collection's music, messy on purpose.")
final class DemoCommand implements Callable<Integer> {
  @ParentCommand TenterhookCommand main;

  @ArgGroup(multiplicity = "1")
  DemoTarget what;

  @Option(names = "--tracks", paramLabel = "N", description = "About how many (${DEFAULT-VALUE}).")
  int tracks = DemoMusic.TRACKS;

  static final class DemoTarget {
    @Option(
        names = "--make",
        paramLabel = "DIR",
        description = "Makes music and truth.json in DIR.")
    Path make;

    @Option(
        names = "--mishaps",
        paramLabel = "DIR",
        description = "Moves and deletes what DIR/truth.json says; meant for after a first scan.")
    Path mishaps;
  }

  @Override
  public Integer call() throws IOException {
    if (what.make != null) {
      int made = DemoMusic.make(what.make, tracks, new Lines());
      main.err.println(made + " files in " + what.make);
    } else {
      DemoMusic.mishaps(what.mishaps, tracks);
      main.err.println("a folder moved and some files are gone; scan again to see it");
    }
    return TenterhookCommand.DONE;
  }

  private final class Lines implements Progress {
    @Override
    public void at(long done, long total, String words) {
      if (done % 50 == 0) {
        main.err.println(done + " of " + total);
      }
    }

    @Override
    public boolean stopped() {
      return false;
    }
  }
}
