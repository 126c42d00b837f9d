package tenterhook.core.play;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.TreeSet;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Makes the changes that count plays. Hearing a track in the strip is no play. */
public final class Plays {
  private Plays() {}

  /**
   * Counts one play on a night for each track; a track that has that night already is left out, so
   * the same night is never counted twice, whatever list it comes from.
   *
   * @param snapshot the collection
   * @param ids the tracks; one that comes twice counts once
   * @param night when
   */
  public static Change onNight(Snapshot snapshot, List<Integer> ids, LocalDate night) {
    String date = night.toString();
    List<Edit> edits = new ArrayList<>();
    int counted = 0;
    for (int id : new LinkedHashSet<>(ids)) {
      TreeSet<String> nights = new TreeSet<>(snapshot.value(id, Fields.NIGHTS).orElse(List.of()));
      if (nights.add(date)) {
        counted++;
        set(edits, snapshot, id, Fields.NIGHTS, joined(nights));
        int plays = snapshot.value(id, Fields.PLAYS).orElse(0) + 1;
        set(edits, snapshot, id, Fields.PLAYS, String.valueOf(plays));
        if (date.compareTo(snapshot.raw(id, Fields.LAST_PLAYED)) > 0) {
          set(edits, snapshot, id, Fields.LAST_PLAYED, date);
        }
      }
    }
    String plays = counted == 1 ? "1 play" : counted + " plays";
    return new Change("counts " + plays + " on " + date, true, edits);
  }

  private static void set(
      List<Edit> edits,
      Snapshot snapshot,
      int id,
      tenterhook.core.field.Field<?> field,
      String after) {
    edits.add(new Edit.SetField(id, field, snapshot.raw(id, field), after));
  }

  /** Nights as one raw value. */
  public static String joined(Iterable<String> nights) {
    return String.join(String.valueOf(FieldType.SEPARATOR), nights);
  }

  /**
   * What {@link Fields#PLAYS} becomes when a file's own counter was read again.
   *
   * @param plays before
   * @param counted the counter before
   * @param now the counter now; a fall is another program's affair and takes nothing away
   */
  public static int afterReading(int plays, int counted, int now) {
    return plays + Math.max(0, now - counted);
  }
}
