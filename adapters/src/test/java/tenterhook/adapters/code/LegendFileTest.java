package tenterhook.adapters.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.ItemKinds;
import tenterhook.core.code.Notation;

class LegendFileTest {
  private static final Codebook BOOK =
      new Codebook(
          List.of(
              new Facet(
                  "Style",
                  "what, really?",
                  true,
                  true,
                  List.of(
                      new Code("SKA", "ska & \"rude\"", "k", List.of("SKAA"), false, ""),
                      new Code("OLD", "a|b <old>", "", List.of(), true, ""))),
              new Facet(
                  "Era",
                  "",
                  false,
                  false,
                  List.of(new Code("80S", "", "", List.of(), false, "year:1980..1989")))),
          Notation.DEFAULT);

  @TempDir Path folder;

  @Test
  void aTableIsReadBackAsItWasWritten() throws Exception {
    Path file = folder.resolve("codes.csv");
    LegendFile.write(file, BOOK, "Codebook");
    assertThat(LegendFile.read(file, Codebook.EMPTY)).isEqualTo(BOOK.with(ItemKinds.DEFAULT));
    assertThat(LegendFile.read(file, BOOK)).isEqualTo(BOOK);
    assertThat(folder).isDirectoryNotContaining("glob:**.part");
  }

  @Test
  void aShortTableAddsAndBringsUpToDateAndKeepsTheRest() throws Exception {
    Path file = folder.resolve("mine.csv");
    Files.writeString(file, "\uFEFFfacet,code,meaning\nStyle,SKA,fast ska\nMoment,DRS,doors\n");
    Codebook after = LegendFile.read(file, BOOK);
    assertThat(after.facet("Style").orElseThrow().code("SKA").orElseThrow())
        .isEqualTo(new Code("SKA", "fast ska", "k", List.of("SKAA"), false, ""));
    assertThat(after.facet("Style").orElseThrow().codes()).hasSize(2);
    assertThat(after.facet("Moment").orElseThrow().codes())
        .containsExactly(new Code("DRS", "doors"));
  }

  @Test
  void aWrongTableSaysTheLine() throws Exception {
    Path file = folder.resolve("wrong.csv");
    Files.writeString(file, "facet,code\nStyle,SKA\nEra,two words\n");
    assertThatThrownBy(() -> LegendFile.read(file, Codebook.EMPTY))
        .hasMessageContaining("line 3")
        .hasMessageContaining("'two words'");
    Files.writeString(file, "name,token\n");
    assertThatThrownBy(() -> LegendFile.read(file, Codebook.EMPTY))
        .hasMessageContaining("facet and code");
  }

  @Test
  void pagesHoldWhatIsGivenAndNothingThatBreaksThem() throws Exception {
    Path page = folder.resolve("legend.html");
    LegendFile.write(page, BOOK, "For <Saturday>");
    assertThat(page)
        .content()
        .contains("<h1>For &lt;Saturday&gt;</h1>", "ska &amp; &quot;rude&quot;", "@page")
        .doesNotContain("OLD", "<old>");
    Path text = folder.resolve("legend.md");
    LegendFile.write(text, BOOK, "Codebook");
    assertThat(text)
        .content()
        .contains("## Style", "| `SKA` | ska & \"rude\" |")
        .doesNotContain("OLD");
    assertThatThrownBy(() -> LegendFile.write(folder.resolve("x.doc"), BOOK, "x"))
        .hasMessageContaining(".csv, .md or .html");
  }
}
