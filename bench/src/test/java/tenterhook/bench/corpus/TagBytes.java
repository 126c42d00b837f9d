package tenterhook.bench.corpus;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.bench.corpus.CorpusFile.FilePart;
import tenterhook.core.field.Field;

/** Entries of a tag that is being written, and what they mean. */
final class TagBytes {
  private final List<FilePart> parts = new ArrayList<>();
  private final Map<Field<?>, String> expected = new LinkedHashMap<>();

  /** An entry that holds a field, and the raw value that it means. */
  TagBytes holds(Field<?> field, String raw, byte[] bytes) {
    parts.add(new FilePart(bytes, Set.of(field)));
    if (!raw.isEmpty()) {
      expected.putIfAbsent(field, raw);
    }
    return this;
  }

  /** An entry that holds two fields. */
  TagBytes holds(Field<?> field, String raw, Field<?> other, String otherRaw, byte[] bytes) {
    parts.add(new FilePart(bytes, Set.of(field, other)));
    expected.putIfAbsent(field, raw);
    expected.putIfAbsent(other, otherRaw);
    expected.values().removeIf(String::isEmpty);
    return this;
  }

  /** An entry that nobody here knows. */
  TagBytes foreign(byte[] bytes) {
    parts.add(new FilePart(bytes, Set.of()));
    return this;
  }

  /** The entries of another tag, behind these. */
  TagBytes and(TagBytes other) {
    parts.addAll(other.parts);
    other.expected.forEach(expected::putIfAbsent);
    return this;
  }

  List<FilePart> parts() {
    return parts;
  }

  Map<Field<?>, String> expected() {
    return expected;
  }

  /** All entries, one behind the other. */
  byte[] joined() {
    return joined(parts.stream().map(FilePart::bytes).toArray(byte[][]::new));
  }

  /** Pieces of bytes, one behind the other. */
  static byte[] joined(byte[]... pieces) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (byte[] piece : pieces) {
      out.writeBytes(piece);
    }
    return out.toByteArray();
  }

  CorpusFile shape(String name, String extension, byte[] bytes) {
    return new CorpusFile(name, extension, bytes, expected, parts);
  }
}
