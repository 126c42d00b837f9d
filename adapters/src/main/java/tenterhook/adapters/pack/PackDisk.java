package tenterhook.adapters.pack;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Locale;
import tenterhook.adapters.disk.SafeFiles;

/** The disk that is packed onto, as far as packing asks of it; a stand-in may take its place. */
public interface PackDisk {
  /** The disks of this machine. */
  PackDisk SYSTEM = new PackDisk() {};

  /** What a FAT file system takes in one file at the most, in bytes. */
  long FAT_LIMIT = (1L << 32) - 1;

  /**
   * The room that is left, in bytes.
   *
   * @throws IOException when the disk is not there
   */
  default long room(Path folder) throws IOException {
    return Files.getFileStore(folder).getUsableSpace();
  }

  /**
   * How large one file may be, in bytes.
   *
   * @throws IOException when the disk is not there
   */
  default long largest(Path folder) throws IOException {
    FileStore store = Files.getFileStore(folder);
    String type = store.type().toLowerCase(Locale.ROOT);
    boolean fat = type.contains("fat") && !type.contains("exfat") || type.equals("msdos");
    return fat ? FAT_LIMIT : Long.MAX_VALUE;
  }

  /**
   * Copies a file; it has its name when it was compared with the original, never before.
   *
   * @throws IOException when the disk refuses; nothing of the copy is left then
   */
  default void copy(Path from, Path to) throws IOException {
    SafeFiles.copy(from, to, StandardCopyOption.REPLACE_EXISTING);
  }
}
