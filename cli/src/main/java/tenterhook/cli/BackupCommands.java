package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.backup.Backup;
import tenterhook.adapters.backup.MirrorCheck;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Outcome.Refusal;

/** Backups of a collection, and what a second disk has of its music. */
final class BackupCommands {
  private BackupCommands() {}

  /** Writes a backup. */
  @Command(
      name = "backup",
      description = "Writes the collection (not the music) into one dated ZIP file with checksums.")
  static final class Write extends CollectionCommand {
    @Parameters(paramLabel = "FOLDER", description = "Where to, best on another disk.")
    Path folder;

    @Override
    void run(MusicCollection collection) throws IOException {
      if (main.dryRun) {
        say(object().put("dryRun", folder.toString()), "would write a backup into " + folder);
        return;
      }
      Path zip = Backup.write(collection, folder);
      say(object().put("backup", zip.toString()), "written: " + zip);
    }
  }

  /** Makes a collection of a backup. */
  @Command(
      name = "restore",
      description =
          "Makes a collection of a backup, in the folder that --collection names; then tell it"
              + " where the music is with root NAME --at FOLDER.")
  static final class RestoreBackup extends CollectionCommand {
    @Parameters(paramLabel = "ZIP", description = "The backup.")
    Path zip;

    @Override
    public Integer call() throws Exception {
      main = (TenterhookCommand) spec.root().userObject();
      if (main.dryRun) {
        say(object().put("dryRun", zip.toString()), "would restore into " + main.collection);
        return TenterhookCommand.DONE;
      }
      Backup.restore(zip, main.collection);
      return super.call();
    }

    @Override
    void run(MusicCollection collection) {
      int tracks = tracks(collection).count();
      say(
          object().put("tracks", tracks).put("collection", collection.folder().toString()),
          tracks + " tracks are in " + collection.folder());
      new RootsCommand().list(this, collection);
    }
  }

  /** What a second disk has. */
  @Command(
      name = "mirror",
      description = "Compares the music with a second disk; mirror check FOLDER.",
      subcommands = Mirror.Check.class)
  static final class Mirror extends CollectionCommand {
    @Override
    void run(MusicCollection collection) {
      throw new IllegalArgumentException("mirror takes check FOLDER");
    }

    @Command(
        name = "check",
        description =
            "Lists what is missing, different or extra there, by content; alters nothing.")
    static final class Check extends CollectionCommand {
      @Parameters(paramLabel = "FOLDER", description = "The second disk.")
      Path folder;

      @Option(names = "--no-extra", description = "Does not list what is only there.")
      boolean noExtra;

      @Override
      void run(MusicCollection collection) throws IOException {
        MirrorCheck check = MirrorCheck.of(collection.state(), folder, progress());
        list("missing", check.missing());
        list("different", check.different());
        list("moved", check.moved());
        list("extra", noExtra ? List.of() : check.extra());
        for (Refusal one : check.unread()) {
          main.err.println(one.path() + ": " + one.reason());
        }
        if (!check.whole()) {
          partly();
        }
        say(counted(check), words(check));
      }

      private static ObjectNode counted(MirrorCheck check) {
        return object()
            .put("same", check.same())
            .put("moved", check.moved().size())
            .put("missing", check.missing().size())
            .put("different", check.different().size())
            .put("extra", check.extra().size())
            .put("unread", check.unread().size());
      }

      private static String words(MirrorCheck check) {
        return check.same()
            + " the same, "
            + check.moved().size()
            + " under another name, "
            + check.missing().size()
            + " missing, "
            + check.different().size()
            + " different, "
            + check.extra().size()
            + " only there";
      }

      private void list(String kind, List<Path> files) {
        files.forEach(f -> say(object().put(kind, f.toString()), kind + ": " + f));
      }
    }
  }
}
