package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.Leftovers;
import tenterhook.adapters.store.Leftovers.Leftover;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.AudioPayload.Seal;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.track.Cell;

/** Does the part of a change that concerns one track's file, and says what the file then holds. */
final class FileStep {
  private final CollectionState state;
  private final Store store;
  private final SafeFiles files;
  private final PastStates past;
  private final TagWriter writer;
  private final Task task;
  private final Leftovers leftovers;

  /**
   * What the steps of one change share.
   *
   * @param number of the change in the ledger
   * @param undoes the change that it takes back, 0 for none
   * @param exactly whether an undo must give back the very bytes; if not, old values will do where
   *     the bytes are not known
   * @param collection a word of the collection's own, for the names of work rooms
   * @param leader the track that the others depend on, such as a survivor; 0 for none
   */
  record Task(long number, long undoes, boolean exactly, String collection, int leader) {}

  FileStep(
      CollectionState state,
      Store store,
      SafeFiles files,
      PastStates past,
      TagWriter writer,
      Task task) {
    this.state = state;
    this.store = store;
    this.files = files;
    this.past = past;
    this.writer = writer;
    this.task = task;
    this.leftovers = new Leftovers(store);
  }

  /** A file that was left as it was. */
  private static final class Refused extends Exception {
    private final boolean valuesWouldDo;

    Refused(String reason, @Nullable Throwable cause) {
      super(reason, cause);
      this.valuesWouldDo = cause instanceof BytesUnknown;
    }

    Refused(String reason) {
      this(reason, null);
    }
  }

  /** A file whose bytes of before cannot be made again, of which only old values are known. */
  private static final class BytesUnknown extends IOException {
    BytesUnknown(String why) {
      super(
          "its bytes of before cannot be made again ("
              + why
              + "); the old values can be set instead");
    }
  }

  /** A file that another program changed, or put in the place of the one that was read. */
  private static final class Other extends Exception {
    Other(String reason) {
      super(reason + "; it was read again, so edit again");
    }
  }

  /** Does all edits of one track. */
  FileResult run(int id, List<Edit.OfTrack> edits) {
    refuseMoveAndRewrite(id, edits);
    try {
      return done(id, edits);
    } catch (Refused reason) {
      return new FileResult.Untouched(String.valueOf(reason.getMessage()), reason.valuesWouldDo);
    } catch (Other reason) {
      return new FileResult.Changed(String.valueOf(reason.getMessage()), readAgain(id));
    } catch (RuntimeException | Error broken) {
      // one broken file costs that file only; how far it came is asked of the file itself
      return new FileResult.Unconfirmed("an unexpected error happened: " + broken);
    }
  }

  /** What a file holds by now; nothing when it cannot be read. */
  private List<Cell> readAgain(int id) {
    Path file = state.path(id);
    try {
      List<Cell> cells = new ArrayList<>(ScanCells.of(id, TagFiles.read(file), file));
      String heard = state.snapshot().raw(id, Fields.SOUND_SEAL);
      if (cells.stream().noneMatch(c -> c.field() == Fields.SOUND_SEAL && c.raw().equals(heard))) {
        cells.addAll(MeasuredFields.none(id));
      }
      return cells;
    } catch (Unreadable | IOException gone) {
      return List.of();
    }
  }

  private FileResult done(int id, List<Edit.OfTrack> edits) throws Refused, Other {
    Map<Field<?>, String> old = new HashMap<>();
    Map<Field<?>, String> after = new HashMap<>();
    List<Cell> cells = new ArrayList<>();
    Optional<Alteration> altered = Optional.empty();
    for (Edit.OfTrack edit : edits) {
      switch (edit) {
        case Edit.SetField set when set.inFile() -> {
          old.putIfAbsent(set.field(), set.before());
          after.put(set.field(), set.after());
        }
        case Edit.SetField set -> cells.add(new Cell(id, set.field(), set.after()));
        case Edit.MoveFile move -> {
          altered = Optional.of(move(move));
          cells.addAll(placed(id, move.to()));
        }
        case Edit.Relocate point -> cells.addAll(repoint(id, point));
      }
    }
    if (!after.isEmpty()) {
      altered = Optional.of(rewrite(id, state.path(id), old, after));
    }
    if (altered.isPresent() && !altered.get().ended().open().isEmpty()) {
      return new FileResult.Unconfirmed(String.join("; ", altered.get().ended().open()));
    }
    altered.ifPresent(a -> cells.addAll(a.cells()));
    return new FileResult.Done(
        cells, altered.isPresent(), altered.map(a -> a.ended().notes()).orElse(List.of()));
  }

  /** What happened to a file, and what it holds now. */
  private record Alteration(SafeFiles.Ended ended, List<Cell> cells) {}

  /** Either can fail on its own; together they could leave a file half way. */
  private static void refuseMoveAndRewrite(int id, List<Edit.OfTrack> edits) {
    boolean moves = edits.stream().anyMatch(e -> e instanceof Edit.MoveFile);
    boolean writes = edits.stream().anyMatch(e -> e instanceof Edit.SetField set && set.inFile());
    if (moves && writes) {
      throw new IllegalArgumentException("one change moves and rewrites the file of track " + id);
    }
  }

  static List<Cell> placed(int id, Place to) {
    return List.of(new Cell(id, Fields.ROOT, to.root()), new Cell(id, Fields.PATH, to.path()));
  }

  private String token(int id) {
    return SafeFiles.token(task.collection(), task.number(), id);
  }

  private Alteration move(Edit.MoveFile move) throws Refused {
    Path from = absolute(move.from());
    Path to = absolute(move.to());
    refuseOnlyFile(move.id(), from);
    Path root = state.roots().get(move.to().root());
    if (root != null && !move.to().root().equals(Place.HOLDING_BAY) && !Files.isDirectory(root)) {
      throw new Refused("was not moved: " + root + " is not there; connect its disk");
    }
    try {
      SafeFiles.Ended ended = files.move(from, to, token(move.id()));
      leftovers.made(task.number(), ended.made());
      tidy(move.from(), from);
      return new Alteration(ended, List.of());
    } catch (IOException trouble) {
      throw new Refused("was not moved: " + reason(trouble), trouble);
    }
  }

  /** Folders that the program made for a file go when the file does, as long as they are empty. */
  private void tidy(Place place, Path from) {
    List<Path> ours = new ArrayList<>(leftovers.madeBy(task.undoes()));
    if (place.root().equals(Place.HOLDING_BAY)) {
      Path bay = state.roots().get(Place.HOLDING_BAY);
      for (Path at = from.getParent(); !at.equals(bay); at = at.getParent()) {
        ours.add(at);
      }
    }
    ours.sort(Comparator.comparingInt(Path::getNameCount).reversed());
    files.removeEmpty(ours);
  }

  /** What a step may have left behind: a work room, or what it kept at the target of a move. */
  List<Leftover> leftBehind(int id, List<Edit.OfTrack> edits) {
    Path file = state.path(id);
    List<Path> places = new ArrayList<>(List.of(file));
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.MoveFile move) {
        state.path(move.to()).ifPresent(places::add);
      }
    }
    return places.stream()
        .map(p -> new Leftover(p, token(id), file, id))
        .filter(
            l ->
                state.away(l.path())
                    || state.away(l.source())
                    || files.leftBehind(l.source(), l.path(), l.token()))
        .toList();
  }

  /** A file goes away in favour of another one: that other one must be there, and be another. */
  private void refuseOnlyFile(int id, Path from) throws Refused {
    int leader = task.leader();
    if (leader == 0 || leader == id) {
      return;
    }
    Path kept = state.path(leader);
    if (!Files.isRegularFile(kept)) {
      throw new Refused("was left alone, since the file that is to be kept is not there: " + kept);
    }
    if (FileIdentity.same(from, kept)) {
      throw new Refused("is the very file that is to be kept, under a second name; left alone");
    }
  }

  private Path absolute(Place place) throws Refused {
    return state
        .path(place)
        .orElseThrow(() -> new Refused("the root " + place.root() + " is not known"));
  }

  private List<Cell> repoint(int id, Edit.Relocate point) throws Refused {
    Path to = absolute(point.to());
    List<Cell> cells = new ArrayList<>(placed(id, point.to()));
    if (!Files.exists(to)) {
      return kept(id, point, cells);
    }
    try {
      cells.addAll(ScanCells.of(id, TagFiles.read(to), to));
      return cells;
    } catch (Unreadable | IOException trouble) {
      throw new Refused("the file there cannot be read: " + reason(trouble), trouble);
    }
  }

  private static List<Cell> kept(int id, Edit.Relocate point, List<Cell> cells) {
    if (!point.kept().isEmpty()) {
      Fields.inFile().forEach(f -> cells.add(new Cell(id, f, "")));
    }
    point.kept().forEach((field, raw) -> cells.add(new Cell(id, field, raw)));
    cells.add(new Cell(id, Fields.STATE, "lost"));
    return cells;
  }

  private Alteration rewrite(
      int id, Path file, Map<Field<?>, String> old, Map<Field<?>, String> after)
      throws Refused, Other {
    if (!Files.exists(file)) {
      throw new Refused("the file is lost; bring it back first");
    }
    SafeFiles.Ended ended;
    List<Reading> written = new ArrayList<>();
    try {
      Reading now = TagFiles.read(file);
      refuseOther(now, old);
      Seal seal = AudioPayload.seal(file);
      refuseOther(id, seal);
      keepPicture(file, old);
      ended =
          files.replace(
              file,
              token(id),
              copy -> written.add(rewrite(id, file, copy, now, after)),
              found -> {
                if (!AudioPayload.seal(found).equals(seal)) {
                  throw new Unreadable("another program changed it meanwhile");
                }
              });
    } catch (Unreadable | IOException | StoreBroken trouble) {
      throw new Refused("was not written: " + reason(trouble), trouble);
    }
    return settled(id, file, ended, written.getLast());
  }

  /** The new bytes are in place: what cannot be told of them now is open, and no refusal. */
  private static Alteration settled(int id, Path file, SafeFiles.Ended ended, Reading written) {
    try {
      return new Alteration(ended, ScanCells.of(id, written, file));
    } catch (IOException | RuntimeException gone) {
      List<String> open = new ArrayList<>(ended.open());
      open.add("it could not be looked at after it was written: " + gone.getMessage());
      return new Alteration(new SafeFiles.Ended(open, ended.notes(), List.of()), List.of());
    }
  }

  private static void refuseOther(Reading now, Map<Field<?>, String> old) throws Other {
    for (Map.Entry<Field<?>, String> one : old.entrySet()) {
      if (!TagWriter.agrees(one.getKey(), one.getValue(), now.raw(one.getKey()))) {
        throw new Other(
            "its "
                + one.getKey().label()
                + " was changed elsewhere to \""
                + one.getKey().type().show(now.raw(one.getKey()))
                + "\"");
      }
    }
  }

  /** A file that is not the one that was read is not written to, whatever its name and time say. */
  private void refuseOther(int id, Seal seal) throws Other {
    String sound = state.snapshot().raw(id, Fields.SOUND_SEAL);
    String tags = state.snapshot().raw(id, Fields.TAGS_SEAL);
    if (!sound.isEmpty() && !sound.equals(seal.sound())) {
      throw new Other("holds another recording than when it was read");
    }
    if (!tags.isEmpty() && !tags.equals(seal.tags())) {
      throw new Other("was changed by another program since it was read");
    }
  }

  /** The old cover goes into the store before it leaves the file, so that undo has its bytes. */
  private void keepPicture(Path file, Map<Field<?>, String> old) throws Unreadable {
    if (old.containsKey(Fields.ARTWORK)) {
      Optional<byte[]> cover = TagFiles.picture(file);
      cover.ifPresent(bytes -> store.putPicture(ArtworkImages.sha256(bytes), bytes));
    }
  }

  /** Undo makes the very bytes again that were there; other changes set values. */
  private Reading rewrite(int id, Path file, Path copy, Reading now, Map<Field<?>, String> after)
      throws IOException, Unreadable {
    String payload = TagFiles.payload(file);
    Reading written =
        task.undoes() == 0
            ? written(copy, payload, now, after)
            : takenBack(id, file, copy, payload, now, after);
    past.keep(id, task.number(), file, copy, now.raw(Fields.ARTWORK));
    return written;
  }

  private Reading written(Path copy, String payload, Reading now, Map<Field<?>, String> after)
      throws IOException, Unreadable {
    writer.write(copy, after);
    return TagWriter.check(copy, payload, now, after);
  }

  private Reading takenBack(
      int id, Path file, Path copy, String payload, Reading now, Map<Field<?>, String> after)
      throws IOException, Unreadable {
    String why = "another program has written it since";
    try {
      if (past.takeBack(id, task.undoes(), copy)) {
        return TagWriter.check(copy, payload, now, after);
      }
    } catch (IOException | Unreadable gone) {
      why = String.valueOf(gone.getMessage());
    }
    if (task.exactly()) {
      throw new BytesUnknown(why);
    }
    Files.copy(file, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    return written(copy, payload, now, after);
  }

  private static String reason(Exception trouble) {
    return trouble instanceof AccessDeniedException
        ? "the folder or file is read-only"
        : String.valueOf(trouble.getMessage());
  }
}
