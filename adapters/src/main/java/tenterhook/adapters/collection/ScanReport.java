package tenterhook.adapters.collection;

import java.util.List;
import tenterhook.core.change.Outcome.Refusal;

/**
 * What a scan found.
 *
 * @param files music files seen
 * @param added tracks that are new
 * @param changed tracks whose file changed
 * @param lost tracks whose file is no longer there
 * @param returned tracks whose file is there again
 * @param unreadable files that could not be read
 * @param issues every file or folder with a trouble, and what it is
 * @param seconds how long it took
 * @param complete false when it was stopped; losses are not counted then
 */
public record ScanReport(
    int files,
    int added,
    int changed,
    int lost,
    int returned,
    int unreadable,
    List<Refusal> issues,
    double seconds,
    boolean complete) {
  /** Copies. */
  public ScanReport {
    issues = List.copyOf(issues);
  }
}
