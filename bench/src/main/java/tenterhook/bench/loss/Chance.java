package tenterhook.bench.loss;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.synth.Cover;

/**
 * Changes of every kind by chance: tags, covers, moves to the holding bay and back, crates, undo.
 */
final class Chance {
  private static final List<Field<?>> FIELDS =
      List.of(Fields.ALBUM, Fields.LABEL, Fields.GENRE, Fields.COMPOSER, Fields.COMMENT);

  private final Random random;

  Chance(long seed) {
    this.random = new Random(seed);
  }

  /** Makes one change, or takes one back. */
  Outcome act(MusicCollection collection) throws Exception {
    if (random.nextInt(5) == 0) {
      List<LedgerEntry> undoable =
          collection.history().stream().filter(LedgerEntry::canUndo).toList();
      if (!undoable.isEmpty()) {
        LedgerEntry one = undoable.get(random.nextInt(undoable.size()));
        return collection.undo(one.number(), Progress.SILENT);
      }
    }
    Optional<Artwork> cover =
        random.nextInt(6) == 0
            ? Optional.of(collection.covers().keep(Cover.draw(random.nextInt(50), 160, "png")))
            : Optional.empty();
    return collection.apply(now -> change(now.snapshot(), now.crates(), cover), Progress.SILENT);
  }

  /** A change that alters tags, one field each, so that any order of undoing is possible. */
  Change tags(Snapshot snapshot, int field) {
    return TrackEdits.set(
        snapshot, some(snapshot, snapshot.tracks()), Map.of(FIELDS.get(field), value()));
  }

  static int fields() {
    return FIELDS.size();
  }

  private Change change(Snapshot snapshot, Crates crates, Optional<Artwork> cover) {
    RoaringBitmap some = some(snapshot, snapshot.tracks());
    if (cover.isPresent()) {
      return TrackEdits.set(snapshot, some, Map.of(Fields.ARTWORK, cover.get().raw()));
    }
    return switch (random.nextInt(6)) {
      case 0 -> TrackEdits.hold(snapshot, some, "chance");
      case 1 -> TrackEdits.restore(snapshot, some(snapshot, snapshot.held()));
      case 2 -> crate(crates);
      default -> tags(snapshot, random.nextInt(FIELDS.size()));
    };
  }

  private Change crate(Crates crates) {
    String name = "Crate " + random.nextInt(1_000_000);
    Crates after = crates.plus("Rink", new Crate.HandCrate(name, List.of(1 + random.nextInt(6))));
    return new Change("adds " + name, true, List.of(new Edit.SetCrates(crates, after)));
  }

  private RoaringBitmap some(Snapshot snapshot, RoaringBitmap of) {
    RoaringBitmap ids = new RoaringBitmap();
    of.forEach(
        (int id) -> {
          if (random.nextInt(3) > 0) {
            ids.add(id);
          }
        });
    return ids;
  }

  private String value() {
    return switch (random.nextInt(4)) {
      case 0 -> "Slipway";
      case 1 -> "Été 線路 " + random.nextInt(100);
      case 2 -> "long " + "y".repeat(random.nextInt(4000));
      default -> "value " + random.nextInt(1000);
    };
  }
}
