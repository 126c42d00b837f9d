package tenterhook.adapters.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.Store;

/**
 * A collection in one dated ZIP file: the database with its settings and history, the plain files,
 * and a list of checksums. The music is not in it; see {@link MirrorCheck}.
 */
public final class Backup {
  /** The setting that holds the day of the last backup. */
  private static final String LAST = "last backup";

  private static final String REMINDER = "backup reminder";
  private static final String SUMS = "checksums.sha256";
  private static final int REMIND_AFTER_DAYS = 30;
  private static final long MOST_BYTES = 32L << 30;

  private Backup() {}

  /**
   * Writes a backup.
   *
   * @param folder where to; made when it is not there
   * @return the ZIP file, named after the day; an older one of the day is not overwritten
   * @throws IOException when the disk refuses; no half file is left then
   */
  public static Path write(MusicCollection collection, Path folder) throws IOException {
    Files.createDirectories(folder);
    Path work = Files.createTempDirectory(folder, ".tenterhook-backup-");
    Path zip = free(folder, collection.today());
    Path part = work.resolve("part.zip");
    try {
      Path database = work.resolve(Store.FILE);
      collection.copyDatabase(database);
      Map<String, Path> files = new TreeMap<>(plainFiles(collection.folder()));
      files.put(Store.FILE, database);
      try (OutputStream out = Files.newOutputStream(part);
          ZipOutputStream packed = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
        pack(files, packed);
      }
      Files.move(part, zip); // refuses to replace
    } finally {
      SafeFiles.removeTree(work);
    }
    collection.keepSetting(LAST, collection.today().toString());
    return zip;
  }

  private static Path free(Path folder, LocalDate today) {
    Path zip = folder.resolve("tenterhook " + today + ".zip");
    for (int i = 2; Files.exists(zip); i++) {
      zip = folder.resolve("tenterhook " + today + " " + i + ".zip");
    }
    return zip;
  }

  private static Map<String, Path> plainFiles(Path folder) throws IOException {
    Map<String, Path> files = new TreeMap<>();
    Path codebook = folder.resolve("codebook.json");
    if (Files.isRegularFile(codebook)) {
      files.put("codebook.json", codebook);
    }
    for (String name : new String[] {"crates", "gigs"}) {
      add(folder, name, files);
    }
    return files;
  }

  private static void add(Path folder, String name, Map<String, Path> files) throws IOException {
    if (Files.isDirectory(folder.resolve(name))) {
      try (DirectoryStream<Path> all = Files.newDirectoryStream(folder.resolve(name))) {
        for (Path one : all) {
          if (Files.isRegularFile(one)) {
            files.put(name + "/" + one.getFileName(), one);
          }
        }
      }
    }
  }

  private static void pack(Map<String, Path> files, ZipOutputStream packed) throws IOException {
    StringBuilder sums = new StringBuilder();
    for (Map.Entry<String, Path> one : files.entrySet()) {
      packed.putNextEntry(new ZipEntry(one.getKey()));
      Files.copy(one.getValue(), packed);
      packed.closeEntry();
      sums.append(SafeFiles.hash(one.getValue())).append("  ").append(one.getKey()).append('\n');
    }
    packed.putNextEntry(new ZipEntry(SUMS));
    packed.write(sums.toString().getBytes(StandardCharsets.UTF_8));
    packed.closeEntry();
  }

  /**
   * Makes a collection of a backup.
   *
   * @param zip written by {@link #write}
   * @param folder of the new collection; must not hold one
   * @throws IOException when the backup is damaged or the folder is taken; nothing is left then
   */
  public static void restore(Path zip, Path folder) throws IOException {
    refuseTaken(folder);
    Path parent = folder.toAbsolutePath().getParent();
    Files.createDirectories(parent);
    Path work = Files.createTempDirectory(parent, ".tenterhook-restore-");
    try {
      unpackChecked(zip, work);
      if (Files.isDirectory(folder)) {
        moveInto(work, folder);
      } else {
        Files.move(work, folder);
      }
    } finally {
      SafeFiles.removeTree(work);
    }
  }

  private static void refuseTaken(Path folder) throws IOException {
    if (Files.exists(folder.resolve(Store.FILE)) || Files.exists(folder.resolve("crates"))) {
      throw new IOException(
          folder + " holds a collection already; choose another folder. Nothing was changed");
    }
  }

  /** Unpacks a backup and compares every file with its checksum. */
  private static void unpackChecked(Path zip, Path work) throws IOException {
    Map<String, String> found = unpack(zip, work);
    Path sums = work.resolve(SUMS);
    if (!Files.exists(sums) || !found.containsKey(Store.FILE)) {
      throw new IOException(zip + " is no backup of a collection");
    }
    for (String line : Files.readAllLines(sums)) {
      String[] parts = line.split("  ", 2);
      if (parts.length != 2 || !parts[0].equals(found.get(parts[1]))) {
        throw new IOException(zip + " is damaged: " + line + " does not hold");
      }
    }
    Files.delete(sums);
  }

  private static void moveInto(Path work, Path folder) throws IOException {
    try (Stream<Path> all = Files.list(work)) {
      for (Path one : all.toList()) {
        Files.move(one, folder.resolve(one.getFileName().toString()));
      }
    }
  }

  private static Map<String, String> unpack(Path zip, Path work) throws IOException {
    Map<String, String> sums = new TreeMap<>();
    long left = MOST_BYTES;
    try (InputStream in = Files.newInputStream(zip);
        ZipInputStream packed = new ZipInputStream(in, StandardCharsets.UTF_8)) {
      for (ZipEntry entry = packed.getNextEntry(); entry != null; entry = packed.getNextEntry()) {
        Path target = work.resolve(entry.getName()).normalize();
        if (!target.startsWith(work) || target.equals(work) || entry.isDirectory()) {
          throw new IOException(zip + " is no backup of a collection: " + entry.getName());
        }
        Files.createDirectories(target.getParent());
        DigestInputStream hashed = new DigestInputStream(packed, SafeFiles.newDigest());
        try (OutputStream out = Files.newOutputStream(target, StandardOpenOption.CREATE_NEW)) {
          left -= copy(hashed, out, left);
        }
        sums.put(entry.getName(), HexFormat.of().formatHex(hashed.getMessageDigest().digest()));
      }
    }
    return sums;
  }

  private static long copy(InputStream in, OutputStream out, long most) throws IOException {
    byte[] buffer = new byte[1 << 16];
    long done = 0;
    for (int got = in.read(buffer); got > 0; got = in.read(buffer)) {
      done += got;
      if (done > most) {
        throw new IOException("the backup unpacks to more than a collection can be");
      }
      out.write(buffer, 0, got);
    }
    return done;
  }

  /**
   * How many days ago the last backup was made, when it is time to remind of one: never while the
   * reminder is switched off or the collection is empty.
   *
   * @return days; -1 when there was none; empty when nothing is to be said
   */
  public static Optional<Long> due(MusicCollection collection) {
    if (!reminds(collection) || collection.state().snapshot().count() == 0) {
      return Optional.empty();
    }
    Optional<LocalDate> last = last(collection);
    if (last.isEmpty()) {
      LocalDate lately = collection.today().minusDays(REMIND_AFTER_DAYS);
      boolean young =
          collection.history().stream()
              .noneMatch(e -> e.at().isBefore(lately.atStartOfDay(ZoneOffset.UTC).toInstant()));
      return young ? Optional.empty() : Optional.of(-1L);
    }
    long days = ChronoUnit.DAYS.between(last.get(), collection.today());
    return days >= REMIND_AFTER_DAYS ? Optional.of(days) : Optional.empty();
  }

  /** The day of the last backup. */
  public static Optional<LocalDate> last(MusicCollection collection) {
    return collection.setting(LAST).map(LocalDate::parse);
  }

  /** Whether the DJ wants to be reminded. */
  public static boolean reminds(MusicCollection collection) {
    return collection.setting(REMINDER).map(s -> !s.equals("off")).orElse(true);
  }

  /** Switches the reminder on or off. */
  public static void remind(MusicCollection collection, boolean on) {
    collection.keepSetting(REMINDER, on ? "on" : "off");
  }
}
