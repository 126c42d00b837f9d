package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/** What inspectors stand on. Remembers what they asked about the whole collection. */
final class Ground {
  private final Snapshot snapshot;
  private final Codebook codebook;
  private final RepairRules rules;
  private final Surroundings surroundings;
  private final Census census;
  private @Nullable Set<Question> asked;

  Ground(
      Snapshot snapshot,
      Codebook codebook,
      RepairRules rules,
      Surroundings surroundings,
      Census census) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.rules = rules;
    this.surroundings = surroundings;
    this.census = census;
  }

  /** From now on questions are noted here. */
  void note(Set<Question> questions) {
    asked = questions;
  }

  Snapshot snapshot() {
    return snapshot;
  }

  Codebook codebook() {
    return codebook;
  }

  RepairRules rules() {
    return rules;
  }

  Surroundings surroundings() {
    return surroundings;
  }

  String raw(int id, Field<?> field) {
    return snapshot.raw(id, field);
  }

  boolean hole(int id, Field<?> field) {
    return field.isHole(snapshot.raw(id, field));
  }

  /** How many tracks an artist has, in whatever spelling. */
  int tracksBy(String artist) {
    return ask(new Question(Question.Kind.ARTIST, NameKey.of(artist)));
  }

  /** The tempo that a genre keeps to, 0 when it keeps to none or too few tracks are known. */
  int tempoOf(String genre) {
    return ask(new Question(Question.Kind.TEMPO, NameKey.of(genre)));
  }

  /** The earliest year of a song that is no reissue, 0 when none is known. */
  int originalYear(String artist, String title) {
    return ask(new Question(Question.Kind.ORIGINAL, Census.song(artist, title)));
  }

  private int ask(Question question) {
    if (asked != null) {
      asked.add(question);
    }
    return census.answer(question);
  }

  /** The edits that give a track these values; those that it has already are left out. */
  List<SetField> edits(int id, Map<Field<?>, String> values) {
    List<SetField> edits = new ArrayList<>();
    values.forEach(
        (field, after) -> {
          String before = snapshot.raw(id, field);
          if (!before.equals(after)) {
            edits.add(new SetField(id, field, before, after));
          }
        });
    return edits;
  }
}
