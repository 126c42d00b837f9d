package tenterhook.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.FileInspector;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.LostFinder.FoundFile;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** Part of {@link LargeCopies}: 20,000 lost files in a hundred thousand, most in moved folders. */
final class LargeMoves {
  private static final int LOST = 20_000;

  private final Random random;

  LargeMoves(Random random) {
    this.random = random;
  }

  /** Twelve folders with folders in them moved; files of one name and size stand about twice. */
  void run() {
    List<Cell> cells = new ArrayList<>();
    List<FoundFile> disk = new ArrayList<>();
    forget(cells, disk);
    Snapshot snapshot = Snapshot.empty().with(cells);
    double best = Double.POSITIVE_INFINITY;
    List<FolderMove> moves = List.of();
    for (int round = 0; round < 3; round++) {
      long start = System.nanoTime();
      moves = found(snapshot, disk);
      best = Math.min(best, LargeCopies.seconds(start));
    }
    int closed = moves.stream().mapToInt(m -> m.files().size()).sum();
    LargeCopies.say(
        "%,d lost files, %,d on the disk: %.2f s; %d decisions explain %,d; heap %d MB",
        LOST, disk.size(), best, moves.size(), closed, LargeCopies.heap());
  }

  private static List<FolderMove> found(Snapshot snapshot, List<FoundFile> disk) {
    Map<Integer, List<Candidate>> candidates =
        LostFinder.closer(
            snapshot,
            LostFinder.candidates(snapshot, disk),
            disk,
            new SealsOnly(),
            Progress.SILENT);
    return LostFinder.moves(snapshot, candidates);
  }

  private void forget(List<Cell> cells, List<FoundFile> disk) {
    for (int id = 1; id <= LOST; id++) {
      int set = id % 12;
      String rest = "Night " + id % 150 + "/" + id + ".mp3";
      long size = 4_000_000 + random.nextInt(4_000_000);
      cells.add(new Cell(id, Fields.STATE, "lost"));
      cells.add(new Cell(id, Fields.ROOT, "Music"));
      cells.add(new Cell(id, Fields.PATH, "Set " + set + "/" + rest));
      cells.add(new Cell(id, Fields.SIZE, String.valueOf(size)));
      cells.add(new Cell(id, Fields.SOUND_SEAL, String.valueOf(size)));
      disk.add(
          new FoundFile(new Place("Music", "Archive/20" + set + "/Set " + set + "/" + rest), size));
      if (id % 10 == 0) {
        disk.add(new FoundFile(new Place("Music", "Loose/" + id + ".mp3"), size));
      }
    }
  }

  /** Files that are told by their seals; how long a disk takes to read them is left out. */
  private static final class SealsOnly implements FileInspector {
    @Override
    public Optional<FileFacts> facts(FoundFile file) {
      return Optional.empty();
    }

    @Override
    public Optional<Seals> seals(FoundFile file) {
      return Optional.of(new Seals("", String.valueOf(file.size())));
    }

    @Override
    public Optional<String> sound(FoundFile file) {
      return Optional.empty();
    }

    @Override
    public Optional<Boolean> sameSound(int lost, FoundFile file) {
      return Optional.empty();
    }
  }
}
