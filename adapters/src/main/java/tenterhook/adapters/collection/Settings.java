package tenterhook.adapters.collection;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import tenterhook.adapters.store.Store;

/** What the interface remembers, such as column widths; asking for it never waits. */
final class Settings {
  private static final String PREFIX = "setting:";

  private final Store store;
  private final Map<String, String> texts;

  Settings(Store store) {
    this.store = store;
    this.texts = new ConcurrentHashMap<>(store.documents(PREFIX));
  }

  Optional<String> get(String name) {
    return Optional.ofNullable(texts.get(name));
  }

  /** Knows it from now on; what is returned writes down what holds when it runs. */
  Runnable note(String name, String text) {
    texts.put(name, text);
    return () -> store.putDocument(PREFIX + name, texts.getOrDefault(name, text));
  }
}
