package tenterhook.core.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/** Looks tracks up, folder by folder, so that the tracks of an album support one another. */
public final class Lookup {
  private Lookup() {}

  /**
   * What a look-up brought.
   *
   * @param answers by track; a track that could not be asked for is not in it
   * @param trouble why the rest was not asked for, empty when all were
   */
  public record LookedUp(Map<Integer, Answer> answers, String trouble) {
    /** Copies. */
    public LookedUp {
      answers = Map.copyOf(answers);
    }
  }

  /**
   * Asks the catalogue for tracks.
   *
   * @param snapshot the collection
   * @param ids the tracks to ask for
   * @param catalogue who is asked
   * @param progress told of every track; a stop keeps what was found so far
   */
  public static LookedUp of(
      Snapshot snapshot, RoaringBitmap ids, Catalogue catalogue, Progress progress) {
    Map<String, List<Integer>> folders = new LinkedHashMap<>();
    ids.forEach(
        (int id) -> {
          String folder = snapshot.raw(id, Fields.ROOT) + "/" + snapshot.raw(id, Fields.FOLDER);
          folders.computeIfAbsent(folder, f -> new ArrayList<>()).add(id);
        });
    Map<Integer, Answer> answers = new HashMap<>();
    long done = 0;
    for (List<Integer> folder : folders.values()) {
      Map<Integer, List<CatalogueEntry>> offered = new LinkedHashMap<>();
      String trouble = "";
      for (int id : folder) {
        if (progress.stopped()) {
          trouble = "stopped";
          break;
        }
        try {
          offered.put(id, catalogue.search(Facts.of(snapshot, id).words()));
        } catch (Catalogue.Unanswered unanswered) {
          trouble = unanswered.getMessage();
          break;
        } catch (InterruptedException stopped) {
          Thread.currentThread().interrupt();
          trouble = "stopped";
          break;
        }
        progress.at(++done, ids.getCardinality(), snapshot.name(id));
      }
      answers.putAll(together(snapshot, offered));
      if (!trouble.isEmpty()) {
        return new LookedUp(answers, trouble);
      }
    }
    return new LookedUp(answers, "");
  }

  /** Answers for the tracks of one folder, each knowing which albums the others may be on. */
  static Map<Integer, Answer> together(
      Snapshot snapshot, Map<Integer, List<CatalogueEntry>> offered) {
    Map<Integer, Set<String>> albums = new HashMap<>();
    offered.forEach(
        (id, entries) -> {
          Set<String> mine = new HashSet<>();
          for (Match match : Matcher.answer(Facts.of(snapshot, id), entries, Map.of()).matches()) {
            if (!match.entry().album().isBlank()) {
              mine.add(NameKey.of(match.entry().album()));
            }
          }
          albums.put(id, mine);
        });
    Map<Integer, Answer> answers = new HashMap<>();
    offered.forEach(
        (id, entries) -> {
          Map<String, Integer> others = new HashMap<>();
          albums.forEach(
              (other, on) -> {
                if (!other.equals(id)) {
                  on.forEach(a -> others.merge(a, 1, Integer::sum));
                }
              });
          answers.put(id, Matcher.answer(Facts.of(snapshot, id), entries, others));
        });
    return answers;
  }
}
