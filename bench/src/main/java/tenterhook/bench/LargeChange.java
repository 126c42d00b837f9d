package tenterhook.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.FiguresInStep;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeRun;
import tenterhook.core.recipe.RecipeText;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.standins.demo.DemoCollection;

/**
 * What becomes of 5,000 of 100,000 tracks by recipes, as it is shown before it is done: the first
 * screenful, then all, beside a plain loop that reads the same titles and replaces one text in
 * each. Then the figures behind codes: all files of the collection, and a change of a single value.
 */
public final class LargeChange {
  private static final int ROUNDS = 31;
  private static final int SCREENFUL = 40;
  private static final int CHOSEN = 5_000;
  private static final List<String> RECIPES =
      List.of(
          "replace title Lantern Lamp",
          "pattern title \"(\\w+) (\\w+) (\\d+)\" \"$2 $1 ($3)\"",
          "capitals title upper\ntrim title\nbehind title \" *\"",
          "copy title grouping\ncodes +SKA -SPR");

  private final int tracks;
  private final Codebook codebook = DemoCollection.codebook();
  private Snapshot snapshot = Snapshot.empty();

  private LargeChange(int tracks) {
    this.tracks = tracks;
  }

  /**
   * Prints the figures.
   *
   * @param args the number of tracks, 100,000 without
   */
  public static void main(String[] args) throws Exception {
    new LargeChange(args.length > 0 ? Integer.parseInt(args[0]) : 100_000).run();
  }

  private void run() throws Exception {
    snapshot = LargeCollection.made(tracks, new Random(11), codebook, (id, random, cells) -> {});
    TrackIds chosen = TrackIds.of(snapshot.tracks().limit(CHOSEN));
    TrackIds first = TrackIds.of(snapshot.tracks().limit(SCREENFUL));
    print(
        "%,d tracks; medians of %d, milliseconds: %d tracks, %,d tracks, plain loop, ratio",
        tracks, ROUNDS, SCREENFUL, CHOSEN);
    for (String text : RECIPES) {
      Recipe recipe = ((RecipeText.Read.Good) RecipeText.read(text)).recipe();
      double screen = median(() -> RecipeRun.of(recipe, snapshot, codebook, first));
      double all = median(() -> RecipeRun.of(recipe, snapshot, codebook, chosen));
      double plain = median(() -> plain(chosen));
      print(
          "%-52s %7.2f %7.2f %7.2f %6.1f",
          text.replace('\n', ';'), screen, all, plain, all / plain);
    }
    figures();
  }

  private List<String> plain(TrackIds chosen) {
    List<String> after = new ArrayList<>();
    for (int id : chosen) {
      after.add(snapshot.raw(id, Fields.TITLE).replace("Lantern", "Lamp"));
    }
    return after;
  }

  private void figures() throws Exception {
    double all = median(() -> CodebookEdits.figures(snapshot, codebook, "{key} {bpm} R{rating}"));
    print("figures behind the codes of all tracks: %.1f ms", all);
    Codebook figured =
        codebook.with(
            codebook.notation().with(codebook.notation().figures().then("{key} {bpm} R{rating}")));
    RoaringBitmap one = RoaringBitmap.bitmapOf(tracks / 2);
    var rated = TrackEdits.set(snapshot, one, Map.of(Fields.RATING, "5"));
    print(
        "one value with its figures: %.4f ms",
        median(() -> FiguresInStep.with(snapshot, figured, rated)));
  }

  private static double median(Callable<?> work) throws Exception {
    Measure.median(ROUNDS, work); // until it is compiled
    return Measure.median(ROUNDS, work);
  }

  private static void print(String format, Object... values) {
    System.out.println(String.format(Locale.ROOT, format, values));
  }
}
