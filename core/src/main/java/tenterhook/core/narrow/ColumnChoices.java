package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.find.Condition;
import tenterhook.core.track.Column;
import tenterhook.core.track.Dictionary;
import tenterhook.core.track.Snapshot;

/**
 * The choices that the values of one column lead to. Each distinct value is taken apart once;
 * tracks are then counted by the numbers of their values, so that a count costs one look-up a
 * track.
 */
final class ColumnChoices {
  /** Gives the choices of a distinct value. */
  @FunctionalInterface
  interface Reader {
    List<Choice> read(Dictionary dictionary, int number);
  }

  private final Field<?> field;
  private final Reader reader;
  private final Map<Condition, Integer> places = new HashMap<>();
  private final List<Choice> choices = new ArrayList<>();
  private @Nullable Dictionary dictionary;
  private int[][] ofNumber = new int[0][];
  private List<Choice> listed = List.of();

  ColumnChoices(Field<?> field, Reader reader) {
    this.field = field;
    this.reader = reader;
  }

  Field<?> field() {
    return field;
  }

  /** The choices with how many tracks have each. */
  static final class Tally {
    private final List<Choice> choices;
    private final int[] tracks;

    private Tally(List<Choice> choices, int[] tracks) {
      this.choices = choices;
      this.tracks = tracks;
    }

    int size() {
      return choices.size();
    }

    Choice choice(int place) {
      return choices.get(place);
    }

    /** How many have it; none of a choice that was not known when this was counted. */
    int tracks(int place) {
      return place < tracks.length ? tracks[place] : 0;
    }
  }

  /** Counts tracks by choices. */
  synchronized Tally count(Snapshot snapshot, int[] ids) {
    Column column = snapshot.column(field);
    Dictionary values = column.dictionary();
    follow(values);
    int[] byNumber = new int[ofNumber.length];
    for (int id : ids) {
      byNumber[column.number(id)]++;
    }
    int[] tracks = new int[choices.size()];
    for (int number = 0; number < byNumber.length; number++) {
      if (byNumber[number] > 0) {
        for (int choice : ofNumber[number]) {
          tracks[choice] += byNumber[number];
        }
      }
    }
    return new Tally(listed, tracks);
  }

  private void follow(Dictionary values) {
    if (values != dictionary) {
      dictionary = values;
      ofNumber = new int[0][];
      places.clear();
      choices.clear();
    }
    int known = ofNumber.length;
    int size = values.size();
    if (known < size) {
      ofNumber = Arrays.copyOf(ofNumber, size);
      for (int number = known; number < size; number++) {
        ofNumber[number] = placesOf(values, number);
      }
      listed = List.copyOf(choices);
    }
  }

  private int[] placesOf(Dictionary values, int number) {
    return reader.read(values, number).stream().mapToInt(this::place).distinct().toArray();
  }

  private int place(Choice choice) {
    Integer known = places.get(choice.condition());
    if (known != null) {
      return known;
    }
    choices.add(choice);
    places.put(choice.condition(), choices.size() - 1);
    return choices.size() - 1;
  }
}
