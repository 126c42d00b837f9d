package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Figures;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.LineEdits;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Subject;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;

/** Changes of the codebook that reach into files: one change, undone as one. */
public final class CodebookEdits {
  private CodebookEdits() {}

  /**
   * Renames a code in the codebook, in every file that carries it and in every rule that asks for
   * it.
   *
   * @throws IllegalArgumentException when there is no such code, or the new one is taken
   */
  public static Change rename(
      Snapshot snapshot, Codebook codebook, Holders holders, String token, String other) {
    String known = known(codebook, token);
    Codebook after = codebook.renamed(known, other);
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(holders.following(LineEdits.code(known, other)));
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
   * Replaces many strays at once.
   *
   * @param codes the code for each stray, as it stands in files
   */
  public static Change map(Snapshot snapshot, Codebook codebook, Map<String, String> codes) {
    return new Change(
        codes.size() + (codes.size() == 1 ? " stray becomes a code" : " strays become codes"),
        false,
        rewrite(snapshot, codebook, t -> codes.getOrDefault(t, t)));
  }

  /**
   * Makes a code of a stray; files stay as they are, since they carry it already.
   *
   * @throws IllegalArgumentException when there is no such facet, or the token is no code
   */
  public static Change adopt(Codebook codebook, String stray, String facet) {
    if (codebook.facet(facet).isEmpty()) {
      throw new IllegalArgumentException("no facet '" + facet + "'");
    }
    Codebook after = codebook.with(facet, f -> f.plus(new Code(stray, "")));
    return new Change(
        "makes a code of stray " + stray, true, List.of(new Edit.SetCodebook(codebook, after)));
  }

  /** The change after which a token no longer counts as a stray, or counts as one again. */
  public static Change ignore(Codebook codebook, String stray, boolean ignore) {
    return new Change(
        (ignore ? "ignores stray " : "looks at stray ") + stray + (ignore ? "" : " again"),
        true,
        List.of(new Edit.SetCodebook(codebook, codebook.ignoring(stray, ignore))));
  }

  /**
   * Gives a facet another name; rules that ask for it follow.
   *
   * @throws IllegalArgumentException when there is no such facet, or the name is taken
   */
  public static Change renameFacet(Codebook codebook, Holders holders, String name, String other) {
    Facet facet =
        codebook
            .facet(name)
            .orElseThrow(() -> new IllegalArgumentException("no facet '" + name + "'"));
    Codebook after =
        codebook.with(
            facet.name(), f -> new Facet(other, f.question(), f.many(), f.demanded(), f.codes()));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(holders.following(LineEdits.subject(facet.name(), other)));
    return new Change("renames facet " + facet.name() + " to " + other, true, edits);
  }

  /**
   * Writes codes another way from now on, perhaps into another field, and rewrites all that stand
   * in files; the DJ's own words stay, in both fields.
   *
   * @param other how codes are written afterwards
   */
  public static Change write(Snapshot snapshot, Codebook codebook, Notation other) {
    Notation now = codebook.notation();
    Codebook after = codebook.with(other);
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    snapshot.tracks().forEach((int id) -> rewrite(edits, snapshot, id, now, other));
    return new Change("writes codes into " + other.target().label(), false, edits);
  }

  private static void rewrite(
      List<Edit> edits, Snapshot snapshot, int id, Notation now, Notation other) {
    String before = snapshot.raw(id, now.target());
    Notation.Content old = standing(now, other.figures(), before);
    String figures = other.figures().of(field -> snapshot.raw(id, field));
    if (now.target() == other.target()) {
      boolean bare = old.tokens().isEmpty() && old.figures().isEmpty() && !other.figures().on();
      set(edits, id, now.target(), before, bare ? before : other.write(old.withFigures(figures)));
      return;
    }
    if (!old.tokens().isEmpty() || !old.figures().isEmpty()) {
      set(edits, id, now.target(), before, old.own());
    }
    String target = snapshot.raw(id, other.target());
    Notation.Content there = other.read(target);
    List<String> tokens = new ArrayList<>(there.tokens());
    old.tokens().stream().filter(t -> !tokens.contains(t)).forEach(tokens::add);
    if (!old.tokens().isEmpty() || other.figures().on()) {
      set(
          edits,
          id,
          other.target(),
          target,
          other.write(there.withTokens(tokens).withFigures(figures)));
    }
  }

  /**
   * What a text holds. Where no figures were written so far, some that came along from elsewhere
   * are told by their place at the end; anywhere else they are own words.
   */
  private static Notation.Content standing(Notation now, Figures next, String text) {
    Notation.Content content = now.with(next).read(text);
    boolean ours = !now.figures().equals(Figures.NONE) || text.endsWith(content.figures());
    return ours ? content : now.read(text);
  }

  /**
   * Puts other figures behind the codes from now on, in all files.
   *
   * @param template see {@link Figures}; empty takes the figures away
   * @throws IllegalArgumentException when it cannot be a template; the message says why
   */
  public static Change figures(Snapshot snapshot, Codebook codebook, String template) {
    Notation other = codebook.notation().with(codebook.notation().figures().then(template));
    Change change = write(snapshot, codebook, other);
    String title =
        other.figures().on()
            ? "writes figures " + other.figures().template() + " behind codes"
            : "takes figures away behind codes";
    return new Change(title, false, change.edits());
  }

  /**
   * Settles by which rule items are of a kind.
   *
   * @param rule a text of the find language; empty for none
   * @throws IllegalArgumentException when it cannot be read, or asks for what depends on kinds
   */
  public static Change kind(Codebook codebook, ItemKind kind, String rule) {
    if (FindParser.parse(rule, codebook) instanceof Parsed.Bad bad) {
      throw new IllegalArgumentException(bad.message() + ", at letter " + (bad.position() + 1));
    }
    if (FindParser.parse(rule, codebook) instanceof Parsed.Good good) {
      for (Rule.Line line : Rule.lines(Rule.of(good.query()))) {
        Subject asked = line.condition().subject();
        if (asked == Subject.Own.CRATE
            || asked == Subject.Own.SHELF
            || asked.field(codebook).filter(f -> f == Fields.KIND).isPresent()) {
          throw new IllegalArgumentException(
              "crates, shelves and kinds follow from the kind; ask for length, words or codes");
        }
      }
    }
    Codebook after = codebook.with(codebook.kinds().with(kind, rule));
    return new Change(
        "settles what is a " + kind.key(), true, List.of(new Edit.SetCodebook(codebook, after)));
  }

  static void set(List<Edit> edits, int id, Field<?> field, String before, String after) {
    if (!before.equals(after)) {
      edits.add(new Edit.SetField(id, field, before, after));
    }
  }

  /**
   * Makes one code of two: every track that carries the one carries the other instead, and the
   * token is read as it from now on. Rules that ask for it follow.
   *
   * @param token goes
   * @param into stays
   * @throws IllegalArgumentException when one of them is not there, or both are one
   */
  public static Change merge(
      Snapshot snapshot, Codebook codebook, Holders holders, String token, String into) {
    String from = known(codebook, token);
    String to = known(codebook, into);
    if (from.equals(to)) {
      throw new IllegalArgumentException(from + " and " + to + " are one code already");
    }
    List<String> read = new ArrayList<>();
    read.add(from);
    codebook.facetOf(from).flatMap(f -> f.code(from)).ifPresent(c -> read.addAll(c.synonyms()));
    Codebook after =
        codebook
            .with(codebook.facetOf(from).orElseThrow().name(), f -> f.minus(from))
            .withCode(to, c -> c.alsoRead(joined(c.synonyms(), read)));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(holders.following(LineEdits.code(from, to)));
    edits.addAll(
        rewrite(snapshot, codebook, t -> read.stream().anyMatch(t::equalsIgnoreCase) ? to : t));
    return new Change("merges code " + from + " into " + to, false, edits);
  }

  private static List<String> joined(List<String> a, List<String> b) {
    List<String> all = new ArrayList<>(a);
    all.addAll(b);
    return all;
  }

  /**
   * Makes two codes of one: some of the tracks that carry it carry a new one instead.
   *
   * @param token the code
   * @param fresh the new one, which stands behind it in its facet
   * @param ids which tracks; those that do not carry the code are left out
   * @throws IllegalArgumentException when the code is not there, or the new one is
   */
  public static Change split(
      Snapshot snapshot, Codebook codebook, String token, Code fresh, RoaringBitmap ids) {
    String from = known(codebook, token);
    Codebook after =
        codebook.with(codebook.facetOf(from).orElseThrow().name(), f -> f.plus(fresh, from));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    for (Edit edit :
        rewrite(snapshot, codebook, t -> t.equalsIgnoreCase(from) ? fresh.token() : t)) {
      if (edit instanceof Edit.OfTrack one && ids.contains(one.id())) {
        edits.add(edit);
      }
    }
    return new Change("splits " + fresh.token() + " off code " + from, false, edits);
  }

  /**
   * Moves a code to another facet; files that carry several are written in the new order.
   *
   * @throws IllegalArgumentException when there is no such code or facet
   */
  public static Change move(
      Snapshot snapshot, Codebook codebook, Holders holders, String token, String facet) {
    String known = known(codebook, token);
    Facet from = codebook.facetOf(known).orElseThrow();
    Facet to =
        codebook
            .facet(facet)
            .orElseThrow(() -> new IllegalArgumentException("no facet '" + facet + "'"));
    Code code = from.code(known).orElseThrow();
    Codebook after =
        codebook.with(from.name(), f -> f.minus(known)).with(to.name(), f -> f.plus(code));
    List<Edit> edits = new ArrayList<>(List.of(new Edit.SetCodebook(codebook, after)));
    edits.addAll(holders.following(LineEdits.codeMoved(known, from.name(), to.name())));
    Field<?> field = codebook.notation().target();
    snapshot
        .tracks(id -> snapshot.value(id, Fields.CODES).orElse(List.of()).contains(known))
        .forEach(
            (int id) -> {
              String before = snapshot.raw(id, field);
              set(edits, id, field, before, after.rewritten(before, List.of(), List.of()));
            });
    return new Change("moves code " + known + " to " + to.name(), false, edits);
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
              Notation.Content reading = codebook.notation().read(before);
              List<String> tokens =
                  reading.tokens().stream()
                      .map(mapping)
                      .filter(t -> !t.isEmpty())
                      .distinct()
                      .toList();
              if (!tokens.equals(reading.tokens())) {
                String after = codebook.notation().write(reading.withTokens(tokens));
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
