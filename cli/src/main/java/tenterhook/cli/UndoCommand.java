package tenterhook.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.LedgerEntry;

/** Takes a change back. */
@Command(name = "undo", description = "Takes back the last change, or the one of a number.")
final class UndoCommand extends CollectionCommand {
  @Parameters(paramLabel = "N", arity = "0..1", description = "Its number in the history.")
  Long number;

  @Option(
      names = "--values",
      description = "Sets the old values also where the very bytes of a file cannot be made again.")
  boolean values;

  @Override
  void run(MusicCollection collection) {
    long which =
        number != null
            ? number
            : collection
                .nextUndo()
                .map(LedgerEntry::number)
                .orElseThrow(() -> new IllegalArgumentException("there is nothing to take back"));
    if (main.dryRun) {
      say(object().put("dryRun", "undo " + which), "would take back change " + which);
      return;
    }
    report(collection, collection.undoing().undo(which, !values, progress()));
  }
}
