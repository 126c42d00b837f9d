package tenterhook.adapters.duplicate;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.SmallBook;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Group;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** Small collections with copies: same bytes, other tags, plays, codes and crates by chance. */
final class ManyCopies {

  private ManyCopies() {}

  /** Some recordings, each once to three times, in folders of their own. */
  static void music(Path folder, Random random, int recordings) throws IOException, Unreadable {
    for (int r = 0; r < recordings; r++) {
      Path first = folder.resolve("Rink/" + r + ".wav");
      Wavs.make(first, random.nextLong(), tags(random, r));
      for (int copy = 0; copy < random.nextInt(3); copy++) {
        Path other = folder.resolve((copy == 0 ? "Ferry/" : "Parade/") + r + " copy.wav");
        Files.createDirectories(other.getParent());
        Files.copy(first, other);
      }
    }
  }

  private static Map<Field<?>, String> tags(Random random, int number) {
    Map<Field<?>, String> tags = new HashMap<>();
    tags.put(Fields.TITLE, "Song " + number);
    tags.put(Fields.ARTIST, random.nextBoolean() ? "Varda Pell" : "");
    tags.put(Fields.COMMENT, random.nextBoolean() ? "/ SKA 80S /" : "own words");
    return tags;
  }

  static MusicCollection open(Path folder) throws Exception {
    return open(folder, FileCalls.SYSTEM);
  }

  static MusicCollection open(Path folder, FileCalls calls) throws Exception {
    return MusicCollection.open(folder.resolve("collection"), InstantSource.system(), calls);
  }

  /** Scans, and gives plays, days, codes and crates by chance. */
  static void furnish(MusicCollection collection, Path music, Random random)
      throws IOException, Unreadable {
    collection.scan(music, Progress.SILENT);
    collection.compareCopies(Progress.SILENT);
    Snapshot now = collection.state().snapshot();
    List<Integer> ids = new ArrayList<>(now.tracks().stream().boxed().toList());
    Crates crates = Crates.NONE;
    for (int c = 0; c < 3; c++) {
      Collections.shuffle(ids, random);
      List<Integer> some = List.copyOf(ids.subList(0, random.nextInt(ids.size())));
      crates = crates.plus("Loose", new Crate.HandCrate("Crate " + c, some));
    }
    List<Edit> edits = new ArrayList<>();
    edits.add(new Edit.SetCodebook(Codebook.EMPTY, SmallBook.BOOK));
    edits.add(new Edit.SetCrates(Crates.NONE, crates));
    for (int id : ids) {
      if (random.nextBoolean()) {
        edits.add(new Edit.SetField(id, Fields.PLAYS, "", String.valueOf(1 + random.nextInt(9))));
        String day = "2026-0" + (1 + random.nextInt(9)) + "-11T20:00:00Z";
        edits.add(new Edit.SetField(id, Fields.LAST_PLAYED, "", day));
      }
    }
    collection.apply(new Change("furnish", true, edits), Progress.SILENT);
    for (int id : ids) {
      if (random.nextInt(3) == 0) {
        collection.apply(
            TrackEdits.code(
                collection.state().snapshot(),
                collection.state().codebook(),
                RoaringBitmap.bitmapOf(id),
                List.of(random.nextBoolean() ? "ELC" : "90S"),
                List.of()),
            Progress.SILENT);
      }
    }
    hear(collection);
  }

  /** Says of every file what sounds in it, as measuring does. */
  static void hear(MusicCollection collection) throws IOException, Unreadable {
    List<Cell> cells = new ArrayList<>();
    for (int id : collection.state().snapshot().tracks().stream().boxed().toList()) {
      cells.add(new Cell(id, Fields.SOUND, AudioPayload.hash(collection.state().path(id))));
    }
    collection.note(cells);
  }

  static List<Group> groups(MusicCollection collection) {
    return CopySearch.NONE.groups(collection, Optional.empty());
  }

  /** All files below some folders, with a hash of every one's bytes. */
  static Map<Path, String> bytes(Path... folders) throws IOException {
    Map<Path, String> all = new TreeMap<>();
    for (Path folder : folders) {
      if (Files.isDirectory(folder)) {
        try (Stream<Path> files = Files.walk(folder)) {
          for (Path file : files.filter(Files::isRegularFile).toList()) {
            all.put(file, hash(file));
          }
        }
      }
    }
    return all;
  }

  private static String hash(Path file) throws IOException {
    try {
      byte[] digest = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file));
      return HexFormat.of().formatHex(digest);
    } catch (NoSuchAlgorithmException impossible) {
      throw new IllegalStateException(impossible);
    }
  }

  /** Everything that the collection says, except what a rewrite of a file alters by itself. */
  static Map<String, String> said(MusicCollection collection) {
    Map<String, String> all = new HashMap<>();
    Snapshot snapshot = collection.state().snapshot();
    for (Field<?> field : Fields.all()) {
      if (!List.of(Fields.SIZE, Fields.CONTENT, Fields.MODIFIED).contains(field)) {
        snapshot.known().forEach((int id) -> all.put(id + " " + field, snapshot.raw(id, field)));
      }
    }
    all.put("crates", collection.state().crates().toString());
    return all;
  }

  /** Plays of all tracks that are in the collection. */
  static int plays(MusicCollection collection) {
    Snapshot now = collection.state().snapshot();
    return now.tracks().stream().map(id -> now.value(id, Fields.PLAYS).orElse(0)).sum();
  }
}
