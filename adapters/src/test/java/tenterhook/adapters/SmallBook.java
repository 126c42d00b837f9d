package tenterhook.adapters;

import java.util.List;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;

/** A codebook for tests: a facet that takes one code, and one that takes many. */
public final class SmallBook {
  /** Eras and styles. */
  public static final Codebook BOOK =
      new Codebook(
          List.of(
              new Facet("Era", "", false, true, List.of(new Code("80S", ""), new Code("90S", ""))),
              new Facet(
                  "Style", "", true, true, List.of(new Code("SKA", ""), new Code("ELC", "")))),
          Notation.DEFAULT);

  private SmallBook() {}
}
