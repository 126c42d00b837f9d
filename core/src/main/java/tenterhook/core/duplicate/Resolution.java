package tenterhook.core.duplicate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.code.Codebook;
import tenterhook.core.edit.Holders;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.play.Plays;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/**
 * Keeps one copy: what it receives, and the one change that does everything. The survivor comes
 * first in the change and leads it: when its file refuses, nothing happens to the spares.
 */
public final class Resolution {
  /** A cover is better when it has half as many pixels more. */
  private static final double BETTER_PIXELS = 1.5;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Holders holders;
  private final int survivor;
  private final List<Integer> spares;

  /**
   * What may be done with some copies.
   *
   * @param snapshot the collection
   * @param codebook its codes
   * @param holders its crates and gigs
   * @param survivor the copy to keep
   * @param spares the others; where several could give something, the first does
   */
  public Resolution(
      Snapshot snapshot, Codebook codebook, Holders holders, int survivor, List<Integer> spares) {
    if (spares.isEmpty() || spares.contains(survivor)) {
      throw new IllegalArgumentException("survivor " + survivor + ", spares " + spares);
    }
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.holders = holders;
    this.survivor = survivor;
    this.spares = List.copyOf(spares);
  }

  /** All that the survivor can receive, in the order of the field catalogue, places last. */
  public List<Gain> gains() {
    List<Gain> gains = new ArrayList<>();
    for (Field<?> field : Fields.inFile()) {
      value(field).ifPresent(gains::add);
    }
    plays().ifPresent(gains::add);
    nights().ifPresent(gains::add);
    lastPlayed().ifPresent(gains::add);
    places().ifPresent(gains::add);
    return gains;
  }

  private Optional<Gain> value(Field<?> field) {
    if (field == codebook.notation().target()) {
      return codes(field);
    }
    String own = snapshot.raw(survivor, field);
    if (field == Fields.ARTWORK) {
      return spares.stream().filter(id -> better(id)).findFirst().map(id -> taken(field, id, own));
    }
    return own.isBlank()
        ? spares.stream()
            .filter(id -> !snapshot.raw(id, field).isBlank())
            .filter(id -> !field.is(Trait.PLACE_ON_ALBUM) || ofOneAlbum(id))
            .findFirst()
            .map(id -> taken(field, id, own))
        : Optional.empty();
  }

  private Gain taken(Field<?> field, int from, String own) {
    return new Gain.ValueGain(field, from, own, snapshot.raw(from, field));
  }

  private boolean ofOneAlbum(int spare) {
    String own = NameKey.of(snapshot.raw(survivor, Fields.ALBUM));
    return own.isEmpty() || own.equals(NameKey.of(snapshot.raw(spare, Fields.ALBUM)));
  }

  private boolean better(int spare) {
    return pixels(spare) > BETTER_PIXELS * pixels(survivor);
  }

  private double pixels(int id) {
    return Artwork.parse(snapshot.raw(id, Fields.ARTWORK))
        .map(a -> Math.max(1.0, (double) a.width() * a.height()))
        .orElse(0.0);
  }

  /** The codes of all copies together; where one facet takes one code, the survivor's own stays. */
  private Optional<Gain> codes(Field<?> field) {
    String before = snapshot.raw(survivor, field);
    String after = before;
    for (int spare : spares) {
      for (String code : snapshot.value(spare, Fields.CODES).orElse(List.of())) {
        after = mayGive(after, code) ? codebook.rewritten(after, List.of(code), List.of()) : after;
      }
    }
    return after.equals(before)
        ? Optional.empty()
        : Optional.of(new Gain.ValueGain(field, 0, before, after));
  }

  private boolean mayGive(String text, String code) {
    List<String> own = codebook.codesIn(text);
    return codebook
        .facetOf(code)
        .filter(f -> f.many() || f.codes().stream().noneMatch(c -> own.contains(c.token())))
        .isPresent();
  }

  private Optional<Gain> plays() {
    int own = snapshot.value(survivor, Fields.PLAYS).orElse(0);
    int sum =
        own + spares.stream().mapToInt(id -> snapshot.value(id, Fields.PLAYS).orElse(0)).sum();
    return sum == own
        ? Optional.empty()
        : Optional.of(
            new Gain.ValueGain(
                Fields.PLAYS, 0, snapshot.raw(survivor, Fields.PLAYS), String.valueOf(sum)));
  }

  private Optional<Gain> nights() {
    Set<String> all = new TreeSet<>(snapshot.value(survivor, Fields.NIGHTS).orElse(List.of()));
    spares.forEach(id -> all.addAll(snapshot.value(id, Fields.NIGHTS).orElse(List.of())));
    String own = snapshot.raw(survivor, Fields.NIGHTS);
    String after = Plays.joined(all);
    return after.equals(own)
        ? Optional.empty()
        : Optional.of(new Gain.ValueGain(Fields.NIGHTS, 0, own, after));
  }

  private Optional<Gain> lastPlayed() {
    String own = snapshot.raw(survivor, Fields.LAST_PLAYED);
    return spares.stream()
        .map(id -> snapshot.raw(id, Fields.LAST_PLAYED))
        .max(String::compareTo)
        .filter(latest -> latest.compareTo(own) > 0)
        .map(latest -> new Gain.ValueGain(Fields.LAST_PLAYED, 0, own, latest));
  }

  private Optional<Gain> places() {
    RoaringBitmap ids = bitmap();
    Holders after = holders.withTracks(id -> ids.contains(id) ? survivor : id);
    List<String> names = holders.namesOfOthers(after);
    return names.isEmpty() ? Optional.empty() : Optional.of(new Gain.Places(names, after));
  }

  private RoaringBitmap bitmap() {
    RoaringBitmap ids = new RoaringBitmap();
    spares.forEach(ids::add);
    return ids;
  }

  /**
   * The change.
   *
   * @param declined keys of gains that the survivor does not receive
   * @param fate of the spares
   * @param byHand whether the DJ looked at these very copies; if not, guarded ones are left alone
   */
  public Change change(Set<String> declined, SpareFate fate, boolean byHand) {
    String copies = spares.size() == 1 ? "1 copy" : spares.size() + " copies";
    String kept = "keeps one of " + snapshot.name(survivor) + ", ";
    return switch (fate) {
      case SpareFate.Mark mark ->
          new Change(
              "gives " + mark.code() + " to " + copies + " of " + snapshot.name(survivor),
              byHand,
              TrackEdits.code(snapshot, codebook, bitmap(), List.of(mark.code()), List.of())
                  .edits());
      case SpareFate.Hold hold -> {
        List<Edit> edits = received(declined);
        edits.addAll(TrackEdits.hold(snapshot, bitmap(), "copies").edits());
        yield new Change(kept + "holds " + copies, byHand, edits, survivor);
      }
      case SpareFate.Remove remove -> {
        List<Edit> edits = received(declined);
        edits.addAll(TrackEdits.remove(snapshot, bitmap()).edits());
        yield new Change(
            "puts "
                + snapshot.fileName(survivor)
                + " in place of "
                + snapshot.name(spares.getFirst()),
            byHand,
            edits,
            survivor);
      }
      case SpareFate.Move move -> {
        List<Edit> edits = received(declined);
        spares.forEach(id -> edits.addAll(moved(id, move.folder())));
        yield new Change(
            kept + "moves " + copies + " to " + move.folder().path(), byHand, edits, survivor);
      }
    };
  }

  private List<Edit> moved(int id, Place folder) {
    String name = id + " " + snapshot.fileName(id);
    String path = folder.path().isEmpty() ? name : folder.path() + "/" + name;
    return List.of(
        new Edit.MoveFile(id, TrackEdits.place(snapshot, id), new Place(folder.root(), path)),
        new Edit.SetField(id, Fields.LIFECYCLE, "", "removed"));
  }

  private List<Edit> received(Set<String> declined) {
    List<Edit> edits = new ArrayList<>();
    for (Gain gain : gains()) {
      if (!declined.contains(gain.key())) {
        edits.addAll(
            switch (gain) {
              case Gain.ValueGain value ->
                  List.of(
                      new Edit.SetField(survivor, value.field(), value.before(), value.after()));
              case Gain.Places places -> holders.editsTo(places.after());
            });
      }
    }
    return edits;
  }
}
