package tenterhook.core.repair;

import java.util.List;
import java.util.Map;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.field.Artwork;

/**
 * What inspectors may know beside the tracks. Immutable.
 *
 * @param thisYear today's year, against which a year is too late
 * @param pictures the usable pictures that lie in folders of music, by {@code root/folder}
 * @param fitted a cover's SHA-256, to the same cover brought to a size and type that players take
 * @param answers what the catalogue said, by track
 * @param covers the covers that a catalogue has for tracks, by track
 */
public record ExternalEvidence(
    int thisYear,
    Map<String, List<Beside>> pictures,
    Map<String, Artwork> fitted,
    Map<Integer, Answer> answers,
    Map<Integer, ArtworkCandidate> covers) {
  /** Copies. */
  public ExternalEvidence {
    pictures = Map.copyOf(pictures);
    fitted = Map.copyOf(fitted);
    answers = Map.copyOf(answers);
    covers = Map.copyOf(covers);
  }

  /**
   * A picture that lies beside music.
   *
   * @param name of the file
   * @param artwork what it is
   */
  public record Beside(String name, Artwork artwork) {}

  /** Nothing beside the tracks. */
  public static ExternalEvidence none(int thisYear) {
    return new ExternalEvidence(thisYear, Map.of(), Map.of(), Map.of(), Map.of());
  }

  /** The same with other answers of the catalogue, and its covers. */
  public ExternalEvidence withAnswers(
      Map<Integer, Answer> others, Map<Integer, ArtworkCandidate> otherCovers) {
    return new ExternalEvidence(thisYear, pictures, fitted, others, otherCovers);
  }
}
