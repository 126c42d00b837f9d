package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.ScanReport;

/** Brings folders in or up to date. */
@Command(name = "scan", description = "Brings folders in, or up to date.")
final class ScanCommand extends CollectionCommand {
  @Parameters(paramLabel = "FOLDER", arity = "1..*", description = "Folders with music.")
  List<Path> folders;

  @Override
  void run(MusicCollection collection) throws Exception {
    int[] sums = new int[5];
    double seconds = 0;
    for (Path folder : folders) {
      ScanReport report = collection.scan(folder, progress());
      issues(report);
      sums[0] += report.files();
      sums[1] += report.added();
      sums[2] += report.changed();
      sums[3] += report.lost();
      sums[4] += report.unreadable();
      seconds += report.seconds();
    }
    say(sums, seconds);
  }

  private void issues(ScanReport report) {
    report
        .issues()
        .forEach(
            i -> {
              partly();
              say(
                  object().put("path", i.path()).put("reason", i.reason()),
                  i.path() + ": " + i.reason());
            });
  }

  private void say(int[] sums, double seconds) {
    ObjectNode node = object().put("files", sums[0]).put("added", sums[1]);
    node.put("changed", sums[2]).put("lost", sums[3]).put("unreadable", sums[4]);
    node.put("seconds", Math.round(seconds * 1000) / 1000.0);
    say(
        node,
        String.format(
            "%d files: %d new, %d changed, %d lost, %d unreadable (%.1f s)",
            sums[0], sums[1], sums[2], sums[3], sums[4], seconds));
  }
}
