package tenterhook.core.narrow;

import java.util.List;
import tenterhook.core.find.Condition;

/** What the program knows of a track besides its values, as choices of their own. */
final class States {
  private static final List<Choice> ALL =
      List.of(
          state("file is lost", "file", part("lost"), 0),
          state("without artwork", "artwork", new Condition.Missing(), 1),
          state("without lyrics", "lyrics", new Condition.Missing(), 2),
          state("not measured", "sound", new Condition.Missing(), 3),
          state("claims more than it sounds", "quality", part("upscaled"), 4),
          state("resting", "resting", part("yes"), 5),
          state("guarded", "guarded", part("yes"), 6),
          state("long mix", "kind", part("mix"), 7),
          state("loop", "kind", part("loop"), 8),
          state("tool", "kind", part("tool"), 9));

  private States() {}

  static List<Choice> all() {
    return ALL;
  }

  private static Condition.Test part(String text) {
    return ChoiceReaders.any(new Condition.Part(text));
  }

  private static Choice state(String words, String subject, Condition.Test test, int rank) {
    return new Choice(NarrowGroup.Own.STATE, new Condition(subject, test), words, "", rank);
  }
}
