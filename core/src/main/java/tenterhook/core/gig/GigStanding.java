package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.GigFinding.Kind;
import tenterhook.core.track.Snapshot;

/**
 * A gig against the collection at one moment: what its parts hold, and how far it is ready. The
 * next moment's is made of it, and costs no more than what changed. Immutable.
 */
public final class GigStanding {
  private final Gig gig;
  private final GigMoment moment;
  private final Map<String, PartStanding> parts = new LinkedHashMap<>();

  /** The time of each part with those in it. */
  private final Map<String, PlayingTime> times = new HashMap<>();

  private final GigReadiness readiness;

  private GigStanding(
      Gig gig,
      GigMoment moment,
      Map<String, PartStanding> before,
      Map<String, PlayingTime> timesBefore) {
    this.gig = gig;
    this.moment = moment;
    for (GigPart part : gig.allParts()) {
      parts.put(part.name(), PartStanding.of(part, before.get(part.name()), moment));
    }
    for (GigPart part : gig.allParts()) {
      RoaringBitmap tracks = new RoaringBitmap();
      part.all().forEach(p -> tracks.or(parts.get(p.name()).tracks()));
      PlayingTime time = timesBefore.getOrDefault(part.name(), PlayingTime.NONE);
      times.put(part.name(), time.of(tracks, moment));
    }
    this.readiness = new Look().readiness();
  }

  /**
   * Looks at a gig for the first time.
   *
   * @param contents of the crates at the same moment
   * @param away tracks on disks that are not there
   */
  public static GigStanding of(
      Gig gig, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
    return new GigStanding(gig, GigMoment.first(gig, snapshot, contents, away), Map.of(), Map.of());
  }

  /**
   * Looks again after tracks, the gig or both were altered.
   *
   * @param after the gig, or another one
   * @param contents of the crates at the same moment
   * @param away tracks on disks that are not there
   */
  public GigStanding after(
      Gig after, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
    return new GigStanding(after, moment.next(after, snapshot, contents, away), parts, times);
  }

  /**
   * Looks at a gig, again where it was looked at before.
   *
   * @param before the last look at the same gig, if there was one
   * @param contents of the crates at the same moment
   * @param away tracks on disks that are not there
   */
  public static GigStanding after(
      Optional<GigStanding> before,
      Gig gig,
      Snapshot snapshot,
      CrateContents contents,
      RoaringBitmap away) {
    return before
        .map(b -> b.after(gig, snapshot, contents, away))
        .orElseGet(() -> of(gig, snapshot, contents, away));
  }

  /** The gig that was looked at. */
  public Gig gig() {
    return gig;
  }

  /** The tracks as they were then. */
  public Snapshot snapshot() {
    return moment.snapshot();
  }

  /** How far it is ready. */
  public GigReadiness readiness() {
    return readiness;
  }

  /** What each part holds, in the order of {@link Gig#allParts}. */
  List<PartMusic> music() {
    return parts.values().stream().map(PartStanding::music).toList();
  }

  /** What is found at one look. */
  private final class Look {
    private final List<GigFinding> findings = new ArrayList<>();

    GigReadiness readiness() {
      List<GigReadiness.PartTime> playable = new ArrayList<>();
      for (PartStanding part : parts.values()) {
        playable.add(time(part.part()));
        look(part);
      }
      musts();
      twice();
      RoaringBitmap none = new RoaringBitmap();
      for (Wish wish : gig.wishes()) {
        if (wish.open()) {
          add(Kind.WISH_OPEN, "", none, "nothing is said of the wish \"" + wish.line() + "\"");
        } else if (!wish.refused() && !moment.playable(wish.track())) {
          RoaringBitmap one = RoaringBitmap.bitmapOf(wish.track());
          add(Kind.WISH_GONE, "", one, "the wish \"" + wish.line() + "\" is not there");
        }
      }
      return new GigReadiness(playable, findings);
    }

    private void add(Kind kind, String part, RoaringBitmap tracks, String words) {
      findings.add(new GigFinding(kind, false, part, tracks, words));
    }

    private void red(Kind kind, String part, RoaringBitmap tracks, String words) {
      findings.add(new GigFinding(kind, true, part, tracks, words));
    }

    private GigReadiness.PartTime time(GigPart part) {
      double minutes = times.get(part.name()).minutes();
      RoaringBitmap none = new RoaringBitmap();
      String much = part.name() + " has " + (long) minutes + " of " + part.planned() + " minutes";
      if (minutes < part.planned()) {
        red(Kind.TOO_SHORT, part.name(), none, much);
      } else if (minutes < part.planned() * gig.reserve()) {
        add(Kind.TOO_SHORT, part.name(), none, much + ", " + gig.reserve() + " times are wanted");
      }
      return new GigReadiness.PartTime(part.name(), part.planned(), minutes);
    }

    private void look(PartStanding part) {
      RoaringBitmap gone = new RoaringBitmap();
      part.part().tracks().stream().filter(id -> !moment.playable(id)).forEach(gone::add);
      SoundTally sound = part.sound();
      some(Kind.GONE, part, gone, "picked but not there");
      some(Kind.SHUT_OUT, part, part.banned(), "picked but never to be played");
      RoaringBitmap explicit = RoaringBitmap.and(part.tracks(), moment.explicit());
      some(Kind.EXPLICIT, part, explicit, "coded as explicit");
      some(Kind.UPSCALED, part, sound.upscaled(), "sounding worse than the file claims");
      some(Kind.LOUDNESS, part, sound.standingOut(), "much louder or quieter than the others");
      some(Kind.UNMEASURED, part, sound.unmeasured(), "not measured");
    }

    private void some(Kind kind, PartStanding of, RoaringBitmap tracks, String words) {
      if (!tracks.isEmpty()) {
        int count = tracks.getCardinality();
        String part = of.part().name();
        String much = count == 1 ? "1 track" : count + " tracks";
        add(kind, part, tracks, part + " has " + much + " " + words);
      }
    }

    private void musts() {
      for (MustPlay must : gig.mustPlays()) {
        look(must, moment.banned().contains(must.track()));
      }
    }

    private void look(MustPlay must, boolean banned) {
      RoaringBitmap one = RoaringBitmap.bitmapOf(must.track());
      Snapshot now = moment.snapshot();
      String name = now.has(must.track()) ? now.name(must.track()) : "a must-play";
      if (!moment.playable(must.track())) {
        red(Kind.MUST_PLAY_GONE, must.part(), one, name + " must be played and is not there");
      }
      if (banned) {
        red(Kind.MUST_PLAY_BANNED, must.part(), one, name + " must and must never be played");
      } else if (parts.values().stream()
          .filter(p -> must.part().isEmpty() || holds(p.part(), must.part()))
          .noneMatch(p -> p.tracks().contains(must.track()))) {
        String where = must.part().isEmpty() ? "in no part" : "not in " + must.part();
        red(Kind.MUST_PLAY_UNPLACED, must.part(), one, name + " must be played and is " + where);
      }
    }

    /** Whether a part is the named one or stands in it. */
    private boolean holds(GigPart part, String name) {
      return gig.part(name).stream().flatMap(GigPart::all).anyMatch(part::equals);
    }

    /** The same recording by its track, or by what sounds in the file. */
    private void twice() {
      Snapshot now = moment.snapshot();
      Map<String, RoaringBitmap> bySound = new HashMap<>();
      Map<String, List<String>> in = new HashMap<>();
      for (PartStanding part : parts.values()) {
        for (int id : part.part().tracks()) {
          if (now.has(id)) {
            String seal = now.raw(id, Fields.SOUND_SEAL);
            String key = seal.isEmpty() ? "track " + id : seal;
            bySound.computeIfAbsent(key, k -> new RoaringBitmap()).add(id);
            in.computeIfAbsent(key, k -> new ArrayList<>()).add(part.part().name());
          }
        }
      }
      bySound.entrySet().stream()
          .filter(e -> in.get(e.getKey()).size() > 1)
          .sorted(Map.Entry.comparingByValue((a, b) -> Integer.compare(a.first(), b.first())))
          .forEach(e -> twice(e.getValue(), in.get(e.getKey())));
    }

    private void twice(RoaringBitmap tracks, List<String> in) {
      List<String> names = in.stream().distinct().toList();
      String where =
          names.stream().collect(Collectors.joining(" and ")) + (names.size() == 1 ? " twice" : "");
      add(Kind.TWICE, "", tracks, moment.snapshot().name(tracks.first()) + " is in " + where);
    }
  }
}
