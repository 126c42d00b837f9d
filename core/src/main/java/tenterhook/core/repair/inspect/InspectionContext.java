package tenterhook.core.repair.inspect;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/** What inspectors can ask. Remembers what they asked about the whole collection. */
public final class InspectionContext {
  private static final int MOST_REMEMBERED = 50_000;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final RepairRules rules;
  private final ExternalEvidence externalEvidence;
  private final ToIntFunction<Question> answers;
  private final Map<String, String> keys = new HashMap<>();
  private final Map<String, Optional<Artwork>> covers = new HashMap<>();
  private final Set<Question> asked = new HashSet<>();

  /**
   * What inspectors can ask at one moment.
   *
   * @param snapshot the tracks
   * @param codebook the legend
   * @param rules what the DJ settled
   * @param externalEvidence what is known beside the tracks
   * @param answers answers what is asked about the whole collection
   */
  public InspectionContext(
      Snapshot snapshot,
      Codebook codebook,
      RepairRules rules,
      ExternalEvidence externalEvidence,
      ToIntFunction<Question> answers) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.rules = rules;
    this.externalEvidence = externalEvidence;
    this.answers = answers;
  }

  /** From now on questions are noted in this set, which is empty now and used again later. */
  public Set<Question> noting() {
    asked.clear();
    return asked;
  }

  /** The tracks. */
  public Snapshot snapshot() {
    return snapshot;
  }

  /** The legend. */
  public Codebook codebook() {
    return codebook;
  }

  /** What the DJ settled. */
  public RepairRules rules() {
    return rules;
  }

  /** What is known beside the tracks. */
  public ExternalEvidence externalEvidence() {
    return externalEvidence;
  }

  /** The raw value of a field. */
  public String raw(int id, Field<?> field) {
    return snapshot.raw(id, field);
  }

  /** Whether a field is a hole, or holds what programs write where nothing is known. */
  public boolean hole(int id, Field<?> field) {
    String raw = snapshot.raw(id, field);
    return field.isHole(raw) || Placeholders.stands(field, raw);
  }

  /** {@link NameKey#of}, remembered: the same names are asked for again and again. */
  public String key(String name) {
    if (keys.size() > MOST_REMEMBERED) {
      keys.clear();
    }
    return keys.computeIfAbsent(name, NameKey::of);
  }

  /** A track's cover, or empty when it has none that can be read. */
  public Optional<Artwork> cover(int id) {
    if (covers.size() > MOST_REMEMBERED) {
      covers.clear();
    }
    return covers.computeIfAbsent(snapshot.raw(id, Fields.ARTWORK), Artwork::parse);
  }

  /** How many tracks an artist has, in whatever spelling. */
  public int tracksBy(String artist) {
    return ask(new Question(Question.Asked.ARTIST, key(artist)));
  }

  /** Whether an artist is written with capitals and small letters on some track. */
  public boolean isKnownOtherwise(String artist) {
    return ask(new Question(Question.Asked.CAPITALED, key(artist))) > 0;
  }

  /** The tempo that a genre keeps to, 0 when it keeps to none or too few tracks are known. */
  public int tempoOf(String genre) {
    return ask(new Question(Question.Asked.TEMPO, key(genre)));
  }

  /** The earliest year of a song that is no reissue, 0 when none is known. */
  public int originalYear(String artist, String title) {
    return ask(new Question(Question.Asked.ORIGINAL, NameKeys.song(artist, title)));
  }

  private int ask(Question question) {
    asked.add(question);
    return answers.applyAsInt(question);
  }

  /** The edits that give a track these values; those that it has already are left out. */
  public List<SetField> edits(int id, Map<Field<?>, String> values) {
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

  /** The proposal that one field of a track gets another value; none when it has it already. */
  public Optional<Proposal> proposal(
      RepairKind kind,
      String decision,
      int id,
      Field<?> field,
      String after,
      int certainty,
      String reason) {
    List<SetField> edits = edits(id, Map.of(field, after));
    return edits.isEmpty()
        ? Optional.empty()
        : Optional.of(new Proposal(kind, decision, id, edits, certainty, reason));
  }
}
