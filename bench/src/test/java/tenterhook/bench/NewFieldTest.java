package tenterhook.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import javax.tools.ToolProvider;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacv.FFmpegFrameRecorder;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/**
 * Adds one entry to a copy of the catalogue of fields and starts the program with it, on a
 * collection that was scanned without it. Nothing else of the program is made anew.
 */
class NewFieldTest {
  private static final String ENTRY =
      """
        public static final Field<String> SLEEVE_NOTE =
            file("sleeveNote", FieldTypes.TEXT)
                .since(%d)
                .woven("Sight")
                .tags("TXXX:SLEEVENOTE", "SLEEVENOTE", "----:org.example:SLEEVENOTE")
                .traits(SEARCHED, REPAIRABLE, NAME, OWN_WORDS)
                .add();

        // Kept by the program
      """;

  @TempDir Path folder;
  private Path collection;
  private String classes;

  @BeforeEach
  void aScannedCollectionAndALargerCatalogue() throws Exception {
    Path music = Files.createDirectories(folder.resolve("Music"));
    tagged(music.resolve("one.flac"), "Cold Lamps", "SALT ON THE WINDOW PANE");
    tagged(music.resolve("two.flac"), "Tin Rail", "");
    collection = folder.resolve("collection");
    try (MusicCollection old = MusicCollection.open(collection, InstantSource.system())) {
      old.scan(music, Progress.SILENT);
      old.keepSetting("columns", "sleeveNote=120 title=120");
      Facet facet = new Facet("Look", "", true, false, List.of(new Code("SALT", "")));
      Notation list = new Notation("comment", Notation.Style.SEPARATED, false, false, false);
      Edit coded = new Edit.SetCodebook(old.state().codebook(), new Codebook(List.of(facet), list));
      old.apply(new Change("codebook", true, List.of(coded)), Progress.SILENT);
    }
    classes = compiled() + File.pathSeparator + System.getProperty("java.class.path");
  }

  private static void tagged(Path file, String title, String note) throws IOException {
    try (FFmpegFrameRecorder recorder = new FFmpegFrameRecorder(file.toFile(), 2)) {
      recorder.setFormat("flac");
      recorder.setAudioCodec(avcodec.AV_CODEC_ID_FLAC);
      recorder.setSampleRate(44_100);
      recorder.setMetadata("TITLE", title);
      recorder.setMetadata("SLEEVENOTE", note);
      recorder.start();
      recorder.recordSamples(44_100, 2, ShortBuffer.wrap(new short[44_100]));
      recorder.stop();
    }
  }

  /** The catalogue with one more entry, compiled against the program. */
  private Path compiled() throws IOException {
    Path source = Path.of("../core/src/main/java/tenterhook/core/field/Fields.java");
    String text = Files.readString(source);
    String mark = "  // Kept by the program\n";
    assertThat(text).containsOnlyOnce(mark);
    String entry = ENTRY.indent(2).formatted(Fields.version() + 1);
    Path copy = folder.resolve("source/tenterhook/core/field/Fields.java");
    Files.createDirectories(copy.getParent());
    Files.writeString(copy, text.replace(mark, entry));
    Path out = Files.createDirectories(folder.resolve("classes"));
    int failed =
        ToolProvider.getSystemJavaCompiler()
            .run(
                null,
                null,
                null,
                "-cp",
                System.getProperty("java.class.path"),
                "-d",
                out.toString(),
                copy.toString());
    assertThat(failed).isZero();
    return out;
  }

  private String command(String... words) throws Exception {
    List<String> all = new ArrayList<>(List.of("tenterhook.cli.TenterhookCommand", "--collection"));
    all.add(collection.toString());
    all.addAll(List.of(words));
    return program(all);
  }

  private String program(List<String> call) throws Exception {
    List<String> all = new ArrayList<>();
    all.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    all.addAll(
        List.of(
            "-XX:TieredStopAtLevel=1",
            "--enable-native-access=ALL-UNNAMED",
            "-Dglass.platform=Headless",
            "-Dprism.order=sw",
            "-cp",
            classes));
    all.addAll(call);
    Process process = new ProcessBuilder(all).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor()).as(said).isZero();
    return said;
  }

  @Test
  void theCommandLineHasItEverywhere() throws Exception {
    assertThat(command("tracks", "sleeveNote:salt")).contains("2 tracks were read before");
    command("scan", folder.resolve("Music").toString());
    assertThat(command("tracks", "sleeveNote:salt")).contains("Cold Lamps").doesNotContain("Tin");
    assertThat(command("tracks", "missing:sleeveNote")).contains("Tin Rail").doesNotContain("Cold");
    assertThat(command("tracks", "window pane", "--json"))
        .doesNotContain("Tin Rail")
        .contains("\"sleeveNote\":\"SALT ON THE WINDOW PANE\"");
    assertThat(command("tracks", "--csv").lines().toList())
        .satisfies(lines -> assertThat(lines.getFirst()).contains(",sleeveNote,"))
        .satisfies(lines -> assertThat(lines.get(1)).contains(",SALT ON THE WINDOW PANE,"));
    assertThat(command("weave", "--json")).contains("\"sleeveNote\":1");
    assertThat(command("repairs", "--json"))
        .contains("\"field\":\"sleeveNote\"")
        .contains("\"after\":\"Salt on the Window Pane\"");
    command("crates", "add", "Shelf", "Salty", "sleeveNote:salt");
    assertThat(command("crates")).containsPattern("Salty +1 ");
    assertThat(command("codebook", "clashes")).contains("sleeve note");
    assertThat(command("set", "title:tin", "sleeveNote=In small print")).contains("change ");
    assertThat(command("tracks", "sleeveNote:print")).contains("Tin Rail");
  }

  @Test
  void theWindowHasItEverywhere() throws Exception {
    command("crates", "add", "Shelf", "Salty", "sleeveNote:salt");
    assertThat(
            program(
                List.of(
                    NewFieldWindow.class.getName(),
                    "sleeve note",
                    "sleeveNote",
                    "--collection",
                    collection.toString())))
        .contains("column choice: sleeve note")
        .contains("column: sleeve note")
        .contains("edit panel: SALT ON THE WINDOW PANE")
        .contains("rule line: sleeve note");
  }
}
