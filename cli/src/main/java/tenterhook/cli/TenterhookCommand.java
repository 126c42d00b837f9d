package tenterhook.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ScopeType;
import tenterhook.adapters.disk.DataFolder;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.adapters.store.StoreBroken;

/** The program without a window. */
@Command(
    name = "tenterhook",
    mixinStandardHelpOptions = true,
    scope = ScopeType.INHERIT,
    description = "Cleans a music collection. Without a command it opens the window.",
    subcommands = {
      DemoCommand.class,
      ScanCommand.class,
      RootsCommand.class,
      RootsCommand.At.class,
      TracksCommand.class,
      WeaveCommand.class,
      SetCommand.class,
      ChangeCommand.class,
      ChangeCommand.Recipes.class,
      MoveCommand.class,
      ArtCommand.class,
      LostCommand.class,
      RepairsCommand.class,
      AnalyseCommand.class,
      GoesWithCommand.class,
      CatalogueCommand.class,
      DuplicatesCommand.class,
      HoldingCommand.class,
      PlaysCommand.class,
      StaleCommand.class,
      CodebookCommand.class,
      CodeCommand.class,
      CratesCommand.class,
      CrateCommand.class,
      GigsCommand.class,
      GigCommand.class,
      WhyCommand.class,
      ExportCommand.class,
      ImportCommand.class,
      HistoryCommand.class,
      BackupCommands.Write.class,
      BackupCommands.RestoreBackup.class,
      BackupCommands.Mirror.class,
      UndoCommand.class
    })
public final class TenterhookCommand {
  /** Everything was done. */
  static final int DONE = 0;

  /** Done, and some files could not be. */
  static final int PARTLY = 1;

  /** The call is wrong. */
  static final int WRONG = 2;

  /** The collection cannot be opened. */
  static final int NO_COLLECTION = 3;

  @Option(
      names = "--collection",
      scope = ScopeType.INHERIT,
      paramLabel = "DIR",
      description = "Folder of the collection (default: ${DEFAULT-VALUE}).")
  Path collection = DataFolder.ofUser();

  @Option(
      names = "--json",
      scope = ScopeType.INHERIT,
      description = "JSON Lines on standard output.")
  boolean json;

  @Option(
      names = "--dry-run",
      scope = ScopeType.INHERIT,
      description = "Say what would be done, and do nothing.")
  boolean dryRun;

  final PrintStream out;
  final PrintStream err;

  TenterhookCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  /** Runs a command and ends the program with its exit status. */
  public static void main(String[] args) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
    int status = run(out, err, args);
    out.flush();
    System.exit(status);
  }

  /**
   * Runs a command.
   *
   * @param out gets results
   * @param err gets progress and messages
   * @param args the command line
   * @return the exit status: 0 done, 1 partly, 2 wrong call, 3 no collection
   */
  static int run(PrintStream out, PrintStream err, String... args) {
    CommandLine line = new CommandLine(new TenterhookCommand(out, err));
    line.setOut(new java.io.PrintWriter(out, true));
    line.setErr(new java.io.PrintWriter(err, true));
    line.setUnmatchedOptionsArePositionalParams(true);
    line.setExecutionExceptionHandler((trouble, l, r) -> explain(trouble, err));
    return line.execute(args);
  }

  private static int explain(Exception trouble, PrintStream err) throws Exception {
    return switch (trouble) {
      case CollectionRefused refused -> {
        err.println(refused.getMessage());
        yield NO_COLLECTION;
      }
      case IllegalArgumentException wrong -> {
        err.println(wrong.getMessage());
        yield WRONG;
      }
      case StoreBroken full -> {
        err.println(full.getMessage());
        yield PARTLY;
      }
      case java.io.IOException disk -> {
        err.println(disk.getMessage());
        yield PARTLY;
      }
      default -> throw trouble;
    };
  }
}
