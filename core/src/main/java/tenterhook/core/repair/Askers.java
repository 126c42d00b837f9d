package tenterhook.core.repair;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Who asked what about the whole collection, and what the answer was then.
 *
 * @param <U> what asks
 */
final class Askers<U> {
  private final Census census;
  private final Map<U, Set<Question>> questions = new HashMap<>();
  private final Map<Question, Integer> answers = new HashMap<>();
  private final Map<Question, Set<U>> askers = new HashMap<>();

  Askers(Census census) {
    this.census = census;
  }

  /** Those for whom one of these questions has another answer by now; a set of its own. */
  Set<U> concernedBy(Set<Question> touched) {
    Set<U> concerned = new HashSet<>();
    for (Question question : touched) {
      Integer known = answers.get(question);
      if (known != null && known != census.answer(question)) {
        concerned.addAll(askers.getOrDefault(question, Set.of()));
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
      askers.computeIfAbsent(question, q -> new HashSet<>(2)).add(unit);
      answers.put(question, census.answer(question));
    }
  }

  private void forget(U unit, Question question) {
    Set<U> units = askers.get(question);
    units.remove(unit);
    if (units.isEmpty()) {
      askers.remove(question);
      answers.remove(question);
    }
  }
}
