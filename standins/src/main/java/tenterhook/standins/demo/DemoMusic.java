package tenterhook.standins.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.disk.Splices;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.id3.Id3v1Tag;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.standins.synth.Cover;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** Makes the demo collection's music: the same bytes for the same number of tracks. */
public final class DemoMusic {
  /** The usual number of tracks. */
  public static final int TRACKS = 400;

  /** The file that says what is wrong where. */
  public static final String TRUTH = "truth.json";

  private DemoMusic() {}

  /**
   * Makes the music and {@value #TRUTH}.
   *
   * @param folder made if new; files of the same names are overwritten
   * @param count about how many tracks, 40 or more
   * @param progress told of every file
   * @return how many files were made
   * @throws IOException when a file cannot be written
   */
  public static int make(Path folder, int count, Progress progress) throws IOException {
    List<DemoTrack> plan = DemoPlan.of(count);
    List<Future<?>> running = new ArrayList<>();
    int[] done = {0};
    try (ExecutorService pool = Executors.newFixedThreadPool(2)) {
      for (DemoTrack track : plan) {
        if (track.copyOf.isEmpty()) {
          running.add(
              pool.submit(
                  () -> {
                    if (!progress.stopped()) {
                      make(folder, track);
                      synchronized (done) {
                        progress.at(++done[0], plan.size(), track.path);
                      }
                    }
                    return true;
                  }));
        }
      }
      await(running);
    }
    copies(folder, plan, done, progress);
    if (Files.isDirectory(folder.resolve(DemoAlbums.WITH_PICTURE))) {
      Files.write(folder.resolve(DemoAlbums.WITH_PICTURE + "/cover.jpg"), cover("Slipway", 500));
    }
    DemoLists.write(folder, plan);
    DemoTruth.write(folder.resolve(TRUTH), plan);
    return done[0];
  }

  private static void copies(Path folder, List<DemoTrack> plan, int[] done, Progress progress)
      throws IOException {
    for (DemoTrack track : plan) {
      if (!track.copyOf.isEmpty() && !progress.stopped()) {
        Path target = folder.resolve(track.path);
        Files.createDirectories(target.getParent());
        Files.deleteIfExists(target);
        Files.copy(folder.resolve(track.copyOf), target);
        progress.at(++done[0], plan.size(), track.path);
      }
    }
  }

  private static void await(List<Future<?>> running) throws IOException {
    try {
      for (Future<?> one : running) {
        one.get();
      }
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      throw new IOException("stopped", stopped);
    } catch (ExecutionException trouble) {
      throw new IOException("a demo file could not be made: " + trouble.getCause(), trouble);
    }
  }

  /**
   * Makes the one piece of the ferry's own disk, which is on no other.
   *
   * @param folder made if new
   */
  static void ferry(Path folder) throws IOException {
    DemoTrack track =
        new DemoTrack(
            Recording.of(77_777, 96), "Deck/Harbour Bells.mp3", Encoder.AudioForm.MP3, 192);
    track.tags.put(Fields.ARTIST, "Corrow Pilots");
    track.tags.put(Fields.TITLE, "Harbour Bells Again");
    track.tags.put(Fields.ALBUM, "Pilot Station");
    track.tags.put(Fields.YEAR, "1994");
    track.tags.put(Fields.GENRE, "Highlife");
    track.tags.put(Fields.TRACK, "1");
    try {
      make(folder, track);
    } catch (IOException trouble) {
      throw trouble;
    } catch (Exception trouble) {
      throw new IOException("the ferry's piece could not be made: " + trouble, trouble);
    }
  }

  private static void make(Path folder, DemoTrack track) throws Exception {
    Path file = folder.resolve(track.path);
    Files.createDirectories(file.getParent());
    encode(file, track);
    if (track.tagForm.equals("1")) {
      shortTag(file, track.tags);
      return;
    }
    if (!track.tagForm.isEmpty()) {
      longTag(file, track);
    }
    Map<Field<?>, String> tags = new LinkedHashMap<>(track.tags);
    Map<String, byte[]> pictures = new HashMap<>();
    cover(track, tags, pictures);
    TagFiles.write(file, tags, pictures::get);
    if (!track.oldTagYear.isEmpty()) {
      Map<Field<?>, String> old = new LinkedHashMap<>(track.tags);
      old.put(Fields.YEAR, track.oldTagYear);
      shortTag(file, old);
    }
  }

  private static void encode(Path file, DemoTrack track) throws IOException {
    short[] samples = Synth.render(track.recording);
    if (track.upscaledFrom > 0) {
      samples = Encoder.worn(samples, track.upscaledFrom);
    }
    Encoder.write(samples, file, track.form, track.kbps);
  }

  /** Puts a tag of a version of its own in front, which stays the file's tag from then on. */
  private static void longTag(Path file, DemoTrack track) throws IOException {
    int version = track.tagForm.equals("2.3") ? 3 : 4;
    Tag tag = Id3v2Tag.empty(version).with(Fields.TITLE, List.of(track.recording.toString()));
    Splices.apply(file, List.of(new Splice(0, 0, ((Id3v2Tag) tag).render())));
  }

  private static void cover(
      DemoTrack track, Map<Field<?>, String> tags, Map<String, byte[]> pictures) {
    if (track.coverSide > 0) {
      byte[] cover = cover(track.cover, track.coverSide);
      tenterhook.core.field.Artwork art = ArtworkImages.describe(cover);
      pictures.put(art.sha256(), cover);
      tags.put(Fields.ARTWORK, art.raw());
    }
  }

  /** The cover of a name as the demo's files carry it, square, of any size. */
  public static byte[] cover(String name, int side) {
    return Cover.draw(name.hashCode(), side, side % 400 == 0 && side < 1000 ? "png" : "jpg");
  }

  private static void shortTag(Path file, Map<Field<?>, String> tags) throws IOException {
    Tag tag = Id3v1Tag.empty();
    for (Map.Entry<Field<?>, String> value : tags.entrySet()) {
      if (tag.canHold(value.getKey())) {
        tag = tag.with(value.getKey(), List.of(value.getValue()));
      }
    }
    Files.write(file, ((Id3v1Tag) tag).render(), StandardOpenOption.APPEND);
  }

  /**
   * Lets the mishaps happen that {@value #TRUTH} lists: a folder moves, single files are deleted.
   * Meant for after the first scan, so that the collection knows what it lost.
   *
   * @param folder where {@link #make} made the music
   * @param count the same as then
   * @throws IOException when a file cannot be moved
   */
  public static void mishaps(Path folder, int count) throws IOException {
    for (DemoTrack track : DemoPlan.of(count)) {
      Path file = folder.resolve(track.path);
      if (track.deleted) {
        Files.deleteIfExists(file);
      } else if (!track.movesTo.isEmpty() && Files.exists(file)) {
        Path target = folder.resolve(track.movesTo);
        Files.createDirectories(target.getParent());
        Files.move(file, target);
      }
    }
  }
}
