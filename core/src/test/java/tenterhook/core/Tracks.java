package tenterhook.core;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** Small collections for tests, from the demo scenario. */
public final class Tracks {
  /** A codebook of three facets. */
  public static final Codebook BOOK =
      new Codebook(
          List.of(
              new Facet(
                  "Era",
                  "when?",
                  false,
                  true,
                  List.of(new Code("80S", "eighties"), new Code("90S", "nineties"))),
              new Facet(
                  "Style",
                  "what?",
                  true,
                  true,
                  List.of(new Code("SKA", "ska"), new Code("ELC", "electro"))),
              new Facet("Use", "for?", true, false, List.of(new Code("TRN", "transition")))),
          Notation.DEFAULT);

  private final List<Cell> cells = new ArrayList<>();
  private int last;

  private Tracks() {}

  /** No track yet. */
  public static Tracks none() {
    return new Tracks();
  }

  /** Adds a track with values given as {@code field=value}. */
  public Tracks with(String... values) {
    last++;
    cells.add(new Cell(last, Fields.ROOT, "Music"));
    cells.add(new Cell(last, Fields.PATH, "Rink/Doors/" + last + ".mp3"));
    cells.add(new Cell(last, Fields.STATE, "present"));
    for (String value : values) {
      String[] pair = value.split("=", 2);
      cells.add(new Cell(last, Fields.of(pair[0]), pair[1]));
    }
    return this;
  }

  /** The snapshot, derived fields included. */
  public Snapshot snapshot() {
    Snapshot snapshot = Snapshot.empty().with(cells);
    return Derived.refreshed(snapshot, BOOK, snapshot.known());
  }

  /** The tracks after a change that only sets fields. */
  public static Snapshot after(Snapshot before, Change change) {
    List<Cell> cells = new ArrayList<>();
    for (Edit edit : change.edits()) {
      Edit.SetField set = (Edit.SetField) edit;
      cells.add(new Cell(set.id(), set.field(), set.after()));
    }
    return Derived.refreshed(before.with(cells), BOOK, change.tracks());
  }

  /** A set of ids. */
  public static RoaringBitmap ids(int... ids) {
    return RoaringBitmap.bitmapOf(ids);
  }
}
