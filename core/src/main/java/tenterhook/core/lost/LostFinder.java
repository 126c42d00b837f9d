package tenterhook.core.lost;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.edit.Holders;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** Finds where lost files may have gone. Pure: it is given the files that are on the disk. */
public final class LostFinder {
  static final Comparator<Candidate> BEST_FIRST =
      Comparator.comparingInt(Candidate::certainty).reversed();

  private static final int SURE = 90;

  private LostFinder() {}

  /**
   * A file on the disk.
   *
   * @param place where it is
   * @param size in bytes
   */
  public record FoundFile(Place place, long size) {
    String name() {
      return place.path().substring(place.path().lastIndexOf('/') + 1);
    }
  }

  /**
   * A file that a lost track may be.
   *
   * @param id the lost track
   * @param file where it may be
   * @param likeness how the two agree
   */
  public record Candidate(int id, FoundFile file, FileMatch likeness) {
    /** 0 to 100. */
    public int certainty() {
      return likeness.certainty();
    }

    /** Why, in words. */
    public String reason() {
      return likeness.words();
    }
  }

  /**
   * A folder that moved as a whole, read off the candidates.
   *
   * @param from the old folder
   * @param to the new folder
   * @param files the candidates that agree with it, one a track
   * @param lost how many lost tracks were below the old folder
   */
  public record FolderMove(String from, String to, List<Candidate> files, int lost) {
    /** Copies. */
    public FolderMove {
      files = List.copyOf(files);
    }
  }

  /** The lost tracks of a collection. */
  public static RoaringBitmap lost(Snapshot snapshot) {
    return snapshot.tracks(snapshot::lost);
  }

  /**
   * The files that each lost track may be, best first.
   *
   * @param snapshot the collection
   * @param onDisk the files to choose from
   */
  public static Map<Integer, List<Candidate>> candidates(
      Snapshot snapshot, List<FoundFile> onDisk) {
    Map<String, List<FoundFile>> byName = new HashMap<>();
    Map<Long, List<FoundFile>> bySize = new HashMap<>();
    for (FoundFile file : onDisk) {
      byName.computeIfAbsent(file.name(), n -> new ArrayList<>()).add(file);
      bySize.computeIfAbsent(file.size(), s -> new ArrayList<>()).add(file);
    }
    Map<Place, String> since = new HashMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> since.put(TrackEdits.place(snapshot, id), snapshot.raw(id, Fields.ADDED)));
    Map<Integer, List<Candidate>> found = new TreeMap<>();
    lost(snapshot)
        .forEach(
            (int id) -> {
              long size = snapshot.value(id, Fields.SIZE).orElse(-1L);
              List<Candidate> mine = new ArrayList<>();
              for (FoundFile file : byName.getOrDefault(snapshot.fileName(id), List.of())) {
                boolean before = stoodBeside(snapshot, id, since.get(file.place()));
                mine.add(
                    new Candidate(
                        id,
                        file,
                        before
                            ? FileMatch.STOOD_BESIDE
                            : file.size() == size ? FileMatch.NAME_AND_SIZE : FileMatch.NAME));
              }
              for (FoundFile file : bySize.getOrDefault(size, List.of())) {
                if (!file.name().equals(snapshot.fileName(id))
                    && !stoodBeside(snapshot, id, since.get(file.place()))) {
                  mine.add(new Candidate(id, file, FileMatch.SIZE));
                }
              }
              mine.sort(BEST_FIRST);
              found.put(id, mine);
            });
    return found;
  }

  /** Whether a file was known as early as the lost one: then it is a copy, and did not move. */
  private static boolean stoodBeside(Snapshot snapshot, int lost, @Nullable String since) {
    String own = snapshot.raw(lost, Fields.ADDED);
    return since != null && !since.isEmpty() && since.compareTo(own) <= 0;
  }

  /**
   * Looks closer where names and sizes do not settle it: lengths, tags and sounds of files are
   * asked for, as few as will do. What sounds otherwise is told apart.
   *
   * @param snapshot the collection
   * @param candidates what {@link #candidates} found
   * @param onDisk the files to choose from
   * @param inside opens them
   * @param progress told of every lost track; a stop leaves the rest as they were
   */
  public static Map<Integer, List<Candidate>> closer(
      Snapshot snapshot,
      Map<Integer, List<Candidate>> candidates,
      List<FoundFile> onDisk,
      FileInspector inspector,
      Progress progress) {
    return new CloserLook(snapshot, onDisk, inspector).at(candidates, progress);
  }

  /**
   * The one file that a lost track surely is: no other comes near it. Two that are equally good are
   * never decided here.
   *
   * @param mine its candidates, best first
   */
  public static Optional<Candidate> sure(List<Candidate> mine) {
    boolean alone = mine.size() == 1 || mine.size() > 1 && mine.get(1).certainty() < SURE;
    return alone && mine.getFirst().certainty() >= SURE
        ? Optional.of(mine.getFirst())
        : Optional.empty();
  }

  /**
   * The folder moves that explain the most losses with the fewest decisions. A track with two
   * equally good candidates is explained by none of them alone, only by a folder that others agree
   * on; and where another folder explains just the same, by none.
   *
   * @param snapshot the collection
   * @param candidates what {@link #candidates} found
   */
  public static List<FolderMove> moves(
      Snapshot snapshot, Map<Integer, List<Candidate>> candidates) {
    return FolderMoves.of(snapshot, candidates);
  }

  /**
   * The change that points lost tracks to files. Where a later scan took such a file for a new
   * track, that newcomer leaves the collection, so that the old one with its history stays; crates
   * and gigs that name the newcomer name the old one then.
   *
   * @param snapshot the collection
   * @param holders its crates and gigs
   * @param chosen one candidate a track
   */
  public static Change repoint(Snapshot snapshot, Holders holders, List<Candidate> chosen) {
    Map<Place, Integer> known = new HashMap<>();
    snapshot.tracks().forEach((int id) -> known.put(TrackEdits.place(snapshot, id), id));
    List<Edit> edits = new ArrayList<>();
    Map<Integer, Integer> heirs = new HashMap<>();
    for (Candidate one : chosen) {
      Integer newcomer = known.get(one.file().place());
      if (newcomer != null && newcomer != one.id()) {
        heirs.put(newcomer, one.id());
        edits.add(new Edit.SetField(newcomer, Fields.LIFECYCLE, "", "removed"));
      }
      edits.add(
          new Edit.Relocate(
              one.id(),
              TrackEdits.place(snapshot, one.id()),
              one.file().place(),
              kept(snapshot, one.id())));
    }
    edits.addAll(holders.editsTo(holders.withTracks(id -> heirs.getOrDefault(id, id))));
    String what = chosen.size() == 1 ? "1 lost file" : chosen.size() + " lost files";
    return new Change("closes " + what, true, edits);
  }

  /** All that a file said of a track. */
  private static Map<Field<?>, String> kept(Snapshot snapshot, int id) {
    Map<Field<?>, String> kept = new HashMap<>();
    for (Field<?> field : Fields.all()) {
      boolean ofFile = field.origin() == FieldOrigin.FILE || field.is(Trait.OF_FILE);
      if (ofFile && !snapshot.raw(id, field).isEmpty()) {
        kept.put(field, snapshot.raw(id, field));
      }
    }
    return kept;
  }
}
