package tenterhook.cli;

import picocli.CommandLine.Command;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.change.LedgerEntry;

/** Lists the ledger. */
@Command(name = "history", description = "Lists every change, the newest first.")
final class HistoryCommand extends Work {
  @Override
  void run(MusicCollection collection) {
    for (LedgerEntry entry : collection.history()) {
      say(
          object()
              .put("change", entry.number())
              .put("at", entry.at().toString())
              .put("title", entry.title())
              .put("tracks", entry.tracks())
              .put("undoes", entry.undoes())
              .put("undoneBy", entry.undoneBy()),
          String.format(
              "%5d  %s  %s%s",
              entry.number(),
              entry.at(),
              entry.title(),
              entry.undoneBy() > 0 ? "  (taken back by " + entry.undoneBy() + ")" : ""));
    }
  }
}
