package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.goeswith.Follower;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;

/** Lists tracks that follow one track well, with what their points are made of. */
@Command(name = "goes-with", description = "Lists tracks that follow a track well, and why.")
final class GoesWithCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @Option(names = "--in", paramLabel = "QUERY", description = "Where to look; everywhere without.")
  String scope = "";

  @Option(names = "--tempo", paramLabel = "PERCENT", description = "How far a tempo may be off.")
  double percent = 6;

  @Option(names = "--limit", paramLabel = "N", description = "How many at most.")
  int limit = 20;

  @Override
  void run(MusicCollection collection) {
    RoaringBitmap found = query.in(collection);
    if (found.isEmpty()) {
      throw new IllegalArgumentException("no track is found by: " + query.text());
    }
    if (!(percent > 0)) {
      throw new IllegalArgumentException("--tempo needs a number above 0, not " + percent);
    }
    Snapshot snapshot = collection.state().snapshot();
    new GoesWith(snapshot, percent / 100)
        .of(found.first(), find(collection, scope), limit)
        .forEach(f -> print(collection, snapshot, f));
  }

  private void print(MusicCollection collection, Snapshot snapshot, Follower follower) {
    ObjectNode node = object().put("path", path(collection, follower.id()));
    node.put("score", follower.score());
    ArrayNode parts = node.putArray("parts");
    parts(parts, follower);
    String why =
        follower.parts().stream().map(Follower.ScorePart::words).collect(Collectors.joining("; "));
    say(node, follower.score() + "  " + snapshot.name(follower.id()) + "  (" + why + ")");
  }

  private static void parts(ArrayNode parts, Follower follower) {
    follower
        .parts()
        .forEach(
            p ->
                parts
                    .addObject()
                    .put("reason", p.reason().name().toLowerCase(java.util.Locale.ROOT))
                    .put("points", p.points())
                    .put("most", p.most())
                    .put("words", p.words()));
  }
}
