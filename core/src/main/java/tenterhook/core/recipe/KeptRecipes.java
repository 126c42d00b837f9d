package tenterhook.core.recipe;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Recipes that are kept under names, as one text: a line {@code # name} above the lines of each.
 *
 * @param texts by their names, in the order of keeping
 */
public record KeptRecipes(Map<String, String> texts) {
  /** The name of the setting that holds them. */
  public static final String SETTING = "recipes";

  /** None. */
  public static final KeptRecipes NONE = new KeptRecipes(Map.of());

  private static final String HEAD = "# ";

  /** Copies. */
  public KeptRecipes {
    texts = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(texts));
  }

  /** Reads what {@link #write} wrote. */
  public static KeptRecipes read(String text) {
    Map<String, StringBuilder> texts = new LinkedHashMap<>();
    StringBuilder now = new StringBuilder();
    for (String line : text.lines().toList()) {
      if (line.startsWith(HEAD)) {
        now = new StringBuilder();
        texts.put(line.substring(HEAD.length()), now);
      } else {
        now.append(now.isEmpty() ? "" : "\n").append(line);
      }
    }
    Map<String, String> read = new LinkedHashMap<>();
    texts.forEach((name, lines) -> read.put(name, lines.toString()));
    return new KeptRecipes(read);
  }

  /** A recipe by its name; empty when there is none, or its steps cannot be read any more. */
  public Optional<Recipe> recipe(String name) {
    String text = texts.get(name);
    return text != null && RecipeText.read(text) instanceof RecipeText.Read.Good good
        ? Optional.of(good.recipe())
        : Optional.empty();
  }

  /** All of them as one text. */
  public String write() {
    return texts.entrySet().stream()
        .map(e -> HEAD + e.getKey() + "\n" + e.getValue())
        .collect(Collectors.joining("\n"));
  }

  /**
   * The same with one more; another of its name is replaced.
   *
   * @param name one line, not blank
   */
  public KeptRecipes plus(String name, Recipe recipe) {
    if (name.isBlank() || name.lines().count() != 1) {
      throw new IllegalArgumentException("a recipe needs a name of one line");
    }
    Map<String, String> more = new LinkedHashMap<>(texts);
    more.put(name.strip(), RecipeText.write(recipe));
    return new KeptRecipes(more);
  }

  /** The same without one. */
  public KeptRecipes minus(String name) {
    Map<String, String> fewer = new LinkedHashMap<>(texts);
    fewer.remove(name);
    return new KeptRecipes(fewer);
  }
}
