package tenterhook.adapters.tagfile.mp4;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.mp4.Mp4Item.Data;
import tenterhook.adapters.tagfile.tag.FieldText;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.OwnText;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.TagNames;

/** The list of items of an MP4 file. */
final class Mp4Tag implements NamedTag {
  private static final String COVER = "covr";

  private final List<Mp4Item> items;

  Mp4Tag(List<Mp4Item> items) {
    this.items = List.copyOf(items);
  }

  byte[] render() {
    ByteWriter out = ByteWriter.bigEnd();
    items.forEach(i -> out.bytes(i.bytes()));
    return out.toBytes();
  }

  @Override
  public String name() {
    return "MP4 items";
  }

  @Override
  public List<TagEntry> entries() {
    return items.stream().map(i -> new TagEntry(i.name(), i.bytes())).toList();
  }

  @Override
  public List<String> names(Field<?> field) {
    return field.tags().map(TagNames::mp4).orElse(List.of());
  }

  @Override
  public List<String> valuesAt(Field<?> field, String name) {
    ItemValues as = ItemValues.of(field, name);
    List<String> values = data(as.item()).stream().map(as::read).toList();
    return OwnText.oneOfSeveral(field) ? FieldText.values(field, name, values) : values;
  }

  private static boolean is(Mp4Item item, String name) {
    return item.name().startsWith("----")
        ? item.name().equalsIgnoreCase(name)
        : item.name().equals(name);
  }

  private List<Data> data(String name) {
    return items.stream().filter(i -> is(i, name)).flatMap(i -> i.data().stream()).toList();
  }

  @Override
  public Mp4Tag set(Field<?> field, String name, List<String> values) {
    ItemValues as = ItemValues.of(field, name);
    List<Mp4Item> old = items.stream().filter(i -> is(i, as.item())).toList();
    List<Data> before = data(as.item());
    Optional<List<Data>> after =
        OwnText.oneOfSeveral(field)
            ? Optional.of(replaced(as, before, values))
            : as.written(before, values);
    if (after.isEmpty()) {
      return this;
    }
    List<Mp4Item> made = items(as.item(), old, after.get());
    return new Mp4Tag(NamedTag.replaced(items, i -> is(i, as.item()), made));
  }

  /** One item for each value where there were several items, else one for all. */
  private static List<Mp4Item> items(String name, List<Mp4Item> old, List<Data> values) {
    if (values.isEmpty()) {
      return List.of();
    }
    Mp4Item item = old.isEmpty() ? Mp4Item.of(name) : old.getFirst();
    return old.size() > 1
        ? values.stream().map(v -> item.with(List.of(v))).toList()
        : List.of(item.with(values));
  }

  /** The DJ's own of several texts is another then; those that programs left stay as they are. */
  private static List<Data> replaced(ItemValues as, List<Data> before, List<String> values) {
    List<String> texts = before.stream().map(as::read).toList();
    int own = OwnText.own(texts);
    List<Data> next = new ArrayList<>();
    if (own < 0) {
      as.written(List.of(), values).ifPresent(next::addAll);
    }
    for (int i = 0; i < texts.size(); i++) {
      List<Data> here = List.of(before.get(i));
      boolean copy = own >= 0 && texts.get(i).equals(texts.get(own));
      next.addAll(copy ? as.written(here, values).orElse(here) : here);
    }
    return next;
  }

  @Override
  public boolean holdsPictures() {
    return true;
  }

  @Override
  public Optional<byte[]> picture() {
    return data(COVER).stream().filter(d -> d.value().length > 0).findFirst().map(Data::value);
  }

  @Override
  public Tag withPicture(Optional<Picture> picture) {
    List<Data> next = new ArrayList<>(data(COVER));
    if (!next.isEmpty()) {
      next.removeFirst();
    }
    picture.ifPresent(
        p -> {
          int type = p.mime().equals("image/png") ? Mp4Item.PNG : Mp4Item.JPEG;
          next.addFirst(Mp4Item.data(type, p.bytes()));
        });
    List<Mp4Item> old = items.stream().filter(i -> is(i, COVER)).toList();
    List<Mp4Item> made = items(COVER, old, next);
    return new Mp4Tag(NamedTag.replaced(items, i -> is(i, COVER), made));
  }
}
