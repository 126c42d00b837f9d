package tenterhook.core.code;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;

/**
 * All facets and codes with their meanings: the legend. Immutable; every edit gives another one.
 *
 * @param facets in order; no two of one name, no token twice
 * @param notation how codes are written into files
 * @param genres what was settled about genres
 * @param ignored tokens that look like codes in files and are none, in capitals
 * @param kinds which items are no tracks
 */
public record Codebook(
    List<Facet> facets, Notation notation, Genres genres, Set<String> ignored, ItemKinds kinds) {
  private static final Set<String> RESERVED =
      Set.of("code", "crate", "missing", "present", "is", "shelf", "beat", "text");

  /** What a collection begins with: no facet. */
  public static final Codebook EMPTY =
      new Codebook(List.of(), Notation.DEFAULT).with(ItemKinds.DEFAULT);

  /** A codebook that settles nothing about genres and kinds. */
  public Codebook(List<Facet> facets, Notation notation) {
    this(facets, notation, Genres.NONE, Set.of(), ItemKinds.NONE);
  }

  /** The same codebook with other rules for kinds of items. */
  public Codebook with(ItemKinds other) {
    return new Codebook(facets, notation, genres, ignored, other);
  }

  /** The same codebook with other genres. */
  public Codebook with(Genres other) {
    return new Codebook(facets, notation, other, ignored, kinds);
  }

  /**
   * The same codebook with a token that no longer counts as a stray, or counts as one again.
   *
   * @param token in any case
   * @param ignore true to ignore it; a token that is ignored already changes nothing
   */
  public Codebook ignoring(String token, boolean ignore) {
    Set<String> others = new TreeSet<>(ignored);
    if (ignore) {
      others.add(token.toUpperCase(java.util.Locale.ROOT));
    } else {
      others.remove(token.toUpperCase(java.util.Locale.ROOT));
    }
    return new Codebook(facets, notation, genres, others, kinds);
  }

  /** Checks that names and tokens are each used once. */
  public Codebook {
    facets = IndexedFacets.copyOf(facets);
    ignored = java.util.Collections.unmodifiableSet(new TreeSet<>(ignored));
    Set<String> names = new LinkedHashSet<>();
    Set<String> tokens = new LinkedHashSet<>();
    for (Facet facet : facets) {
      String name = facet.name().toLowerCase(java.util.Locale.ROOT);
      if (RESERVED.contains(name) || Fields.named(name).filter(f -> !f.givesWay()).isPresent()) {
        throw taken(facet.name());
      }
      if (!names.add(name)) {
        throw new IllegalArgumentException("there is a facet '" + facet.name() + "' already");
      }
      for (Code code : facet.codes()) {
        claim(tokens, code.token());
        code.synonyms().forEach(s -> claim(tokens, s));
      }
    }
  }

  private static IllegalArgumentException taken(String name) {
    return new IllegalArgumentException(
        "'" + name + "' is the name of a field; give the facet another name");
  }

  private static void claim(Set<String> tokens, String token) {
    if (!tokens.add(token.toUpperCase(java.util.Locale.ROOT))) {
      throw new IllegalArgumentException("there is a code " + token + " already");
    }
  }

  /** The same codebook with another notation. */
  public Codebook with(Notation other) {
    return new Codebook(facets, other, genres, ignored, kinds);
  }

  /** The facet of a name, upper and lower case alike. */
  public Optional<Facet> facet(String name) {
    return facets.stream().filter(f -> f.name().equalsIgnoreCase(name)).findFirst();
  }

  /** The facet that a token belongs to. */
  public Optional<Facet> facetOf(String token) {
    return code(token).map(IndexedFacets.PlacedCode::facet);
  }

  /** The token as the codebook spells it, or empty for a stray. */
  public Optional<String> known(String token) {
    return code(token).map(c -> c.code().token());
  }

  private Optional<IndexedFacets.PlacedCode> code(String token) {
    return ((IndexedFacets) facets).code(token); // as the constructor makes it
  }

  /** All tokens, in the order of facets and codes. */
  public List<String> tokens() {
    return facets.stream().flatMap(f -> f.codes().stream()).map(Code::token).toList();
  }

  /**
   * The same codebook with one more facet at the end.
   *
   * @throws IllegalArgumentException when a field, a facet or a word of the find language is called
   *     so already
   */
  public Codebook plus(Facet facet) {
    if (Fields.named(facet.name()).isPresent()) {
      throw taken(facet.name());
    }
    List<Facet> more = new ArrayList<>(facets);
    more.add(facet);
    return withFacets(more);
  }

  private Codebook withFacets(List<Facet> others) {
    return new Codebook(others, notation, genres, ignored, kinds);
  }

  /**
   * The same codebook with a facet in another place.
   *
   * @param name of the facet, in any case
   * @param by how many places towards the end; negative towards the beginning; no further than the
   *     ends
   * @throws IllegalArgumentException when there is no such facet
   */
  public Codebook moved(String name, int by) {
    List<Facet> others = new ArrayList<>(facets);
    Facet facet =
        facet(name).orElseThrow(() -> new IllegalArgumentException("no facet '" + name + "'"));
    int at = others.indexOf(facet);
    others.remove(at);
    others.add(Math.clamp(at + (long) by, 0, others.size()), facet);
    return withFacets(others);
  }

  /** The same codebook without a facet; an unknown name changes nothing. */
  public Codebook minus(String name) {
    return withFacets(facets.stream().filter(f -> !f.name().equalsIgnoreCase(name)).toList());
  }

  /** The same codebook with one facet replaced; an unknown name changes nothing. */
  public Codebook with(String name, UnaryOperator<Facet> edit) {
    return withFacets(
        facets.stream().map(f -> f.name().equalsIgnoreCase(name) ? edit.apply(f) : f).toList());
  }

  /** The same codebook with one token spelled another way; an unknown token changes nothing. */
  public Codebook renamed(String token, String other) {
    return withCode(token, c -> c.named(other));
  }

  /** The same codebook with one code replaced, in its place; an unknown token changes nothing. */
  public Codebook withCode(String token, UnaryOperator<Code> edit) {
    return withFacets(facets.stream().map(f -> f.with(token, edit)).toList());
  }

  /** The codes that a field's text holds, in the codebook's order. */
  public List<String> codesIn(String text) {
    List<String> tokens = notation.read(text).tokens();
    return tokens.isEmpty()
        ? List.of()
        : ordered(tokens.stream().flatMap(t -> known(t).stream()).distinct().toList());
  }

  /** The tokens in a field's text that are not in the codebook, but for ignored ones. */
  public List<String> straysIn(String text) {
    return unknownIn(text).stream()
        .filter(t -> !ignored.contains(t.toUpperCase(java.util.Locale.ROOT)))
        .toList();
  }

  private List<String> unknownIn(String text) {
    return notation.read(text).tokens().stream().filter(t -> known(t).isEmpty()).toList();
  }

  /**
   * A field's text after codes were given and taken; own words and strays stay. A new code of a
   * facet that holds one code takes the place of the old one.
   *
   * @param text what the field holds now
   * @param give tokens of the codebook to add
   * @param take tokens to remove, strays allowed
   * @throws IllegalArgumentException when a token to give is not in the codebook
   */
  public String rewritten(String text, List<String> give, List<String> take) {
    Notation.Content reading = notation.read(text);
    Set<String> codes = new LinkedHashSet<>();
    List<String> strays = new ArrayList<>();
    for (String token : reading.tokens()) {
      known(token).ifPresentOrElse(codes::add, () -> strays.add(token));
    }
    for (String token : take) {
      codes.remove(known(token).orElse(token));
      strays.removeIf(s -> s.equalsIgnoreCase(token));
    }
    for (String token : give) {
      Facet facet =
          facetOf(token)
              .orElseThrow(
                  () -> new IllegalArgumentException("no code " + token + " in the codebook"));
      if (!facet.many()) {
        codes.removeIf(c -> facetOf(c).filter(facet::equals).isPresent());
      }
      codes.add(known(token).orElseThrow());
    }
    List<String> all = new ArrayList<>(ordered(codes));
    all.addAll(strays);
    return notation.write(reading.withTokens(all));
  }

  /** The order of the codebook. */
  private List<String> ordered(Collection<String> found) {
    List<String> ordered = new ArrayList<>(found);
    if (ordered.size() > 1) {
      ordered.sort(
          Comparator.comparingInt(t -> code(t).map(IndexedFacets.PlacedCode::place).orElse(-1)));
    }
    return ordered;
  }
}
