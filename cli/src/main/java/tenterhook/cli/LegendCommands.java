package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.code.LegendFile;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Notation;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.OtherCodes;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** The codebook out and in, strays, and codes that stand elsewhere. */
final class LegendCommands {
  private LegendCommands() {}

  /** Writes the legend. */
  @Command(name = "export", description = "Writes the codebook as .csv, .md or a page (.html).")
  static final class Export extends CollectionCommand {
    @Parameters(paramLabel = "FILE", description = "Its ending says the form.")
    Path file;

    @Override
    void run(MusicCollection collection) throws IOException {
      LegendFile.write(file, collection.state().codebook(), "Codebook");
      say(object().put("path", file.toAbsolutePath().toString()), "written: " + file);
    }
  }

  /** Reads a table of codes. */
  @Command(name = "import", description = "Adds the facets and codes of a CSV table.")
  static final class ImportLegend extends CollectionCommand {
    @Parameters(paramLabel = "FILE", description = "With columns facet and code at least.")
    Path file;

    @Override
    void run(MusicCollection collection) throws IOException {
      Codebook now = collection.state().codebook();
      Codebook after = LegendFile.read(file, now);
      List<Edit> edits = after.equals(now) ? List.of() : List.of(new Edit.SetCodebook(now, after));
      apply(collection, new Change("reads codes from " + file.getFileName(), true, edits));
    }
  }

  /** Lists strays. */
  @Command(name = "strays", description = "Tokens in files that are not in the codebook.")
  static final class Strays extends CollectionCommand {
    @Override
    void run(MusicCollection collection) {
      CodebookEdits.strays(tracks(collection))
          .forEach(
              (stray, ids) ->
                  say(
                      object().put("stray", stray).put("tracks", ids.getCardinality()),
                      stray + "  on " + ids.getCardinality()));
    }
  }

  /** Makes a code of a stray. */
  @Command(name = "adopt", description = "Makes a code of a stray.")
  static final class Adopt extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "STRAY", description = "As it stands in files.")
    String stray;

    @Parameters(index = "1", paramLabel = "FACET", description = "Its facet.")
    String facet;

    @Override
    void run(MusicCollection collection) {
      apply(collection, CodebookEdits.adopt(collection.state().codebook(), stray, facet));
    }
  }

  /** Leaves a stray alone. */
  @Command(name = "ignore", description = "Takes a token for a stray no more.")
  static final class Ignore extends CollectionCommand {
    @Parameters(paramLabel = "STRAY", description = "As it stands in files.")
    String stray;

    @Option(names = "--again", description = "Looks at it again.")
    boolean again;

    @Override
    void run(MusicCollection collection) {
      apply(collection, CodebookEdits.ignore(collection.state().codebook(), stray, !again));
    }
  }

  /** Brings codes over. */
  @Command(
      name = "bring",
      description = "Brings over codes that stand as words, or in another notation or field.")
  static final class Bring extends CollectionCommand {
    @Option(names = "--from", required = true, paramLabel = "FIELD", description = "Where.")
    String from;

    @Option(
        names = "--style",
        paramLabel = "STYLE",
        description = "words (with , ; | or / between), wrapped or prefixed.")
    String style = "words";

    @Option(
        names = "--map",
        split = ",",
        paramLabel = "WORD=CODE",
        description = "For words that are no token, synonym or meaning.")
    Map<String, String> map = Map.of();

    @Option(names = "--leave", description = "Leaves the words where they are as well.")
    boolean leave;

    @Option(names = "--list", description = "Only lists the words and what they would become.")
    boolean list;

    @Override
    void run(MusicCollection collection) {
      OtherCodes other = other(collection);
      Map<String, String> codes = new LinkedHashMap<>();
      Map<String, RoaringBitmap> found = other.found();
      for (String word : found.keySet()) {
        other.meant(word).ifPresent(c -> codes.put(word, c));
      }
      codes.putAll(map);
      if (list) {
        print(found, codes);
        return;
      }
      apply(collection, other.brought(codes, leave));
    }

    private void print(Map<String, RoaringBitmap> found, Map<String, String> codes) {
      found.forEach(
          (word, ids) ->
              say(
                  object()
                      .put("word", word)
                      .put("tracks", ids.getCardinality())
                      .put("code", codes.getOrDefault(word, "")),
                  word
                      + "  on "
                      + ids.getCardinality()
                      + "  "
                      + codes.getOrDefault(word, "stays")));
    }

    private OtherCodes other(MusicCollection collection) {
      Field<?> field =
          Fields.named(from)
              .orElseThrow(() -> new IllegalArgumentException("no field is called " + from));
      Codebook book = collection.state().codebook();
      if (style.equals("words")) {
        return OtherCodes.words(tracks(collection), book, field);
      }
      Notation.Style other = Notation.Style.valueOf(style.toUpperCase(Locale.ROOT));
      return OtherCodes.in(
          tracks(collection), book, new Notation(field.key(), other, false, false, false));
    }
  }
}
