package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.standins.demo.DemoMusic;

/** What tests of the command line share: a demo of 40 tracks, scanned, and short ways to call. */
abstract class CommandTest {
  static final ObjectMapper JSON = new ObjectMapper();

  /** Made once for all classes of tests; each test takes a copy. */
  static Path seed;

  @TempDir Path folder;
  Path music;

  /** What a call gave back. */
  record Call(int status, String out, String err) {
    List<JsonNode> lines() throws Exception {
      List<JsonNode> lines = new ArrayList<>();
      for (String line : out.lines().toList()) {
        lines.add(JSON.readTree(line));
      }
      return lines;
    }

    JsonNode last() throws Exception {
      return lines().getLast();
    }
  }

  @BeforeAll
  static synchronized void makeMusicOnce() throws Exception {
    if (seed != null) {
      return;
    }
    seed = Files.createTempDirectory(Files.createDirectories(Path.of("target")), "demo");
    Call made = plain("demo", "--make", seed.toString(), "--tracks", "40");
    assertThat(made.status()).as(made.err()).isZero();
    assertThat(seed.resolve(DemoMusic.TRUTH)).exists();
  }

  @BeforeEach
  void aCopyForEachTest() throws Exception {
    music = folder.resolve("music");
    try (var files = Files.walk(seed)) {
      for (Path from : files.toList()) {
        Files.copy(from, music.resolve(seed.relativize(from).toString()));
      }
    }
    assertThat(run("scan", music.toString()).status()).isZero();
  }

  static Call plain(String... args) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    int status =
        TenterhookCommand.run(
            new PrintStream(out, true, StandardCharsets.UTF_8),
            new PrintStream(err, true, StandardCharsets.UTF_8),
            args);
    return new Call(
        status, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
  }

  Call run(String... args) {
    List<String> all =
        new ArrayList<>(List.of("--collection", folder.resolve("collection").toString(), "--json"));
    all.addAll(List.of(args));
    return plain(all.toArray(String[]::new));
  }

  List<JsonNode> tracks(String query) throws Exception {
    return run("tracks", query).lines();
  }

  String first(String query) throws Exception {
    return tracks(query).getFirst().path("path").asText();
  }
}
