package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.FileAvailability;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.lost.DiskReport;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.lost.Replacing;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.Wishes;

/** Lists lost tracks, and finds where their files went. */
@Command(
    name = "lost",
    description = "Lists lost tracks; lost find FOLDER… looks for their files.",
    subcommands = {
      LostCommand.Find.class,
      LostCommand.RemoveLost.class,
      LostCommand.Replace.class,
      LostCommand.MakeWish.class,
      LostCommand.Disk.class
    })
final class LostCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    collection.disks().availability(progress()).away().forEach(away -> notThere(this, away));
    LostFinder.lost(tracks(collection))
        .forEach(
            (int id) ->
                say(
                    object().put("id", id).put("path", path(collection, id)),
                    path(collection, id)));
  }

  private static void notThere(CollectionCommand work, FileAvailability.Away away) {
    work.say(
        object().put("away", away.root()).put("tracks", away.tracks()),
        away.root()
            + " is not there ("
            + away.path()
            + "): "
            + away.tracks()
            + " tracks; if it is elsewhere as a whole: root '"
            + away.root()
            + "' --at FOLDER");
  }

  @Command(name = "remove", description = "Takes lost tracks out of the collection; undoable.")
  static final class RemoveLost extends CollectionCommand {
    @Mixin QueryOption query = new QueryOption();

    @Override
    void run(MusicCollection collection) {
      org.roaringbitmap.RoaringBitmap ids = query.in(collection);
      ids.and(LostFinder.lost(tracks(collection)));
      apply(collection, TrackEdits.remove(tracks(collection), ids));
    }
  }

  @Command(name = "find", description = "Looks in folders for lost files.")
  static final class Find extends CollectionCommand {
    @Parameters(paramLabel = "FOLDER", arity = "1..*", description = "Where to look.")
    List<Path> folders;

    @Option(
        names = "--apply",
        description = "Closes what is beyond doubt: folders that moved, and single files.")
    boolean apply;

    @Override
    void run(MusicCollection collection) throws IOException {
      FileAvailability availability = collection.disks().availability(progress());
      int lost = LostFinder.lost(tracks(collection)).getCardinality();
      availability.away().forEach(away -> notThere(this, away));
      if (lost == 0) {
        say(object().put("lost", 0), "every track of the folders that are there has its file");
        return;
      }
      LostSearch found = LostSearch.run(collection, folders, progress());
      found.candidates().forEach((id, candidates) -> print(collection, id, candidates));
      found.moves().forEach(this::print);
      List<Candidate> chosen = certain(found);
      if (apply && !main.dryRun && !chosen.isEmpty()) {
        report(collection, LostSearch.close(collection, chosen, progress()));
      }
      print(lost, chosen.size());
    }

    private static List<Candidate> certain(LostSearch found) {
      List<Candidate> chosen = new ArrayList<>(found.single());
      found.moves().forEach(m -> chosen.addAll(m.files()));
      return chosen;
    }

    private void print(int lost, int certain) {
      boolean done = apply && !main.dryRun;
      say(
          object().put("lost", lost).put("certain", certain).put("applied", done),
          lost
              + " lost, "
              + certain
              + (done ? " found and closed" : " found beyond doubt; --apply closes them"));
    }

    private void print(FolderMove move) {
      String words =
          move.from()
              + " → "
              + move.to()
              + " explains "
              + move.files().size()
              + " of "
              + move.lost()
              + " lost files";
      say(
          object()
              .put("from", move.from())
              .put("to", move.to())
              .put("explains", move.files().size())
              .put("lost", move.lost()),
          words);
    }

    private void print(MusicCollection collection, int id, List<Candidate> candidates) {
      ObjectNode node = object().put("path", path(collection, id));
      ArrayNode array = node.putArray("candidates");
      for (Candidate one : candidates) {
        String path =
            collection
                .state()
                .path(one.file().place())
                .map(Path::toString)
                .orElse(one.file().place().root() + "/" + one.file().place().path());
        array
            .addObject()
            .put("path", path)
            .put("certainty", one.certainty())
            .put("reason", one.reason());
      }
      say(node, path(collection, id) + ": " + candidates.size() + " candidates");
    }
  }

  @Command(name = "replace", description = "Puts a file in the place of a lost track.")
  static final class Replace extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "ID", description = "The lost track.")
    int id;

    @Parameters(index = "1", paramLabel = "FILE", description = "The file.")
    Path file;

    @Override
    void run(MusicCollection collection) throws IOException {
      if (!LostFinder.lost(tracks(collection)).contains(id)) {
        throw new IllegalArgumentException("track " + id + " is not lost");
      }
      report(collection, Replacing.one(collection, id, file));
    }
  }

  @Command(
      name = "wish",
      description = "Lists the wish list; with a query, puts lost tracks on it.")
  static final class MakeWish extends CollectionCommand {
    @Mixin QueryOption query = new QueryOption();

    @Option(names = "--to", paramLabel = "FILE", description = "Writes it (csv, xspf, jspf, m3u8).")
    Path to;

    @Override
    void run(MusicCollection collection) throws IOException {
      if (!query.text().isEmpty()) {
        apply(collection, Wishes.add(tracks(collection), query.in(collection)));
      }
      List<Integer> wishes = Wishes.of(tracks(collection)).stream().boxed().toList();
      if (to != null) {
        Playlists.form(to)
            .write(
                to,
                Playlists.of(collection.state(), "Wish list", wishes),
                PlaylistFile.Paths.absolute());
      }
      wishes.forEach(
          id ->
              say(
                  object().put("id", id).put("name", tracks(collection).name(id)),
                  id + "  " + tracks(collection).name(id)));
    }
  }

  @Command(
      name = "disk",
      description = "Lists files nobody brought in, empty folders, and playlists to mend.")
  static final class Disk extends CollectionCommand {
    @Option(names = "--mend", description = "Writes mended playlists beside the old ones.")
    boolean mend;

    @Override
    void run(MusicCollection collection) throws IOException {
      DiskReport report = DiskReport.of(collection.state(), progress());
      report.unknown().forEach(f -> line("unknown", f, "not in the collection"));
      report.emptyFolders().forEach(f -> line("empty", f, "an empty folder"));
      for (DiskReport.OldList list : report.playlists()) {
        String words =
            list.entries() + " lines, " + list.dead() + " dead, " + list.found() + " found";
        line("playlist", list.file(), words);
        if (mend && !main.dryRun && list.found() > 0) {
          line("mended", DiskReport.mend(list), "written");
        }
      }
    }

    private void line(String kind, Path file, String words) {
      say(object().put(kind, file.toString()).put("words", words), file + ": " + words);
    }
  }
}
