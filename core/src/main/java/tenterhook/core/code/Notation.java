package tenterhook.core.code;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * How codes, and figures behind them, stand in a tag field beside the DJ's own words, which are
 * kept to the letter.
 *
 * @param field key of the text field that codes are written into
 * @param style how a code is told from a word
 * @param alphabetical whether codes stand in the order of the alphabet, not of the codebook
 * @param inFront whether codes stand before the DJ's own words
 * @param upper whether codes are written in capitals, however the codebook spells them
 * @param figures what stands behind the codes
 */
public record Notation(
    String field,
    Style style,
    boolean alphabetical,
    boolean inFront,
    boolean upper,
    Figures figures) {
  private static final String TOKEN = "[\\p{L}\\p{N}+#-]{1,12}";
  private static final String BAR = " | ";

  /** Wrapped, behind the words of the comment, in the order of the codebook. */
  public static final Notation DEFAULT = new Notation("comment");

  /** How a code is told from a word. */
  public enum Style {
    /**
     * {@code own words /80S/SKA/}: a stroke on both sides, so that a plain search for {@code /SKA/}
     * finds no longer code by mistake.
     */
    WRAPPED("(?<=^|\\s)/((?:" + TOKEN + "/)+)(?=\\s|$)"),
    /** {@code own words ~80S ~SKA}: a mark in front, so that no word is taken for a code. */
    PREFIXED("(?<=^|\\s)~(" + TOKEN + ")(?=\\s|$)"),
    /** {@code own words | 80S, SKA}: a list, with a bar between it and words. */
    SEPARATED(TOKEN + "(?:\\s*[,;]\\s*" + TOKEN + ")*");

    private final Pattern shape;

    Style(String shape) {
      this.shape = Pattern.compile(shape);
    }
  }

  /** Checks that the field is one of text that can be written. */
  public Notation {
    if (!Fields.of(field).editable() || Fields.of(field).type().numeric()) {
      throw new IllegalArgumentException("codes need a text field, not " + field);
    }
  }

  /** Wrapped, behind the words of a field. */
  public Notation(String field) {
    this(field, Style.WRAPPED, false, false, false);
  }

  /** Without figures. */
  public Notation(String field, Style style, boolean alphabetical, boolean inFront, boolean upper) {
    this(field, style, alphabetical, inFront, upper, Figures.NONE);
  }

  /** The same notation in another field. */
  public Notation in(String other) {
    return new Notation(other, style, alphabetical, inFront, upper, figures);
  }

  /** The same notation in another style. */
  public Notation in(Style other) {
    return new Notation(field, other, alphabetical, inFront, upper, figures);
  }

  /** The same notation in another order, place or spelling. */
  public Notation ordered(boolean byAlphabet, boolean before, boolean capitals) {
    return new Notation(field, style, byAlphabet, before, capitals, figures);
  }

  /** The same notation with other figures behind the codes. */
  public Notation with(Figures other) {
    return new Notation(field, style, alphabetical, inFront, upper, other);
  }

  /** The field that codes are written into. */
  public Field<?> target() {
    return Fields.of(field);
  }

  /**
   * What a field's text holds.
   *
   * @param own the DJ's own words, to the letter, without codes and figures
   * @param tokens all tokens in this notation, in the order found, each once
   * @param figures the figures in their brackets, or empty
   */
  public record Content(String own, List<String> tokens, String figures) {
    /** Keeps a copy. */
    public Content {
      tokens = List.copyOf(tokens);
    }

    /** The same with other own words. */
    public Content withOwn(String words) {
      return new Content(words, tokens, figures);
    }

    /** The same with other tokens. */
    public Content withTokens(List<String> others) {
      return new Content(own, others, figures);
    }

    /** The same with other figures. */
    public Content withFigures(String others) {
      return new Content(own, tokens, others);
    }
  }

  /**
   * Takes a field's text apart.
   *
   * @param text what the field holds
   * @return own words, tokens and figures; all empty for an empty text
   */
  public Content read(String text) {
    Figures.Parts parts = figures.read(text);
    return parts.block().isEmpty()
        ? withoutFigures(text)
        : withoutFigures(parts.rest()).withFigures(parts.block());
  }

  private Content withoutFigures(String text) {
    return switch (style) {
      case WRAPPED -> text.indexOf('/') < 0 ? plain(text) : marked(text);
      case PREFIXED -> text.indexOf('~') < 0 ? plain(text) : marked(text);
      case SEPARATED -> listed(text);
    };
  }

  private static Content plain(String text) {
    return new Content(text, List.of(), "");
  }

  private Content marked(String text) {
    Set<String> tokens = new LinkedHashSet<>();
    Matcher block = style.shape.matcher(text);
    StringBuilder own = new StringBuilder();
    int from = 0;
    while (block.find()) {
      tokens.addAll(List.of(block.group(1).split("/")));
      int end = block.start();
      own.append(text, from, end > from && text.charAt(end - 1) == ' ' ? end - 1 : end);
      from = block.end();
      if (inFront && own.isEmpty() && from < text.length() && text.charAt(from) == ' ') {
        from++;
      }
    }
    own.append(text, from, text.length());
    return new Content(own.toString(), new ArrayList<>(tokens), "");
  }

  /** A text without a bar is a list when it has the shape of one; a bar at its end says no. */
  private Content listed(String text) {
    int bar = inFront ? text.indexOf(BAR) : text.lastIndexOf(BAR);
    String codes = bar < 0 ? text : inFront ? text.substring(0, bar) : text.substring(bar + 3);
    String own = bar < 0 ? "" : inFront ? text.substring(bar + 3) : text.substring(0, bar);
    if (style.shape.matcher(codes).matches()) {
      List<String> tokens = Arrays.asList(codes.split("\\s*[,;]\\s*"));
      return new Content(own, List.copyOf(new LinkedHashSet<>(tokens)), "");
    }
    return text.endsWith(" |") ? plain(text.substring(0, text.length() - 2)) : plain(text);
  }

  /** Writes what a text holds as one text. */
  public String write(Content content) {
    return figures.write(write(content.own(), content.tokens()), content.figures());
  }

  /**
   * A field's text with the figures of a track as they are now; the text itself where they are.
   *
   * @param text what the field holds
   * @param raw the raw value of each field of the track
   */
  public String inStep(String text, Function<Field<?>, String> raw) {
    if (figures.equals(Figures.NONE)) {
      return text;
    }
    Content content = read(text);
    String now = figures.of(raw);
    return content.figures().equals(now) ? text : write(content.withFigures(now));
  }

  /**
   * Writes own words and tokens as one text.
   *
   * @param own kept to the letter
   * @param tokens in the order of the codebook; none leaves the own words alone
   */
  public String write(String own, List<String> tokens) {
    List<String> spelled = spelled(tokens);
    if (spelled.isEmpty()) {
      boolean taken = style == Style.SEPARATED && !listed(own).equals(plain(own));
      return taken ? own + " |" : own;
    }
    String block =
        switch (style) {
          case WRAPPED -> "/" + String.join("/", spelled) + "/";
          case PREFIXED -> "~" + String.join(" ~", spelled);
          case SEPARATED -> String.join(", ", spelled);
        };
    String between = style == Style.SEPARATED ? BAR : " ";
    if (own.isEmpty()) {
      return block;
    }
    return inFront ? block + between + own : own + between + block;
  }

  private List<String> spelled(Collection<String> tokens) {
    List<String> spelled = new ArrayList<>(tokens);
    if (upper) {
      spelled.replaceAll(t -> t.toUpperCase(Locale.ROOT));
    }
    if (alphabetical) {
      spelled.sort(String::compareToIgnoreCase);
    }
    return spelled;
  }

  /** How one code is written, as another program's plain search for it would be typed. */
  public String written(String token) {
    String spelled = upper ? token.toUpperCase(Locale.ROOT) : token;
    return switch (style) {
      case WRAPPED -> "/" + spelled + "/";
      case PREFIXED -> "~" + spelled;
      case SEPARATED -> spelled;
    };
  }
}
