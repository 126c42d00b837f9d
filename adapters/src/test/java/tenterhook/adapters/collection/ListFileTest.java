package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.playlist.CsvCells;
import tenterhook.adapters.playlist.ListFile;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

/** Lists of tracks written as tables and pages. */
class ListFileTest {
  private static final List<Field<?>> FIELDS =
      List.of(Fields.ARTIST, Fields.TITLE, Fields.YEAR, Fields.COMMENT);
  private static final Snapshot TRACKS =
      Snapshot.empty()
          .with(
              List.of(
                  new Cell(1, Fields.ARTIST, "Éloïse \"Tarn\", & <Sons>"),
                  new Cell(1, Fields.TITLE, "=SUM(A1)"),
                  new Cell(1, Fields.YEAR, "1984"),
                  new Cell(1, Fields.COMMENT, "two\nlines"),
                  new Cell(2, Fields.TITLE, "夜の渡し船")));

  @TempDir Path folder;

  @Test
  void aTableReadsBackAndRunsNothing() throws Exception {
    Path file = folder.resolve("list.CSV");
    ListFile.write(file, "A list", FIELDS, TRACKS, TrackIds.of(2, 1));
    try (Reader in = Files.newBufferedReader(file)) {
      List<CSVRecord> rows = CSVFormat.RFC4180.parse(in).getRecords();
      assertThat(rows.getFirst()).containsExactly("artist", "title", "year", "comment");
      assertThat(rows.get(1)).containsExactly("", "夜の渡し船", "", "");
      assertThat(rows.get(2).get(0)).isEqualTo("Éloïse \"Tarn\", & <Sons>");
      assertThat(rows.get(2).get(1)).doesNotStartWith("=");
      assertThat(CsvCells.read(rows.get(2).get(1))).isEqualTo("=SUM(A1)");
      assertThat(rows.get(2).get(3)).isEqualTo("two\nlines");
    }
  }

  @Test
  void aPageHoldsEveryTrackInOrderWithoutBreakingItsForm() throws Exception {
    Path file = folder.resolve("list.html");
    ListFile.write(file, "Ska & <more>", FIELDS, TRACKS, TrackIds.of(1, 2));
    String text = Files.readString(file);
    String body =
        text.substring(text.indexOf("<table>"), text.indexOf("</table>") + "</table>".length());
    var rows =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(
                new org.xml.sax.InputSource(
                    new java.io.StringReader(
                        body.replaceAll("&(?!amp;|lt;|gt;|quot;)(\\w+);", "")))) // names of letters
            .getElementsByTagName("tr");
    assertThat(rows.getLength()).isEqualTo(3);
    assertThat(rows.item(1).getTextContent()).contains("Tarn").contains("<Sons>").contains("1984");
    assertThat(rows.item(2).getTextContent()).contains("夜の渡し船");
    assertThat(text).contains("<h1>Ska &amp; &lt;more&gt;</h1>").contains("2 tracks");
  }

  @Test
  void anotherEndingIsRefusedAndNothingIsWritten() {
    Path file = folder.resolve("list.doc");
    assertThatThrownBy(() -> ListFile.write(file, "x", FIELDS, TRACKS, TrackIds.of(1)))
        .hasMessageContaining("as .csv or .html");
    assertThat(file).doesNotExist();
  }
}
