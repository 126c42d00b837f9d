package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.JavaProgram;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.store.KeptColumns;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** What tests of an open collection share: three small tracks and short ways to edit them. */
public abstract class CollectionTest {
  private static final AtomicLong PASSED = new AtomicLong();

  /** Stands still until a test lets time pass. */
  protected static final InstantSource CLOCK =
      () -> Instant.parse("2026-11-23T12:00:00Z").plusSeconds(PASSED.get());

  /** Lets an hour pass. */
  protected static void later() {
    PASSED.addAndGet(3600);
  }

  protected static final Codebook BOOK =
      new Codebook(
          List.of(
              new Facet(
                  "Style", "", true, true, List.of(new Code("SKA", ""), new Code("ELC", "")))),
          Notation.DEFAULT);

  @TempDir protected Path folder;
  protected Path music;
  protected MusicCollection collection;

  @BeforeEach
  void threeTracks() throws Exception {
    PASSED.set(0);
    music = folder.resolve("Music");
    Wavs.make(
        music.resolve("Rink/one.wav"),
        1,
        Map.of(Fields.TITLE, "Cold Lamps", Fields.YEAR, "1987-05-03"));
    Wavs.make(
        music.resolve("Rink/two.wav"),
        2,
        Map.of(Fields.TITLE, "Slow Freeze", Fields.COMMENT, "long fade /SKA/WLD/"));
    Wavs.make(music.resolve("Ferry/three.wav"), 3);
    open();
    collection.scan(music, Progress.SILENT);
  }

  protected void open() throws Exception {
    collection = MusicCollection.open(folder.resolve("collection"), CLOCK);
  }

  @AfterEach
  protected void close() {
    collection.close();
  }

  protected void reopen() throws Exception {
    collection.close();
    KeptColumns.check(folder.resolve("collection"));
    open();
  }

  protected Snapshot now() {
    return collection.state().snapshot();
  }

  protected int id(String name) {
    return now().tracks(id -> now().fileName(id).equals(name)).first();
  }

  protected Outcome set(Field<?> field, String raw, String... names) {
    RoaringBitmap ids = new RoaringBitmap();
    for (String name : names) {
      ids.add(id(name));
    }
    return collection.apply(TrackEdits.set(now(), ids, Map.of(field, raw)), Progress.SILENT);
  }

  protected static String inFile(Path file, Field<?> field) throws Unreadable {
    return TagFiles.read(file).raw(field);
  }

  /** The super-user may do everything; a program started by this may not. */
  static List<String> asPlainUser() {
    return System.getProperty("user.name").equals("root")
        ? List.of(
            "setpriv",
            "--bounding-set=-dac_override,-dac_read_search",
            "--inh-caps=-dac_override,-dac_read_search")
        : List.of();
  }

  /** What {@link SecondProgram} says, started in a locale and by another command. */
  List<String> ofSecondProgram(String locale, List<String> by, String what, String on)
      throws Exception {
    ProcessBuilder program =
        JavaProgram.of(by, SecondProgram.class, folder.resolve("collection").toString(), what, on);
    program.environment().put("LC_ALL", locale);
    Path said = folder.resolve("said in " + locale);
    program.redirectErrorStream(true).redirectOutput(said.toFile());
    assertThat(program.start().waitFor()).as(Files.readString(said)).isZero();
    return Files.readAllLines(said);
  }
}
