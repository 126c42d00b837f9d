package tenterhook.desktop.control;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Something that is made when it is first asked for.
 *
 * @param <T> what it is
 */
public final class Once<T> implements Supplier<T> {
  private final Supplier<T> making;
  private @Nullable T made;

  /**
   * Nothing made yet.
   *
   * @param making makes it
   */
  public Once(Supplier<T> making) {
    this.making = making;
  }

  @Override
  public T get() {
    T known = made;
    if (known == null) {
      known = making.get();
      made = known;
    }
    return known;
  }

  /** Whether it was made, and is this. */
  public boolean is(@Nullable Object other) {
    return made != null && made == other;
  }
}
