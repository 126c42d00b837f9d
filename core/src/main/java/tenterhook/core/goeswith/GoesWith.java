package tenterhook.core.goeswith;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.goeswith.Follower.Reason;
import tenterhook.core.goeswith.Follower.ScorePart;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/**
 * Finds tracks that follow a track well: 40 points for a near tempo, 30 for a related key, 20 for
 * shared codes, 10 for a small step of energy. A tempo outside the chosen share leaves a track out;
 * anything else only takes points. The DJ's own tempo and key go before measured ones.
 */
public final class GoesWith {
  private static final int TEMPO = 40;
  private static final int KEY = 30;
  private static final int CODES = 20;
  private static final int ENERGY = 10;

  /** Half and double tempo fit, but not quite as well. */
  private static final int OCTAVE_COST = 8;

  private static final int FAR_ENERGY = 40;

  private final Snapshot snapshot;
  private final double tempoShare;

  /**
   * Over a moment of the collection.
   *
   * @param snapshot the tracks
   * @param tempoShare how far a tempo may be off, such as 0.06 for 6 %; more than 0
   */
  public GoesWith(Snapshot snapshot, double tempoShare) {
    if (!(tempoShare > 0)) {
      throw new IllegalArgumentException("tempo share " + tempoShare);
    }
    this.snapshot = snapshot;
    this.tempoShare = tempoShare;
  }

  /** A track's tempo: the tag's, else the measured one. */
  public static Optional<Double> tempo(Snapshot snapshot, int id) {
    return snapshot.value(id, Fields.BPM).or(() -> snapshot.value(id, Fields.MEASURED_BPM));
  }

  /** A track's key: the tag's where it can be read, else the measured one. */
  public static Optional<MusicalKey> key(Snapshot snapshot, int id) {
    return MusicalKey.parse(snapshot.raw(id, Fields.KEY))
        .or(() -> MusicalKey.parse(snapshot.raw(id, Fields.MEASURED_KEY)));
  }

  /**
   * The tracks that follow one.
   *
   * @param id the track
   * @param scope where to look
   * @param most how many at most
   * @return the best first; each song once, never the track's own, and none that rests or is lost
   */
  public List<Follower> of(int id, RoaringBitmap scope, int most) {
    Optional<Double> tempo = tempo(snapshot, id);
    List<Follower> found = new ArrayList<>();
    scope.forEach(
        (int other) -> {
          if (other != id && usable(other)) {
            tempoPart(tempo, tempo(snapshot, other))
                .ifPresent(part -> found.add(follower(id, other, part)));
          }
        });
    found.sort(Comparator.comparingInt(Follower::score).reversed().thenComparing(Follower::id));
    Set<String> songs = new HashSet<>(Set.of(song(id)));
    return found.stream().filter(f -> songs.add(song(f.id()))).limit(most).toList();
  }

  /**
   * How well one track follows another, wherever that is: a tempo outside the share gives no points
   * for it.
   */
  public Follower between(int id, int other) {
    Optional<Double> one = tempo(snapshot, id);
    Optional<Double> two = tempo(snapshot, other);
    return follower(
        id,
        other,
        tempoPart(one, two)
            .orElseGet(
                () ->
                    new ScorePart(
                        Reason.TEMPO,
                        0,
                        TEMPO,
                        String.format(
                            Locale.ROOT,
                            "%.1f bpm, %+.0f %%",
                            two.orElseThrow(),
                            100 * (two.orElseThrow() / one.orElseThrow() - 1)))));
  }

  private boolean usable(int id) {
    return snapshot.has(id) && !snapshot.lost(id) && snapshot.raw(id, Fields.RESTING).isEmpty();
  }

  private String song(int id) {
    String title = snapshot.raw(id, Fields.TITLE);
    return title.isBlank()
        ? "#" + id
        : NameKey.of(snapshot.raw(id, Fields.ARTIST)) + "|" + NameKey.of(title);
  }

  private Follower follower(int id, int other, ScorePart tempo) {
    return new Follower(
        other, List.of(tempo, keyPart(id, other), codesPart(id, other), energyPart(id, other)));
  }

  /** Empty when the tempo is too far off; no points, but no refusal, where it is not known. */
  private Optional<ScorePart> tempoPart(Optional<Double> one, Optional<Double> other) {
    if (one.isEmpty() || other.isEmpty()) {
      return Optional.of(new ScorePart(Reason.TEMPO, 0, TEMPO, "tempo not known"));
    }
    double from = one.get();
    double to = other.get();
    double best = 1;
    for (double factor : new double[] {1, 2, 0.5}) {
      best = Math.abs(to * factor / from - 1) < Math.abs(to * best / from - 1) ? factor : best;
    }
    double off = to * best / from - 1;
    if (Math.abs(off) > tempoShare) {
      return Optional.empty();
    }
    int points = (int) Math.round(TEMPO * (1 - 0.75 * Math.abs(off) / tempoShare));
    String counted = best == 1 ? "" : best == 2 ? ", counted double" : ", counted half";
    String words = String.format(Locale.ROOT, "%.1f bpm, %+.1f %%%s", to, 100 * off, counted);
    return Optional.of(
        new ScorePart(
            Reason.TEMPO, best == 1 ? points : Math.max(0, points - OCTAVE_COST), TEMPO, words));
  }

  private ScorePart keyPart(int id, int other) {
    Optional<MusicalKey> one = key(snapshot, id);
    Optional<MusicalKey> two = key(snapshot, other);
    if (one.isEmpty() || two.isEmpty()) {
      return new ScorePart(Reason.KEY, 0, KEY, "key not known");
    }
    String name = two.get().name();
    return switch (one.get().relation(two.get())) {
      case SAME -> new ScorePart(Reason.KEY, KEY, KEY, name + ", same key");
      case RELATIVE -> new ScorePart(Reason.KEY, 24, KEY, name + ", relative key");
      case FIFTH_UP -> new ScorePart(Reason.KEY, 22, KEY, name + ", a fifth up");
      case FIFTH_DOWN -> new ScorePart(Reason.KEY, 22, KEY, name + ", a fifth down");
      case FAR -> new ScorePart(Reason.KEY, 0, KEY, name + ", distant key");
    };
  }

  private ScorePart codesPart(int id, int other) {
    Set<String> own = values(id, Fields.CODES);
    Set<String> all = new HashSet<>(own);
    Set<String> theirs = values(other, Fields.CODES);
    all.addAll(theirs);
    List<String> shared = own.stream().filter(theirs::contains).sorted().toList();
    return new ScorePart(
        Reason.CODES,
        all.isEmpty() ? 0 : CODES * shared.size() / all.size(),
        CODES,
        shared.isEmpty() ? "no code in common" : "shares " + String.join(" ", shared));
  }

  private Set<String> values(int id, Field<List<String>> field) {
    return new HashSet<>(snapshot.value(id, field).orElse(List.of()));
  }

  private ScorePart energyPart(int id, int other) {
    Optional<Long> one = snapshot.value(id, Fields.ENERGY);
    Optional<Long> two = snapshot.value(other, Fields.ENERGY);
    if (one.isEmpty() || two.isEmpty()) {
      return new ScorePart(Reason.ENERGY, 0, ENERGY, "energy not measured");
    }
    long step = two.get() - one.get();
    int points = (int) Math.max(0, ENERGY - ENERGY * Math.abs(step) / FAR_ENERGY);
    String words = step == 0 ? "same energy" : "energy " + (step > 0 ? "+" : "−") + Math.abs(step);
    return new ScorePart(Reason.ENERGY, points, ENERGY, words);
  }
}
