package tenterhook.core.find;

import java.util.List;

/** A question to the collection; every track is either in its answer or not. */
public sealed interface Query {
  /** Every track. */
  Query ALL = new And(List.of());

  /** All parts hold; without parts: every track. */
  record And(List<Query> parts) implements Query {
    /** Copies. */
    public And {
      parts = List.copyOf(parts);
    }
  }

  /** At least one part holds; without parts: no track. */
  record Or(List<Query> parts) implements Query {
    /** Copies. */
    public Or {
      parts = List.copyOf(parts);
    }
  }

  /** The part does not hold. */
  record Not(Query part) implements Query {}

  /** The text stands somewhere in the names, genre, comment, codes or path. */
  record Word(String text) implements Query {}

  /** One attribute is tested. */
  record Term(Condition condition) implements Query {}
}
