package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.LostFiles;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;

/** Lists lost tracks, and finds where their files went. */
@Command(
    name = "lost",
    description = "Lists lost tracks; lost find FOLDER… looks for their files.",
    subcommands = {LostCommand.Find.class, LostCommand.Remove.class})
final class LostCommand extends Work {
  @Override
  void run(MusicCollection collection) {
    LostFinder.lost(tracks(collection))
        .forEach(
            (int id) ->
                say(
                    object().put("id", id).put("path", path(collection, id)),
                    path(collection, id)));
  }

  @Command(name = "remove", description = "Takes lost tracks out of the collection; undoable.")
  static final class Remove extends Work {
    @Parameters(paramLabel = "QUERY", arity = "0..1", description = "Which of them; all without.")
    String query = "";

    @Override
    void run(MusicCollection collection) {
      org.roaringbitmap.RoaringBitmap ids = find(collection, query);
      ids.and(LostFinder.lost(tracks(collection)));
      apply(collection, TrackEdits.remove(tracks(collection), ids));
    }
  }

  @Command(name = "find", description = "Looks in folders for lost files.")
  static final class Find extends Work {
    @Parameters(paramLabel = "FOLDER", arity = "1..*", description = "Folders of the collection.")
    List<Path> folders;

    @Option(names = "--apply", description = "Closes what whole folders that moved explain.")
    boolean apply;

    @Override
    void run(MusicCollection collection) throws IOException {
      List<LostFinder.FoundFile> onDisk = new ArrayList<>();
      for (Path folder : folders) {
        onDisk.addAll(LostFiles.filesBelow(collection.state(), folder, progress()));
      }
      Map<Integer, List<Candidate>> found = LostFinder.candidates(tracks(collection), onDisk);
      found.forEach((id, candidates) -> print(collection, id, candidates));
      List<FolderMove> moves = LostFinder.moves(tracks(collection), found);
      moves.forEach(this::print);
      if (apply) {
        List<Candidate> chosen = new ArrayList<>();
        moves.forEach(m -> chosen.addAll(m.files()));
        apply(collection, LostFinder.repoint(tracks(collection), chosen));
      }
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
        String path = collection.state().path(one.file().place()).map(Path::toString).orElse("");
        array
            .addObject()
            .put("path", path)
            .put("certainty", one.certainty())
            .put("reason", one.reason());
      }
      say(node, path(collection, id) + ": " + candidates.size() + " candidates");
    }
  }
}
