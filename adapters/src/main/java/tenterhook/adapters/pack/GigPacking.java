package tenterhook.adapters.pack;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.disk.WrittenFiles;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.RunSheetJson;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.RunSheet;
import tenterhook.core.job.Progress;
import tenterhook.core.text.PortableNames;

/**
 * Packs a gig onto a stick or into a folder: its music once, a playlist for each part in two open
 * forms, the run sheet to print, and hashes by which all of it can be checked anywhere. Only what
 * is new or other is copied; what the program did not write there is not touched.
 */
public final class GigPacking {
  /** The folder of the music. */
  public static final String MUSIC = SendingOut.MUSIC;

  /** The run sheet for the eye, and for programs. */
  public static final String SHEET = "Run sheet.html";

  /** The same data as the run sheet. */
  public static final String DATA = "run-sheet.json";

  private final CollectionState state;
  private final GigProgram program;
  private final Path folder;
  private final PackDisk disk;

  /**
   * Before the first byte.
   *
   * @param tracks how many tracks are to stand there
   * @param absent tracks that are lost or on a disk that is away, and so are left out
   * @param bytes how much is to be copied, at most: what is there already and other is written anew
   * @param room what the disk has left, in bytes
   * @param refused files that the disk cannot take, with reasons
   */
  public record PackPlan(
      int tracks, RoaringBitmap absent, long bytes, long room, List<Refusal> refused) {
    /** Copies. */
    public PackPlan {
      absent = absent.clone();
      refused = List.copyOf(refused);
    }

    /** Whether the disk has room for all. */
    public boolean fits() {
      return bytes <= room;
    }
  }

  /**
   * What stands there when it was checked.
   *
   * @param whole how many files are as they were written
   * @param damaged files that hold other bytes than were written
   * @param missing files that were written and are gone
   * @param strays files that the program did not write
   * @param unpacked tracks of the gig that have no copy there
   */
  public record Check(
      int whole,
      List<String> damaged,
      List<String> missing,
      List<String> strays,
      RoaringBitmap unpacked) {
    /** Copies. */
    public Check {
      damaged = List.copyOf(damaged);
      missing = List.copyOf(missing);
      strays = List.copyOf(strays);
      unpacked = unpacked.clone();
    }

    /** Whether the gig can be played from there. */
    public boolean clean() {
      return damaged.isEmpty() && missing.isEmpty() && unpacked.isEmpty();
    }
  }

  /**
   * A gig to be packed as it is at one moment.
   *
   * @param contents of the crates at that moment
   * @param folder where to
   */
  public GigPacking(
      Gig gig, CollectionState state, CrateContents contents, Path folder, PackDisk disk) {
    this.state = state;
    this.program = GigProgram.of(gig, state.snapshot(), contents);
    this.folder = folder;
    this.disk = disk;
  }

  /** All tracks of the gig in the order in which they are played, each once. */
  private Set<Integer> tracks() {
    Set<Integer> tracks = new LinkedHashSet<>();
    program.stretches().forEach(s -> s.slots().forEach(t -> tracks.add(t.id())));
    return tracks;
  }

  private boolean there(int id) {
    return !state.snapshot().lost(id) && Files.isRegularFile(state.path(id));
  }

  /** In the order of ids, so that each gets the same name another time. */
  private List<Path> music() {
    return tracks().stream().filter(this::there).sorted().map(state::path).distinct().toList();
  }

  /**
   * Looks before anything is written, and writes nothing.
   *
   * @throws IOException when the disk is not there, or a file cannot be read
   */
  public PackPlan plan() throws IOException {
    Path there = existing();
    RoaringBitmap absent = new RoaringBitmap();
    tracks().stream().filter(id -> !there(id)).forEach(absent::add);
    List<Refusal> refused = new ArrayList<>();
    long bytes = 0;
    long largest = disk.largest(there);
    Map<Path, String> names = names();
    for (Map.Entry<Path, String> one : names.entrySet()) {
      long size = Files.size(one.getKey());
      if (size > largest) {
        refused.add(
            new Refusal(0, one.getKey().toString(), "the disk takes no file of more than 4 GB"));
        continue;
      }
      Path copy = folder.resolve(MUSIC).resolve(one.getValue());
      bytes += Files.exists(copy) && Files.size(copy) == size ? 0 : size;
    }
    return new PackPlan(tracks().size(), absent, bytes, disk.room(there), refused);
  }

  /** The folder, or the one above in which it is to be made. */
  private Path existing() {
    Path there = folder.toAbsolutePath();
    while (there.getParent() != null && !Files.exists(there)) {
      there = there.getParent();
    }
    return there;
  }

  private Map<Path, String> names() {
    PortableNames given = new PortableNames();
    given.give(Packing.SUMS);
    Map<Path, String> names = new LinkedHashMap<>();
    music().forEach(m -> names.put(m, given.give(m.getFileName().toString())));
    return names;
  }

  /**
   * Packs.
   *
   * @param progress told of each file; a stop leaves no half file, and playlists as they were
   * @throws IOException when there is no room, which is asked before the first byte, or the disk
   *     refuses; what was copied by then stays and is not copied again
   */
  public Packing.PackReport pack(Progress progress) throws IOException {
    PackPlan plan = plan();
    if (!plan.fits()) {
      throw new IOException(
          String.format(
              Locale.ROOT,
              "%,.1f MB are to be copied and %s has room for %,.1f MB; nothing was written. Make"
                  + " room, or choose another folder",
              plan.bytes() / 1e6,
              folder,
              plan.room() / 1e6));
    }
    Set<String> tooLarge = new TreeSet<>();
    plan.refused().forEach(r -> tooLarge.add(r.path()));
    Packing.PackReport report =
        new Packing(folder.resolve(MUSIC), disk).copy(music(), tooLarge, progress);
    if (!report.stopped()) {
      write(report.names());
    }
    return report;
  }

  /** A playlist for each part, numbered as they are played, and the run sheet. */
  private void write(Map<Path, String> names) throws IOException {
    PortableNames given = new PortableNames();
    int number = 0;
    for (GigProgram.Stretch stretch : program.stretches()) {
      List<Integer> ids =
          stretch.slots().stream()
              .map(GigProgram.Slot::id)
              .filter(id -> names.containsKey(state.path(id)))
              .toList();
      if (ids.isEmpty() && !stretch.music().part().parts().isEmpty()) {
        continue;
      }
      String part = stretch.music().part().name();
      String name = String.format(Locale.ROOT, "%02d %s", ++number, part);
      for (PlaylistFile form : List.of(PlaylistFile.M3U8, PlaylistFile.XSPF)) {
        Path file = folder.resolve(given.give(name + "." + form.ending()));
        form.write(file, Playlists.of(state, part, ids), path -> MUSIC + "/" + names.get(path));
      }
    }
    WrittenFiles.write(folder.resolve(SHEET), RunSheet.html(program, state.snapshot()));
    WrittenFiles.write(folder.resolve(DATA), RunSheetJson.write(program, state.snapshot()));
  }

  /**
   * Holds what stands there against what was written and against the gig.
   *
   * @throws IOException when there is no list of what was written, or the disk is away
   */
  public Check check(Progress progress) throws IOException {
    Path music = folder.resolve(MUSIC);
    if (!Files.exists(music.resolve(Packing.SUMS))) {
      throw new IOException(
          "no gig was packed into " + folder + ", or its " + MUSIC + " folder is gone; pack it");
    }
    Map<String, String> sums = Packing.sums(music);
    List<String> damaged = new ArrayList<>();
    List<String> missing = new ArrayList<>();
    Map<String, String> whole = new HashMap<>();
    int done = 0;
    for (Map.Entry<String, String> one : new TreeMap<>(sums).entrySet()) {
      progress.at(++done, sums.size(), one.getKey());
      Path file = music.resolve(one.getKey());
      if (!Files.exists(file)) {
        missing.add(one.getKey());
      } else if (!SafeFiles.hash(file).equals(one.getValue())) {
        damaged.add(one.getKey());
      } else {
        whole.put(one.getKey(), one.getValue());
      }
    }
    List<String> strays;
    try (Stream<Path> all = Files.list(music)) {
      strays =
          all.map(p -> p.getFileName().toString())
              .filter(n -> !sums.containsKey(n) && !n.equals(Packing.SUMS))
              .filter(n -> !n.equals(WrittenFiles.FILE))
              .sorted()
              .toList();
    }
    return new Check(whole.size(), damaged, missing, strays, unpacked(whole));
  }

  /**
   * Tracks of which no copy is there, or one of other bytes than the file has by now; those that
   * are lost are no matter of the stick.
   */
  private RoaringBitmap unpacked(Map<String, String> whole) throws IOException {
    Map<Path, String> names = names();
    RoaringBitmap unpacked = new RoaringBitmap();
    for (int id : tracks()) {
      String name = names.get(state.path(id));
      String sum = name == null ? null : whole.get(name);
      if (name != null && (sum == null || !SafeFiles.hash(state.path(id)).equals(sum))) {
        unpacked.add(id);
      }
    }
    return unpacked;
  }
}
