package tenterhook.core.gig;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.track.Snapshot;

/**
 * How far a gig is ready at one moment: it is when nothing that was found is red.
 *
 * @param times of each part, in the order of the parts
 * @param findings part by part, then what concerns the whole
 */
public record GigReadiness(List<PartTime> times, List<GigFinding> findings) {
  /** Copies. */
  public GigReadiness {
    times = List.copyOf(times);
    findings = List.copyOf(findings);
  }

  /**
   * How much of a part can be played.
   *
   * @param part its name
   * @param planned minutes, those of the parts in it when it says nothing itself
   * @param playable minutes of music whose file is there, with the parts in it
   */
  public record PartTime(String part, int planned, double playable) {}

  /**
   * Looks at a gig.
   *
   * @param contents of the crates at the same moment
   * @param away tracks on disks that are not there
   */
  public static GigReadiness of(
      Gig gig, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
    return GigStanding.of(gig, snapshot, contents, away).readiness();
  }

  /** Whether the night may come. */
  public boolean ready() {
    return findings.stream().noneMatch(GigFinding::red);
  }

  /** What is left, in one sentence. */
  public String sentence() {
    long red = findings.stream().filter(GigFinding::red).count();
    long others = findings.size() - red;
    String look =
        others == 0 ? "" : others == 1 ? "1 thing to look at" : others + " things to look at";
    if (red == 0) {
      return others == 0 ? "Ready." : "Ready, " + look + ".";
    }
    String first = findings.stream().filter(GigFinding::red).findFirst().orElseThrow().words();
    return "Not ready: "
        + first
        + (red == 1 ? "" : ", and " + (red - 1) + " more")
        + (others == 0 ? "" : "; " + look)
        + ".";
  }
}
