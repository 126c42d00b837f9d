package tenterhook.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Changes of the codebook that reach into files: one change, undone as one. */
public final class CodebookEdits {
  private CodebookEdits() {}

  /**
   * Renames a code in the codebook and in every file that carries it.
   *
   * @throws IllegalArgumentException when there is no such code, or the new one is taken
   */
  public static Change rename(Snapshot snapshot, Codebook codebook, String token, String other) {
    String known = known(codebook, token);
    Codebook after = codebook.renamed(known, other);
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(rewrite(snapshot, codebook, t -> t.equalsIgnoreCase(known) ? other : t));
    return new Change("renames code " + known + " to " + other, false, edits);
  }

  /**
   * Removes a code from the codebook and from every file that carries it.
   *
   * @throws IllegalArgumentException when there is no such code
   */
  public static Change remove(Snapshot snapshot, Codebook codebook, String token) {
    String known = known(codebook, token);
    Facet facet = codebook.facetOf(known).orElseThrow();
    Codebook after = codebook.with(facet.name(), f -> f.minus(known));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(rewrite(snapshot, codebook, t -> t.equalsIgnoreCase(known) ? "" : t));
    return new Change("removes code " + known, false, edits);
  }

  /**
   * Replaces a stray by a code, or takes it away, in every file that carries it.
   *
   * @param stray the token as it stands in files
   * @param code the code to write in its place; empty to take it away
   */
  public static Change map(Snapshot snapshot, Codebook codebook, String stray, String code) {
    String what = code.isEmpty() ? "takes stray " + stray : "stray " + stray + " becomes " + code;
    return new Change(what, false, rewrite(snapshot, codebook, t -> t.equals(stray) ? code : t));
  }

  /**
   * Gives a facet another name; rules that ask for it follow.
   *
   * @throws IllegalArgumentException when there is no such facet, or the name is taken
   */
  public static Change renameFacet(Codebook codebook, Crates crates, String name, String other) {
    Facet facet =
        codebook
            .facet(name)
            .orElseThrow(() -> new IllegalArgumentException("no facet '" + name + "'"));
    Codebook after =
        codebook.with(
            facet.name(), f -> new Facet(other, f.question(), f.many(), f.demanded(), f.codes()));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    Crates followed = crates.withSubject(facet.name(), other);
    if (!followed.equals(crates)) {
      edits.add(new Edit.SetCrates(crates, followed));
    }
    return new Change("renames facet " + facet.name() + " to " + other, true, edits);
  }

  /**
   * Writes codes into another field from now on, and moves those that stand in files; the DJ's own
   * words stay in both fields.
   *
   * @param field key of a text field
   * @throws IllegalArgumentException when codes cannot stand in that field
   */
  public static Change moveTo(Snapshot snapshot, Codebook codebook, String field) {
    Codebook after = new Codebook(codebook.facets(), new Notation(field), codebook.genres());
    Field<?> from = codebook.notation().target();
    Field<?> to = after.notation().target();
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              Notation.Reading old = Notation.read(snapshot.raw(id, from));
              if (from != to && !old.tokens().isEmpty()) {
                String target = snapshot.raw(id, to);
                Notation.Reading there = Notation.read(target);
                List<String> tokens = new ArrayList<>(there.tokens());
                old.tokens().stream().filter(t -> !tokens.contains(t)).forEach(tokens::add);
                edits.add(new Edit.SetField(id, from, snapshot.raw(id, from), old.own()));
                edits.add(new Edit.SetField(id, to, target, Notation.write(there.own(), tokens)));
              }
            });
    return new Change("writes codes into " + to.label(), false, edits);
  }

  private static String known(Codebook codebook, String token) {
    return codebook
        .known(token)
        .orElseThrow(() -> new IllegalArgumentException("no code " + token + " in the codebook"));
  }

  private static List<Edit> rewrite(
      Snapshot snapshot, Codebook codebook, UnaryOperator<String> mapping) {
    Field<?> field = codebook.notation().target();
    List<Edit> edits = new ArrayList<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              String before = snapshot.raw(id, field);
              Notation.Reading reading = Notation.read(before);
              List<String> tokens =
                  reading.tokens().stream()
                      .map(mapping)
                      .filter(t -> !t.isEmpty())
                      .distinct()
                      .toList();
              if (!tokens.equals(reading.tokens())) {
                String after = Notation.write(reading.own(), tokens);
                edits.add(new Edit.SetField(id, field, before, after));
              }
            });
    return edits;
  }

  /** The strays of a collection and the tracks that carry each, in the order of their letters. */
  public static Map<String, RoaringBitmap> strays(Snapshot snapshot) {
    Map<String, RoaringBitmap> strays = new TreeMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                snapshot
                    .value(id, Fields.STRAYS)
                    .ifPresent(
                        all ->
                            all.forEach(
                                s -> strays.computeIfAbsent(s, x -> new RoaringBitmap()).add(id))));
    return strays;
  }
}
