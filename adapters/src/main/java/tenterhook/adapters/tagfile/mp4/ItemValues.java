package tenterhook.adapters.tagfile.mp4;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import tenterhook.adapters.tagfile.mp4.Mp4Item.Data;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.NumberedGenres;
import tenterhook.adapters.tagfile.tag.StarRating;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** How the values of a field stand in an item: as text, as a number, or as one of a pair. */
interface ItemValues {
  /** The most that 16 bits can say. */
  int MOST = 65_535;

  /** The name of the item. */
  String item();

  /** The raw value of a field in data; empty for none. */
  String read(Data data);

  /**
   * The data of values.
   *
   * @param before what stands there now
   * @param values what is to be; empty takes it away
   * @return empty when an item of the kind cannot hold them
   */
  Optional<List<Data>> written(List<Data> before, List<String> values);

  /** How a field stands in the item of a name. */
  static ItemValues of(Field<?> field, String name) {
    if (NumberPair.of(field)) {
      return new NumberOfPair(NumberPair.plain(name), NumberPair.second(name) ? 4 : 2);
    }
    return switch (name) {
      case "gnre" -> new NumberedGenre(name);
      case "tmpo" -> new Number(name, 2);
      case "cpil" -> new Number(name, 1);
      default -> field == Fields.RATING ? new PercentRating(name) : new Text(name);
    };
  }

  /** Text; several values are several data. */
  record Text(String item) implements ItemValues {
    @Override
    public String read(Data data) {
      boolean text = data.isText() || data.type() == Mp4Item.BINARY && !item.startsWith("----");
      return text ? data.text() : "";
    }

    @Override
    public Optional<List<Data>> written(List<Data> before, List<String> values) {
      List<Data> next = new ArrayList<>();
      for (int i = 0; i < values.size(); i++) {
        Data like = before.isEmpty() ? null : before.get(Math.min(i, before.size() - 1));
        boolean wide = like != null && like.type() == Mp4Item.UTF16;
        byte[] text =
            values.get(i).getBytes(wide ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_8);
        next.add(
            like == null
                ? Mp4Item.data(Mp4Item.UTF8, text)
                : new Data(like.type(), like.head(), text));
      }
      return Optional.of(next);
    }
  }

  /** A whole number of some bytes; a flag is 1. */
  record Number(String item, int bytes) implements ItemValues {
    @Override
    public String read(Data data) {
      long number = data.number();
      return data.isText() ? data.text() : number == 0 ? "" : String.valueOf(number);
    }

    @Override
    public Optional<List<Data>> written(List<Data> before, List<String> values) {
      if (values.isEmpty()) {
        return Optional.of(List.of());
      }
      String digits = values.getFirst();
      long most = (1L << 8 * bytes) - 1;
      if (!digits.matches("\\d{1,9}") || Long.parseLong(digits) > most) {
        return Optional.empty();
      }
      byte[] number = ByteBuffer.allocate(8).putLong(Long.parseLong(digits)).array();
      byte[] value = Arrays.copyOfRange(number, 8 - bytes, 8);
      return Optional.of(List.of(Mp4Item.data(Mp4Item.INTEGER, value)));
    }
  }

  /** A rating of 100, as text or as a number. */
  record PercentRating(String item) implements ItemValues {
    @Override
    public String read(Data data) {
      String number = data.isText() ? data.text() : String.valueOf(data.number());
      return StarRating.PERCENT.fromTag(number);
    }

    @Override
    public Optional<List<Data>> written(List<Data> before, List<String> values) {
      OptionalInt number =
          values.isEmpty() ? OptionalInt.empty() : StarRating.PERCENT.toTag(values.getFirst());
      if (number.isEmpty()) {
        return Optional.of(List.of());
      }
      boolean asNumber = !before.isEmpty() && !before.getFirst().isText();
      if (asNumber && before.getFirst().value().length == 1 && number.getAsInt() <= 255) {
        byte[] value = {(byte) number.getAsInt()};
        return Optional.of(
            List.of(new Data(before.getFirst().type(), before.getFirst().head(), value)));
      }
      return new Text(item)
          .written(asNumber ? List.of() : before, List.of(String.valueOf(number.getAsInt())));
    }
  }

  /** A number of the genres of ID3v1, counted from 1. */
  record NumberedGenre(String item) implements ItemValues {
    @Override
    public String read(Data data) {
      return NumberedGenres.name(Math.clamp(data.number() - 1, -1, MOST));
    }

    /** A genre that has no number is not left with the number of another. */
    @Override
    public Optional<List<Data>> written(List<Data> before, List<String> values) {
      int number = values.size() == 1 ? NumberedGenres.number(values.getFirst()) : -1;
      byte[] value = {(byte) (number + 1 >> 8), (byte) (number + 1)};
      return Optional.of(
          number < 0
              ? List.of()
              : List.of(new Data(before.getFirst().type(), before.getFirst().head(), value)));
    }
  }

  /** One of two numbers of 16 bits, which stand at places of their own. */
  record NumberOfPair(String item, int at) implements ItemValues {
    private static final int LENGTH = 8;

    @Override
    public String read(Data data) {
      if (data.value().length < at + 2) {
        return "";
      }
      int number = ByteBuffer.wrap(data.value()).getShort(at) & 0xFFFF;
      return number == 0 ? "" : String.valueOf(number);
    }

    @Override
    public Optional<List<Data>> written(List<Data> before, List<String> values) {
      String digits = values.isEmpty() ? "0" : values.getFirst();
      if (!digits.matches("\\d{1,5}") || Integer.parseInt(digits) > MOST) {
        return Optional.empty();
      }
      boolean there = !before.isEmpty() && before.getFirst().value().length >= at + 2;
      byte[] value =
          there
              ? before.getFirst().value().clone()
              : Arrays.copyOf(before.isEmpty() ? new byte[0] : before.getFirst().value(), LENGTH);
      ByteBuffer.wrap(value).putShort(at, (short) Integer.parseInt(digits));
      boolean none = true;
      for (byte b : value) {
        none &= b == 0;
      }
      Data data = before.isEmpty() ? Mp4Item.data(Mp4Item.BINARY, value) : before.getFirst();
      return Optional.of(none ? List.of() : List.of(new Data(data.type(), data.head(), value)));
    }
  }
}
