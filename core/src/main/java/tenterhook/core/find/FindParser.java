package tenterhook.core.find;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Tokens.Token;
import tenterhook.core.find.Tokens.TokenKind;

/**
 * Reads the find language: words, {@code field:value}, alternatives with {@code |}, ranges with
 * {@code ..}, {@code missing:} and {@code present:}, {@code not}, {@code or} and brackets.
 * Recursive descent; the grammar stands in docs/find.md.
 */
public final class FindParser {
  private final List<Token> tokens;
  private final Function<String, Optional<String>> facets;
  private final List<String> facetNames;
  private int next;

  private FindParser(
      List<Token> tokens, Function<String, Optional<String>> facets, List<String> facetNames) {
    this.tokens = tokens;
    this.facets = facets;
    this.facetNames = facetNames;
  }

  /**
   * Reads a text.
   *
   * @param text in the find language; blank means every track
   * @param codebook whose facets may be used like fields
   * @return the query, or what is wrong and where
   */
  public static Parsed parse(String text, Codebook codebook) {
    List<String> names = codebook.facets().stream().map(Facet::name).toList();
    return parse(text, name -> codebook.facet(name).map(Facet::name), names);
  }

  /**
   * Reads a text that was written when the codebook may have been another: a name that is no field
   * is taken for a facet.
   *
   * @param text in the find language
   */
  public static Parsed parseAnyFacet(String text) {
    return parse(text, Optional::of, List.of());
  }

  private static Parsed parse(
      String text, Function<String, Optional<String>> facets, List<String> facetNames) {
    try {
      FindParser parser = new FindParser(Tokens.of(text), facets, facetNames);
      if (parser.peek().kind() == TokenKind.END) {
        return new Parsed.Good(Query.ALL);
      }
      Query query = parser.or();
      if (parser.peek().kind() == TokenKind.CLOSE) {
        throw new Tokens.Broken(parser.peek().at(), "this bracket was never opened");
      }
      parser.expectEnd();
      return new Parsed.Good(query);
    } catch (Tokens.Broken broken) {
      return new Parsed.Bad(broken.at, broken.getMessage());
    }
  }

  private void expectEnd() throws Tokens.Broken {
    if (peek().kind() != TokenKind.END) {
      throw new Tokens.Broken(peek().at(), "'" + peek().text() + "' does not fit here");
    }
  }

  private Query or() throws Tokens.Broken {
    List<Query> parts = new ArrayList<>(List.of(and()));
    while (isKeyword("or")) {
      next++;
      parts.add(and());
    }
    return parts.size() == 1 ? parts.getFirst() : new Query.Or(parts);
  }

  private Query and() throws Tokens.Broken {
    List<Query> parts = new ArrayList<>(List.of(not()));
    while (peek().kind() != TokenKind.END
        && peek().kind() != TokenKind.CLOSE
        && peek().kind() != TokenKind.BAR
        && !isKeyword("or")) {
      if (isKeyword("and")) {
        next++;
      }
      parts.add(not());
    }
    return parts.size() == 1 ? parts.getFirst() : new Query.And(parts);
  }

  private Query not() throws Tokens.Broken {
    if (isKeyword("not")) {
      next++;
      return new Query.Not(not());
    }
    return atom();
  }

  private Query atom() throws Tokens.Broken {
    Token token = tokens.get(next);
    return switch (token.kind()) {
      case OPEN -> bracket();
      case NAME -> term();
      case WORD, QUOTED, MARKED -> {
        if (token.kind() == TokenKind.WORD && (isKeyword("or") || isKeyword("and"))) {
          throw new Tokens.Broken(
              token.at(),
              "'"
                  + token.text()
                  + "' needs something before it; write \""
                  + token.text()
                  + "\" for the word");
        }
        next++;
        yield new Query.Word(token.text());
      }
      case BAR -> throw new Tokens.Broken(token.at(), "| stands between values of one field");
      case CLOSE -> throw new Tokens.Broken(token.at(), "there is nothing in this bracket");
      case END -> throw new Tokens.Broken(token.at(), "something is missing here");
    };
  }

  private Query bracket() throws Tokens.Broken {
    Token open = tokens.get(next++);
    Query inside = or();
    if (peek().kind() != TokenKind.CLOSE) {
      throw new Tokens.Broken(open.at(), "this bracket is never closed; add ) at the end");
    }
    next++;
    return inside;
  }

  private Query term() throws Tokens.Broken {
    Token name = tokens.get(next++);
    String lower = name.text().toLowerCase(Locale.ROOT);
    if (lower.equals("missing") || lower.equals("present")) {
      Token what = value(name);
      Subject subject = subject(what.text(), what.at());
      if (!subject.canBeMissing()) {
        String key = subject.key();
        throw new Tokens.Broken(what.at(), key + " takes a value, such as " + key + ":lap");
      }
      Condition.Test test =
          lower.equals("missing") ? new Condition.Missing() : new Condition.Present();
      return new Query.Term(new Condition(subject, test));
    }
    Subject subject = subject(name.text(), name.at());
    Token first = value(name);
    if (isAllOf(subject, first)) {
      return new Query.Term(new Condition(subject, allOf(first)));
    }
    List<Condition.Value> values = new ArrayList<>();
    values.add(checked(subject, first));
    while (peek().kind() == TokenKind.BAR) {
      Token bar = tokens.get(next++);
      Token more = value(bar);
      if (isAllOf(subject, more)) {
        throw mixed(more);
      }
      values.add(checked(subject, more));
    }
    return subject == Subject.Own.TEXT ? words(values) : term(subject, values);
  }

  private static Query term(Subject subject, List<Condition.Value> values) {
    return new Query.Term(new Condition(subject, new Condition.AnyOf(values)));
  }

  /** {@code text:lap} asks the same as the word alone. */
  private static Query words(List<Condition.Value> values) {
    List<Query> words = values.stream().map(v -> (Query) new Query.Word(v.text())).toList();
    return words.size() == 1 ? words.getFirst() : new Query.Or(words);
  }

  /** Codes hold no {@code &}, so that it can stand between those that must all be carried. */
  private boolean isAllOf(Subject subject, Token token) {
    return token.kind() == TokenKind.WORD
        && token.text().indexOf('&') >= 0
        && (subject == Subject.Own.CODE || isFacet(subject));
  }

  private Condition.Test allOf(Token token) throws Tokens.Broken {
    List<Condition.Value> values = new ArrayList<>();
    for (String code : token.text().split("&", -1)) {
      if (code.isEmpty()) {
        throw new Tokens.Broken(token.at(), "a code is missing beside &, such as in SKA&VOX");
      }
      values.add(new Condition.Part(code));
    }
    if (peek().kind() == TokenKind.BAR) {
      throw mixed(peek());
    }
    return new Condition.AllOf(values);
  }

  private static Tokens.Broken mixed(Token at) {
    return new Tokens.Broken(at.at(), "a line takes | (any of) or & (all of), not both");
  }

  private Token value(Token after) throws Tokens.Broken {
    Token value = tokens.get(next);
    boolean text = value.kind() == TokenKind.WORD || value.kind() == TokenKind.QUOTED;
    if (!text || !value.glued()) {
      int end = after.at() + after.text().length() + 1;
      throw new Tokens.Broken(
          Math.min(end, value.at()),
          "a value is missing after " + after.text() + (after.kind() == TokenKind.NAME ? ":" : ""));
    }
    next++;
    boolean marked =
        value.kind() == TokenKind.WORD && (value.text().equals("=") || value.text().equals("~"));
    Token more = tokens.get(next);
    if (marked && more.kind() == TokenKind.QUOTED && more.glued()) {
      next++;
      return new Token(TokenKind.MARKED, value.text() + more.text(), value.at(), true);
    }
    return value;
  }

  private Condition.Value checked(Subject subject, Token token) throws Tokens.Broken {
    Condition.Value value = valueOf(token);
    Optional<Field<?>> field = field(subject);
    boolean numeric = field.map(f -> f.type().numeric()).orElse(false);
    if (value instanceof Condition.Range range && numeric) {
      checkNumber(field.orElseThrow(), range.from(), token);
      checkNumber(field.orElseThrow(), range.to(), token);
      if (range.from().isEmpty() && range.to().isEmpty()) {
        throw new Tokens.Broken(token.at(), "a range needs one end at least, such as 1990..1999");
      }
    } else if (value instanceof Condition.Range) {
      throw new Tokens.Broken(
          token.at(), subject.key() + " has no order; quote the text to look for dots");
    } else if (numeric) {
      checkNumber(field.orElseThrow(), value.text(), token);
    }
    return value;
  }

  private static Condition.Value valueOf(Token token) {
    if (token.kind() == TokenKind.QUOTED) {
      return new Condition.Part(token.text());
    }
    boolean marked = token.text().length() > 1 || token.kind() == TokenKind.MARKED;
    if (token.text().startsWith("=") && marked) {
      return new Condition.Whole(token.text().substring(1));
    }
    if (token.text().startsWith("~") && marked) {
      return new Condition.Like(token.text().substring(1));
    }
    int dots = token.text().indexOf("..");
    return dots < 0
        ? new Condition.Part(token.text())
        : new Condition.Range(token.text().substring(0, dots), token.text().substring(dots + 2));
  }

  private static void checkNumber(Field<?> field, String text, Token token) throws Tokens.Broken {
    if (!text.isEmpty() && !Numbers.readable(field, text)) {
      throw new Tokens.Broken(
          token.at(),
          "'" + text + "' is no value of " + field.label() + ": " + Numbers.example(field));
    }
  }

  private Subject subject(String name, int at) throws Tokens.Broken {
    if (name.isBlank()) {
      throw new Tokens.Broken(at, unknown(name));
    }
    Subject subject = Subject.named(name);
    if (!(subject instanceof Subject.Named)) {
      return subject;
    }
    return facets
        .apply(name)
        .or(() -> Fields.named(name).map(Field::key))
        .map(Subject.Named::new)
        .orElseThrow(() -> new Tokens.Broken(at, unknown(name)));
  }

  private boolean isFacet(Subject subject) {
    return subject instanceof Subject.Named named && facets.apply(named.key()).isPresent();
  }

  /** The field whose numbers a value must be; empty where values are codes, names or words. */
  private Optional<Field<?>> field(Subject subject) {
    return isFacet(subject) ? Optional.empty() : subject.field(Codebook.EMPTY);
  }

  private String unknown(String name) {
    List<String> names = new ArrayList<>(Fields.all().stream().map(Field::key).toList());
    names.addAll(facetNames);
    String near = Nearest.of(name, names).map(n -> "; did you mean " + n + ":?").orElse(";");
    return "no field or facet is called '" + name + "'" + near + " quote it to look for the words.";
  }

  private Token peek() {
    return tokens.get(next);
  }

  private boolean isKeyword(String word) {
    return peek().kind() == TokenKind.WORD && peek().text().equalsIgnoreCase(word);
  }
}
