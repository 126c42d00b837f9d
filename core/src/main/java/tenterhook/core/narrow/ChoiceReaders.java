package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Dictionary;

/** Takes the values of columns apart into choices; what a choice asks for is what is counted. */
final class ChoiceReaders {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);
  private static final String NONE = "none";

  /** Upper ends of the bands of energy, which goes from 0 to 100. */
  private static final int[] ENERGY = {20, 40, 60, 80, 100};

  /** Lower ends of the bands of plays. */
  private static final int[] PLAYS = {1, 5, 20};

  private ChoiceReaders() {}

  /** One for each column that a group is counted by. */
  static Map<Field<?>, ColumnChoices> all(Codebook codebook) {
    return Stream.of(
            new ColumnChoices(Fields.CODES, codes(codebook)),
            new ColumnChoices(Fields.GENRE, genres(codebook)),
            new ColumnChoices(Fields.ARTIST, new Texts(NarrowGroup.Own.ARTIST, Fields.ARTIST)),
            new ColumnChoices(Fields.YEAR, ChoiceReaders::years),
            new ColumnChoices(Fields.BPM, ChoiceReaders::noTempo),
            new ColumnChoices(Fields.KEY, keys()),
            new ColumnChoices(Fields.ENERGY, ChoiceReaders::energy),
            new ColumnChoices(Fields.RATING, ChoiceReaders::rating),
            new ColumnChoices(Fields.PLAYS, ChoiceReaders::plays),
            new ColumnChoices(Fields.FOLDER, folders()),
            new ColumnChoices(Fields.CODEC, new Texts(NarrowGroup.Own.FORMAT, Fields.CODEC)))
        .collect(Collectors.toMap(ColumnChoices::field, c -> c));
  }

  /** The column that the values of a group are read from; empty for states, which are asked for. */
  static Optional<Field<?>> field(NarrowGroup group) {
    return switch (group) {
      case NarrowGroup.OfFacet facet -> Optional.of(Fields.CODES);
      case NarrowGroup.Own own ->
          Optional.ofNullable(
              switch (own) {
                case GENRE -> Fields.GENRE;
                case ARTIST -> Fields.ARTIST;
                case DECADE, YEAR -> Fields.YEAR;
                case TEMPO -> Fields.BPM;
                case KEY -> Fields.KEY;
                case ENERGY -> Fields.ENERGY;
                case RATING -> Fields.RATING;
                case PLAYS -> Fields.PLAYS;
                case FOLDER -> Fields.FOLDER;
                case FORMAT -> Fields.CODEC;
                case STATE -> null;
              });
    };
  }

  /** Values that are text, of which two are one when they are folded to the same. */
  private static class Texts implements ColumnChoices.Reader {
    private final NarrowGroup.Own group;
    private final Field<?> field;
    private final Map<String, Choice> byFold = new HashMap<>();

    Texts(NarrowGroup.Own group, Field<?> field) {
      this.group = group;
      this.field = field;
    }

    /** What one distinct value holds. */
    Stream<String> parts(String text) {
      return Arrays.stream(text.split(SEPARATOR)).filter(p -> !p.isBlank());
    }

    @Override
    public List<Choice> read(Dictionary dictionary, int number) {
      List<Choice> choices =
          new ArrayList<>(parts(dictionary.text(number)).map(this::choice).toList());
      if (isHole(dictionary, number, field)) {
        choices.add(Choice.missing(group, field.key(), NONE));
      }
      return choices;
    }

    private Choice choice(String text) {
      return byFold.computeIfAbsent(
          Fold.fold(text),
          folded -> {
            String asked = Fold.fold(text.strip()).equals(folded) ? text.strip() : folded;
            return new Choice(group, whole(field, asked), asked, "", 0);
          });
    }
  }

  private static ColumnChoices.Reader genres(Codebook codebook) {
    return new Texts(NarrowGroup.Own.GENRE, Fields.GENRE) {
      @Override
      Stream<String> parts(String text) {
        return super.parts(text)
            .flatMap(g -> Stream.concat(Stream.of(g), codebook.genres().above(g).stream()));
      }
    };
  }

  private static ColumnChoices.Reader folders() {
    return new Texts(NarrowGroup.Own.FOLDER, Fields.FOLDER) {
      @Override
      Stream<String> parts(String text) {
        return text.isBlank() ? Stream.empty() : above(text);
      }
    };
  }

  /** A folder and all that it is in. */
  private static Stream<String> above(String folder) {
    List<String> all = new ArrayList<>();
    for (int cut = folder.indexOf('/'); cut > 0; cut = folder.indexOf('/', cut + 1)) {
      all.add(folder.substring(0, cut));
    }
    all.add(folder);
    return all.stream();
  }

  private static ColumnChoices.Reader codes(Codebook codebook) {
    return (dictionary, number) -> {
      List<String> carried = Arrays.asList(dictionary.text(number).split(SEPARATOR));
      List<Choice> choices = new ArrayList<>();
      for (Facet facet : codebook.facets()) {
        List<Choice> of = codes(facet, carried);
        choices.addAll(
            of.isEmpty() && carried.stream().noneMatch(c -> facet.code(c).isPresent())
                ? List.of(noCode(facet))
                : of);
      }
      return choices;
    };
  }

  private static List<Choice> codes(Facet facet, List<String> carried) {
    List<Choice> choices = new ArrayList<>();
    for (int i = 0; i < facet.codes().size(); i++) {
      Code code = facet.codes().get(i);
      if (carried.stream().anyMatch(code.token()::equalsIgnoreCase)) {
        choices.add(code(facet, i));
      }
    }
    return choices;
  }

  /** The choice of a code, by its place in its facet. */
  static Choice code(Facet facet, int at) {
    Code code = facet.codes().get(at);
    return new Choice(
        new NarrowGroup.OfFacet(facet.name()),
        new Condition(facet.name(), part(code.token())),
        code.token(),
        code.meaning(),
        at);
  }

  /** What stands for no code of a facet. */
  static Choice noCode(Facet facet) {
    return Choice.missing(new NarrowGroup.OfFacet(facet.name()), facet.name(), NONE);
  }

  private static List<Choice> years(Dictionary dictionary, int number) {
    double value = dictionary.value(number, Fields.YEAR.type());
    if (Double.isNaN(value)) {
      return List.of(Choice.missing(NarrowGroup.Own.DECADE, Fields.YEAR.key(), NONE));
    }
    int year = (int) Math.floor(value);
    int decade = Math.floorDiv(year, 10) * 10;
    return List.of(
        new Choice(
            NarrowGroup.Own.DECADE,
            range(Fields.YEAR, decade, decade + 9),
            decade + "s",
            "",
            decade),
        new Choice(
            NarrowGroup.Own.YEAR,
            new Condition(Fields.YEAR.key(), part(String.valueOf(year))),
            String.valueOf(year),
            "",
            0));
  }

  private static List<Choice> noTempo(Dictionary dictionary, int number) {
    return isHole(dictionary, number, Fields.BPM)
        ? List.of(Choice.missing(NarrowGroup.Own.TEMPO, Fields.BPM.key(), NONE))
        : List.of();
  }

  private static ColumnChoices.Reader keys() {
    Texts asWritten = new Texts(NarrowGroup.Own.KEY, Fields.KEY);
    return (dictionary, number) -> {
      Optional<MusicalKey> key = MusicalKey.parse(dictionary.text(number));
      return key.map(k -> List.of(key(k)))
          .orElseGet(
              () ->
                  asWritten.read(dictionary, number).stream()
                      .filter(c -> MusicalKey.parse(c.words()).isEmpty())
                      .toList());
    };
  }

  private static Choice key(MusicalKey key) {
    return new Choice(
        NarrowGroup.Own.KEY,
        whole(Fields.KEY, key.name()),
        key.name(),
        "",
        key.fifths() * 2 + (key.minor() ? 1 : 0));
  }

  /** A key with its relative and both neighbours on the circle of fifths. */
  static Choice near(MusicalKey key) {
    List<Condition.Value> keys = new ArrayList<>();
    for (int root = 0; root < 12; root++) {
      for (boolean minor : new boolean[] {false, true}) {
        MusicalKey other = new MusicalKey(root, minor);
        if (key.relation(other) != MusicalKey.Relation.FAR) {
          keys.add(new Condition.Whole(other.name()));
        }
      }
    }
    return new Choice(
        NarrowGroup.Own.KEY,
        new Condition(Fields.KEY.key(), new Condition.AnyOf(keys)),
        key.name() + " or a neighbour",
        "",
        -1);
  }

  private static List<Choice> energy(Dictionary dictionary, int number) {
    double value = dictionary.value(number, Fields.ENERGY.type());
    if (Double.isNaN(value)) {
      return isHole(dictionary, number, Fields.ENERGY)
          ? List.of(Choice.missing(NarrowGroup.Own.ENERGY, Fields.ENERGY.key(), NONE))
          : List.of();
    }
    int from = 0;
    for (int to : ENERGY) {
      if (value >= from && value <= to) {
        return List.of(
            new Choice(
                NarrowGroup.Own.ENERGY,
                range(Fields.ENERGY, from, to),
                from + " to " + to,
                "",
                from));
      }
      from = to + 1;
    }
    return List.of();
  }

  private static List<Choice> rating(Dictionary dictionary, int number) {
    double value = dictionary.value(number, Fields.RATING.type());
    if (Double.isNaN(value)) {
      return List.of(Choice.missing(NarrowGroup.Own.RATING, Fields.RATING.key(), NONE));
    }
    int stars = (int) Math.floor(value + 0.5);
    return List.of(
        new Choice(
            NarrowGroup.Own.RATING,
            new Condition(Fields.RATING.key(), part(String.valueOf(stars))),
            stars + " of 5",
            "",
            -stars));
  }

  private static List<Choice> plays(Dictionary dictionary, int number) {
    double value = dictionary.value(number, Fields.PLAYS.type());
    List<Choice> choices = new ArrayList<>();
    for (int i = 0; i < PLAYS.length; i++) {
      String below = i + 1 < PLAYS.length ? String.valueOf(PLAYS[i + 1] - 1) : "";
      if (value >= PLAYS[i] && (below.isEmpty() || value <= Integer.parseInt(below))) {
        choices.add(
            new Choice(
                NarrowGroup.Own.PLAYS,
                new Condition(
                    Fields.PLAYS.key(), any(new Condition.Range(String.valueOf(PLAYS[i]), below))),
                below.isEmpty() ? PLAYS[i] + " and more" : PLAYS[i] + " to " + below,
                "",
                PLAYS[i]));
      }
    }
    if (isHole(dictionary, number, Fields.PLAYS)) {
      choices.add(Choice.missing(NarrowGroup.Own.PLAYS, Fields.PLAYS.key(), "never played"));
    }
    return choices;
  }

  private static boolean isHole(Dictionary dictionary, int number, Field<?> field) {
    BitSet holes = dictionary.holes(field);
    return holes.get(number);
  }

  static Condition range(Field<?> field, int from, int to) {
    return new Condition(
        field.key(), any(new Condition.Range(String.valueOf(from), String.valueOf(to))));
  }

  private static Condition whole(Field<?> field, String text) {
    return new Condition(field.key(), any(new Condition.Whole(text)));
  }

  private static Condition.AnyOf part(String text) {
    return any(new Condition.Part(text));
  }

  static Condition.AnyOf any(Condition.Value value) {
    return new Condition.AnyOf(List.of(value));
  }
}
