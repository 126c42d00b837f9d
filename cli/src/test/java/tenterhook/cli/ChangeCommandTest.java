package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Fields;

/** Many tracks changed by steps, without a window. */
class ChangeCommandTest extends CommandTest {
  private String title(String path) throws Exception {
    return TagFiles.read(Path.of(path)).raw(Fields.TITLE);
  }

  @Test
  void stepsAreShownFirstThenDoneAndTakenBack() throws Exception {
    String path = first("genre:ska");
    String before = title(path);
    List<JsonNode> shown =
        run("change", "genre:ska", "behind title \" (live)\"", "trim title", "--dry-run").lines();
    assertThat(title(path)).isEqualTo(before);
    assertThat(shown.getFirst().path("field").asText()).isEqualTo("title");
    assertThat(shown.getFirst().path("after").asText()).endsWith(" (live)");
    assertThat(shown.getLast().path("tracks").asInt()).isEqualTo(tracks("genre:ska").size());
    JsonNode done = run("change", "genre:ska", "behind title \" (live)\"").last();
    assertThat(title(path)).isEqualTo(before + " (live)");
    run("undo", done.path("change").asText());
    assertThat(title(path)).isEqualTo(before);
  }

  @Test
  void aRecipeIsKeptUsedListedAndForgotten() throws Exception {
    String path = first("genre:ska");
    run("change", "genre:ska", "capitals title upper", "--keep", "Loud titles");
    assertThat(title(path)).isUpperCase();
    run("undo");
    assertThat(run("recipes").lines())
        .singleElement()
        .satisfies(n -> assertThat(n.path("steps").asText()).isEqualTo("capitals title upper"));
    run("change", "genre:ska", "--recipe", "Loud titles");
    assertThat(title(path)).isUpperCase();
    run("undo");
    assertThat(run("change", "genre:ska", "--recipe", "Quiet").err()).contains("Loud titles");
    run("recipes", "--forget", "Loud titles");
    assertThat(run("recipes").out()).isBlank();
  }

  @Test
  void aWrongStepIsShownWithItsPlace() {
    assertThat(run("change", "genre:ska", "trim title", "pattern title a(b x").err())
        .contains("pattern title a(b x\n" + " ".repeat(17) + "^ the pattern is wrong here");
    assertThat(run("change", "genre:ska", "codes SKA").status()).isEqualTo(2);
    assertThat(run("change", "genre:ska").err()).contains("no step is given");
  }

  @Test
  void tracksAreNumberedInTheOrderAskedFor() throws Exception {
    run("change", "genre:ska", "number track 3", "--order", "-path");
    List<JsonNode> numbered = tracks("genre:ska");
    List<Integer> numbers =
        numbered.stream()
            .sorted((a, b) -> b.path("path").asText().compareTo(a.path("path").asText()))
            .map(n -> n.path("track").asInt())
            .toList();
    assertThat(numbers.getFirst()).isEqualTo(3);
    assertThat(numbers).isSorted();
    run("undo");
  }
}
