package tenterhook.core.track;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;

/** What an item of the collection is. Only tracks have holes and fall into crates by themselves. */
public enum ItemKind {
  /** A song, as most items are. */
  TRACK,
  /** A long mix of many songs. */
  MIX,
  /** A piece that is made to be repeated. */
  LOOP,
  /** A sound, a voice, an aid to mixing. */
  TOOL;

  /** Its name in the find language and in files, such as {@code mix}. */
  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The kind of a name, in any case. */
  public static Optional<ItemKind> named(String key) {
    return Arrays.stream(values()).filter(k -> k.key().equalsIgnoreCase(key)).findFirst();
  }

  /** Whether one item is no track. */
  public static boolean isOther(Snapshot snapshot, int id) {
    return isOther(snapshot.raw(id, Fields.KIND));
  }

  private static boolean isOther(String kind) {
    return !kind.isEmpty() && !kind.equals(TRACK.key());
  }

  /** A test for items that are no tracks, for one moment; for who asks for many. */
  public static IntPredicate others(Snapshot snapshot) {
    Column column = snapshot.column(Fields.KIND);
    BitSet others = new BitSet();
    for (int number = 0; number < column.dictionary().size(); number++) {
      others.set(number, isOther(column.dictionary().text(number)));
    }
    return others.isEmpty() ? id -> false : id -> others.get(column.number(id));
  }

  /** The items of the collection that are no tracks. */
  public static RoaringBitmap allOthers(Snapshot snapshot) {
    return snapshot.tracks(others(snapshot));
  }
}
