package tenterhook.core.find;

import java.util.List;
import java.util.stream.Collectors;

/** Writes a query as text of the find language; {@link FindParser} reads the same query back. */
public final class FindText {
  private FindText() {}

  /**
   * Writes a query.
   *
   * @param query any query
   * @return its text; empty for the query that every track answers
   */
  public static String write(Query query) {
    return switch (query) {
      case Query.Word word ->
          plain(word.text()) && !keyword(word.text()) ? word.text() : quote(word.text());
      case Query.Term term -> condition(term.condition());
      case Query.Not not -> "not " + bracketed(not.part());
      case Query.And and ->
          and.parts().stream().map(FindText::bracketed).collect(Collectors.joining(" "));
      case Query.Or or ->
          or.parts().stream().map(FindText::bracketed).collect(Collectors.joining(" or "));
    };
  }

  private static String bracketed(Query part) {
    boolean group = part instanceof Query.And || part instanceof Query.Or;
    return group ? "(" + write(part) + ")" : write(part);
  }

  /**
   * Writes one condition, as a rule line shows it.
   *
   * @param condition any condition
   */
  public static String condition(Condition condition) {
    String name =
        plain(condition.subject().key())
            ? condition.subject().key()
            : quote(condition.subject().key());
    return switch (condition.test()) {
      case Condition.Missing missing -> "missing:" + name;
      case Condition.Present present -> "present:" + name;
      case Condition.AnyOf any -> name + ":" + values(any.values(), "|");
      case Condition.AllOf all -> name + ":" + values(all.values(), "&");
    };
  }

  private static String values(List<Condition.Value> values, String between) {
    return values.stream().map(FindText::value).collect(Collectors.joining(between));
  }

  /** Writes one value, quoted where it must be. */
  public static String value(Condition.Value value) {
    return switch (value) {
      case Condition.Part part ->
          part.text().startsWith("=") || part.text().startsWith("~")
              ? quote(part.text())
              : quotedValue(part.text());
      case Condition.Whole whole -> "=" + quotedValue(whole.text());
      case Condition.Like like -> "~" + quotedValue(like.text());
      case Condition.Range range -> range.text();
    };
  }

  private static String quotedValue(String text) {
    boolean plain = plainValue(text) && !text.contains("..") && text.indexOf('&') < 0;
    return plain ? text : quote(text);
  }

  private static boolean keyword(String text) {
    return List.of("or", "and", "not").contains(text.toLowerCase(java.util.Locale.ROOT));
  }

  private static boolean plain(String text) {
    return plainValue(text) && text.indexOf(':') < 0;
  }

  private static boolean plainValue(String text) {
    return !text.isEmpty()
        && text.chars().noneMatch(c -> Character.isWhitespace(c) || "()|\"\\".indexOf(c) >= 0);
  }

  private static String quote(String text) {
    return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
  }
}
