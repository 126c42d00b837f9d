package tenterhook.core.code;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import tenterhook.core.track.ItemKind;

/**
 * By which rules an item is a long mix, a loop or a tool. What no rule holds for is a track.
 * Immutable.
 *
 * @param rules texts of the find language, in the order in which they are asked; never of {@link
 *     ItemKind#TRACK}, never empty
 */
public record ItemKinds(Map<ItemKind, String> rules) {
  /** No rule: all items are tracks. */
  public static final ItemKinds NONE = new ItemKinds(Map.of());

  /** What a new collection begins with. */
  public static final ItemKinds DEFAULT =
      new ItemKinds(
          Map.of(
              ItemKind.MIX, "duration:25:00..",
              ItemKind.LOOP, "duration:..45 (title:loop or genre:loop or genre:loops)",
              ItemKind.TOOL, "title:\"dj tool\" or genre:~\"dj tool\" or genre:~\"dj tools\""));

  /** Checks and copies. */
  public ItemKinds {
    Map<ItemKind, String> ordered = new EnumMap<>(ItemKind.class);
    rules.forEach(
        (kind, rule) -> {
          if (kind == ItemKind.TRACK || rule.isBlank()) {
            throw new IllegalArgumentException("a track is what no rule holds for");
          }
          ordered.put(kind, rule.strip());
        });
    rules = Collections.unmodifiableMap(ordered);
  }

  /**
   * The same with another rule for a kind.
   *
   * @param rule empty for none
   * @throws IllegalArgumentException when the kind is a track
   */
  public ItemKinds with(ItemKind kind, String rule) {
    Map<ItemKind, String> others = new EnumMap<>(ItemKind.class);
    others.putAll(rules);
    others.remove(kind);
    if (!rule.isBlank()) {
      others.put(kind, rule);
    }
    return new ItemKinds(others);
  }

  /** The rule of a kind; empty when it has none. */
  public String rule(ItemKind kind) {
    return rules.getOrDefault(kind, "");
  }
}
