package tenterhook.cli;

import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.UndoRedo;
import tenterhook.core.change.LedgerEntry;

/** Lists the ledger. */
@Command(
    name = "history",
    description =
        "Lists every change, the newest first; history shorten N ends undo of the oldest.",
    subcommands = HistoryCommand.Shorten.class)
final class HistoryCommand extends CollectionCommand {
  @Option(names = "--cost", description = "Says only what is kept so that changes can be undone.")
  boolean cost;

  @Override
  void run(MusicCollection collection) {
    if (cost) {
      sayCost(collection);
      return;
    }
    for (LedgerEntry entry : collection.history()) {
      print(entry);
    }
  }

  private void print(LedgerEntry entry) {
    say(
        object()
            .put("change", entry.number())
            .put("at", entry.at().toString())
            .put("title", entry.title())
            .put("tracks", entry.tracks())
            .put("undoes", entry.undoes())
            .put("undoneBy", entry.undoneBy())
            .put("remaining", entry.remaining()),
        String.format("%5d  %s  %s%s", entry.number(), entry.at(), entry.title(), state(entry)));
  }

  private void sayCost(MusicCollection collection) {
    UndoRedo.Cost kept = collection.undoing().cost();
    say(
        object().put("undoable", kept.changes()).put("bytes", kept.bytes()),
        String.format(
            Locale.ROOT,
            "%d changes can be taken back; what is kept for that takes %.1f MB",
            kept.changes(),
            kept.bytes() / 1e6));
  }

  private static String state(LedgerEntry entry) {
    if (entry.undoneBy() > 0) {
      return "  (taken back by " + entry.undoneBy() + ")";
    }
    if (entry.partlyUndone()) {
      return "  (holds on " + entry.remaining() + " of " + entry.tracks() + " tracks)";
    }
    return entry.canUndo() ? "" : "  (can no longer be taken back)";
  }

  @Command(
      name = "shorten",
      description = "Ends undo of a change and all before it, for good, and frees what it takes.")
  static final class Shorten extends CollectionCommand {
    @Parameters(paramLabel = "N", description = "The last change that undo is to end for.")
    long last;

    @Option(names = "--yes", description = "Really does it; it cannot be taken back.")
    boolean yes;

    @Override
    void run(MusicCollection collection) {
      if (!yes || main.dryRun) {
        say(
            object().put("dryRun", "shorten " + last),
            "undo of change " + last + " and all before it would end for good; --yes does it");
        return;
      }
      long freed = collection.undoing().shorten(last);
      say(
          object().put("freed", freed),
          String.format(Locale.ROOT, "%.1f MB are no longer kept", freed / 1e6));
    }
  }
}
