package tenterhook.bench;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.core.catalogue.Match;
import tenterhook.core.gig.WishIndex;
import tenterhook.standins.gig.LabelledWishes;
import tenterhook.standins.gig.LabelledWishes.Judged;
import tenterhook.standins.gig.PhoneWishes;
import tenterhook.standins.gig.SyllableWishes;

/**
 * How far what is said of wishes can be trusted: by certainty, and by what makes a wish hard.
 *
 * <pre>java tenterhook.bench.WishTable [phone] [seed...] [--wrong]</pre>
 */
public final class WishTable {
  private static final int COUNT = 500;
  private static final int[] EDGES = {0, 5, 20, 40, 60, 80, 90, 101};

  private WishTable() {}

  /** Prints both tables as Markdown; with {@code --wrong} also each wish that was read wrong. */
  public static void main(String[] args) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    List<Judged> judged = new ArrayList<>();
    boolean wrong = List.of(args).contains("--wrong");
    boolean phone = List.of(args).contains("phone");
    List<String> seeds = Arrays.stream(args).filter(a -> Character.isDigit(a.charAt(0))).toList();
    for (String text : seeds.isEmpty() ? List.of("11", "12", "13") : seeds) {
      long seed = Long.parseLong(text);
      LabelledWishes set = phone ? PhoneWishes.of(seed) : SyllableWishes.of(seed);
      judged.addAll(set.judge(WishIndex.of(set.collection()), COUNT));
    }
    byCertainty(out, judged);
    byKind(out, judged);
    if (wrong) {
      judged.stream().filter(j -> !j.right() || j.wronglyCertain()).forEach(out::println);
    }
  }

  private static void byCertainty(PrintStream out, List<Judged> judged) {
    out.println("| certainty from | wishes | said on average | right |\n|---|---|---|---|");
    for (int i = 0; i + 1 < EDGES.length; i++) {
      int from = EDGES[i];
      int to = EDGES[i + 1];
      List<Judged> in =
          judged.stream().filter(j -> j.certainty() >= from && j.certainty() < to).toList();
      if (from > 0 && !in.isEmpty()) {
        out.printf(
            Locale.ROOT,
            "| %d | %d | %.1f %% | %.1f %% |%n",
            from,
            in.size(),
            in.stream().mapToInt(Judged::certainty).average().orElse(0),
            100.0 * in.stream().filter(Judged::first).count() / in.size());
      }
    }
  }

  private static void byKind(PrintStream out, List<Judged> judged) {
    Map<String, List<Judged>> kinds = new TreeMap<>();
    judged.forEach(j -> kinds.computeIfAbsent(j.wish().kind(), k -> new ArrayList<>()).add(j));
    kinds.put("all", judged);
    out.println(
        "\n| wish | lines | right | certain | wrong among certain |\n|---|---|---|---|---|");
    kinds.forEach(
        (kind, of) ->
            out.printf(
                Locale.ROOT,
                "| %s | %d | %.1f %% | %d | %d |%n",
                kind,
                of.size(),
                100.0 * of.stream().filter(Judged::right).count() / of.size(),
                of.stream().filter(j -> j.certainty() >= Match.CERTAIN).count(),
                of.stream().filter(Judged::wronglyCertain).count()));
    List<Judged> owned = judged.stream().filter(j -> !j.wish().meant().isEmpty()).toList();
    out.printf(
        Locale.ROOT,
        "%nOf %d that the collection has, %.1f %% right.%n",
        owned.size(),
        100.0 * owned.stream().filter(Judged::right).count() / owned.size());
  }
}
