package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.RootRelocation;
import tenterhook.adapters.disk.DiskPresence;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;

/** Lists the folders that hold the music. */
@Command(name = "roots", description = "Lists the folders that hold the music, and what is there.")
final class RootsCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    list(this, collection);
  }

  /** Lists them for any command. */
  void list(CollectionCommand work, MusicCollection collection) {
    Map<String, Path> roots = new TreeMap<>(collection.state().roots());
    roots.remove(Place.HOLDING_BAY);
    roots.forEach(
        (name, path) -> {
          int tracks =
              tracks(collection)
                  .tracks(id -> tracks(collection).raw(id, Fields.ROOT).equals(name))
                  .getCardinality();
          boolean there = DiskPresence.connected(path);
          work.say(
              object()
                  .put("root", name)
                  .put("path", path.toString())
                  .put("tracks", tracks)
                  .put("there", there),
              name + "  " + path + "  " + tracks + " tracks" + (there ? "" : "  not there"));
        });
  }

  /** Says where a root is. */
  @Command(
      name = "root",
      description =
          "Says that a folder of music is elsewhere as a whole; what lies there is compared first.")
  static final class At extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Its name, as roots lists it.")
    String name;

    @Option(
        names = "--at",
        paramLabel = "FOLDER",
        required = true,
        description = "Where it is now.")
    Path folder;

    @Override
    void run(MusicCollection collection) throws IOException {
      RootRelocation found = RootRelocation.of(collection.state(), name, folder, progress());
      ObjectNode node = node(found);
      say(
          node,
          found.found()
              + " of "
              + found.tracks()
              + " files are there; "
              + found.compared()
              + " were compared, "
              + found.others().size()
              + " hold another recording");
      settle(collection, found);
    }

    private ObjectNode node(RootRelocation found) {
      ObjectNode node =
          object()
              .put("root", name)
              .put("to", found.to().toString())
              .put("tracks", found.tracks())
              .put("found", found.found())
              .put("compared", found.compared())
              .put("others", found.others().size());
      return node;
    }

    private void settle(MusicCollection collection, RootRelocation found) {
      if (!found.certain()) {
        partly();
        found.others().forEach(o -> main.err.println(o.path() + ": " + o.reason()));
        main.err.println("this is not that folder; nothing was changed");
      } else if (!main.dryRun) {
        apply(collection, found.change());
        collection.disks().availability(progress());
      }
    }
  }
}
