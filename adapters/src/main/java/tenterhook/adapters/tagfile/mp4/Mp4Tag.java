package tenterhook.adapters.tagfile.mp4;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.mp4.Mp4Item.Data;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.OwnText;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.TagNames;
import tenterhook.core.text.MachineText;

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
  public List<String> texts(String name) {
    return data(name).stream().filter(Data::isText).map(Data::text).toList();
  }

  @Override
  public List<PlaceValues> held(Field<?> field) {
    List<PlaceValues> held = new ArrayList<>();
    for (String name : names(field)) {
      ItemValues as = ItemValues.of(field, name);
      List<String> values = new ArrayList<>();
      for (Data data : data(as.item())) {
        String value = as.read(data);
        boolean foreign = OwnText.oneOfSeveral(field) && MachineText.isAll(value);
        if (!value.isEmpty() && !foreign) {
          values.add(value);
        }
      }
      if (!values.isEmpty()) {
        held.add(new PlaceValues(name, values));
      }
    }
    return held;
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
    int own = OwnText.own(before.stream().map(as::read).toList());
    List<Data> next = new ArrayList<>(before);
    List<Data> old = own < 0 ? List.of() : List.of(next.remove(own));
    next.addAll(Math.max(own, 0), as.written(old, values).orElse(old));
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
