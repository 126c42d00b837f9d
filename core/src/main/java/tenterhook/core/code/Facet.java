package tenterhook.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A family of codes that answers one question.
 *
 * @param name such as {@code Style}
 * @param question such as {@code what does it sound like?}, may be empty
 * @param many whether a track may carry several of its codes
 * @param demanded whether a track without one has a hole
 * @param codes in the order they are shown and written
 */
public record Facet(
    String name, String question, boolean many, boolean demanded, List<Code> codes) {
  /** Checks the name and keeps a copy of the codes. */
  public Facet {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a facet needs a name");
    }
    codes = List.copyOf(codes);
  }

  /** The code of a token, upper and lower case alike. */
  public Optional<Code> code(String token) {
    for (Code code : codes) { // asked for each code of each track
      if (code.means(token)) {
        return Optional.of(code);
      }
    }
    return Optional.empty();
  }

  /** The same facet with other codes. */
  public Facet withCodes(List<Code> other) {
    return new Facet(name, question, many, demanded, other);
  }

  /** The same facet with another question. */
  public Facet asking(String other) {
    return new Facet(name, other, many, demanded, codes);
  }

  /** The codes that are given, retired ones left out. */
  public List<Code> given() {
    return codes.stream().filter(c -> !c.retired()).toList();
  }

  /** The same facet with one code replaced, in its place. */
  public Facet with(String token, UnaryOperator<Code> edit) {
    return withCodes(codes.stream().map(c -> c.means(token) ? edit.apply(c) : c).toList());
  }

  /** The same facet with one more code at the end. */
  public Facet plus(Code code) {
    List<Code> more = new ArrayList<>(codes);
    more.add(code);
    return withCodes(more);
  }

  /** The same facet with one more code behind another. */
  public Facet plus(Code code, String behind) {
    List<Code> more = new ArrayList<>();
    for (Code one : codes) {
      more.add(one);
      if (one.means(behind)) {
        more.add(code);
      }
    }
    return withCodes(more);
  }

  /**
   * The same facet with a code in another place.
   *
   * @param by how many places towards the end; negative towards the beginning
   */
  public Facet moved(String token, int by) {
    List<Code> others = new ArrayList<>(codes);
    Code code = code(token).orElseThrow();
    int at = others.indexOf(code);
    others.remove(at);
    others.add(Math.clamp(at + (long) by, 0, others.size()), code);
    return withCodes(others);
  }

  /** The same facet without a code; an unknown token changes nothing. */
  public Facet minus(String token) {
    return withCodes(codes.stream().filter(c -> !c.token().equalsIgnoreCase(token)).toList());
  }
}
