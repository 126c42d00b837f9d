package tenterhook.core.gig;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Snapshot;

/**
 * Finds tracks of one gig while somebody types in a hurry: every word must stand somewhere in
 * artist, title or the wish that the track is of, whatever their order, case and accents.
 */
public final class GigSearch {
  private final List<Found> tracks;
  private final List<String> texts;

  /**
   * A track of the gig.
   *
   * @param id the track
   * @param part in which it is first heard; empty when it stands in none
   * @param at when it is planned to begin
   */
  public record Found(int id, String part, Optional<LocalTime> at) {}

  private GigSearch(List<Found> tracks, List<String> texts) {
    this.tracks = tracks;
    this.texts = texts;
  }

  /**
   * Everything that a gig names: the tracks of its parts, must-plays, and wishes that are known.
   */
  public static GigSearch of(GigProgram program, Snapshot snapshot) {
    Gig gig = program.gig();
    Map<Integer, Found> tracks = new LinkedHashMap<>();
    for (GigProgram.Stretch stretch : program.stretches()) {
      String part = stretch.music().part().name();
      for (GigProgram.Slot slot : stretch.slots()) {
        LocalTime at = program.clock(slot.begins() / 60);
        tracks.putIfAbsent(slot.id(), new Found(slot.id(), part, Optional.of(at)));
      }
    }
    IntStream.concat(
            gig.mustPlays().stream().mapToInt(MustPlay::track),
            gig.wishes().stream().mapToInt(Wish::track))
        .filter(snapshot::has)
        .forEach(id -> tracks.putIfAbsent(id, new Found(id, "", Optional.empty())));
    Map<Integer, String> wishes = new LinkedHashMap<>();
    gig.wishes().forEach(w -> wishes.merge(w.track(), w.line(), (a, b) -> a + " " + b));
    List<String> texts = new ArrayList<>();
    for (int id : tracks.keySet()) {
      String wish = wishes.containsKey(id) ? " " + wishes.get(id) : "";
      texts.add(" " + Fold.fold(snapshot.name(id) + wish));
    }
    return new GigSearch(List.copyOf(tracks.values()), texts);
  }

  /**
   * The tracks that answer, those in which each typed word begins a word first, and among these in
   * the order of the night.
   *
   * @param typed words or beginnings of words; nothing finds nothing
   * @param most how many at most
   */
  public List<Found> find(String typed, int most) {
    List<String> words = Stream.of(Fold.fold(typed).split(" ")).filter(w -> !w.isEmpty()).toList();
    List<String> beginnings = words.stream().map(w -> " " + w).toList();
    List<Found> first = new ArrayList<>();
    List<Found> then = new ArrayList<>();
    for (int i = 0; i < tracks.size() && first.size() < most && !words.isEmpty(); i++) {
      if (holdsAll(texts.get(i), words)) {
        List<Found> in = holdsAll(texts.get(i), beginnings) ? first : then;
        in.add(tracks.get(i));
      }
    }
    return Stream.concat(first.stream(), then.stream()).limit(most).toList();
  }

  /** A loop and no stream: it is asked of every track at every key. */
  private static boolean holdsAll(String text, List<String> words) {
    for (String word : words) {
      if (!text.contains(word)) {
        return false;
      }
    }
    return true;
  }
}
