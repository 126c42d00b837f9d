package tenterhook.desktop.workspace;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import tenterhook.core.code.Codebook;
import tenterhook.core.narrow.NarrowCounter;
import tenterhook.core.narrow.Narrowings;

/**
 * What lists are narrowed to, beyond one list: a narrowing that is pinned and goes along from list
 * to list, and those that are kept under a name.
 */
public final class NarrowingModel {
  private static final String SETTING = "narrowings";
  private static final String BETWEEN = "\f";
  private static final String NAME_ENDS = "\u000b";

  private final Workspace workspace;
  private final SimpleBooleanProperty pinned = new SimpleBooleanProperty();
  private Narrowings latest = Narrowings.NONE;
  private NarrowCounter counter;

  NarrowingModel(Workspace workspace) {
    this.workspace = workspace;
    this.counter = new NarrowCounter(workspace.state().get().codebook());
  }

  /** Whether a narrowing goes along to the next list. */
  public ReadOnlyBooleanProperty pinned() {
    return pinned;
  }

  /**
   * Pins a narrowing, or lets it go.
   *
   * @param now of the list in view
   */
  public void pin(boolean pin, Narrowings now) {
    latest = now;
    pinned.set(pin);
  }

  /** Says what the list in view is narrowed to by now. */
  public void chosen(Narrowings now) {
    latest = now;
  }

  /** What another list is narrowed to when it comes into view. */
  public Narrowings forNextList() {
    return pinned.get() ? latest : Narrowings.NONE;
  }

  /** Counts by the legend of this moment. */
  public NarrowCounter counter() {
    Codebook now = workspace.state().get().codebook();
    if (counter.codebook() != now) {
      counter = new NarrowCounter(now);
    }
    return counter;
  }

  /** The narrowings that are kept, by their names, in the order of keeping. */
  public Map<String, Narrowings> named() {
    Map<String, Narrowings> named = new LinkedHashMap<>();
    Optional<String> kept = workspace.collection().setting(SETTING);
    for (String one : kept.orElse("").split(BETWEEN)) {
      String[] parts = one.split(NAME_ENDS, 2);
      if (parts.length == 2) {
        named.put(parts[0], Narrowings.read(parts[1], workspace.state().get().codebook()));
      }
    }
    return named;
  }

  /** Keeps a narrowing under a name; another of the same name is replaced. */
  public void keep(String name, Narrowings narrowings) {
    Map<String, Narrowings> named = named();
    named.put(name, narrowings);
    write(named);
  }

  /** Forgets what is kept under a name. */
  public void forget(String name) {
    Map<String, Narrowings> named = named();
    named.remove(name);
    write(named);
  }

  private void write(Map<String, Narrowings> named) {
    workspace.keepSetting(
        SETTING,
        named.entrySet().stream()
            .map(e -> e.getKey() + NAME_ENDS + e.getValue().write())
            .collect(Collectors.joining(BETWEEN)));
  }
}
