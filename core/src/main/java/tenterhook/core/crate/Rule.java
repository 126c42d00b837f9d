package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Query;
import tenterhook.core.find.Subject;

/** What a rule crate keeps: lines in groups. */
public sealed interface Rule {
  /** The rule as a query of the find language. */
  Query query();

  /**
   * One condition.
   *
   * @param condition what is tested
   * @param turned whether it must not hold
   */
  record Line(Condition condition, boolean turned) implements Rule {
    /** Checks that words are asked for one at a time, so that a line is one term of the text. */
    public Line {
      if (condition.subject() == Subject.Own.TEXT && condition.values().size() != 1) {
        throw new IllegalArgumentException("a line asks for one word or one quoted text");
      }
    }

    /** A condition that must hold. */
    public Line(Condition condition) {
      this(condition, false);
    }

    @Override
    public Query query() {
      Query asked =
          condition.subject() == Subject.Own.TEXT
              ? new Query.Word(condition.values().getFirst().text())
              : new Query.Term(condition);
      return turned ? new Query.Not(asked) : asked;
    }

    /** The line as text of the find language. */
    public String text() {
      return FindText.write(query());
    }
  }

  /** How the parts of a group combine. */
  enum Kind {
    /** Every part holds. */
    ALL,
    /** At least one part holds. */
    ANY,
    /** No part holds. */
    NONE
  }

  /**
   * Lines and groups under one head. A group without parts asks for nothing.
   *
   * @param kind how the parts combine
   * @param parts in order
   */
  record RuleGroup(Kind kind, List<Rule> parts) implements Rule {
    /** Copies. */
    public RuleGroup {
      parts = List.copyOf(parts);
    }

    @Override
    public Query query() {
      List<Query> asked =
          parts.stream()
              .filter(p -> !(p instanceof RuleGroup g && g.isEmpty()))
              .map(Rule::query)
              .toList();
      if (asked.isEmpty()) {
        return Query.ALL;
      }
      return switch (kind) {
        case ALL -> asked.size() == 1 ? asked.getFirst() : new Query.And(asked);
        case ANY -> asked.size() == 1 ? asked.getFirst() : new Query.Or(asked);
        case NONE -> new Query.Not(asked.size() == 1 ? asked.getFirst() : new Query.Or(asked));
      };
    }

    /** Whether no line stands in it, to any depth. */
    public boolean isEmpty() {
      return parts.stream().allMatch(p -> p instanceof RuleGroup g && g.isEmpty());
    }

    /** The same group with one more part at the end. */
    public RuleGroup plus(Rule part) {
      List<Rule> more = new ArrayList<>(parts);
      more.add(part);
      return new RuleGroup(kind, more);
    }
  }

  /** The rule that asks the same as a query; its text is the query's text. */
  static RuleGroup of(Query query) {
    Rule rule = part(query);
    return rule instanceof RuleGroup group ? group : new RuleGroup(Kind.ALL, List.of(rule));
  }

  /** The line that asks the same as a query; empty when it takes more than one. */
  static Optional<Line> line(Query query) {
    return part(query) instanceof Line line ? Optional.of(line) : Optional.empty();
  }

  private static Rule part(Query query) {
    return switch (query) {
      case Query.Word word -> new Line(text(word));
      case Query.Term term -> new Line(term.condition());
      case Query.Not(Query.Word word) -> new Line(text(word), true);
      case Query.Not(Query.Term term) -> new Line(term.condition(), true);
      case Query.Not(Query.Or or) when or.parts().size() > 1 -> group(Kind.NONE, or.parts());
      case Query.Not not -> new RuleGroup(Kind.NONE, List.of(part(not.part())));
      case Query.And and -> group(Kind.ALL, and.parts());
      case Query.Or or -> group(Kind.ANY, or.parts());
    };
  }

  private static RuleGroup group(Kind kind, List<Query> parts) {
    return new RuleGroup(kind, parts.stream().map(Rule::part).toList());
  }

  private static Condition text(Query.Word word) {
    return new Condition(
        Subject.Own.TEXT, new Condition.AnyOf(List.of(new Condition.Part(word.text()))));
  }

  /** All lines in the order they are read, top to bottom. */
  static List<Line> lines(Rule rule) {
    return switch (rule) {
      case Line line -> List.of(line);
      case RuleGroup group -> group.parts().stream().flatMap(p -> lines(p).stream()).toList();
    };
  }

  /**
   * The rule with some lines left out or changed.
   *
   * @param rule to start from
   * @param edit gives the line to keep in its place, or null to leave it out
   */
  static Rule mapped(Rule rule, UnaryOperator<@org.jspecify.annotations.Nullable Line> edit) {
    return switch (rule) {
      case Line line -> {
        Line kept = edit.apply(line);
        yield kept == null ? new RuleGroup(Kind.ALL, List.of()) : kept;
      }
      case RuleGroup group ->
          new RuleGroup(group.kind(), group.parts().stream().map(p -> mapped(p, edit)).toList());
    };
  }
}
