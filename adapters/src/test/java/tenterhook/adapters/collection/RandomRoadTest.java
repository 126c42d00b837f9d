package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.SmallBook;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.store.KeptColumns;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * Random changes of every kind on a small collection: files and collection agree, undo is exact.
 */
class RandomRoadTest {
  private static final List<Field<?>> FIELDS =
      List.of(Fields.TITLE, Fields.ARTIST, Fields.YEAR, Fields.GENRE, Fields.COMMENT, Fields.TRACK);
  private static final List<String> VALUES = List.of("", "1987", "Été /SKA/", "夜", "7");

  @TempDir Path folder;
  private MusicCollection collection;

  private Snapshot now() {
    return collection.state().snapshot();
  }

  private void open() throws Exception {
    collection = MusicCollection.open(folder.resolve("collection"), InstantSource.system());
  }

  private void close() throws Exception {
    collection.close();
    KeptColumns.check(folder.resolve("collection"));
  }

  private void begin() throws Exception {
    for (int i = 0; i < 6; i++) {
      Path file = folder.resolve("Music/" + (i < 4 ? "Rink/" : "Ferry/") + i + ".wav");
      Wavs.make(
          file, i % 4, Map.of(Fields.TITLE, "Song " + i % 4, Fields.COMMENT, "own words " + i % 4));
    }
    open();
    collection.scan(folder.resolve("Music"), Progress.SILENT);
    collection.compareCopies(Progress.SILENT);
    Crates crates = Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(1, 5)));
    apply(
        new Change(
            "furnish",
            true,
            List.of(
                new Edit.SetCodebook(Codebook.EMPTY, SmallBook.BOOK),
                new Edit.SetCrates(Crates.NONE, crates))));
  }

  private Outcome apply(Change change) {
    return collection.apply(change, Progress.SILENT);
  }

  /**
   * All that the collection says of all tracks, except what a rewrite of a file alters by itself.
   */
  private Map<String, String> all() {
    Map<String, String> all = new HashMap<>();
    Snapshot snapshot = now();
    for (Field<?> field : Fields.all()) {
      boolean technical = List.of(Fields.SIZE, Fields.CONTENT, Fields.MODIFIED).contains(field);
      if (!technical) {
        snapshot.known().forEach((int id) -> all.put(id + " " + field, snapshot.raw(id, field)));
      }
    }
    all.put("crates", collection.state().crates().toString());
    all.put("codebook", collection.state().codebook().toString());
    return all;
  }

  private Map<Integer, String> sounds() throws Exception {
    Map<Integer, String> sounds = new HashMap<>();
    for (int id : now().known().stream().boxed().toList()) {
      sounds.put(id, TagFiles.payload(collection.state().path(id)));
    }
    return sounds;
  }

  private RoaringBitmap some(Random random) {
    return now().tracks(id -> random.nextBoolean());
  }

  private Change any(Random random) {
    Field<?> field = FIELDS.get(random.nextInt(FIELDS.size()));
    String value = VALUES.get(random.nextInt(VALUES.size()));
    Codebook book = collection.state().codebook();
    return switch (random.nextInt(8)) {
      case 0, 1 -> TrackEdits.set(now(), some(random), Map.of(field, value));
      case 2 ->
          TrackEdits.code(
              now(), book, some(random), List.of(book.tokens().get(random.nextInt(4))), List.of());
      case 3 ->
          TrackEdits.flag(
              now(),
              some(random),
              random.nextBoolean() ? Fields.RESTING : Fields.GUARDED,
              random.nextBoolean());
      case 4 -> TrackEdits.remove(now(), some(random));
      case 5 -> TrackEdits.hold(now(), some(random), "chance");
      case 6 ->
          CodebookEdits.rename(
              now(),
              book,
              collection.state().holders(),
              book.tokens().get(2),
              "N" + random.nextInt(1000));
      default -> {
        List<Group> groups = Duplicates.sameBytes(now());
        yield groups.isEmpty()
            ? TrackEdits.restore(now(), now().held())
            : new Resolution(
                    now(),
                    book,
                    collection.state().holders(),
                    groups.getFirst().survivor(),
                    groups.getFirst().spares())
                .change(Set.of(), new SpareFate.Hold(), false);
      }
    };
  }

  private void filesAgree() throws Exception {
    Snapshot snapshot = now();
    for (int id : snapshot.known().stream().boxed().toList()) {
      Path file = collection.state().path(id);
      assertThat(file).exists();
      for (Field<?> field : Fields.inFile()) {
        assertThat(TagFiles.read(file).raw(field))
            .as(file + " " + field)
            .isEqualTo(snapshot.raw(id, field));
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
  void undoingEverythingIsTheCollectionAsItWas(long seed) throws Exception {
    begin();
    Random random = new Random(seed);
    Map<String, String> before = all();
    Map<Integer, String> sounds = sounds();
    long furnished = collection.history().getFirst().number();
    for (int i = 0; i < 12; i++) {
      apply(any(random));
      if (i == 6) {
        close();
        open();
      }
    }
    filesAgree();
    assertThat(sounds()).isEqualTo(sounds);
    List<LedgerEntry> done = new ArrayList<>(collection.history());
    for (LedgerEntry entry : done) {
      if (entry.number() > furnished) {
        assertThat(collection.undo(entry.number(), Progress.SILENT).refused()).isEmpty();
      }
    }
    assertThat(all()).isEqualTo(before);
    assertThat(sounds()).isEqualTo(sounds);
    filesAgree();
    close();
  }

  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23})
  void redoingEverythingIsTheCollectionAsItBecame(long seed) throws Exception {
    begin();
    Random random = new Random(seed);
    long furnished = collection.history().getFirst().number();
    for (int i = 0; i < 6; i++) {
      apply(any(random));
    }
    Map<String, String> after = all();
    while (collection.nextUndo().filter(e -> e.number() > furnished).isPresent()) {
      collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
    }
    while (collection.nextRedo().isPresent()) {
      assertThat(
              collection
                  .undo(collection.nextRedo().orElseThrow().number(), Progress.SILENT)
                  .refused())
          .isEmpty();
    }
    assertThat(all()).isEqualTo(after);
    filesAgree();
    close();
  }

  @ParameterizedTest
  @ValueSource(longs = {31, 32})
  void tracksThatWereNotChosenKeepTheirBytes(long seed) throws Exception {
    begin();
    Random random = new Random(seed);
    RoaringBitmap chosen = some(random);
    Map<Integer, byte[]> others = new HashMap<>();
    for (int id : now().tracks(id -> !chosen.contains(id)).stream().boxed().toList()) {
      others.put(id, Files.readAllBytes(collection.state().path(id)));
    }
    apply(TrackEdits.set(now(), chosen, Map.of(Fields.ALBUM, "Slipway")));
    for (Map.Entry<Integer, byte[]> other : others.entrySet()) {
      assertThat(collection.state().path(other.getKey())).hasBinaryContent(other.getValue());
    }
    assertThat(Fields.inFile()).allMatch(f -> f.origin() == FieldOrigin.FILE);
    collection.close();
  }
}
