package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Limit;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** How a rule crate is sorted, how much it holds at most, and whether resting tracks come in. */
final class OrderRow extends FlowPane {
  private static final int MOST_KEYS = 3;

  private final Consumer<Crate.RuleCrate> edited;
  private Optional<Crate.RuleCrate> shown = Optional.empty();

  OrderRow(Consumer<Crate.RuleCrate> edited) {
    super(6, 4);
    this.edited = edited;
    setId("order");
    setAlignment(Pos.CENTER_LEFT);
  }

  /** Shows a crate's order; what is typed stays while the crate is the same. */
  void show(Crate.RuleCrate crate) {
    if (shown.filter(crate::equals).isPresent()) {
      return;
    }
    shown = Optional.of(crate);
    List<Node> nodes = new ArrayList<>();
    nodes.add(Look.label(Words.of("order.by"), "second"));
    for (int i = 0; i < crate.order().size(); i++) {
      nodes.addAll(key(crate, i));
    }
    then(crate, nodes);
    nodes.add(Look.label(Words.of("order.atMost"), "second"));
    nodes.addAll(limit(crate));
    nodes.add(resting(crate));
    getChildren().setAll(nodes);
  }

  private void then(Crate.RuleCrate crate, List<Node> nodes) {
    if (crate.order().size() < MOST_KEYS) {
      Button then = Look.button(Words.of("order.then"), () -> plus(crate), "quiet");
      then.setId("order-then");
      nodes.add(then);
    }
  }

  private CheckBox resting(Crate.RuleCrate crate) {
    CheckBox resting = new CheckBox(Words.of("order.resting"));
    resting.setId("order-resting");
    resting.setSelected(crate.resting());
    resting.setOnAction(e -> edited.accept(crate.resting(resting.isSelected())));
    return resting;
  }

  private List<Node> key(Crate.RuleCrate crate, int at) {
    TrackOrder.Key key = crate.order().get(at);
    ComboBox<String> field = new ComboBox<>();
    field.getItems().add(Words.of("order.none"));
    Fields.offered().stream().map(Field::label).forEach(field.getItems()::add);
    field.setValue(key.target().label());
    field.setId("order-field-" + at);
    field.setPrefWidth(106);
    field.setAccessibleText(Words.of("order.by"));
    field.setOnAction(e -> chosen(crate, at, field));
    Button way =
        Look.button(
            Words.of(key.falling() ? "order.falling" : "order.rising"),
            () -> {
              List<TrackOrder.Key> order = new ArrayList<>(crate.order());
              order.set(at, new TrackOrder.Key(key.field(), !key.falling()));
              edited.accept(crate.sorted(order));
            },
            "quiet");
    way.setId("order-way-" + at);
    return List.of(field, way);
  }

  private void chosen(Crate.RuleCrate crate, int at, ComboBox<String> field) {
    List<TrackOrder.Key> order = new ArrayList<>(crate.order());
    if (field.getSelectionModel().getSelectedIndex() == 0) {
      order.remove(at);
    } else {
      String key = Fields.named(field.getValue()).orElseThrow().key();
      order.set(at, new TrackOrder.Key(key, order.get(at).falling()));
    }
    edited.accept(crate.sorted(order));
  }

  private void plus(Crate.RuleCrate crate) {
    List<TrackOrder.Key> order = new ArrayList<>(crate.order());
    order.add(new TrackOrder.Key("title", false));
    edited.accept(crate.sorted(order));
  }

  private List<Node> limit(Crate.RuleCrate crate) {
    Limit now = crate.limit();
    TextField amount = amount(now);
    ComboBox<String> unit = unit(now);
    Runnable take =
        () -> {
          Limit.Unit chosen = Limit.Unit.values()[unit.getSelectionModel().getSelectedIndex()];
          edited.accept(crate.with(now.of(chosen, number(amount.getText()))));
        };
    listen(amount, unit, now, take);
    List<Node> nodes = new ArrayList<>(List.of(amount, unit));
    nodes.add(Look.label(Words.of("order.ofArtist"), "second"));
    nodes.add(perArtist(crate));
    if (now.cuts()) {
      nodes.add(pick(crate));
    }
    nodes.add(apart(crate));
    return nodes;
  }

  private TextField perArtist(Crate.RuleCrate crate) {
    Limit now = crate.limit();
    TextField most = new TextField(now.perArtist() == 0 ? "" : String.valueOf(now.perArtist()));
    most.setId("limit-artist");
    most.setPromptText(Words.of("order.noLimit"));
    most.setAccessibleText(Words.of("order.ofArtist"));
    most.setPrefWidth(70);
    onNumber(
        most,
        now.perArtist(),
        () -> edited.accept(crate.with(now.perArtist(number(most.getText())))));
    return most;
  }

  private CheckBox apart(Crate.RuleCrate crate) {
    CheckBox apart = new CheckBox(Words.of("order.apart"));
    apart.setId("limit-apart");
    apart.setSelected(crate.limit().apart());
    apart.setOnAction(e -> edited.accept(crate.with(crate.limit().apart(apart.isSelected()))));
    return apart;
  }

  private static TextField amount(Limit now) {
    TextField amount = new TextField(now.amount() == 0 ? "" : String.valueOf(now.amount()));
    amount.setId("limit-amount");
    amount.setPromptText(Words.of("order.noLimit"));
    amount.setAccessibleText(Words.of("order.atMost"));
    amount.setPrefWidth(70);
    return amount;
  }

  private static ComboBox<String> unit(Limit now) {
    ComboBox<String> unit = new ComboBox<>();
    unit.setId("limit-unit");
    for (Limit.Unit one : Limit.Unit.values()) {
      unit.getItems().add(Words.of("limit." + one.name().toLowerCase(java.util.Locale.ROOT)));
    }
    unit.getSelectionModel().select(now.unit().ordinal());
    unit.setAccessibleText(Words.of("order.unit"));
    return unit;
  }

  private static void listen(TextField amount, ComboBox<String> unit, Limit now, Runnable take) {
    onNumber(amount, now.amount(), take);
    unit.setOnAction(e -> take.run());
  }

  /** Takes a number when Enter is pressed, or when another one was left behind. */
  private static void onNumber(TextField field, int now, Runnable take) {
    field.setOnAction(e -> take.run());
    field
        .focusedProperty()
        .addListener(
            (o, before, focused) -> {
              if (!focused && !field.getText().equals(now == 0 ? "" : String.valueOf(now))) {
                take.run();
              }
            });
  }

  /** The figures of a text as a number of at most seven; 0 for none. */
  private static int number(String typed) {
    String figures = typed.replaceAll("\\D", "");
    return figures.isEmpty()
        ? 0
        : Integer.parseInt(figures.substring(0, Math.min(7, figures.length())));
  }

  /** The first of the order, or by chance; drawn anew at each press. */
  private Node pick(Crate.RuleCrate crate) {
    Limit now = crate.limit();
    ComboBox<String> pick = new ComboBox<>();
    pick.setId("limit-pick");
    pick.setAccessibleText(Words.of("order.pick"));
    pick.getItems()
        .setAll(Words.of("limit.first"), Words.of("limit.chance"), Words.of("limit.again"));
    pick.getSelectionModel().select(now.draw() == 0 ? 0 : 1);
    pick.setOnAction(
        e -> {
          int chosen = pick.getSelectionModel().getSelectedIndex();
          long draw = chosen == 0 ? 0 : now.draw() + 1;
          edited.accept(crate.with(now.drawn(draw)));
        });
    return pick;
  }
}
