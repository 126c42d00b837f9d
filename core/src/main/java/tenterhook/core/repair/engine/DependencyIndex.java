package tenterhook.core.repair.engine;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import tenterhook.core.repair.inspect.Question;

/**
 * Who asked what about the whole collection, and what the answer was then.
 *
 * @param <U> what asks
 */
final class DependencyIndex<U> {
  private final NameIndex nameIndex;
  private final Map<U, Set<Question>> questions = new HashMap<>();
  private final Map<Question, Integer> answers = new HashMap<>();
  private final Map<Question, Set<U>> dependencies = new HashMap<>();

  DependencyIndex(NameIndex nameIndex) {
    this.nameIndex = nameIndex;
  }

  /** Those for whom one of these questions has another answer by now; a set of its own. */
  Set<U> concernedBy(Set<Question> touched) {
    Set<U> concerned = new HashSet<>();
    for (Question question : touched) {
      Integer known = answers.get(question);
      if (known != null && known != nameIndex.answer(question)) {
        concerned.addAll(dependencies.getOrDefault(question, Set.of()));
      }
    }
    return concerned;
  }

  /** Notes what somebody asked just now, in the place of what it asked before. */
  void remember(U unit, Set<Question> now) {
    Set<Question> before = now.isEmpty() ? questions.remove(unit) : questions.put(unit, now);
    for (Question question : before == null ? Set.<Question>of() : before) {
      if (!now.contains(question)) {
        forget(unit, question);
      }
    }
    for (Question question : now) {
      dependencies.computeIfAbsent(question, q -> new HashSet<>(2)).add(unit);
      answers.put(question, nameIndex.answer(question));
    }
  }

  private void forget(U unit, Question question) {
    Set<U> units = dependencies.get(question);
    units.remove(unit);
    if (units.isEmpty()) {
      dependencies.remove(question);
      answers.remove(question);
    }
  }
}
