package tenterhook.adapters.tagfile.id3;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.NumberedGenres;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;

/** Finds fields in the frames of a tag, and sets them there. */
final class FrameFields {
  private final Id3v2Tag tag;

  FrameFields(Id3v2Tag tag) {
    this.tag = tag;
  }

  private static List<String> names(Field<?> field) {
    return field
        .tags()
        .map(TagNames::id3)
        .orElseThrow(() -> new IllegalArgumentException(field + " is in no tag"));
  }

  List<PlaceValues> held(Field<?> field) {
    if (field == Fields.RATING) {
      if (!tag.has("POPM")) {
        return List.of();
      }
      List<String> ratings = Popularimeter.ratings(tag.frames());
      return ratings.stream().map(r -> new PlaceValues("POPM", List.of(r))).toList();
    }
    if (field == Fields.YEAR) {
      return new DateFrames(tag).held();
    }
    String first = names(field).getFirst();
    if (LanguageText.is(first)) {
      return tag.has(first) ? LanguageText.held(tag.frames(), first) : List.of();
    }
    List<PlaceValues> held = new ArrayList<>();
    for (String name : names(field)) {
      held(field, name).ifPresent(held::add);
      if (!FrameIds.other(name).equals(name)) {
        held(field, FrameIds.other(name)).ifPresent(held::add);
      }
    }
    return held;
  }

  private Optional<PlaceValues> held(Field<?> field, String name) {
    boolean described = name.startsWith(FrameIds.DESCRIBED);
    if (!tag.has(described ? "TXXX" : NumberPair.plain(name))) {
      return Optional.empty();
    }
    List<String> values = new ArrayList<>();
    for (Id3Frame frame : tag.frames()) {
      if (isAt(frame, name)) {
        values.addAll(values(field, name, frame));
      }
    }
    values.removeIf(String::isEmpty);
    return values.isEmpty() ? Optional.empty() : Optional.of(new PlaceValues(name, values));
  }

  /** Whether a frame is the one of a name: its identifier, and the description where it has one. */
  private boolean isAt(Id3Frame frame, String name) {
    if (!name.startsWith(FrameIds.DESCRIBED)) {
      return frame.id().equals(FrameIds.in(NumberPair.plain(name), tag.version()));
    }
    return frame.id().equals(FrameIds.in("TXXX", tag.version()))
        && !frame.texts().isEmpty()
        && frame.texts().getFirst().equalsIgnoreCase(name.substring(FrameIds.DESCRIBED.length()));
  }

  private static List<String> values(Field<?> field, String name, Id3Frame frame) {
    List<String> texts = frame.texts();
    if (name.startsWith(FrameIds.DESCRIBED)) {
      return texts.subList(Math.min(1, texts.size()), texts.size());
    }
    if (field == Fields.GENRE) {
      return texts.stream().flatMap(t -> NumberedGenres.parse(t).stream()).toList();
    }
    return NumberPair.of(field)
        ? texts.stream().map(t -> NumberPair.parse(t).part(NumberPair.second(name))).toList()
        : texts;
  }

  Id3v2Tag with(Field<?> field, List<String> values) {
    if (field == Fields.RATING) {
      String raw = values.isEmpty() ? "" : values.getFirst();
      return tag.withFrames(Popularimeter.with(tag.frames(), tag.form(), raw));
    }
    if (field == Fields.YEAR) {
      return new DateFrames(tag).with(values.isEmpty() ? "" : values.getFirst());
    }
    String first = names(field).getFirst();
    if (LanguageText.is(first)) {
      String text = values.isEmpty() ? "" : values.getFirst();
      return tag.withFrames(LanguageText.with(tag.frames(), tag.form(), first, text));
    }
    List<PlaceValues> held = held(field);
    if (held.isEmpty() && !values.isEmpty()) {
      return set(field, FrameIds.place(first, tag.version()), values);
    }
    Id3v2Tag next = tag;
    for (PlaceValues place : held) {
      next = new FrameFields(next).set(field, place.place(), values);
    }
    return next;
  }

  /** Puts values into the first frame of a name; the others of that name go. */
  private Id3v2Tag set(Field<?> field, String name, List<String> values) {
    List<Id3Frame> next = new ArrayList<>();
    boolean written = false;
    for (Id3Frame frame : tag.frames()) {
      if (!isAt(frame, name)) {
        next.add(frame);
      } else if (!written) {
        written = true;
        changed(field, name, frame, values).ifPresent(next::add);
      }
    }
    if (!written) {
      changed(field, name, null, values).ifPresent(next::add);
    }
    return tag.withFrames(next);
  }

  private Optional<Id3Frame> changed(
      Field<?> field, String name, @Nullable Id3Frame frame, List<String> values) {
    List<String> texts = values;
    if (NumberPair.of(field)) {
      String old = frame == null || frame.texts().isEmpty() ? "" : frame.texts().getFirst();
      String number = values.isEmpty() ? "" : values.getFirst();
      NumberPair pair = NumberPair.parse(old).with(NumberPair.second(name), number);
      texts = pair.isEmpty() ? List.of() : List.of(pair.text());
    }
    if (texts.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(made(field, name, frame, texts));
  }

  private Id3Frame made(Field<?> field, String name, @Nullable Id3Frame old, List<String> texts) {
    List<String> spelled = new ArrayList<>();
    boolean described = name.startsWith(FrameIds.DESCRIBED);
    if (described) {
      spelled.add(
          old == null ? name.substring(FrameIds.DESCRIBED.length()) : old.texts().getFirst());
    }
    texts.forEach(t -> spelled.add(field == Fields.GENRE ? NumberedGenres.text(t) : t));
    String id = described ? "TXXX" : NumberPair.plain(name);
    return TextFrames.made(tag, old, FrameIds.in(id, tag.version()), spelled);
  }
}
