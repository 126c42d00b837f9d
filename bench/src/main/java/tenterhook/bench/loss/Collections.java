package tenterhook.bench.loss;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/**
 * A small collection in every format that can be written, and what must hold of it whatever
 * happened. The sound of a file is told by decoding it, which shares no code with what is tested.
 */
final class Collections {
  private static final List<Encoder.AudioForm> FORMS =
      List.of(
          Encoder.AudioForm.MP3,
          Encoder.AudioForm.FLAC,
          Encoder.AudioForm.M4A,
          Encoder.AudioForm.OGG,
          Encoder.AudioForm.WAV,
          Encoder.AudioForm.AIFF);

  private final Path folder;
  private final Map<String, byte[]> originals;
  private final Map<String, String> sounds;

  private Collections(Path folder, Map<String, byte[]> originals, Map<String, String> sounds) {
    this.folder = folder;
    this.originals = originals;
    this.sounds = sounds;
  }

  /**
   * Makes the music; no collection is opened yet.
   *
   * @param folder gets {@code Music} and later {@code collection}
   * @param seed of what sounds and of the tags
   */
  static Collections make(Path folder, long seed) throws IOException, Unreadable {
    Random random = new Random(seed);
    Map<String, byte[]> originals = new TreeMap<>();
    Map<String, String> sounds = new HashMap<>();
    Path music = Files.createDirectories(folder.resolve("Music/Rink"));
    for (Encoder.AudioForm form : FORMS) {
      Path file = track(music, form, random);
      String name = file.getFileName().toString();
      originals.put(name, Files.readAllBytes(file));
      sounds.put(name, decoded(file));
    }
    return new Collections(folder, originals, sounds);
  }

  private static Path track(Path music, Encoder.AudioForm form, Random random)
      throws IOException, Unreadable {
    int bpm = 90 + random.nextInt(70);
    short[] samples =
        Arrays.copyOf(Synth.render(Recording.of(random.nextInt(10_000), bpm)), 44_100);
    Path file = music.resolve(form.name().toLowerCase() + " " + bpm + "." + form.ending());
    Encoder.write(samples, file, form, 128);
    Map<Field<?>, String> tags = new HashMap<>();
    tags.put(Fields.TITLE, "Cold Lamps " + bpm);
    tags.put(Fields.ARTIST, "Ottoline Fask");
    if (random.nextBoolean()) {
      tags.put(Fields.COMMENT, "long fade " + "x".repeat(random.nextInt(3000)));
    }
    TagFiles.write(file, tags, sha -> new byte[0]);
    return file;
  }

  /** SHA-256 of what a decoder makes of a file. */
  static String decoded(Path file) throws Unreadable {
    MessageDigest digest = SafeFiles.newDigest();
    float[] block = new float[4096];
    try (SoundFile sound = SoundFile.open(file, 44_100, 1)) {
      for (int got = sound.read(block, 4096); got >= 0; got = sound.read(block, 4096)) {
        for (int i = 0; i < got; i++) {
          int bits = Float.floatToIntBits(block[i]);
          digest.update((byte) bits);
          digest.update((byte) (bits >> 8));
          digest.update((byte) (bits >> 16));
          digest.update((byte) (bits >> 24));
        }
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  Path music() {
    return folder.resolve("Music");
  }

  Path folder() {
    return folder;
  }

  MusicCollection open(FileCalls calls) throws CollectionRefused {
    return MusicCollection.open(folder.resolve("collection"), InstantSource.system(), calls);
  }

  /** A collection that knows the music. */
  MusicCollection scanned(FileCalls calls) throws CollectionRefused, IOException {
    MusicCollection collection = open(calls);
    collection.scan(music(), Progress.SILENT);
    return collection;
  }

  /** Makes everything as it was at first: the music, and a folder of the collection. */
  void reset(Path collection) throws IOException {
    remove(music());
    remove(folder.resolve("collection"));
    Files.createDirectories(music().resolve("Rink"));
    for (Map.Entry<String, byte[]> one : originals.entrySet()) {
      Files.write(music().resolve("Rink").resolve(one.getKey()), one.getValue());
    }
    copy(collection, folder.resolve("collection"));
  }

  static void copy(Path from, Path to) throws IOException {
    try (Stream<Path> all = Files.walk(from)) {
      for (Path one : all.toList()) {
        Path target = to.resolve(from.relativize(one).toString());
        if (Files.isDirectory(one)) {
          Files.createDirectories(target);
        } else {
          Files.copy(one, target);
        }
      }
    }
  }

  static void remove(Path folder) throws IOException {
    if (!Files.exists(folder)) {
      return;
    }
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(one);
      }
    }
  }

  /** Every recording is where the collection says, and nowhere else; nothing lies about. */
  void everythingIsThere(MusicCollection collection) throws IOException, Unreadable {
    Snapshot snapshot = collection.state().snapshot();
    List<Path> expected = new ArrayList<>();
    for (int id : snapshot.known()) {
      Path file = collection.state().path(id);
      expected.add(file);
      LostMusic.unless(Files.isRegularFile(file), file + " is gone");
      LostMusic.unless(
          decoded(file).equals(sounds.get(snapshot.fileName(id))), file + " sounds otherwise");
    }
    LostMusic.unless(expected.size() == originals.size(), "tracks: " + expected);
    nothingElse(expected);
  }

  private void nothingElse(List<Path> expected) throws IOException {
    List<Path> lying = new ArrayList<>();
    for (Path place : List.of(music(), folder.resolve("collection/holding bay"))) {
      if (Files.exists(place)) {
        try (Stream<Path> all = Files.walk(place)) {
          all.filter(f -> !Files.isDirectory(f) || SafeFiles.isRoom(f))
              .filter(f -> !expected.contains(f))
              .forEach(lying::add);
        }
      }
    }
    LostMusic.unless(lying.isEmpty(), "left behind: " + lying);
  }

  /** What the collection says is what the files say. */
  void filesAgree(MusicCollection collection) throws Unreadable {
    Snapshot snapshot = collection.state().snapshot();
    for (int id : snapshot.known()) {
      Reading reading = TagFiles.read(collection.state().path(id));
      for (Field<?> field : Fields.inFile()) {
        LostMusic.unless(
            snapshot.raw(id, field).equals(reading.raw(field)),
            collection.state().path(id)
                + ": "
                + field
                + " is \""
                + reading.raw(field)
                + "\", the collection says \""
                + snapshot.raw(id, field)
                + "\"");
      }
    }
  }

  /**
   * Takes everything back, the newest first, undos among it, so that each finds what it left;
   * afterwards every byte is as it was.
   */
  void takenBackToTheByte(MusicCollection collection) throws IOException {
    for (LedgerEntry then : List.copyOf(collection.history())) {
      LedgerEntry entry =
          collection.history().stream()
              .filter(e -> e.number() == then.number())
              .findFirst()
              .orElseThrow();
      if (entry.canUndo()) {
        Outcome outcome = collection.undo(entry.number(), Progress.SILENT);
        LostMusic.unless(
            outcome.refused().isEmpty() && outcome.unconfirmed().isEmpty(),
            "undo of " + entry + ": " + outcome);
      }
    }
    bytesAreTheOriginals(collection);
  }

  void bytesAreTheOriginals(MusicCollection collection) throws IOException {
    Snapshot snapshot = collection.state().snapshot();
    for (int id : snapshot.known()) {
      LostMusic.unless(
          Arrays.equals(
              originals.get(snapshot.fileName(id)),
              Files.readAllBytes(collection.state().path(id))),
          collection.state().path(id) + " has other bytes than before all changes");
    }
  }
}
