package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tenterhook.core.code.Codebook;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.find.Subject;

/**
 * The narrowings of a list, side by side. Immutable.
 *
 * @param all in the order in which they were chosen; no value twice
 */
public record Narrowings(List<Narrowing> all) {
  /** A list as it is. */
  public static final Narrowings NONE = new Narrowings(List.of());

  private static final String IN = "in";
  private static final String OUT = "out";

  /** Copies. */
  public Narrowings {
    all = List.copyOf(all);
  }

  /** Whether the list is as it is. */
  public boolean isEmpty() {
    return all.isEmpty();
  }

  /**
   * The same after a click on a value: it is added, taken off when it was there, and turned when it
   * was there the other way. A tempo range takes the place of another.
   */
  public Narrowings toggled(Narrowing one) {
    List<Narrowing> more = new ArrayList<>(all);
    more.removeIf(n -> n.sameValue(one) || replaces(one, n));
    if (!all.contains(one)) {
      more.add(one);
    }
    return new Narrowings(more);
  }

  private static boolean replaces(Narrowing one, Narrowing other) {
    return one.group() == NarrowGroup.Own.TEMPO
        && other.group() == one.group()
        && isRange(one)
        && isRange(other);
  }

  private static boolean isRange(Narrowing tempo) {
    return tempo.condition().values().stream().anyMatch(Condition.Range.class::isInstance);
  }

  /** The same without some of them. */
  public Narrowings without(List<Narrowing> some) {
    return new Narrowings(all.stream().filter(n -> !some.contains(n)).toList());
  }

  /** Those of a group that are let in, or those that are shut out. */
  public List<Narrowing> of(NarrowGroup group, boolean out) {
    return all.stream().filter(n -> n.group().equals(group) && n.out() == out).toList();
  }

  /** What stands side by side on the trail: of each group what is let in, and what is shut out. */
  public List<List<Narrowing>> steps() {
    Map<List<Object>, List<Narrowing>> steps = new LinkedHashMap<>();
    for (Narrowing one : all) {
      steps.computeIfAbsent(List.of(one.group(), one.out()), x -> new ArrayList<>()).add(one);
    }
    return List.copyOf(steps.values());
  }

  /** All of them as a query; the query of all tracks without any. */
  public Query query() {
    return joined(parts());
  }

  /** As a query, but for what one group lets in and shuts out. */
  Query queryBut(NarrowGroup group) {
    return new Narrowings(all.stream().filter(n -> !n.group().equals(group)).toList()).query();
  }

  /**
   * The lines of a rule that holds what is shown: of the list, of the words in the find field, and
   * one for each step of the trail.
   *
   * @param list how the list is asked for; {@link Query#ALL} for the whole collection
   * @param find what stands in the find field
   */
  public Query kept(Query list, Query find) {
    List<Query> lines = new ArrayList<>(lines(list));
    lines.addAll(lines(find));
    lines.addAll(parts());
    return joined(lines);
  }

  private static List<Query> lines(Query query) {
    return query instanceof Query.And and ? and.parts() : List.of(query);
  }

  private List<Query> parts() {
    return steps().stream().map(Narrowings::part).toList();
  }

  private static Query part(List<Narrowing> step) {
    Query either = either(step);
    return step.getFirst().out() ? new Query.Not(either) : either;
  }

  /** Any of some values of one group; those of one subject as one condition. */
  static Query either(List<Narrowing> some) {
    Map<Subject, List<Condition.Value>> values = new LinkedHashMap<>();
    List<Query> asked = new ArrayList<>();
    for (Narrowing one : some) {
      if (one.condition().test() instanceof Condition.AnyOf any) {
        values
            .computeIfAbsent(one.condition().subject(), s -> new ArrayList<>())
            .addAll(any.values());
      } else {
        asked.add(one.asked());
      }
    }
    List<Query> terms = new ArrayList<>();
    values.forEach(
        (subject, any) ->
            terms.add(
                new Query.Term(
                    new Condition(
                        subject, new Condition.AnyOf(any.stream().distinct().toList())))));
    terms.addAll(asked);
    return terms.size() == 1 ? terms.getFirst() : new Query.Or(terms);
  }

  private static Query joined(List<Query> parts) {
    List<Query> asked = parts.stream().filter(p -> !p.equals(Query.ALL)).toList();
    return asked.size() == 1 ? asked.getFirst() : new Query.And(asked);
  }

  /** As text, a line each, by which {@link #read} makes them again. */
  public String write() {
    return all.stream()
        .map(
            n ->
                n.group().key()
                    + '\t'
                    + (n.out() ? OUT : IN)
                    + '\t'
                    + FindText.condition(n.condition()))
        .collect(Collectors.joining("\n"));
  }

  /**
   * Reads what {@link #write} wrote. What a codebook does not know any more is left out.
   *
   * @param text the lines
   * @param codebook the legend by now
   */
  public static Narrowings read(String text, Codebook codebook) {
    List<Narrowing> read = new ArrayList<>();
    for (String line : text.split("\n")) {
      String[] parts = line.split("\t", 3);
      if (parts.length == 3
          && FindParser.parse(parts[2], codebook) instanceof Parsed.Good good
          && good.query() instanceof Query.Term term) {
        NarrowGroup.named(parts[0], codebook)
            .ifPresent(g -> read.add(new Narrowing(g, term.condition(), parts[1].equals(OUT))));
      }
    }
    return new Narrowings(read);
  }
}
