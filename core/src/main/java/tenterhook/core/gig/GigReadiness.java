package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
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
 * How far a gig is ready at one moment: it is when nothing that was found is red.
 *
 * @param times of each part, in the order of the parts
 * @param findings part by part, then what concerns the whole
 */
public record GigReadiness(List<PartTime> times, List<GigFinding> findings) {
  /** So many decibels from the median of a part a track stands out. */
  public static final double STANDS_OUT = 6;

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
    return new Look(gig, snapshot, contents, away).readiness();
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

  /** One look at one gig. */
  private static final class Look {
    private final Gig gig;
    private final Snapshot snapshot;
    private final RoaringBitmap away;
    private final CrateContents contents;
    private final Map<String, PartMusic> music = new HashMap<>();
    private final List<GigFinding> findings = new ArrayList<>();

    Look(Gig gig, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
      this.gig = gig;
      this.snapshot = snapshot;
      this.away = away;
      this.contents = contents;
      PartMusic.of(gig, snapshot, contents).forEach(m -> music.put(m.part().name(), m));
    }

    GigReadiness readiness() {
      List<PartTime> times = new ArrayList<>();
      for (GigPart part : gig.allParts()) {
        times.add(time(part));
        look(music.get(part.name()));
      }
      gig.mustPlays().forEach(this::look);
      twice();
      RoaringBitmap none = new RoaringBitmap();
      gig.wishes().stream()
          .filter(Wish::open)
          .forEach(
              w ->
                  add(
                      Kind.WISH_OPEN,
                      false,
                      "",
                      none,
                      "nothing is said of the wish \"" + w.line() + "\""));
      return new GigReadiness(times, findings);
    }

    private void add(Kind kind, boolean red, String part, RoaringBitmap tracks, String words) {
      findings.add(new GigFinding(kind, red, part, tracks, words));
    }

    private boolean playable(int id) {
      return snapshot.has(id) && !snapshot.lost(id) && !away.contains(id);
    }

    private PartTime time(GigPart part) {
      RoaringBitmap all = new RoaringBitmap();
      part.all().forEach(p -> music.get(p.name()).tracks().forEach(all::add));
      double seconds = 0;
      for (int id : all) {
        seconds += playable(id) ? snapshot.value(id, Fields.DURATION).orElse(0.0) : 0;
      }
      double minutes = seconds / 60;
      double wanted = part.planned() * gig.reserve();
      if (minutes < wanted) {
        boolean red = minutes < part.planned();
        String much = Math.round(Math.floor(minutes)) + " of " + part.planned() + " minutes";
        add(
            Kind.TOO_SHORT,
            red,
            part.name(),
            new RoaringBitmap(),
            red
                ? part.name() + " has " + much
                : part.name() + " has " + much + ", " + gig.reserve() + " times are wanted");
      }
      return new PartTime(part.name(), part.planned(), minutes);
    }

    private void look(PartMusic of) {
      String part = of.part().name();
      RoaringBitmap gone = new RoaringBitmap();
      of.part().tracks().stream().filter(id -> !playable(id)).forEach(gone::add);
      RoaringBitmap unmeasured = new RoaringBitmap();
      RoaringBitmap upscaled = new RoaringBitmap();
      for (int id : of.tracks()) {
        if (playable(id) && snapshot.isBlank(id, Fields.SOUND)) {
          unmeasured.add(id);
        }
        if (playable(id) && snapshot.raw(id, Fields.QUALITY).equals("upscaled")) {
          upscaled.add(id);
        }
      }
      some(Kind.GONE, part, gone, "picked but not there");
      some(Kind.SHUT_OUT, part, of.banned(), "picked but never to be played");
      some(Kind.UPSCALED, part, upscaled, "sounding worse than the file claims");
      some(Kind.LOUDNESS, part, standingOut(of), "much louder or quieter than the others");
      some(Kind.UNMEASURED, part, unmeasured, "not measured");
    }

    private void some(Kind kind, String part, RoaringBitmap tracks, String words) {
      if (!tracks.isEmpty()) {
        add(kind, false, part, tracks, part + " has " + count(tracks) + " " + words);
      }
    }

    private static String count(RoaringBitmap tracks) {
      int count = tracks.getCardinality();
      return count == 1 ? "1 track" : count + " tracks";
    }

    private RoaringBitmap standingOut(PartMusic of) {
      double[] known =
          of.tracks().stream()
              .filter(this::playable)
              .map(id -> snapshot.value(id, Fields.LOUDNESS))
              .flatMap(Optional::stream)
              .mapToDouble(Double::doubleValue)
              .sorted()
              .toArray();
      RoaringBitmap out = new RoaringBitmap();
      double median = known.length == 0 ? 0 : median(known);
      for (int id : of.tracks()) {
        if (playable(id)) {
          snapshot
              .value(id, Fields.LOUDNESS)
              .filter(l -> Math.abs(l - median) > STANDS_OUT)
              .ifPresent(l -> out.add(id));
        }
      }
      return out;
    }

    private static double median(double[] sorted) {
      int middle = sorted.length / 2;
      return sorted.length % 2 == 1
          ? sorted[middle]
          : Arrays.stream(sorted, middle - 1, middle + 1).average().orElseThrow();
    }

    private void look(MustPlay must) {
      RoaringBitmap one = RoaringBitmap.bitmapOf(must.track());
      String name = snapshot.has(must.track()) ? snapshot.name(must.track()) : "a must-play";
      if (!playable(must.track())) {
        add(Kind.MUST_PLAY_GONE, true, must.part(), one, name + " must be played and is not there");
      }
      if (!contents.banned(gig.never(), one).isEmpty()) {
        add(Kind.MUST_PLAY_BANNED, true, must.part(), one, name + " must and must never be played");
      } else if (gig.allParts().stream()
          .filter(p -> must.part().isEmpty() || holds(p, must.part()))
          .noneMatch(p -> music.get(p.name()).tracks().contains(must.track()))) {
        String where = must.part().isEmpty() ? "in no part" : "not in " + must.part();
        add(
            Kind.MUST_PLAY_UNPLACED,
            true,
            must.part(),
            one,
            name + " must be played and is " + where);
      }
    }

    /** Whether a part is the named one or stands in it. */
    private boolean holds(GigPart part, String name) {
      return gig.part(name).stream().flatMap(GigPart::all).anyMatch(part::equals);
    }

    /** The same recording by its track, or by what sounds in the file. */
    private void twice() {
      Map<String, RoaringBitmap> bySound = new HashMap<>();
      Map<String, List<String>> parts = new HashMap<>();
      for (GigPart part : gig.allParts()) {
        for (int id : part.tracks()) {
          if (snapshot.has(id)) {
            String seal = snapshot.raw(id, Fields.SOUND_SEAL);
            String key = seal.isEmpty() ? "track " + id : seal;
            bySound.computeIfAbsent(key, k -> new RoaringBitmap()).add(id);
            parts.computeIfAbsent(key, k -> new ArrayList<>()).add(part.name());
          }
        }
      }
      bySound.entrySet().stream()
          .filter(e -> parts.get(e.getKey()).size() > 1)
          .sorted(Map.Entry.comparingByValue((a, b) -> Integer.compare(a.first(), b.first())))
          .forEach(
              e ->
                  add(
                      Kind.TWICE,
                      false,
                      "",
                      e.getValue(),
                      snapshot.name(e.getValue().first())
                          + " is in "
                          + parts.get(e.getKey()).stream()
                              .distinct()
                              .collect(Collectors.joining(" and "))
                          + (parts.get(e.getKey()).stream().distinct().count() == 1
                              ? " twice"
                              : "")));
    }
  }
}
