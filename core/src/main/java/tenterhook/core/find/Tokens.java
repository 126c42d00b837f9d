package tenterhook.core.find;

import java.util.ArrayList;
import java.util.List;

/** Cuts a text of the find language into tokens with their positions. */
final class Tokens {
  enum TokenKind {
    WORD,
    QUOTED,
    /** A quoted text behind {@code =} or {@code ~}, the mark in front. */
    MARKED,
    NAME,
    OPEN,
    CLOSE,
    BAR,
    END
  }

  /** A token; {@code glued} when nothing stands between it and the one before. */
  record Token(TokenKind kind, String text, int at, boolean glued) {}

  static final class Broken extends Exception {
    final int at;

    Broken(int at, String message) {
      super(message);
      this.at = at;
    }
  }

  private final String text;
  private final List<Token> found = new ArrayList<>();
  private int at;

  private Tokens(String text) {
    this.text = text;
  }

  static List<Token> of(String text) throws Broken {
    Tokens tokens = new Tokens(text);
    tokens.run();
    return tokens.found;
  }

  private void run() throws Broken {
    while (true) {
      int before = at;
      while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
        at++;
      }
      boolean glued = before == at;
      if (at == text.length()) {
        found.add(new Token(TokenKind.END, "", at, false));
        return;
      }
      next(glued);
    }
  }

  private void next(boolean glued) throws Broken {
    char c = text.charAt(at);
    switch (c) {
      case '(' -> found.add(new Token(TokenKind.OPEN, "(", at++, glued));
      case ')' -> found.add(new Token(TokenKind.CLOSE, ")", at++, glued));
      case '|' -> found.add(new Token(TokenKind.BAR, "|", at++, glued));
      case '"' -> quoted(glued);
      default -> word(glued);
    }
  }

  private void quoted(boolean glued) throws Broken {
    int start = at++;
    StringBuilder inside = new StringBuilder();
    while (at < text.length() && text.charAt(at) != '"') {
      if (text.charAt(at) == '\\' && at + 1 < text.length()) {
        at++;
      }
      inside.append(text.charAt(at++));
    }
    if (at == text.length()) {
      throw new Broken(start, "this quotation mark is never closed; add one at the end");
    }
    at++;
    if (at < text.length() && text.charAt(at) == ':') {
      at++;
      found.add(new Token(TokenKind.NAME, inside.toString(), start, glued));
    } else {
      found.add(new Token(TokenKind.QUOTED, inside.toString(), start, glued));
    }
  }

  private void word(boolean glued) {
    int start = at;
    while (at < text.length() && !ends(text.charAt(at))) {
      if (text.charAt(at) == ':' && !followsName(glued)) {
        found.add(new Token(TokenKind.NAME, text.substring(start, at), start, glued));
        at++;
        return;
      }
      at++;
    }
    found.add(new Token(TokenKind.WORD, text.substring(start, at), start, glued));
  }

  /** A colon inside a value, as in {@code time:3:30}, is part of the value. */
  private boolean followsName(boolean glued) {
    return glued
        && !found.isEmpty()
        && (found.getLast().kind() == TokenKind.NAME || found.getLast().kind() == TokenKind.BAR);
  }

  private static boolean ends(char c) {
    return Character.isWhitespace(c) || c == '(' || c == ')' || c == '|' || c == '"';
  }
}
