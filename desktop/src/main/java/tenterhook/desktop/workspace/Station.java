package tenterhook.desktop.workspace;

import java.util.Locale;
import tenterhook.desktop.theme.Words;

/** The stations on the rail, in the order of work. */
public enum Station {
  /** The home picture. */
  WEAVE,
  /** Browsing and narrowing. */
  TRACKS,
  /** What is new. */
  ARRIVALS,
  /** Proposed corrections. */
  REPAIRS,
  /** Files that are not where they should be. */
  LOST,
  /** Copies. */
  DUPLICATES,
  /** Codes. */
  CODING,
  /** Shelves and crates. */
  CRATES,
  /** Nights that are planned. */
  GIGS;

  /** Its name on the rail. */
  public String title() {
    return Words.of("station." + name().toLowerCase(Locale.ROOT));
  }
}
