package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import tenterhook.core.find.Query;

/**
 * What must never be heard from a shelf: it stays out of all of the shelf's crates and of those of
 * the shelves in it, whatever their rules say and whoever put it there by hand.
 *
 * @param tracks ids
 * @param lines what else: an artist, a code, or any other line
 */
public record NeverPlay(List<Integer> tracks, List<Rule.Line> lines) {
  /** Nothing. */
  public static final NeverPlay NOTHING = new NeverPlay(List.of(), List.of());

  /** Copies, each track and line once. */
  public NeverPlay {
    tracks = tracks.stream().distinct().toList();
    lines = lines.stream().distinct().toList();
  }

  /** Whether everything may be played. */
  public boolean isEmpty() {
    return tracks.isEmpty() && lines.isEmpty();
  }

  /** The same with more tracks. */
  public NeverPlay plus(List<Integer> more) {
    return new NeverPlay(Stream.concat(tracks.stream(), more.stream()).toList(), lines);
  }

  /** Both lists. */
  public NeverPlay plus(NeverPlay other) {
    return isEmpty()
        ? other
        : new NeverPlay(
            Stream.concat(tracks.stream(), other.tracks.stream()).toList(),
            Stream.concat(lines.stream(), other.lines.stream()).toList());
  }

  /** The same with one more line. */
  public NeverPlay plus(Rule.Line line) {
    List<Rule.Line> more = new ArrayList<>(lines);
    more.add(line);
    return new NeverPlay(tracks, more);
  }

  /** The same with every track replaced by another or by itself. */
  public NeverPlay withTracks(UnaryOperator<Integer> heir) {
    return new NeverPlay(tracks.stream().map(heir).toList(), lines);
  }

  /** The same without a track. */
  public NeverPlay minus(int id) {
    return new NeverPlay(tracks.stream().filter(t -> t != id).toList(), lines);
  }

  /** The same without a line. */
  public NeverPlay minus(Rule.Line line) {
    return new NeverPlay(tracks, lines.stream().filter(l -> !l.equals(line)).toList());
  }

  /** What the lines ask; empty when there is none. */
  Optional<Query> query() {
    return lines.isEmpty()
        ? Optional.empty()
        : Optional.of(new Query.Or(lines.stream().map(Rule::query).toList()));
  }
}
