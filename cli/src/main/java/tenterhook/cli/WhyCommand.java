package tenterhook.cli;

import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;

/** Says why a track is in a crate or not. */
@Command(name = "why", description = "Says which lines of a rule crate hold for a track.")
final class WhyCommand extends Work {
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
      contents
          .why(rule.rule(), id)
          .forEach(
              r ->
                  say(
                      object().put("line", r.text()).put("holds", r.holds()),
                      (r.holds() ? "holds  " : "fails  ") + r.text()));
      if (!tracks(collection).raw(id, Fields.RESTING).isEmpty()) {
        say(object().put("line", "not resting").put("holds", false), "fails  the track rests");
      }
    }
    boolean in = contents.members(name).map(m -> m.contains(id)).orElse(false);
    say(object().put("in", in), in ? "it is in " + name : "it is not in " + name);
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
