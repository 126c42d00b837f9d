package tenterhook.cli;

import java.util.Locale;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.RuleExplanation;

/** Says why a track is in a crate or not. */
@Command(name = "why", description = "Says which lines of a rule crate hold for a track.")
final class WhyCommand extends CollectionCommand {
  @Parameters(index = "0", paramLabel = "NAME", description = "Of the crate.")
  String name;

  @Parameters(index = "1", paramLabel = "TRACK", description = "Its id, or a query that finds one.")
  String track;

  @Override
  void run(MusicCollection collection) {
    int id = one(collection);
    CrateContents contents = collection.contents();
    Crate crate = CrateCommand.crate(collection, name);
    if (crate instanceof Crate.RuleCrate rule) {
      contents.explanation(rule).why(id).forEach(this::say);
    }
    boolean in = contents.list(crate).contains(id);
    say(object().put("in", in), in ? "it is in " + name : "it is not in " + name);
  }

  private void say(RuleExplanation.ExplainedLine reason) {
    String matter = reason.matter().name().toLowerCase(Locale.ROOT);
    String words =
        switch (reason.matter()) {
          case LINE ->
              reason.text() + (reason.has().isEmpty() ? "" : "  (it has " + reason.has() + ")");
          case ALL, ANY -> matter + " of";
          case RESTS -> "the track rests";
          case KIND -> "it is a " + reason.has() + ", and the rule asks for no kind but tracks";
          case NEVER -> "never played from this shelf: " + reason.text();
          case LIMIT -> "the crate's limit picks others";
        };
    say(
        object()
            .put("matter", matter)
            .put("depth", reason.depth())
            .put("line", reason.text())
            .put("has", reason.has())
            .put("holds", reason.holds()),
        (reason.holds() ? "holds  " : "fails  ") + "  ".repeat(reason.depth()) + words);
  }

  private int one(MusicCollection collection) {
    if (track.matches("\\d+") && tracks(collection).has(Integer.parseInt(track))) {
      return Integer.parseInt(track);
    }
    RoaringBitmap found = find(collection, track);
    if (found.getCardinality() != 1) {
      throw new IllegalArgumentException(
          "'" + track + "' finds " + found.getCardinality() + " tracks; name one");
    }
    return found.first();
  }
}
