package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;

/** Which crates each crate is built on, and whether that ever leads back to itself. */
final class CrateBases {
  private final List<PlacedShelf> shelves;
  private final Map<String, BasedCrate> bases = new HashMap<>();

  /**
   * A crate and what it is built on.
   *
   * @param name as it is written
   */
  private record BasedCrate(String name, Set<String> bases) {}

  CrateBases(List<PlacedShelf> shelves) {
    this.shelves = shelves;
    for (PlacedShelf placed : shelves) {
      Set<String> never = named(placed.never().lines());
      for (Crate crate : placed.shelf().crates()) {
        Set<String> names =
            crate instanceof Crate.RuleCrate rule
                ? named(Rule.lines(rule.rule()))
                : new LinkedHashSet<>();
        names.addAll(never);
        bases.put(key(crate.name()), new BasedCrate(crate.name(), names));
      }
    }
  }

  /** A name as crates are told apart by it. */
  static String key(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  /** The names of the crates that a crate is built on. */
  Set<String> of(String crate) {
    BasedCrate based = bases.get(key(crate));
    return based == null ? Set.of() : based.bases();
  }

  private Set<String> named(List<Rule.Line> lines) {
    Set<String> names = new LinkedHashSet<>();
    for (Rule.Line line : lines) {
      Condition asked = line.condition();
      switch (asked.subject()) {
        case Subject.Own.CRATE -> asked.values().forEach(v -> names.add(v.text()));
        case Subject.Own.SHELF -> asked.values().forEach(v -> addBelow(v.text(), names));
        case Subject.Own.CODE, Subject.Own.BEAT, Subject.Own.TEXT -> {}
        case Subject.OfField field -> {}
        case Subject.Named named -> {}
      }
    }
    return names;
  }

  private void addBelow(String reference, Set<String> names) {
    shelves.stream()
        .filter(s -> s.path().answers(reference))
        .flatMap(s -> s.shelf().all().stream())
        .forEach(c -> names.add(c.name()));
  }

  /** The names along a way that leads from a crate back to it; empty when there is none. */
  Optional<List<String>> circle() {
    Set<String> safe = new HashSet<>();
    for (PlacedShelf placed : shelves) {
      for (Crate crate : placed.shelf().crates()) {
        List<String> path = new ArrayList<>();
        if (leadsBack(crate.name(), path, safe)) {
          return Optional.of(path);
        }
      }
    }
    return Optional.empty();
  }

  private boolean leadsBack(String crate, List<String> path, Set<String> safe) {
    BasedCrate based = bases.get(key(crate));
    if (based == null || safe.contains(based.name())) {
      return false;
    }
    int seen = path.indexOf(based.name());
    path.add(based.name());
    if (seen >= 0) {
      path.subList(0, seen).clear();
      return true;
    }
    for (String base : based.bases()) {
      if (leadsBack(base, path, safe)) {
        return true;
      }
    }
    path.removeLast();
    safe.add(based.name());
    return false;
  }
}
