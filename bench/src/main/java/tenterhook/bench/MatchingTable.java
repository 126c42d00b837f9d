package tenterhook.bench;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.standins.catalogue.DemoCatalogue;
import tenterhook.standins.catalogue.LabelledSet;
import tenterhook.standins.catalogue.LabelledSet.Damage;
import tenterhook.standins.catalogue.LabelledSet.Judged;
import tenterhook.standins.catalogue.RippedTags;

/**
 * How far the certainty of catalogue matches can be trusted: the set that the table was read off,
 * another one that it is held against, and one whose damage is of another kind.
 */
public final class MatchingTable {
  private static final int COUNT = 20_000;
  private static final double[] EDGES = {
    0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95, 98, 99.5, 100.1
  };

  private MatchingTable() {}

  /** Prints the tables as Markdown. */
  public static void main(String[] args) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    CatalogueBook book = DemoCatalogue.of(400);
    out.println(book.entries().size() + " entries, " + COUNT + " tracks a set\n");
    print(
        out,
        "Raw probability, the set that the table is read off",
        LabelledSet.judge(book, 1, COUNT, Damage.holes()),
        Judged::raw);
    print(
        out,
        "Certainty, another set",
        LabelledSet.judge(book, 2, COUNT, Damage.holes()),
        Judged::certainty);
    print(
        out,
        "Certainty, damage of another kind",
        LabelledSet.judge(book, 3, COUNT, new RippedTags()),
        Judged::certainty);
  }

  private static void print(
      PrintStream out, String title, List<Judged> judged, ToDoubleFunction<Judged> number) {
    out.println(title + "\n\n| from | matches | said on average | right |\n|---|---|---|---|");
    for (int i = 0; i + 1 < EDGES.length; i++) {
      double from = EDGES[i];
      double to = EDGES[i + 1];
      band(out, judged, number, from, to);
    }
    List<Judged> certain = judged.stream().filter(j -> j.certainty() >= 90).toList();
    long wrong = certain.stream().filter(j -> !j.right()).count();
    out.printf(
        Locale.ROOT,
        "%nCertain (90 and more): %d, of which wrong %d (%.2f %%)%n%n",
        certain.size(),
        wrong,
        100.0 * wrong / certain.size());
  }

  private static void band(
      PrintStream out,
      List<Judged> judged,
      ToDoubleFunction<Judged> number,
      double from,
      double to) {
    List<Judged> in =
        judged.stream()
            .filter(j -> number.applyAsDouble(j) >= from && number.applyAsDouble(j) < to)
            .toList();
    if (!in.isEmpty()) {
      double said = in.stream().mapToDouble(number).average().orElse(0);
      long right = in.stream().filter(Judged::right).count();
      out.printf(
          Locale.ROOT,
          "| %.1f | %d | %.1f %% | %.1f %% |%n",
          from,
          in.size(),
          said,
          100.0 * right / in.size());
    }
  }
}
