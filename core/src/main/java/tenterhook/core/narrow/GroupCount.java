package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Fields;
import tenterhook.core.narrow.NarrowCounts.GroupCounts;
import tenterhook.core.narrow.NarrowValue.Stands;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Column;

/** Counts the values of one group. */
final class GroupCount {
  /** How many values of an open group are listed until more are asked for. */
  private static final int MOST = 8;

  private static final int MOST_WHOLE = 1000;

  private final NarrowRequest request;
  private final Scopes scopes;
  private final Codebook codebook;
  private final NarrowGroup group;
  private final @Nullable ColumnChoices column;
  private final Scopes.OfGroup of;
  private final List<Narrowing> chosen;
  private final boolean anyIn;
  private final String filter;
  private final List<Choice> typed;

  /** How many values are not listed. */
  private int unlisted;

  /** A choice with its count. */
  private record Counted(Choice choice, NarrowValue value) {
    boolean isChosen() {
      return value.stands() == Stands.IN || value.stands() == Stands.OUT;
    }
  }

  GroupCount(
      NarrowRequest request,
      Scopes scopes,
      Codebook codebook,
      NarrowGroup group,
      Optional<ColumnChoices> column) {
    this.request = request;
    this.scopes = scopes;
    this.codebook = codebook;
    this.group = group;
    this.column = column.orElse(null);
    this.of = scopes.of(group);
    this.chosen = request.narrowings().all().stream().filter(n -> n.group().equals(group)).toList();
    this.filter = Fold.fold(request.filter());
    this.typed = TypedRange.choices(request.filter());
    this.anyIn = chosen.stream().anyMatch(n -> !n.out());
  }

  /** The counts; empty when there is nothing to list. */
  Optional<GroupCounts> counts() {
    List<Counted> listed = new ArrayList<>(column == null ? states() : ofColumn(column));
    addElsewhere(listed);
    List<NarrowValue> values =
        listed.stream()
            .filter(c -> isWanted(c.choice()))
            .sorted(order())
            .map(Counted::value)
            .toList();
    boolean tempo = group == NarrowGroup.Own.TEMPO && filter.isEmpty();
    return values.isEmpty() && !tempo
        ? Optional.empty()
        : Optional.of(
            new GroupCounts(
                group, values, unlisted, tempo ? Optional.of(spread()) : Optional.empty()));
  }

  private boolean isWanted(Choice choice) {
    return filter.isEmpty()
        || Fold.fold(choice.words()).contains(filter)
        || Fold.fold(choice.note()).contains(filter)
        || Fold.fold(group.title()).equals(filter)
        || typed.contains(choice);
  }

  /** Open groups begin with what is chosen, then the fullest; others have an order of their own. */
  private Comparator<Counted> order() {
    if (!group.open()) {
      return Comparator.<Counted>comparingDouble(c -> c.choice().rank())
          .thenComparing(c -> c.choice().words());
    }
    return Comparator.<Counted, Boolean>comparing(c -> !c.isChosen())
        .thenComparing(Comparator.<Counted>comparingInt(c -> c.value().tracks()).reversed())
        .thenComparing(c -> c.choice().words());
  }

  private List<Counted> states() {
    return States.all().stream()
        .filter(c -> stands(c) != Stands.FREE || tracks(c, scopes.list()) > 0)
        .map(this::asked)
        .toList();
  }

  private Collection<Counted> ofColumn(ColumnChoices from) {
    ColumnChoices.Tally let = scopes.tally(from, of.let());
    ColumnChoices.Tally besides = scopes.tally(from, of.besides());
    ColumnChoices.Tally shut = scopes.tally(from, of.shut());
    ColumnChoices.Tally list = group.open() ? let : scopes.tally(from, scopes.list());
    int most =
        !group.open() ? Integer.MAX_VALUE : request.whole().contains(group) ? MOST_WHOLE : MOST;
    PriorityQueue<Counted> fullest = new PriorityQueue<>(order().reversed());
    for (int i = 0; i < let.size(); i++) {
      Choice choice = let.choice(i);
      if (choice.group().equals(group)) {
        Stands stands = stands(choice);
        int tracks =
            switch (stands) {
              case FREE, IN -> let.tracks(i);
              case BESIDES -> besides.tracks(i);
              case OUT -> shut.tracks(i);
            };
        boolean shown = stands == Stands.IN || stands == Stands.OUT || list.tracks(i) > 0;
        if (shown && isWanted(choice)) {
          keep(fullest, choice, stands, tracks, most);
        }
      }
    }
    return fullest;
  }

  /** Keeps a value if it is among the first; there may be very many that are not. */
  private void keep(
      PriorityQueue<Counted> first, Choice choice, Stands stands, int tracks, int most) {
    boolean isFull = first.size() >= most;
    Counted worst = isFull ? first.peek() : null;
    boolean free = stands == Stands.FREE || stands == Stands.BESIDES;
    if (worst != null && free && tracks < worst.value().tracks()) {
      unlisted++;
      return;
    }
    first.add(counted(choice, stands, tracks));
    if (isFull) {
      first.poll();
      unlisted++;
    }
  }

  /** What no track of the list leads to: codes that none has, typed ranges, a key's neighbours. */
  private void addElsewhere(List<Counted> counted) {
    Stream<Choice> others =
        Stream.of(
                codes(),
                typed.stream().filter(c -> c.group().equals(group)),
                request.near().map(ChoiceReaders::near).stream()
                    .filter(c -> c.group().equals(group)),
                chosen.stream()
                    .map(n -> new Choice(group, n.condition(), NarrowWords.of(n), "", -1)))
            .flatMap(s -> s);
    others.forEach(
        choice -> {
          if (counted.stream().noneMatch(c -> c.choice().narrowing().equals(choice.narrowing()))) {
            counted.add(asked(choice));
          }
        });
  }

  private Stream<Choice> codes() {
    return group instanceof NarrowGroup.OfFacet named
        ? codebook.facet(named.name()).stream().flatMap(GroupCount::given)
        : Stream.empty();
  }

  private static Stream<Choice> given(Facet facet) {
    return IntStream.range(0, facet.codes().size())
        .filter(i -> !facet.codes().get(i).retired())
        .mapToObj(i -> ChoiceReaders.code(facet, i));
  }

  private Stands stands(Choice choice) {
    for (Narrowing one : chosen) {
      if (one.condition().equals(choice.condition())) {
        return one.out() ? Stands.OUT : Stands.IN;
      }
    }
    return anyIn ? Stands.BESIDES : Stands.FREE;
  }

  private Counted asked(Choice choice) {
    Stands stands = stands(choice);
    Scopes.Scope scope =
        switch (stands) {
          case FREE, IN -> of.let();
          case BESIDES -> of.besides();
          case OUT -> of.shut();
        };
    return counted(choice, stands, tracks(choice, scope));
  }

  private int tracks(Choice choice, Scopes.Scope scope) {
    return request.finder().find(choice.condition(), scope.tracks()).getCardinality();
  }

  private static Counted counted(Choice choice, Stands stands, int tracks) {
    Narrowing narrowing = choice.narrowing().out(stands == Stands.OUT);
    return new Counted(
        choice, new NarrowValue(narrowing, choice.words(), choice.note(), stands, tracks));
  }

  private TempoSpread spread() {
    Column tempi = request.snapshot().column(Fields.BPM);
    int[] bars = new int[TempoSpread.BARS];
    for (int id : of.let().ids()) {
      double bpm = tempi.dictionary().value(tempi.number(id), Fields.BPM.type());
      if (!Double.isNaN(bpm)) {
        bars[TempoSpread.bar(bpm)]++;
      }
    }
    return new TempoSpread(IntStream.of(bars).boxed().toList());
  }
}
