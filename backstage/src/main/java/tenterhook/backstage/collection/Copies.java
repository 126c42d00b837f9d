package tenterhook.backstage.collection;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.tagfile.Pictures;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;

/** Reads the files that may be copies of one another; a file of a size of its own is never read. */
final class Copies {
  private Copies() {}

  /**
   * The content hashes that are not yet known.
   *
   * @param troubles gets files that could not be read
   */
  static List<Cell> contents(CollectionState state, Progress progress, List<Refusal> troubles) {
    RoaringBitmap ids = Duplicates.toHash(state.snapshot());
    List<Cell> cells = new ArrayList<>();
    int[] done = {0};
    ids.forEach(
        (int id) -> {
          if (progress.stopped()) {
            return;
          }
          Path file = state.path(id);
          try {
            cells.add(new Cell(id, Fields.CONTENT, hash(file)));
          } catch (IOException trouble) {
            troubles.add(
                new Refusal(id, file.toString(), "cannot be read: " + trouble.getMessage()));
          }
          progress.at(++done[0], ids.getCardinality(), file.getFileName().toString());
        });
    return cells;
  }

  private static String hash(Path file) throws IOException {
    MessageDigest digest = Pictures.newDigest();
    byte[] buffer = new byte[1 << 16];
    try (InputStream in = Files.newInputStream(file)) {
      for (int got = in.read(buffer); got > 0; got = in.read(buffer)) {
        digest.update(buffer, 0, got);
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }
}
