package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import tenterhook.backstage.disk.ByteDelta;
import tenterhook.backstage.disk.SafeFiles;
import tenterhook.backstage.store.Before;
import tenterhook.backstage.store.Store;
import tenterhook.backstage.store.StoreBroken;
import tenterhook.backstage.tagfile.Pictures;
import tenterhook.backstage.tagfile.Reading;
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Home;
import tenterhook.core.track.Cell;

/** Does the part of a change that concerns one track's file, and says what the file then holds. */
final class FileStep {
  /** What is longer is not kept: then undo sets the old values instead. */
  private static final int MOST_DELTA = 1 << 20;

  private final CollectionState state;
  private final Store store;
  private final Before before;
  private final long number;
  private final long undoes;

  /**
   * A change's way with files.
   *
   * @param number of the change in the ledger
   * @param undoes the change that it takes back, 0 for none
   */
  FileStep(CollectionState state, Store store, long number, long undoes) {
    this.state = state;
    this.store = store;
    this.before = new Before(store);
    this.number = number;
    this.undoes = undoes;
  }

  /** A file that was left as it was. */
  static final class Refused extends Exception {
    Refused(String reason, Throwable cause) {
      super(reason, cause);
    }

    Refused(String reason) {
      super(reason);
    }
  }

  /**
   * Does all edits of one track.
   *
   * @return the values that the collection must take over; empty map entries never occur
   * @throws Refused when nothing was done
   */
  Result run(int id, List<Edit.OfTrack> edits) throws Refused {
    Map<Field<?>, String> old = new HashMap<>();
    Map<Field<?>, String> after = new HashMap<>();
    List<Cell> cells = new ArrayList<>();
    boolean touched = false;
    refuseMoveAndRewrite(id, edits);
    for (Edit.OfTrack edit : edits) {
      switch (edit) {
        case Edit.SetField set when set.field().home() == Home.FILE -> {
          old.putIfAbsent(set.field(), set.before());
          after.put(set.field(), set.after());
        }
        case Edit.SetField set -> cells.add(new Cell(id, set.field(), set.after()));
        case Edit.MoveFile move -> {
          move(move);
          cells.addAll(placed(id, move.to()));
          touched = true;
        }
        case Edit.Repoint point -> cells.addAll(repoint(id, point));
      }
    }
    if (!after.isEmpty()) {
      cells.addAll(rewrite(id, state.path(id), old, after));
      touched = true;
    }
    return new Result(cells, touched);
  }

  /** Either can fail on its own; together they could leave a file half way. */
  private static void refuseMoveAndRewrite(int id, List<Edit.OfTrack> edits) {
    boolean moves = edits.stream().anyMatch(e -> e instanceof Edit.MoveFile);
    boolean writes =
        edits.stream()
            .anyMatch(e -> e instanceof Edit.SetField set && set.field().home() == Home.FILE);
    if (moves && writes) {
      throw new IllegalArgumentException("one change moves and rewrites the file of track " + id);
    }
  }

  /**
   * What the collection takes over.
   *
   * @param cells values
   * @param touched whether a file was rewritten or moved
   */
  record Result(List<Cell> cells, boolean touched) {}

  private static List<Cell> placed(int id, Place to) {
    return List.of(new Cell(id, Fields.ROOT, to.root()), new Cell(id, Fields.PATH, to.path()));
  }

  private void move(Edit.MoveFile move) throws Refused {
    Path from = absolute(move.from());
    Path to = absolute(move.to());
    try {
      SafeFiles.move(from, to);
    } catch (IOException trouble) {
      throw new Refused("was not moved: " + reason(trouble), trouble);
    }
  }

  private Path absolute(Place place) throws Refused {
    return state
        .path(place)
        .orElseThrow(() -> new Refused("the root " + place.root() + " is not known"));
  }

  private List<Cell> repoint(int id, Edit.Repoint point) throws Refused {
    Path to = absolute(point.to());
    List<Cell> cells = new ArrayList<>(placed(id, point.to()));
    if (!Files.exists(to)) {
      if (!point.kept().isEmpty()) {
        Fields.inFile().forEach(f -> cells.add(new Cell(id, f, "")));
      }
      point.kept().forEach((field, raw) -> cells.add(new Cell(id, field, raw)));
      cells.add(new Cell(id, Fields.STATE, "lost"));
      return cells;
    }
    try {
      cells.addAll(ScanCells.of(id, TagFiles.read(to), to));
      return cells;
    } catch (Unreadable | IOException trouble) {
      throw new Refused("the file there cannot be read: " + reason(trouble), trouble);
    }
  }

  private List<Cell> rewrite(
      int id, Path file, Map<Field<?>, String> old, Map<Field<?>, String> after) throws Refused {
    if (!Files.exists(file)) {
      throw new Refused("the file is lost; bring it back first");
    }
    try {
      Reading now = TagFiles.read(file);
      for (Map.Entry<Field<?>, String> one : old.entrySet()) {
        if (!now.raw(one.getKey()).equals(one.getValue())) {
          throw new Refused(
              "its "
                  + one.getKey().label()
                  + " was changed elsewhere to \""
                  + one.getKey().type().show(now.raw(one.getKey()))
                  + "\"; scan it, then edit again");
        }
      }
      keepPicture(file, old);
      SafeFiles.replace(file, copy -> rewrite(id, file, copy, now, after));
      return ScanCells.of(id, TagFiles.read(file), file);
    } catch (Unreadable | IOException | StoreBroken trouble) {
      throw new Refused("was not written: " + reason(trouble), trouble);
    }
  }

  /** The old cover goes into the store before it leaves the file, so that undo has its bytes. */
  private void keepPicture(Path file, Map<Field<?>, String> old) throws Unreadable {
    if (old.containsKey(Fields.ARTWORK)) {
      Optional<byte[]> cover = TagFiles.picture(file);
      cover.ifPresent(bytes -> store.putPicture(Pictures.sha256(bytes), bytes));
    }
  }

  /** Undo makes the very bytes again that were there; failing that, it sets the old values. */
  private void rewrite(int id, Path file, Path copy, Reading now, Map<Field<?>, String> after)
      throws IOException, Unreadable {
    Optional<Before.Way> way = undoes == 0 ? Optional.empty() : before.of(undoes, id);
    String payload = TagFiles.payload(copy);
    if (way.isEmpty() || !restored(way.get(), file, copy)) {
      write(copy, after);
    }
    check(copy, payload, now, after);
    keepWayBack(id, file, copy, now);
  }

  private boolean restored(Before.Way way, Path file, Path copy) throws IOException {
    return ByteDelta.restore(way.delta(), file, store.picture(way.picture()), copy);
  }

  private void keepWayBack(int id, Path file, Path copy, Reading now) throws IOException {
    String picture = Artwork.parse(now.raw(Fields.ARTWORK)).map(Artwork::sha256).orElse("");
    Optional<byte[]> kept = store.picture(picture);
    byte[] delta = ByteDelta.of(file, copy, kept.orElse(new byte[0]));
    if (delta.length <= MOST_DELTA) {
      before.put(number, id, new Before.Way(kept.isPresent() ? picture : "", delta));
    }
  }

  private void write(Path copy, Map<Field<?>, String> after) throws Unreadable {
    Function<String, byte[]> pictures =
        sha ->
            store
                .picture(sha)
                .orElseThrow(() -> new IllegalStateException("the picture is no longer kept"));
    TagFiles.write(copy, after, pictures);
  }

  private static void check(Path copy, String payload, Reading now, Map<Field<?>, String> after)
      throws Unreadable {
    Reading written = TagFiles.read(copy);
    for (Field<?> field : Fields.inFile()) {
      String wanted = after.getOrDefault(field, now.raw(field));
      if (!agrees(field, wanted, written.raw(field))) {
        throw new Unreadable(
            "its format cannot hold this "
                + field.label()
                + " (it would read \""
                + field.type().show(written.raw(field))
                + "\"); the file is as it was");
      }
    }
    if (!TagFiles.payload(copy).equals(payload)) {
      throw new Unreadable("the sound would have changed; the file is as it was");
    }
  }

  /** A cover is the same when its bytes are; the media type may be named otherwise. */
  static boolean agrees(Field<?> field, String wanted, String found) {
    if (field != Fields.ARTWORK) {
      return wanted.equals(found);
    }
    return Artwork.parse(wanted)
        .map(Artwork::sha256)
        .equals(Artwork.parse(found).map(Artwork::sha256));
  }

  private static String reason(Exception trouble) {
    return trouble instanceof java.nio.file.AccessDeniedException
        ? "the folder or file is read-only"
        : String.valueOf(trouble.getMessage());
  }
}
