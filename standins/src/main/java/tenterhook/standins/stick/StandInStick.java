package tenterhook.standins.stick;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.ReadOnlyFileSystemException;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import tenterhook.adapters.pack.PackDisk;

/** A folder that behaves as a stick does: small, slow, read-only, old, or pulled out midway. */
public final class StandInStick implements PackDisk {
  private final Path folder;
  private long size = Long.MAX_VALUE;
  private boolean honest = true;
  private long largest = Long.MAX_VALUE;
  private Duration each = Duration.ZERO;
  private boolean readOnly;
  private boolean caseBlind;
  private int copies = Integer.MAX_VALUE;

  /** A stick in a folder, with room for everything. */
  public StandInStick(Path folder) {
    this.folder = folder;
  }

  /**
   * It holds so many bytes.
   *
   * @param told whether it says so when it is asked for its room; counterfeit ones do not
   */
  public StandInStick holds(long bytes, boolean told) {
    size = bytes;
    honest = told;
    return this;
  }

  /** It takes no larger file, as FAT does not. */
  public StandInStick takesNoMoreThan(long bytes) {
    largest = bytes;
    return this;
  }

  /** Each copy takes so long at least. */
  public StandInStick slow(Duration time) {
    each = time;
    return this;
  }

  /** Its switch stands at "lock". */
  public StandInStick readOnly() {
    readOnly = true;
    return this;
  }

  /** It takes upper and lower case for the same, as FAT does: one name overwrites the other. */
  public StandInStick caseBlind() {
    caseBlind = true;
    return this;
  }

  /** It is pulled out after so many copies. */
  public StandInStick pulledOutAfter(int count) {
    copies = count;
    return this;
  }

  @Override
  public long room(Path at) throws IOException {
    return honest ? left() : Long.MAX_VALUE;
  }

  private long left() throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      long taken = 0;
      for (Path one : all.filter(Files::isRegularFile).toList()) {
        taken += Files.size(one);
      }
      return Math.max(0, size - taken);
    }
  }

  @Override
  public long largest(Path at) {
    return largest;
  }

  @Override
  public void copy(Path from, Path to) throws IOException {
    if (readOnly) {
      throw new IOException("the stick is locked", new ReadOnlyFileSystemException());
    }
    if (copies-- <= 0) {
      throw new NoSuchFileException(to.toString(), null, "the stick is gone");
    }
    if (Files.size(from) > left()) {
      throw new IOException("No space left on device");
    }
    LockSupport.parkNanos(each.toNanos());
    PackDisk.super.copy(from, caseBlind ? sameName(to) : to);
  }

  /** The file that is there under the name in any case, or the name itself. */
  private static Path sameName(Path to) throws IOException {
    try (Stream<Path> all = Files.list(to.getParent())) {
      return all.filter(
              p -> p.getFileName().toString().equalsIgnoreCase(to.getFileName().toString()))
          .findFirst()
          .orElse(to);
    }
  }
}
