package tenterhook.adapters.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Shelf;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;

/**
 * The codebook, the shelves and the gigs as plain files beside the database. They are written after
 * every change, and read at the start when a person edited them meanwhile.
 */
public final class PlainFiles {
  private static final String CODEBOOK = "codebook.json";
  private static final String CRATES = "crates";
  private static final String GIGS = "gigs";
  private static final String LAST = "plain:";

  private final Path folder;
  private final Store store;

  /** The plain files of a collection's folder. */
  public PlainFiles(Path folder, Store store) {
    this.folder = folder;
    this.store = store;
  }

  /**
   * Writes the codebook if it differs from the file.
   *
   * @param troubles gets what was edited by hand and could not be taken over; it is kept beside
   */
  public void write(Codebook codebook, List<Refusal> troubles) throws IOException {
    write(folder.resolve(CODEBOOK), CodebookJson.write(codebook), troubles);
  }

  /**
   * Writes all shelves and takes away files of shelves that are gone.
   *
   * @param crates the shelves
   * @param trackName how hand crates name tracks
   * @param troubles gets what was edited by hand and could not be taken over; it is kept beside
   */
  public void write(Crates crates, IntFunction<String> trackName, List<Refusal> troubles)
      throws IOException {
    write(
        CRATES,
        crates.shelves().stream().map(Shelf::name).toList(),
        i -> CrateJson.write(crates.shelves().get(i), i, trackName),
        troubles);
  }

  /**
   * Writes all gigs and takes away files of gigs that are gone.
   *
   * @param gigs the gigs
   * @param trackName how tracks are named
   * @param troubles gets what was edited by hand and could not be taken over; it is kept beside
   */
  public void write(Gigs gigs, IntFunction<String> trackName, List<Refusal> troubles)
      throws IOException {
    write(
        GIGS,
        gigs.all().stream().map(Gig::title).toList(),
        i -> GigJson.write(gigs.all().get(i), trackName),
        troubles);
  }

  private void write(
      String inside, List<String> names, IntFunction<String> text, List<Refusal> troubles)
      throws IOException {
    Set<Path> kept = new HashSet<>();
    for (int i = 0; i < names.size(); i++) {
      Path file = file(inside, names.get(i), kept);
      kept.add(file);
      write(file, text.apply(i), troubles);
    }
    for (Path file : files(inside)) {
      if (!kept.contains(file) && store.document(LAST + name(file)).isPresent()) {
        if (edited(file, Files.readString(file))) {
          keepBeside(file, troubles);
        } else {
          Files.delete(file);
        }
      }
    }
  }

  /** What a person wrote is never overwritten: it gets another name. */
  private static void keepBeside(Path file, List<Refusal> troubles) throws IOException {
    Path kept = file.resolveSibling(file.getFileName() + ".kept");
    for (int i = 2; Files.exists(kept); i++) {
      kept = file.resolveSibling(file.getFileName() + ".kept-" + i);
    }
    Files.move(file, kept);
    troubles.add(
        new Refusal(
            0,
            kept.toString(),
            "was edited by hand and could not be taken over; it is kept under this name"));
  }

  private Path file(String inside, String name, Set<Path> taken) {
    String plain = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
    Path file = folder.resolve(inside).resolve(plain + ".json");
    for (int i = 2; taken.contains(file); i++) {
      file = folder.resolve(inside).resolve(plain + "-" + i + ".json");
    }
    return file;
  }

  private List<Path> files(String inside) throws IOException {
    List<Path> files = new ArrayList<>();
    if (Files.isDirectory(folder.resolve(inside))) {
      try (DirectoryStream<Path> all = Files.newDirectoryStream(folder.resolve(inside), "*.json")) {
        all.forEach(files::add);
      }
    }
    return files;
  }

  private String name(Path file) {
    return RelativePaths.below(folder, file);
  }

  private void write(Path file, String text, List<Refusal> troubles) throws IOException {
    Files.createDirectories(file.getParent());
    boolean there = Files.exists(file);
    boolean same = there && Files.readString(file).equals(text);
    if (!same) {
      if (there && edited(file, Files.readString(file))) {
        keepBeside(file, troubles);
      }
      Path part = file.resolveSibling(file.getFileName() + ".part");
      Files.writeString(part, text, StandardCharsets.UTF_8);
      Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
    store.putDocument(LAST + name(file), text);
  }

  private boolean edited(Path file, String text) {
    return !store.document(LAST + name(file)).map(text::equals).orElse(false);
  }

  /**
   * The codebook, if a person edited its file since the program last wrote it.
   *
   * @param troubles gets what cannot be read; the codebook in the store is kept then
   */
  public Optional<Codebook> editedCodebook(List<Refusal> troubles) {
    Path file = folder.resolve(CODEBOOK);
    try {
      if (!Files.exists(file)) {
        return Optional.empty();
      }
      String text = Files.readString(file);
      return edited(file, text) ? Optional.of(CodebookJson.read(text)) : Optional.empty();
    } catch (IOException | IllegalArgumentException broken) {
      say(troubles, kept(file, broken, "the codebook"));
      return Optional.empty();
    }
  }

  /**
   * The shelves, if a person edited, added or removed a file since the program last wrote them.
   *
   * @param now the shelves as the store has them; one whose file cannot be read stays as it is
   * @param tracks makes what finds a track's id by the name that hand crates use; asked only when a
   *     file was edited
   * @param troubles gets what cannot be read
   */
  public Optional<Crates> editedCrates(
      Crates now, Supplier<Function<String, Optional<Integer>>> tracks, List<Refusal> troubles) {
    List<PlacedShelfFile> read = new ArrayList<>();
    try {
      edited(
          CRATES,
          text ->
              read.add(
                  new PlacedShelfFile(CrateJson.read(text, tracks.get()), CrateJson.place(text))),
          "the shelf",
          troubles);
      return read.isEmpty() ? Optional.empty() : Optional.of(merged(now, read));
    } catch (IOException | IllegalArgumentException broken) {
      say(troubles, kept(folder.resolve(CRATES), broken, "the shelves"));
      return Optional.empty();
    }
  }

  /**
   * The gigs, if a person edited or added a file since the program last wrote them.
   *
   * @param now the gigs as the store has them; one whose file cannot be read stays as it is
   * @param tracks makes what finds a track's id by its name; asked only when a file was edited
   * @param troubles gets what cannot be read
   */
  public Optional<Gigs> editedGigs(
      Gigs now, Supplier<Function<String, Optional<Integer>>> tracks, List<Refusal> troubles) {
    List<Gig> read = new ArrayList<>();
    try {
      edited(GIGS, text -> read.add(GigJson.read(text, tracks.get())), "the gig", troubles);
      Gigs gigs = now;
      for (Gig gig : read) {
        gigs = gigs.minus(gig.title()).plus(gig);
      }
      return read.isEmpty() ? Optional.empty() : Optional.of(gigs);
    } catch (IOException | IllegalArgumentException broken) {
      say(troubles, kept(folder.resolve(GIGS), broken, "the gigs"));
      return Optional.empty();
    }
  }

  /** Hands out the text of each file that a person edited; each that cannot be read is named. */
  private void edited(String inside, Consumer<String> then, String what, List<Refusal> troubles)
      throws IOException {
    for (Path file : files(inside)) {
      String text = Files.readString(file);
      if (edited(file, text)) {
        try {
          then.accept(text);
        } catch (IllegalArgumentException broken) {
          say(troubles, kept(file, broken, what));
        }
      }
    }
  }

  /**
   * A shelf as it was read.
   *
   * @param place that its file gives it
   */
  private record PlacedShelfFile(Shelf shelf, int place) {}

  private static Crates merged(Crates now, List<PlacedShelfFile> read) {
    List<Shelf> shelves = new ArrayList<>(now.shelves());
    read.sort(Comparator.comparing(PlacedShelfFile::place));
    for (PlacedShelfFile one : read) {
      int old = -1;
      for (int j = 0; j < shelves.size(); j++) {
        old = shelves.get(j).name().equalsIgnoreCase(one.shelf().name()) ? j : old;
      }
      if (old >= 0) {
        shelves.set(old, one.shelf());
      } else {
        shelves.add(one.shelf());
      }
    }
    return new Crates(shelves);
  }

  /** Each trouble once, however often the file is looked at. */
  private static void say(List<Refusal> troubles, Refusal trouble) {
    if (!troubles.contains(trouble)) {
      troubles.add(trouble);
    }
  }

  private static Refusal kept(Path file, Exception broken, String what) {
    return new Refusal(
        0,
        file.toString(),
        "cannot be read, so " + what + " stays as it was: " + broken.getMessage());
  }
}
