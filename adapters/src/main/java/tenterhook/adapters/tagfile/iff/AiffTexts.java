package tenterhook.adapters.tagfile.iff;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import tenterhook.adapters.tagfile.tag.FieldText;
import tenterhook.adapters.tagfile.tag.LocalText;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.TagNames;
import tenterhook.core.text.CodePages;

/**
 * The text chunks of an AIFF file: name, author, annotations. They are kept in step where they are,
 * but none is added, since they hold less than a tag of ID3.
 */
final class AiffTexts implements NamedTag {
  private final List<TagEntry> texts;

  /** The chunks by their letters and content; one of no content is to go. */
  AiffTexts(List<TagEntry> texts) {
    this.texts = List.copyOf(texts);
  }

  /** Whether a chunk is one of them. */
  static boolean is(Chunk chunk) {
    return List.of("NAME", "AUTH", "ANNO").contains(chunk.id());
  }

  /** The content of each chunk, in the order in which they were given. */
  List<TagEntry> all() {
    return texts;
  }

  @Override
  public String name() {
    return "AIFF text";
  }

  @Override
  public List<TagEntry> entries() {
    return texts.stream().filter(t -> t.bytes().length > 0).toList();
  }

  @Override
  public List<String> names(Field<?> field) {
    return field.tags().map(TagNames::aiff).orElse(List.of());
  }

  @Override
  public boolean canHold(Field<?> field) {
    return !held(field).isEmpty();
  }

  private static String text(TagEntry entry) {
    return LocalText.decode(entry.bytes()).replaceAll("[\\x00\\s]+$", "");
  }

  @Override
  public List<String> valuesAt(Field<?> field, String name) {
    return FieldText.values(field, name, texts(NumberPair.plain(name)));
  }

  private List<String> texts(String name) {
    return texts.stream().filter(t -> t.name().equals(name)).map(AiffTexts::text).toList();
  }

  /** Each chunk keeps its place; one that has no text any more is left without content. */
  @Override
  public AiffTexts set(Field<?> field, String name, List<String> values) {
    List<String> after = FieldText.texts(field, name, values, texts(name));
    List<TagEntry> next = new ArrayList<>(texts);
    int used = 0;
    for (int i = 0; i < next.size(); i++) {
      if (next.get(i).name().equals(name)) {
        String text = used < after.size() ? after.get(used) : "";
        used++;
        next.set(i, text(next.get(i)).equals(text) ? next.get(i) : made(next.get(i), text));
      }
    }
    return new AiffTexts(next);
  }

  private static TagEntry made(TagEntry old, String text) {
    Charset charset =
        LocalText.ascii(old.bytes()) ? StandardCharsets.UTF_8 : LocalText.charset(old.bytes());
    byte[] bytes =
        CodePages.encoded(text, charset).orElseGet(() -> text.getBytes(StandardCharsets.UTF_8));
    return new TagEntry(old.name(), bytes);
  }
}
