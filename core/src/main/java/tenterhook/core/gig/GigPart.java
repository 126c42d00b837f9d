package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import tenterhook.core.crate.Rule;
import tenterhook.core.track.TrackOrder;

/**
 * A part of a gig, such as the doors or the last lap: tracks picked by hand in their order, then
 * what a rule brings in.
 *
 * @param name once in a gig
 * @param minutes planned; 0 for what the parts in it say
 * @param notes the DJ's own
 * @param tracks ids, picked by hand
 * @param rule what keeps filling it, empty for nothing; {@code crate:"Fast laps"} is a line of it
 * @param order of what the rule brings in
 * @param parts those in it
 */
public record GigPart(
    String name,
    int minutes,
    String notes,
    List<Integer> tracks,
    Optional<Rule.RuleGroup> rule,
    List<TrackOrder.Key> order,
    List<GigPart> parts) {
  /** Checks and copies; each track once. */
  public GigPart {
    name = GigNames.checked(name, "part");
    if (minutes < 0) {
      throw new IllegalArgumentException("a part lasts 0 minutes or more, was " + minutes);
    }
    tracks = tracks.stream().distinct().toList();
    order = List.copyOf(order);
    parts = List.copyOf(parts);
  }

  /** A part without music yet. */
  public static GigPart of(String name, int minutes) {
    return new GigPart(name, minutes, "", List.of(), Optional.empty(), List.of(), List.of());
  }

  /** The same under another name. */
  public GigPart named(String other) {
    return new GigPart(other, minutes, notes, tracks, rule, order, parts);
  }

  /** The same for another time. */
  public GigPart lasting(int others) {
    return new GigPart(name, others, notes, tracks, rule, order, parts);
  }

  /** The same with other notes. */
  public GigPart noted(String others) {
    return new GigPart(name, minutes, others, tracks, rule, order, parts);
  }

  /** The same with other tracks picked by hand. */
  public GigPart withTracks(List<Integer> others) {
    return new GigPart(name, minutes, notes, others, rule, order, parts);
  }

  /** The same with more tracks behind those picked by hand. */
  public GigPart plus(List<Integer> more) {
    return withTracks(Stream.concat(tracks.stream(), more.stream()).toList());
  }

  /** The same filled by another rule. */
  public GigPart filledBy(Optional<Rule.RuleGroup> other, List<TrackOrder.Key> sorted) {
    return new GigPart(name, minutes, notes, tracks, other, sorted, parts);
  }

  /** The same with other parts in it. */
  public GigPart withParts(List<GigPart> others) {
    return new GigPart(name, minutes, notes, tracks, rule, order, others);
  }

  /** The same with the lines of its rule, and of those in it, read anew. */
  GigPart withLines(UnaryOperator<Rule.Line> edit) {
    return filledBy(rule.map(r -> (Rule.RuleGroup) Rule.mapped(r, edit::apply)), order)
        .withParts(parts.stream().map(p -> p.withLines(edit)).toList());
  }

  /** The same with every track picked by hand, also in those in it, replaced. */
  GigPart following(UnaryOperator<Integer> heir) {
    return withTracks(tracks.stream().map(heir).toList())
        .withParts(parts.stream().map(p -> p.following(heir)).toList());
  }

  /** Minutes planned: its own, else those of the parts in it. */
  public int planned() {
    return minutes > 0 ? minutes : parts.stream().mapToInt(GigPart::planned).sum();
  }

  /** This part and all in it, each before those in it. */
  public Stream<GigPart> all() {
    return Stream.concat(Stream.of(this), parts.stream().flatMap(GigPart::all));
  }

  /** Parts with one of them replaced or, by an empty answer, taken away, at any depth. */
  static List<GigPart> edited(
      List<GigPart> parts, String name, UnaryOperator<Optional<GigPart>> edit) {
    List<GigPart> others = new ArrayList<>();
    for (GigPart part : parts) {
      if (part.name().equalsIgnoreCase(name.strip())) {
        edit.apply(Optional.of(part)).ifPresent(others::add);
      } else {
        others.add(part.withParts(edited(part.parts(), name, edit)));
      }
    }
    return others;
  }
}
