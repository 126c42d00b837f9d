package tenterhook.adapters.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/** Lets one program at a time have a collection open. */
final class CollectionLock {
  private static final String FILE = "collection.lock";

  private final FileChannel channel;
  private final FileLock lock;

  private CollectionLock(FileChannel channel, FileLock lock) {
    this.channel = channel;
    this.lock = lock;
  }

  /**
   * Takes the lock of a collection.
   *
   * @param folder of the collection; made when it is not there
   * @throws CollectionRefused when another program has it, or the folder cannot be written
   */
  static CollectionLock take(Path folder) throws CollectionRefused {
    try {
      Files.createDirectories(folder);
      FileChannel channel =
          FileChannel.open(
              folder.resolve(FILE), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      FileLock lock = tried(channel);
      if (lock == null) {
        channel.close();
        throw new CollectionRefused(
            "the collection in " + folder + " is open in another Tenterhook; close that one first");
      }
      return new CollectionLock(channel, lock);
    } catch (IOException trouble) {
      throw CollectionRefused.untouched(folder, trouble);
    }
  }

  private static @Nullable FileLock tried(FileChannel channel) throws IOException {
    try {
      return channel.tryLock();
    } catch (OverlappingFileLockException sameProgram) {
      return null;
    }
  }

  /** Lets others have it. */
  void release() throws CollectionRefused {
    try {
      lock.release();
      channel.close();
    } catch (IOException trouble) {
      throw new CollectionRefused("the lock cannot be released", trouble);
    }
  }
}
