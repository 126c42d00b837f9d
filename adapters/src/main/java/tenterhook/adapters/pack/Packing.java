package tenterhook.adapters.pack;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.disk.WrittenFiles;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;
import tenterhook.core.text.PortableNames;

/**
 * Copies files into one folder. Each copy is compared with its original before it gets its name;
 * {@value #SUMS} beside them says what was written, so that a stopped copy goes on where it was,
 * and so that {@code sha256sum -c} can check the folder anywhere.
 */
public final class Packing {
  /** The list of copies with their hashes, in the form of coreutils. */
  public static final String SUMS = "checksums.sha256";

  private static final long MOST = 16 << 20;

  private final Path folder;
  private final PackDisk disk;
  private final WrittenFiles written;
  private final Map<String, String> sums = new TreeMap<>();

  /**
   * What became of a copy of many files.
   *
   * @param names the name of each copy in the folder, by the path of its original
   * @param copied how many were written
   * @param there how many were there already, the same to the byte
   * @param refused those that could not be, with reasons
   * @param stopped whether it was told to stop before its end
   */
  public record PackReport(
      Map<Path, String> names, int copied, int there, List<Refusal> refused, boolean stopped) {
    /** Copies. */
    public PackReport {
      names = Map.copyOf(names);
      refused = List.copyOf(refused);
    }
  }

  /**
   * A folder to copy into; made when it is not there.
   *
   * @throws IOException when the disk refuses, or a list of another program's is there
   */
  public Packing(Path folder) throws IOException {
    this(folder, PackDisk.SYSTEM);
  }

  /**
   * The same on a disk of its own kind.
   *
   * @throws IOException when the disk refuses, or a list of another program's is there
   */
  public Packing(Path folder, PackDisk disk) throws IOException {
    this.disk = disk;
    this.folder = Files.createDirectories(folder);
    this.written = new WrittenFiles(folder);
    written.check(folder.resolve(SUMS));
  }

  /**
   * Copies files; what is there already and the same is left, what another program put there under
   * the same name is not touched.
   *
   * @param files absolute paths in a stable order, so that each gets the same name another time
   * @param progress told of each file; a stop leaves no half file
   * @throws IOException when the list of what was written cannot be kept
   */
  public PackReport copy(List<Path> files, Progress progress) throws IOException {
    return copy(files, Set.of(), progress);
  }

  /**
   * The same without files that the disk is known not to take; they keep their names.
   *
   * @param tooLarge paths of these
   */
  PackReport copy(List<Path> files, Set<String> tooLarge, Progress progress) throws IOException {
    PortableNames given = new PortableNames();
    given.give(SUMS);
    Map<Path, String> names = new LinkedHashMap<>();
    List<Refusal> refused = new ArrayList<>();
    int copied = 0;
    int there = 0;
    for (Path file : files) {
      String name = given.give(file.getFileName().toString());
      if (progress.stopped()) {
        keepSums();
        return new PackReport(names, copied, there, refused, true);
      }
      if (tooLarge.contains(file.toString())) {
        refused.add(new Refusal(0, file.toString(), "the disk takes no file of this size"));
        continue;
      }
      progress.at(copied + there, files.size(), name);
      try {
        boolean written = copy(file, name);
        copied += written ? 1 : 0;
        there += written ? 0 : 1;
        names.put(file, name);
      } catch (IOException trouble) {
        refused.add(new Refusal(0, file.toString(), reason(trouble)));
      }
    }
    keepSums();
    return new PackReport(names, copied, there, refused, false);
  }

  private static String reason(IOException trouble) {
    return trouble instanceof java.nio.file.NoSuchFileException
        ? "the file is not there"
        : String.valueOf(trouble.getMessage());
  }

  /** Whether it was written; false when it is there already. */
  private boolean copy(Path file, String name) throws IOException {
    Path target = folder.resolve(name);
    String wanted = SafeFiles.hash(file);
    if (Files.exists(target)) {
      String held = SafeFiles.hash(target);
      if (held.equals(wanted)) {
        sums.put(name, held); // the same to the byte, be it ours or not
        return false;
      }
      if (!written.mayWrite(target)) {
        throw new IOException("another file is called " + name + " there; it was left as it is");
      }
    }
    disk.copy(file, target);
    sums.put(name, wanted);
    written.wrote(target, wanted);
    return true;
  }

  /**
   * What was written into a folder: the hash of each copy by its name.
   *
   * @throws IOException when the list cannot be read
   */
  static Map<String, String> sums(Path folder) throws IOException {
    Map<String, String> sums = new TreeMap<>();
    for (String line : BoundedText.read(folder.resolve(SUMS), MOST).lines().toList()) {
      String[] parts = line.split(" [ *]", 2);
      if (parts.length == 2) {
        sums.put(parts[1], parts[0]);
      }
    }
    return sums;
  }

  private void keepSums() throws IOException {
    StringBuilder text = new StringBuilder();
    sums.forEach((name, sum) -> text.append(sum).append("  ").append(name).append('\n'));
    Path part = folder.resolve(SUMS + ".part");
    Files.writeString(part, text, StandardCharsets.UTF_8);
    Files.move(part, folder.resolve(SUMS), StandardCopyOption.REPLACE_EXISTING);
    written.wrote(folder.resolve(SUMS), SafeFiles.hash(folder.resolve(SUMS)));
    written.keep();
  }
}
