package tenterhook.bench;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.core.repair.Proposal;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.names.LabelledTags;
import tenterhook.standins.names.LabelledTags.Kind;
import tenterhook.standins.names.LabelledTags.Row;

/**
 * How often what is mended in bulk is right, by kind, on tags of which it is known.
 *
 * <pre>java tenterhook.bench.NameTable [set...] [--wrong]</pre>
 */
public final class NameTable {
  private static final PrintStream OUT = new PrintStream(System.out, true, StandardCharsets.UTF_8);

  private NameTable() {}

  /** Prints the tables as Markdown; with {@code --wrong} also each row that is not right. */
  public static void main(String[] args) {
    boolean wrong = List.of(args).contains("--wrong");
    List<Integer> sets =
        Arrays.stream(args).filter(a -> !a.startsWith("-")).map(Integer::valueOf).toList();
    for (int number : sets.isEmpty() ? LabelledTags.SETS : sets) {
      LabelledTags set = LabelledTags.of(number);
      List<Proposal> certain = LabelledTags.inBulk(set.collection());
      Snapshot after = LabelledTags.taken(set.collection(), certain);
      OUT.println("\nset " + number + "\n");
      byKind(set, set.judged(certain));
      for (Kind kind : List.of(Kind.TO_MEND, Kind.MUST_STAY)) {
        List<Row> rows = set.rows().stream().filter(r -> r.kind() == kind).toList();
        List<Row> others = rows.stream().filter(r -> !set.isRight(r, after)).toList();
        OUT.printf(
            Locale.ROOT,
            "%s: %d of %d rows are right%n",
            kind.name().toLowerCase(Locale.ROOT).replace('_', ' '),
            rows.size() - others.size(),
            rows.size());
        others.stream().filter(r -> wrong).forEach(r -> OUT.println(r.told()));
      }
      OUT.println("a second pass proposes " + LabelledTags.inBulk(after).size());
    }
  }

  private static void byKind(LabelledTags set, List<Proposal> certain) {
    Map<String, List<Proposal>> kinds = new TreeMap<>();
    certain.forEach(p -> kinds.computeIfAbsent(p.kind().key(), k -> new ArrayList<>()).add(p));
    OUT.println("| kind | certain | right |\n|---|---|---|");
    kinds.forEach(
        (kind, some) ->
            OUT.printf(
                Locale.ROOT,
                "| `%s` | %d | %d |%n",
                kind,
                some.size(),
                some.stream().filter(set::isRight).count()));
  }
}
