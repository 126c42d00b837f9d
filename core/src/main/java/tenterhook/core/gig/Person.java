package tenterhook.core.gig;

/**
 * Somebody whose name must be said right.
 *
 * @param name as it is written
 * @param said how it is said; empty when it is said as it is written
 * @param role what they are on the night, such as {@code host}; may be empty
 */
public record Person(String name, String said, String role) {
  /** Checks that there is a name. */
  public Person {
    name = GigNames.checked(name, "person");
  }
}
