package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** The command line as a program of its own: what really leaves it, byte for byte. */
class RealProgramTest {
  @TempDir Path folder;

  /** What a program gave back. */
  private record Ran(int status, String out, String err) {}

  private Ran run(String... args) throws IOException, InterruptedException {
    Path out = folder.resolve("out.txt");
    Path err = folder.resolve("err.txt");
    List<String> call = new ArrayList<>();
    call.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    call.addAll(List.of("--enable-native-access=ALL-UNNAMED", "-XX:TieredStopAtLevel=1"));
    call.add("-Dfile.encoding=US-ASCII");
    call.addAll(
        List.of("-cp", System.getProperty("java.class.path"), TenterhookCommand.class.getName()));
    call.addAll(List.of("--collection", folder.resolve("collection").toString()));
    call.addAll(List.of(args));
    Process process =
        new ProcessBuilder(call).redirectOutput(out.toFile()).redirectError(err.toFile()).start();
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return new Ran(
        process.exitValue(),
        Files.readString(out, StandardCharsets.UTF_8),
        Files.readString(err, StandardCharsets.UTF_8));
  }

  private Path music(Encoder.AudioForm form) throws IOException {
    Path music = Files.createDirectories(folder.resolve("Music"));
    Path file = music.resolve("song." + form.ending());
    Encoder.write(Synth.render(Recording.of(4, 155)), file, form, 128);
    return file;
  }

  @Test
  void jsonIsUtf8AndAloneOnStandardOutput() throws Exception {
    Path file = music(Encoder.AudioForm.FLAC);
    assertThat(run("scan", file.getParent().toString(), "--json").status()).isZero();
    assertThat(run("set", "", "title=夜の渡し船 é", "--json").status()).isZero();
    Ran tracks = run("tracks", "--json");
    assertThat(tracks.out().lines()).hasSize(1);
    JsonNode track = new ObjectMapper().readTree(tracks.out());
    assertThat(track.path("title").asText()).isEqualTo("夜の渡し船 é");
    assertThat(track.path("path").asText()).isEqualTo(file.toRealPath().toString());
  }

  @Test
  void aSetAndItsUndoHoldAcrossProgramsInEveryFormat() throws Exception {
    Set<Encoder.AudioForm> written = EnumSet.complementOf(EnumSet.of(Encoder.AudioForm.OPUS));
    for (Encoder.AudioForm form : written) {
      music(form);
    }
    assertThat(run("scan", folder.resolve("Music").toString()).status()).isZero();
    assertThat(run("set", "", "title=Cold Lamps", "year=1987", "bpm=118").status()).isZero();
    assertThat(tracks())
        .hasSize(written.size())
        .allSatisfy(
            track -> {
              assertThat(track.path("title").asText()).isEqualTo("Cold Lamps");
              assertThat(track.path("year").asInt()).isEqualTo(1987);
            });
    assertThat(run("undo").status()).isZero();
    assertThat(tracks())
        .hasSize(written.size())
        .allSatisfy(
            track -> {
              assertThat(track.path("title").asText()).isEmpty();
              assertThat(track.path("year").isNull()).isTrue();
            });
  }

  private List<JsonNode> tracks() throws IOException, InterruptedException {
    List<JsonNode> tracks = new ArrayList<>();
    for (String line : run("tracks", "--json").out().lines().toList()) {
      tracks.add(new ObjectMapper().readTree(line));
    }
    return tracks;
  }

  @Test
  void statusesReachTheShell() throws Exception {
    Path file = music(Encoder.AudioForm.WAV);
    Files.writeString(file.resolveSibling("bad.mp3"), "no music at all");
    assertThat(run("scan", file.getParent().toString()).status()).isEqualTo(1);
    assertThat(run("tracks", "yeer:1").status()).isEqualTo(2);
    assertThat(run("nonsense").status()).isEqualTo(2);
    Files.writeString(folder.resolve("collection/collection.db"), "broken on purpose");
    Files.deleteIfExists(folder.resolve("collection/collection.db-wal"));
    Ran refused = run("tracks");
    assertThat(refused.status()).isEqualTo(3);
    assertThat(refused.err()).contains("not touched");
  }
}
