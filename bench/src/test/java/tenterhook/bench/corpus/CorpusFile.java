package tenterhook.bench.corpus;

import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.field.Field;

/**
 * One file of the corpus.
 *
 * @param name what is odd about it; a file name without extension
 * @param extension of the file
 * @param bytes all of it
 * @param expected what the fields of its tags are, raw; fields that are not named are empty
 * @param parts the entries of its tags
 */
public record CorpusFile(
    String name,
    String extension,
    byte[] bytes,
    Map<Field<?>, String> expected,
    List<FilePart> parts) {
  /** Copies. */
  public CorpusFile {
    expected = Map.copyOf(expected);
    parts = List.copyOf(parts);
  }

  /**
   * An entry of a tag.
   *
   * @param bytes as it stands in the file
   * @param fields the fields that it holds; none for one that the program does not know
   */
  public record FilePart(byte[] bytes, Set<Field<?>> fields) {
    /** Copies. */
    public FilePart {
      fields = Set.copyOf(fields);
    }
  }

  /** The name of its file. */
  public String fileName() {
    return name + "." + extension;
  }
}
