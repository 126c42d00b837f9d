package tenterhook.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tenterhook.core.measure.SoundPrint.Likeness;

/**
 * Finds the prints that are of the same recording among very many: words that are equal to the bit
 * vote for a print and an offset (the search of Haitsma and Kalker, 2002), and the places with most
 * votes are compared bit by bit. Every word is looked up once, so a query costs a few thousand
 * steps whatever the number of prints. Immutable; may be used from several threads.
 */
public final class PrintIndex {
  /** A word that stands in so many prints tells nothing. */
  private static final int COMMON = 400;

  private static final int MOST_COMPARED = 64;
  private static final int PLACE_BITS = 10;

  private final List<Integer> ids;
  private final List<SoundPrint> prints;

  /** Words in order, and for each the number of the print and the place in it. */
  private final int[] words;

  private final int[] places;

  private PrintIndex(List<Integer> ids, List<SoundPrint> prints) {
    this.ids = List.copyOf(ids);
    this.prints = List.copyOf(prints);
    int count = prints.stream().mapToInt(SoundPrint::length).sum();
    long[] sorted = new long[count];
    int at = 0;
    for (int p = 0; p < prints.size(); p++) {
      SoundPrint print = prints.get(p);
      for (int i = 0; i < print.length(); i++) {
        sorted[at++] = (long) print.word(i) << 32 | (p << PLACE_BITS | i) & 0xFFFFFFFFL;
      }
    }
    Arrays.parallelSort(sorted);
    words = new int[count];
    places = new int[count];
    for (int i = 0; i < count; i++) {
      words[i] = (int) (sorted[i] >> 32);
      places[i] = (int) sorted[i];
    }
  }

  /**
   * The index of some prints.
   *
   * @param prints by the id of a track; at most four million
   */
  public static PrintIndex of(Map<Integer, SoundPrint> prints) {
    return new PrintIndex(List.copyOf(prints.keySet()), List.copyOf(prints.values()));
  }

  /**
   * A print of the same recording.
   *
   * @param id the track
   * @param likeness how the two fit
   */
  public record Match(int id, Likeness likeness) {}

  /**
   * The prints of the same recording, the likest first.
   *
   * @param query any print; one that is in the index finds itself as well
   */
  public List<Match> find(SoundPrint query) {
    Map<Long, Integer> votes = new HashMap<>();
    for (int i = 0; i < query.length(); i++) {
      vote(query.word(i), i, votes);
    }
    List<Map.Entry<Long, Integer>> likely =
        votes.entrySet().stream()
            .sorted(Map.Entry.<Long, Integer>comparingByValue().reversed())
            .limit(MOST_COMPARED)
            .toList();
    Map<Integer, Likeness> best = new HashMap<>();
    for (Map.Entry<Long, Integer> one : likely) {
      int print = (int) (one.getKey() >> 32);
      int offset = (int) (long) one.getKey();
      Likeness likeness = nearby(query, prints.get(print), offset);
      if (likeness.same()) {
        best.merge(print, likeness, (a, b) -> a.share() >= b.share() ? a : b);
      }
    }
    List<Match> matches = new ArrayList<>();
    best.forEach((print, likeness) -> matches.add(new Match(ids.get(print), likeness)));
    matches.sort((a, b) -> Double.compare(b.likeness().share(), a.likeness().share()));
    return matches;
  }

  private static Likeness nearby(SoundPrint query, SoundPrint print, int offset) {
    Likeness best = Likeness.NONE;
    for (int o = offset - 1; o <= offset + 1; o++) {
      Likeness here = query.at(print, o);
      best = here.share() > best.share() ? here : best;
    }
    return best;
  }

  private void vote(int word, int place, Map<Long, Integer> votes) {
    int from = Arrays.binarySearch(words, word);
    if (from < 0) {
      return;
    }
    int first = from;
    while (first > 0 && words[first - 1] == word && from - first < COMMON) {
      first--;
    }
    for (int i = first; i < words.length && words[i] == word && i - first < COMMON; i++) {
      int print = places[i] >>> PLACE_BITS;
      int offset = place - (places[i] & (1 << PLACE_BITS) - 1);
      votes.merge((long) print << 32 | offset & 0xFFFFFFFFL, 1, Integer::sum);
    }
  }
}
