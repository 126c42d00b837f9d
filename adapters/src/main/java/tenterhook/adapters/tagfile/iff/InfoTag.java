package tenterhook.adapters.tagfile.iff;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.FieldText;
import tenterhook.adapters.tagfile.tag.LocalText;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.TagNames;
import tenterhook.core.text.CodePages;

/**
 * The INFO list of a WAV file: chunks of text that ends with a zero, in whatever encoding the
 * program that wrote it used.
 */
final class InfoTag implements NamedTag {
  /** What the content of the list's chunk begins with. */
  static final String KIND = "INFO";

  private static final int MOST = 100_000;

  private final ByteOrder order;
  private final List<TagEntry> texts;
  private final byte[] rest;

  private InfoTag(ByteOrder order, List<TagEntry> texts, byte[] rest) {
    this.order = order;
    this.texts = List.copyOf(texts);
    this.rest = rest;
  }

  /** Reads the content of the list's chunk. */
  static InfoTag parse(byte[] content, ByteOrder order) {
    ByteBuffer in = ByteBuffer.wrap(content).order(order);
    List<TagEntry> texts = new ArrayList<>();
    int at = KIND.length();
    while (at + Chunk.HEAD <= content.length && texts.size() < MOST) {
      long size = Integer.toUnsignedLong(in.getInt(at + 4));
      if (size > content.length - at - Chunk.HEAD) {
        break;
      }
      int end = at + Chunk.HEAD + (int) size;
      int next = end < content.length && (size & 1) == 1 && content[end] == 0 ? end + 1 : end;
      texts.add(new TagEntry(Chunks.letters(content, at), Arrays.copyOfRange(content, at, next)));
      at = next;
    }
    return new InfoTag(order, texts, Arrays.copyOfRange(content, at, content.length));
  }

  /** The content of the list's chunk. */
  byte[] render() {
    ByteWriter out = new ByteWriter(order).letters(KIND);
    texts.forEach(t -> out.bytes(t.bytes()));
    return out.bytes(rest).toBytes();
  }

  @Override
  public String name() {
    return "INFO list";
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>(texts);
    if (rest.length > 0) {
      entries.add(new TagEntry("what is no text", rest));
    }
    return entries;
  }

  @Override
  public List<String> names(Field<?> field) {
    return field.tags().map(TagNames::info).orElse(List.of());
  }

  private static byte[] bytes(TagEntry entry) {
    byte[] all = entry.bytes();
    int end = Chunk.HEAD;
    while (end < all.length && all[end] != 0) {
      end++;
    }
    return Arrays.copyOfRange(all, Chunk.HEAD, end);
  }

  private List<TagEntry> named(String id) {
    return texts.stream().filter(t -> t.name().equals(id)).toList();
  }

  @Override
  public List<String> valuesAt(Field<?> field, String name) {
    return FieldText.values(field, name, texts(NumberPair.plain(name)));
  }

  private List<String> texts(String name) {
    return named(name).stream().map(InfoTag::text).toList();
  }

  private static String text(TagEntry entry) {
    return LocalText.decode(bytes(entry)).stripTrailing();
  }

  @Override
  public InfoTag set(Field<?> field, String name, List<String> values) {
    String id = NumberPair.plain(name);
    List<TagEntry> old = named(id);
    Map<String, TagEntry> before = new LinkedHashMap<>();
    old.forEach(t -> before.putIfAbsent(text(t), t));
    List<TagEntry> made = new ArrayList<>();
    for (String text : FieldText.texts(field, name, values, texts(id))) {
      TagEntry stays = before.get(text);
      made.add(stays == null ? made(id, text, old) : stays);
    }
    return new InfoTag(order, NamedTag.replaced(texts, t -> t.name().equals(id), made), rest);
  }

  private TagEntry made(String id, String text, List<TagEntry> old) {
    byte[] bytes =
        CodePages.encoded(text, charset(old))
            .orElseGet(() -> text.getBytes(StandardCharsets.UTF_8));
    int length = bytes.length + 1;
    byte[] all =
        new ByteWriter(order)
            .letters(id)
            .int32(length)
            .bytes(bytes)
            .zeros(1 + (length & 1))
            .toBytes();
    return new TagEntry(id, all);
  }

  /** The encoding of the text before, or of another one in the list that says which it is. */
  private Charset charset(List<TagEntry> old) {
    List<TagEntry> asked = new ArrayList<>(old);
    asked.addAll(texts);
    return asked.stream()
        .map(InfoTag::bytes)
        .filter(b -> !LocalText.ascii(b))
        .findFirst()
        .map(LocalText::charset)
        .orElse(StandardCharsets.UTF_8);
  }
}
