package tenterhook.core.code;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * How codes stand in a tag field: {@code own words /80S/SKA/SPR/}. Every code has a stroke on both
 * sides, so that a plain search for {@code /SKA/} finds no longer code by mistake.
 *
 * @param field key of the text field that codes are written into
 */
public record Notation(String field) {
  /** At the end of the comment. */
  public static final Notation DEFAULT = new Notation("comment");

  private static final Pattern BLOCK =
      Pattern.compile("(?<=^|\\s)/((?:[\\p{L}\\p{N}+#-]{1,12}/)+)(?=\\s|$)");

  /** Checks that the field is one of text that can be written. */
  public Notation {
    if (!Fields.of(field).editable() || Fields.of(field).type().numeric()) {
      throw new IllegalArgumentException("codes need a text field, not " + field);
    }
  }

  /** The field that codes are written into. */
  public Field<?> target() {
    return Fields.of(field);
  }

  /**
   * What a field's text holds.
   *
   * @param own the DJ's own words, to the letter, without the codes
   * @param tokens all tokens in code strokes, in the order found, each once
   */
  public record Reading(String own, List<String> tokens) {
    /** Keeps a copy. */
    public Reading {
      tokens = List.copyOf(tokens);
    }
  }

  /**
   * Takes a field's text apart.
   *
   * @param text what the field holds
   * @return own words and tokens; both empty for an empty text
   */
  public static Reading read(String text) {
    if (text.indexOf('/') < 0) {
      return new Reading(text, List.of());
    }
    Set<String> tokens = new LinkedHashSet<>();
    Matcher block = BLOCK.matcher(text);
    StringBuilder own = new StringBuilder();
    int from = 0;
    while (block.find()) {
      tokens.addAll(List.of(block.group(1).split("/")));
      int end = block.start();
      own.append(text, from, end > from && isBlank(text, end - 1) ? end - 1 : end);
      from = block.end();
    }
    own.append(text, from, text.length());
    return new Reading(own.toString(), new ArrayList<>(tokens));
  }

  private static boolean isBlank(String text, int at) {
    return text.charAt(at) == ' ';
  }

  /**
   * Writes own words and tokens as one text.
   *
   * @param own kept to the letter, in front
   * @param tokens in the order to be written; none leaves the own words alone
   */
  public static String write(String own, List<String> tokens) {
    if (tokens.isEmpty()) {
      return own;
    }
    String block = "/" + String.join("/", tokens) + "/";
    return own.isEmpty() ? block : own + " " + block;
  }
}
