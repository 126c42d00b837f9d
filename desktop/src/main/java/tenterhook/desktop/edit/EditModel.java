package tenterhook.desktop.edit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.edit.FieldValues;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Words;

/** What the edit panel knows, without a node: the tracks, their values, and what was touched. */
public final class EditModel {
  /** So many values of a field are offered to be picked. */
  private static final int OFFERED = 20;

  private final Snapshot snapshot;
  private final RoaringBitmap ids;
  private final Map<Field<?>, String> touched = new LinkedHashMap<>();
  private final Map<Field<?>, FieldValues> values = new ConcurrentHashMap<>();

  /**
   * A model of some tracks.
   *
   * @param snapshot the collection
   * @param ids the tracks to edit
   */
  public EditModel(Snapshot snapshot, RoaringBitmap ids) {
    this.snapshot = snapshot;
    this.ids = ids.clone();
  }

  /** How many tracks are edited. */
  public int count() {
    return ids.getCardinality();
  }

  /** The tracks. A copy of its own. */
  public RoaringBitmap ids() {
    return ids.clone();
  }

  /** Whether it is of these tracks. */
  boolean isOf(RoaringBitmap others) {
    return ids.equals(others);
  }

  /** Counts all values that the panel shows, which for many tracks is for another thread. */
  EditModel counted() {
    fields().forEach(this::counted);
    fields().forEach(f -> Fields.totalOf(f).ifPresent(this::counted));
    counted(Fields.ARTWORK);
    return this;
  }

  private FieldValues counted(Field<?> field) {
    return values.computeIfAbsent(field, f -> FieldValues.of(snapshot, ids, f, OFFERED));
  }

  /** The most frequent raw values of a field, most frequent first. */
  public List<String> values(Field<?> field) {
    return counted(field).frequent();
  }

  /** How many different values the tracks have in a field. */
  public int distinct(Field<?> field) {
    return counted(field).distinct();
  }

  /** The one value that all tracks have, or empty when they differ. */
  public Optional<String> common(Field<?> field) {
    return distinct(field) == 1 ? Optional.of(values(field).getFirst()) : Optional.empty();
  }

  /**
   * Notes what was typed. Typing the common value again untouches the field, and so does taking out
   * again what was typed where tracks differ: to clear them all is said by {@link #set}.
   *
   * @return a sentence about what is wrong, or empty when it can be stored
   */
  public Optional<String> type(Field<?> field, String typed) {
    Optional<String> common = common(field);
    boolean asBefore = common.isPresent() && field.type().show(common.get()).equals(typed);
    boolean nothingOfMany = common.isEmpty() && typed.isEmpty();
    if (asBefore || nothingOfMany) {
      touched.remove(field);
      return Optional.empty();
    }
    Optional<String> complaint = field.type().complaint(typed);
    if (complaint.isPresent()) {
      touched.remove(field);
    } else {
      touched.put(field, field.type().fromTyped(typed));
    }
    return complaint;
  }

  /** Sets a raw value, such as artwork or a value picked from the list. */
  public void set(Field<?> field, String raw) {
    touched.put(field, raw);
  }

  /** Forgets what was typed into a field. */
  public void untouch(Field<?> field) {
    touched.remove(field);
  }

  /** Whether a field will change. */
  public boolean touched(Field<?> field) {
    return touched.containsKey(field);
  }

  /** Whether any field was touched, even if nothing would change by it. */
  boolean isTouched() {
    return !touched.isEmpty();
  }

  /** The change that Apply makes; without edits when nothing would change. */
  public Change change() {
    return change(snapshot);
  }

  /** The same on the collection as it is by now. */
  Change change(Snapshot now) {
    return TrackEdits.set(now, ids, touched);
  }

  private String cleared() {
    List<String> names =
        touched.entrySet().stream()
            .filter(t -> t.getValue().isEmpty())
            .map(t -> t.getKey().label())
            .toList();
    return names.isEmpty() ? "" : " " + Words.of("edit.clears", Change.joined(names));
  }

  /** "changes album and year on 11 tracks", or that nothing was touched. */
  public String sentence() {
    return sentence(change());
  }

  private String sentence(Change change) {
    return change.isEmpty()
        ? Words.of("edit.untouched")
        : Words.of("edit.sentence", change.fieldNames(), change.tracks().getCardinality())
            + cleared();
  }

  /** What Apply would do, of the moment when it was asked. */
  record Effect(String sentence, boolean empty) {}

  /**
   * Works out what Apply would do, which for many tracks is for another thread; what is typed
   * meanwhile is not of it.
   */
  Supplier<Effect> effect() {
    EditModel now = new EditModel(snapshot, ids);
    now.touched.putAll(touched);
    return () -> {
      Change change = now.change();
      String said = now.count() == 0 ? Words.of("edit.noTracks") : now.sentence(change);
      return new Effect(said, change.isEmpty());
    };
  }

  /** The fields that have a line of their own in the panel, in its order; totals have none. */
  public static List<Field<?>> fields() {
    return Fields.inFile().stream()
        .filter(f -> f.editable() && f.totalOf().isEmpty())
        .<Field<?>>map(f -> f)
        .toList();
  }
}
