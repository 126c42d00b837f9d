package tenterhook.cli;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;

/** Which tracks a command is about, asked for in the find language; all of them without a word. */
final class QueryOption {
  @Parameters(
      paramLabel = "QUERY",
      arity = "0..*",
      description = "Which tracks, in the find language; all without.")
  private List<String> words = List.of();

  /** The query as one text. */
  String text() {
    return String.join(" ", words);
  }

  /**
   * The tracks that it finds.
   *
   * @throws IllegalArgumentException when it cannot be read
   */
  RoaringBitmap in(MusicCollection collection) {
    return CollectionCommand.find(collection, text());
  }

  /** The same where a command needs one, in front of what else it takes. */
  static final class Needed {
    @Parameters(
        index = "0",
        paramLabel = "QUERY",
        description = "Which tracks, in the find language.")
    private String text;

    String text() {
      return text;
    }

    RoaringBitmap in(MusicCollection collection) {
      return CollectionCommand.find(collection, text);
    }
  }
}
