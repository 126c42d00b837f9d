package tenterhook.core.repair.engine;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
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
  private final Map<U, List<Question>> questions = new HashMap<>();
  private final Map<Question, Inquiry<U>> asked = new HashMap<>();

  /** A question with its answer and who asked it. */
  private static final class Inquiry<U> {
    final Question question;
    int answer;
    Set<U> units = Set.of();

    Inquiry(Question question) {
      this.question = question;
    }
  }

  DependencyIndex(NameIndex nameIndex) {
    this.nameIndex = nameIndex;
  }

  /** Those for whom one of these questions has another answer by now; a set of its own. */
  Set<U> concernedBy(Set<Question> touched) {
    Set<U> concerned = new HashSet<>();
    for (Question question : touched) {
      Inquiry<U> known = asked.get(question);
      if (known != null && known.answer != nameIndex.answer(question)) {
        concerned.addAll(known.units);
      }
    }
    return concerned;
  }

  /** Notes what somebody asked just now, in the place of what it asked before. */
  void remember(U unit, Set<Question> now) {
    List<Question> shared = now.stream().map(q -> note(unit, q)).toList();
    List<Question> before = now.isEmpty() ? questions.remove(unit) : questions.put(unit, shared);
    for (Question question : before == null ? List.<Question>of() : before) {
      if (!now.contains(question)) {
        forget(unit, question);
      }
    }
  }

  /** The question as it is kept, once for all who ask it. */
  private Question note(U unit, Question question) {
    Inquiry<U> one = asked.computeIfAbsent(question, Inquiry::new);
    one.units = SmallSets.union(one.units, Set.of(unit));
    one.answer = nameIndex.answer(question);
    return one.question;
  }

  private void forget(U unit, Question question) {
    asked.computeIfPresent(
        question,
        (q, one) -> {
          Set<U> left = SmallSets.minus(one.units, unit);
          if (left == null) {
            return null;
          }
          one.units = left;
          return one;
        });
  }
}
