package tenterhook.core.recipe;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.PatternSyntaxException;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.recipe.RecipeStep.CapitalForm;

/**
 * Recipes as text, a line a step: a verb, then fields and texts, those with blanks in quotation
 * marks ({@code replace title " (Official Video)" ""}). What {@link #write} writes, {@link #read}
 * reads.
 */
public final class RecipeText {
  private RecipeText() {}

  /** What became of a text. */
  public sealed interface Read {
    /** It can be read. */
    record Good(Recipe recipe) implements Read {}

    /**
     * It cannot be read.
     *
     * @param line from 0
     * @param position of the first character that is wrong, from 0
     * @param message what is wrong and what to do
     */
    record Bad(int line, int position, String message) implements Read {}
  }

  /**
   * A word of a line.
   *
   * @param at where it begins
   * @param inside where its text begins, behind a quotation mark
   */
  private record Word(String text, int at, int inside) {}

  private static final class Wrong extends Exception {
    private static final long serialVersionUID = 1;
    private final int position;

    Wrong(int position, String message) {
      super(message);
      this.position = position;
    }
  }

  /** Reads a recipe; empty lines are left out. */
  public static Read read(String text) {
    List<RecipeStep> steps = new ArrayList<>();
    List<String> lines = text.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      try {
        List<Word> words = split(lines.get(i));
        if (!words.isEmpty()) {
          steps.add(new LineReader(words, lines.get(i).length()).step());
        }
      } catch (Wrong wrong) {
        return new Read.Bad(i, wrong.position, String.valueOf(wrong.getMessage()));
      }
    }
    return new Read.Good(new Recipe(steps));
  }

  /** The words of a line that {@link #line} wrote, without quotation marks. */
  public static List<String> words(String line) {
    try {
      return split(line).stream().map(Word::text).toList();
    } catch (Wrong wrong) {
      throw new IllegalArgumentException(line + " is no line of a recipe", wrong);
    }
  }

  private static List<Word> split(String line) throws Wrong {
    List<Word> words = new ArrayList<>();
    int at = 0;
    while (at < line.length()) {
      if (Character.isWhitespace(line.charAt(at))) {
        at++;
      } else if (line.charAt(at) == '"') {
        StringBuilder text = new StringBuilder();
        int end = quoted(line, at, text);
        words.add(new Word(text.toString(), at, at + 1));
        at = end;
      } else {
        int end = at;
        while (end < line.length() && !Character.isWhitespace(line.charAt(end))) {
          end++;
        }
        words.add(new Word(line.substring(at, end), at, at));
        at = end;
      }
    }
    return words;
  }

  /** Reads a text in quotation marks; gives the place behind it. */
  private static int quoted(String line, int from, StringBuilder into) throws Wrong {
    int at = from + 1;
    while (at < line.length() && line.charAt(at) != '"') {
      boolean escaped = line.charAt(at) == '\\' && at + 1 < line.length();
      at += escaped ? 1 : 0;
      into.append(escaped ? unescaped(line.charAt(at)) : line.charAt(at));
      at++;
    }
    if (at >= line.length()) {
      throw new Wrong(from, "this quotation mark is not closed");
    }
    return at + 1;
  }

  private static char unescaped(char letter) {
    return switch (letter) {
      case 'n' -> '\n';
      case 'r' -> '\r';
      default -> letter;
    };
  }

  /** Reads one line. */
  private static final class LineReader {
    private final List<Word> words;
    private final int end;
    private int next;

    LineReader(List<Word> words, int end) {
      this.words = words;
      this.end = end;
    }

    RecipeStep step() throws Wrong {
      Word verb = word("a verb");
      try {
        RecipeStep step = step(verb);
        if (next < words.size()) {
          throw new Wrong(words.get(next).at(), "nothing more is expected here");
        }
        return step;
      } catch (PatternSyntaxException wrong) {
        int at = words.get(2).inside() + Math.max(0, wrong.getIndex());
        throw new Wrong(at, "the pattern is wrong here: " + wrong.getDescription());
      } catch (IllegalArgumentException wrong) {
        throw new Wrong(words.getFirst().at(), String.valueOf(wrong.getMessage()));
      }
    }

    private RecipeStep step(Word verb) throws Wrong {
      return switch (verb.text().toLowerCase(Locale.ROOT)) {
        case "replace" -> new RecipeStep.Replace(field(), text("words"), text("other words"));
        case "pattern" ->
            new RecipeStep.ReplacePattern(field(), text("a pattern"), text("what replaces it"));
        case "before" -> new RecipeStep.Put(field(), text("a text"), false);
        case "behind" -> new RecipeStep.Put(field(), text("a text"), true);
        case "copy" -> new RecipeStep.Copy(field(), field());
        case "swap" -> new RecipeStep.Swap(field(), field());
        case "capitals" -> new RecipeStep.SetCapitals(field(), form());
        case "number" -> new RecipeStep.Number(field(), number());
        case "split" -> new RecipeStep.Split(field(), text("a text"));
        case "join" -> new RecipeStep.Join(field(), text("a text"));
        case "trim" -> new RecipeStep.Trim(field());
        case "clear" -> new RecipeStep.Clear(field());
        case "give" -> new RecipeStep.Give(field(), text("a value"));
        case "codes" -> codes();
        default ->
            throw new Wrong(
                verb.at(),
                "no step is called '"
                    + verb.text()
                    + "'; there are replace, pattern, before, behind, copy, swap, capitals,"
                    + " number, split, join, trim, clear, give, codes");
      };
    }

    private Word word(String what) throws Wrong {
      if (next >= words.size()) {
        throw new Wrong(end, what + " is missing");
      }
      return words.get(next++);
    }

    private String text(String what) throws Wrong {
      return word(what).text();
    }

    private Field<?> field() throws Wrong {
      Word name = word("a field");
      return Fields.named(name.text())
          .orElseThrow(() -> new Wrong(name.at(), "no field is called '" + name.text() + "'"));
    }

    private CapitalForm form() throws Wrong {
      Word name = word("rule, sentence, upper or lower");
      for (CapitalForm form : CapitalForm.values()) {
        if (form.name().equalsIgnoreCase(name.text())) {
          return form;
        }
      }
      throw new Wrong(name.at(), "write rule, sentence, upper or lower");
    }

    private int number() throws Wrong {
      if (next >= words.size()) {
        return 1;
      }
      Word first = word("a number");
      try {
        return Integer.parseInt(first.text());
      } catch (NumberFormatException wrong) {
        throw new Wrong(first.at(), "write the first number, such as 1");
      }
    }

    private RecipeStep codes() throws Wrong {
      List<String> give = new ArrayList<>();
      List<String> take = new ArrayList<>();
      while (next < words.size()) {
        Word code = word("a code");
        char sign = code.text().charAt(0);
        if (sign != '+' && sign != '-' || code.text().length() < 2) {
          throw new Wrong(code.at(), "write +CODE to give a code, -CODE to take one");
        }
        (sign == '+' ? give : take).add(code.text().substring(1));
      }
      return new RecipeStep.ChangeCodes(give, take);
    }
  }

  /** Writes a recipe, a line a step. */
  public static String write(Recipe recipe) {
    return recipe.steps().stream().map(RecipeText::line).collect(Collectors.joining("\n"));
  }

  /** Writes one step. */
  public static String line(RecipeStep step) {
    return switch (step) {
      case RecipeStep.Replace s -> line("replace", s.field(), s.from(), s.to());
      case RecipeStep.ReplacePattern s -> line("pattern", s.field(), s.pattern(), s.to());
      case RecipeStep.Put s -> line(s.behind() ? "behind" : "before", s.field(), s.text());
      case RecipeStep.Copy s -> line("copy", s.from(), s.to().key());
      case RecipeStep.Swap s -> line("swap", s.one(), s.other().key());
      case RecipeStep.SetCapitals s ->
          line("capitals", s.field(), s.form().name().toLowerCase(Locale.ROOT));
      case RecipeStep.Number s -> line("number", s.field(), String.valueOf(s.first()));
      case RecipeStep.Split s -> line("split", s.field(), s.at());
      case RecipeStep.Join s -> line("join", s.field(), s.with());
      case RecipeStep.Trim s -> line("trim", s.field());
      case RecipeStep.Clear s -> line("clear", s.field());
      case RecipeStep.Give s -> line("give", s.field(), s.value());
      case RecipeStep.ChangeCodes s -> {
        List<String> words = new ArrayList<>();
        s.give().forEach(c -> words.add("+" + c));
        s.take().forEach(c -> words.add("-" + c));
        yield "codes " + String.join(" ", words);
      }
    };
  }

  private static String line(String verb, Field<?> field, String... texts) {
    StringBuilder line = new StringBuilder(verb).append(' ').append(field.key());
    for (String text : texts) {
      line.append(' ').append(quoted(text));
    }
    return line.toString();
  }

  /** A text as one word of a line, in quotation marks where it must be. */
  public static String quoted(String text) {
    return plain(text) ? text : quote(text);
  }

  private static boolean plain(String text) {
    return !text.isEmpty()
        && text.chars().noneMatch(c -> Character.isWhitespace(c) || c == '"' || c == '\\');
  }

  private static String quote(String text) {
    return '"'
        + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n").replace("\r", "\\r")
        + '"';
  }
}
