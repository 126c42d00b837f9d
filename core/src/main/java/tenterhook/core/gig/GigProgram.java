package tenterhook.core.gig;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * The night as it would run: every part from its planned time on, with its tracks one behind the
 * other.
 *
 * @param gig whose night it is
 * @param stretches of each part at any depth, in the order of the parts
 */
public record GigProgram(Gig gig, List<Stretch> stretches) {
  /** Copies. */
  public GigProgram {
    stretches = List.copyOf(stretches);
  }

  /**
   * A part of the night.
   *
   * @param music what it holds
   * @param depth 0 for a part that stands in no other
   * @param begins minutes after the beginning of the gig
   * @param slots its tracks
   */
  public record Stretch(PartMusic music, int depth, int begins, List<Slot> slots) {
    /** Copies. */
    public Stretch {
      slots = List.copyOf(slots);
    }

    /** Minutes of music, whatever is planned. */
    public double minutes() {
      return slots.isEmpty() ? 0 : (slots.getLast().ends() - begins * 60.0) / 60;
    }

    /** Where a track stands, if it does. */
    public Optional<Slot> slot(int id) {
      return slots.stream().filter(s -> s.id() == id).findFirst();
    }
  }

  /**
   * A track at its time.
   *
   * @param id the track
   * @param begins seconds after the beginning of the gig
   * @param ends seconds after the beginning of the gig
   */
  public record Slot(int id, double begins, double ends) {}

  /** The night of a gig, with what crates hold at the same moment. */
  public static GigProgram of(Gig gig, Snapshot snapshot, CrateContents contents) {
    return of(GigStanding.of(gig, snapshot, contents, new RoaringBitmap()));
  }

  /** The night of a gig that was looked at. */
  public static GigProgram of(GigStanding standing) {
    Gig gig = standing.gig();
    Map<String, PartMusic> music = new HashMap<>();
    standing.music().forEach(m -> music.put(m.part().name(), m));
    List<Stretch> stretches = new ArrayList<>();
    int begins = 0;
    for (GigPart part : gig.parts()) {
      add(part, 0, begins, music, standing.snapshot(), stretches);
      begins += part.planned();
    }
    return new GigProgram(gig, stretches);
  }

  private static void add(
      GigPart part,
      int depth,
      int begins,
      Map<String, PartMusic> music,
      Snapshot snapshot,
      List<Stretch> stretches) {
    PartMusic of = music.get(part.name());
    List<Slot> slots = new ArrayList<>();
    double at = begins * 60.0;
    for (int id : of.tracks()) {
      double ends = at + snapshot.value(id, Fields.DURATION).orElse(0.0);
      slots.add(new Slot(id, at, ends));
      at = ends;
    }
    stretches.add(new Stretch(of, depth, begins, slots));
    int inner = begins;
    for (GigPart below : part.parts()) {
      add(below, depth + 1, inner, music, snapshot, stretches);
      inner += below.planned();
    }
  }

  /** The stretch of a part. */
  public Optional<Stretch> stretch(String part) {
    return stretches.stream()
        .filter(s -> s.music().part().name().equalsIgnoreCase(part))
        .findFirst();
  }

  /** The time of day so many minutes after the beginning. */
  public LocalTime clock(double minutes) {
    return gig.evening().from().plusSeconds(Math.round(minutes * 60));
  }
}
