package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

/** Counts holes. */
@Command(name = "weave", description = "Counts holes by groups and attributes; the whole last.")
final class WeaveCommand extends CollectionCommand {
  @Option(
      names = "--by",
      paramLabel = "GROUP",
      description = "folder, genre, decade, arrived or artist (default: folder).")
  String by = "folder";

  @Override
  void run(MusicCollection collection) {
    WeaveBy rows;
    try {
      rows = WeaveBy.valueOf(by.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException unknown) {
      throw new IllegalArgumentException(
          "--by takes folder, genre, decade, arrived or artist, not " + by, unknown);
    }
    Weave weave = Weave.of(tracks(collection), collection.state().codebook(), rows);
    weave.rows().forEach(r -> print(weave, r));
    print(weave, weave.total());
  }

  private void print(Weave weave, Weave.Row row) {
    ObjectNode node = object().put("group", row.group()).put("tracks", row.tracks());
    ObjectNode holes = node.putObject("holes");
    StringBuilder words = new StringBuilder();
    for (int i = 0; i < row.holes().size(); i++) {
      String key = weave.columns().get(i).key();
      holes.put(key, row.holes().get(i));
      if (row.holes().get(i) > 0) {
        words.append("  ").append(key).append(' ').append(row.holes().get(i));
      }
    }
    node.put("whole", Math.round(row.whole() * 1000) / 1000.0);
    say(
        node,
        String.format(
            "%-24s %5d tracks, %2.0f %% whole %s",
            row.group(), row.tracks(), Math.floor(row.whole() * 100), words));
  }
}
