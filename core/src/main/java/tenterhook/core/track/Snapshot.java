package tenterhook.core.track;

import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/**
 * The collection at one moment. Immutable: readers keep it as long as they like and never wait. A
 * track's id is its place, 1 or more, and is never given to another track.
 */
public final class Snapshot {
  private static final String HELD = "held";
  private static final String LOST = "lost";

  private final Column[] columns;
  private final RoaringBitmap known;
  private final RoaringBitmap tracks;
  private final RoaringBitmap held;

  Snapshot(Column[] columns, RoaringBitmap known, RoaringBitmap tracks, RoaringBitmap held) {
    this.columns = columns;
    this.known = known;
    this.tracks = tracks;
    this.held = held;
  }

  /** A collection without a track. */
  public static Snapshot empty() {
    Column[] columns = new Column[Fields.all().size()];
    for (int i = 0; i < columns.length; i++) {
      columns[i] = new Column(new Dictionary());
    }
    return new Snapshot(columns, new RoaringBitmap(), new RoaringBitmap(), new RoaringBitmap());
  }

  /**
   * The collection after new values. Tracks that were not known become known.
   *
   * @param cells the new values; a later one of the same place wins
   * @return another snapshot that shares what did not change
   */
  public Snapshot with(List<Cell> cells) {
    Column.Writer[] writers = new Column.Writer[columns.length];
    RoaringBitmap newKnown = known.clone();
    for (Cell cell : cells) {
      int at = cell.field().index();
      if (writers[at] == null) {
        writers[at] = new Column.Writer(columns[at]);
      }
      writers[at].set(cell.id(), cell.raw());
      newKnown.add(cell.id());
    }
    Column[] altered = columns.clone();
    for (int i = 0; i < altered.length; i++) {
      altered[i] = writers[i] == null ? altered[i] : writers[i].done();
    }
    return new Snapshot(altered, newKnown, tracks, held).lifecycle(cells);
  }

  private Snapshot lifecycle(List<Cell> cells) {
    RoaringBitmap newTracks = tracks.clone();
    RoaringBitmap newHeld = held.clone();
    for (Cell cell : cells) {
      String lifecycle = raw(cell.id(), Fields.LIFECYCLE);
      put(newTracks, cell.id(), lifecycle.isEmpty());
      put(newHeld, cell.id(), lifecycle.equals(HELD));
    }
    return new Snapshot(columns, known, newTracks, newHeld);
  }

  private static void put(RoaringBitmap set, int id, boolean in) {
    if (in) {
      set.add(id);
    } else {
      set.remove(id);
    }
  }

  /** The tracks in the collection: neither removed nor in the holding bay. A copy of its own. */
  public RoaringBitmap tracks() {
    return tracks.clone();
  }

  /** The tracks in the collection that pass a test. A set of its own. */
  public RoaringBitmap tracks(IntPredicate test) {
    RoaringBitmap ids = new RoaringBitmap();
    tracks.forEach(
        (int id) -> {
          if (test.test(id)) {
            ids.add(id);
          }
        });
    return ids;
  }

  /**
   * The tracks of which anything is not as it was: a value, or whether they are there at all.
   *
   * @param before an earlier moment of the same collection
   * @return a set of its own; all known tracks when the two have no values in common
   */
  public RoaringBitmap changedSince(Snapshot before) {
    RoaringBitmap changed = RoaringBitmap.xor(tracks, before.tracks);
    for (int i = 0; i < columns.length; i++) {
      if (columns[i].dictionary() != before.columns[i].dictionary()) {
        return RoaringBitmap.or(known, before.known);
      }
      if (columns[i] != before.columns[i]) {
        changed.or(columns[i].differing(before.columns[i]));
      }
    }
    return changed;
  }

  /** The tracks in the holding bay. A copy of its own. */
  public RoaringBitmap held() {
    return held.clone();
  }

  /** All tracks that were ever known, removed ones included. A copy of its own. */
  public RoaringBitmap known() {
    return known.clone();
  }

  /** How many tracks are in the collection. */
  public int count() {
    return tracks.getCardinality();
  }

  /** Whether a track is in the collection. */
  public boolean has(int id) {
    return tracks.contains(id);
  }

  /** A track's value as it stands in the tag; empty for none. */
  public String raw(int id, Field<?> field) {
    return columns[field.index()].text(id);
  }

  /** Whether a track has no value at all; quicker than to ask for the value. */
  public boolean isBlank(int id, Field<?> field) {
    return columns[field.index()].number(id) == 0;
  }

  /** A track's value, or empty when missing or unusable. */
  public <T> Optional<T> value(int id, Field<T> field) {
    return field.type().parse(raw(id, field));
  }

  /** A track's value as a person reads it. */
  public String shown(int id, Field<?> field) {
    return field.type().show(raw(id, field));
  }

  /** The column of a field. */
  public Column column(Field<?> field) {
    return columns[field.index()];
  }

  /** Whether a track's file is not where the collection says. */
  public boolean lost(int id) {
    return raw(id, Fields.STATE).equals(LOST);
  }

  /**
   * "Artist – Title", or the file name when both are holes.
   *
   * @param id any known track
   */
  public String name(int id) {
    String artist = shown(id, Fields.ARTIST);
    String title = raw(id, Fields.TITLE);
    if (artist.isBlank() && title.isBlank()) {
      return fileName(id);
    }
    return artist.isBlank() ? title : artist + " – " + (title.isBlank() ? fileName(id) : title);
  }

  /** The last part of the track's path. */
  public String fileName(int id) {
    String path = raw(id, Fields.PATH);
    return path.substring(path.lastIndexOf('/') + 1);
  }
}
