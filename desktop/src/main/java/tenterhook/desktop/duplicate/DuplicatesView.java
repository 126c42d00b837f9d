package tenterhook.desktop.duplicate;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Doubt;
import tenterhook.core.duplicate.Group;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Groups of copies with their evidence, compared side by side: one survivor each. */
public final class DuplicatesView extends StationOutline {
  private final DuplicatesModel model;
  private final ListView<Group> groups = new ListView<>();
  private final ComboBox<String> criteria = new ComboBox<>();
  private final Label summary = Look.label("", "second");
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final Label hint = Look.label(Words.of("duplicates.hint"), "second");
  private final Button keep;
  private final Button stay;
  private final Button all;
  private final CopiesGrid grid;
  private final SurvivorPane survivor;
  private final SparesPane spares;
  private final HoldingPane holding;
  private final ToggleButton staying = new ToggleButton(Words.of("duplicates.staying"));
  private List<Criteria> sets = List.of();

  /** The view. */
  public DuplicatesView(Workspace workspace, DuplicatesModel model) {
    super(workspace, "keys.duplicates");
    this.model = model;
    this.grid = new CopiesGrid(workspace);
    this.survivor = new SurvivorPane(workspace, model);
    this.spares = new SparesPane(workspace, model, () -> right(true));
    this.holding = new HoldingPane(workspace, () -> right(false));
    keep = Look.primary(Words.of("duplicates.keep"), this::keepOne);
    keep.setId("keep-one");
    stay = Look.button("", this::bothStay);
    stay.setId("both-stay");
    all = Look.button("", this::resolveAll);
    all.setId("resolve-all");
    prepareLists();
    follow();
  }

  private void prepareLists() {
    groups.setId("groups");
    groups.getStyleClass().add("picked");
    groups.setAccessibleText(Words.of("duplicates.groups"));
    groups.setCellFactory(l -> new GroupCell(workspace));
    groups.getSelectionModel().selectedItemProperty().addListener((o, was, now) -> choose(now));
    groups.setOnKeyPressed(this::keys);
    groups.setPlaceholder(Look.label(Words.of("duplicates.none"), "empty"));
    criteria.setId("criteria");
    criteria.setMaxWidth(Double.MAX_VALUE);
    criteria.setAccessibleText(Words.of("duplicates.criteria"));
  }

  private void follow() {
    build();
    model.follow(() -> found(model.shown()));
    workspace.whileInView(holding, holding::refresh);
    workspace.whileInView(node, model::followState);
  }

  private void build() {
    staying.setId("show-staying");
    staying.setOnAction(e -> model.staying(staying.isSelected()));
    VBox left = left();
    VBox main = main();
    node.setLeft(left);
    node.setCenter(main);
    right(false);
    fillCriteria();
    criteria.setOnAction(e -> chooseCriteria());
  }

  private VBox left() {
    VBox left =
        new VBox(
            8,
            summary,
            Look.label(Words.of("duplicates.criteria"), "second"),
            criteria,
            groups,
            staying);
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(262);
    VBox.setVgrow(groups, Priority.ALWAYS);
    return left;
  }

  private VBox main() {
    ScrollPane scroll = new ScrollPane(grid);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    title.setWrapText(true);
    HBox buttons = new HBox(8, keep, stay, Look.spring(), all);
    VBox main = new VBox(8, head(title, words), buttons, scroll, hint);
    main.getStyleClass().add("main");
    return main;
  }

  /** The side shows what makes a survivor, or the holding bay. */
  private void right(boolean bay) {
    VBox side = new VBox(14, survivor, spares);
    side.getStyleClass().add("side");
    side.setPrefWidth(262);
    side.setMinWidth(262);
    node.setRight(bay ? holding : side);
    if (bay) {
      holding.refresh();
    }
  }

  private Snapshot snapshot() {
    return workspace.state().get().snapshot();
  }

  private void fillCriteria() {
    sets = CopySearch.criteria(workspace.collection());
    List<String> names = new ArrayList<>();
    names.add(Words.of("duplicates.heardOnly"));
    sets.forEach(c -> names.add(c.name()));
    names.add(Words.of("duplicates.own"));
    criteria.getItems().setAll(names);
    int at = model.criteria().map(sets::indexOf).orElse(-1);
    criteria.getSelectionModel().select(at + 1);
  }

  private void chooseCriteria() {
    int at = criteria.getSelectionModel().getSelectedIndex();
    if (at == criteria.getItems().size() - 1) {
      String now = model.criteria().orElse(Criteria.USUAL).toString();
      workspace
          .frame()
          .askText(Words.of("ask.criteria"), now, Words.of("do.criteria"), this::keepCriteria);
    } else if (at >= 0) {
      model.criteria(at == 0 ? Optional.empty() : Optional.of(sets.get(at - 1)));
    }
  }

  private void keepCriteria(String text) {
    try {
      Criteria own = Criteria.parse(text);
      CopySearch.keep(workspace.collection(), own);
      model.criteria(Optional.of(own));
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(Words.of("duplicates.notCriteria", wrong.getMessage()), true, 0);
    }
    fillCriteria();
  }

  static String doubt(Group group) {
    return Words.of("doubt." + group.doubt().name().toLowerCase(Locale.ROOT));
  }

  private void found(List<Group> now) {
    long freed = now.stream().mapToLong(Group::bytesFreed).sum();
    long offered = now.stream().filter(Group::offered).count();
    summary.setText(Words.of("duplicates.summary", now.size(), Words.megabytes(freed)));
    all.setText(Words.of("duplicates.all", offered));
    all.setVisible(offered > 0 && !model.staying());
    keep.setManaged(!model.staying());
    list(now);
    for (Node part : List.of(keep, stay, hint)) {
      part.setVisible(!now.isEmpty() && (part != keep || !model.staying()));
    }
    if (now.isEmpty()) {
      sayNone();
    }
    survivor.show(now);
    spares.show(now);
  }

  private void list(List<Group> now) {
    int at = Math.max(0, groups.getSelectionModel().getSelectedIndex());
    if (!now.equals(groups.getItems())) {
      groups.getItems().setAll(now);
      groups.getSelectionModel().select(Math.min(at, now.size() - 1));
    }
  }

  private void sayNone() {
    title.setText(Words.of(model.staying() ? "duplicates.noStay" : "duplicates.noneTitle"));
    words.setText(Words.of(model.staying() ? "duplicates.noStayWords" : "duplicates.none"));
    grid.clear();
  }

  private void choose(Group group) {
    if (group == null) {
      return;
    }
    Look.data(title, snapshot().name(group.survivor()));
    Look.data(words, words(group));
    boolean homes = group.doubt() == Doubt.TWO_HOMES;
    stay.setText(
        Words.of(
            model.staying()
                ? "duplicates.askAgain"
                : homes ? "duplicates.bothStay" : "duplicates.notCopies"));
    keep.setDisable(group.doubt() == Doubt.SOUND_DIFFERS);
    workspace.choose(node, group.survivor());
    grid.show(group);
  }

  private String words(Group group) {
    String decided =
        group
            .decidedBy()
            .map(p -> Words.of("duplicates.decided", p.words()))
            .orElse(Words.of("duplicates.tie"));
    String alike =
        model
            .likeness(group.survivor(), group.spares().getFirst())
            .map(share -> " " + Words.of("duplicates.alike", Math.round(100 * share)))
            .orElse("");
    String doubt = group.doubt() == Doubt.NONE ? "" : " " + Words.of(doubtWords(group));
    return Words.of("duplicates.words", group.tracks().size(), group.evidence().words())
        + alike
        + doubt
        + (group.doubt() == Doubt.SOUND_DIFFERS ? "" : " " + decided);
  }

  private static String doubtWords(Group group) {
    return "doubtWords." + group.doubt().name().toLowerCase(Locale.ROOT);
  }

  private void keys(KeyEvent event) {
    if (event.getCode() == KeyCode.ENTER) {
      keepOne();
      event.consume();
    }
  }

  @Override
  public boolean take(KeyEvent event) {
    int number = event.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
    boolean plain = !event.isShortcutDown() && !event.isAltDown();
    if (plain && event.getCode() == KeyCode.K) {
      grid.keepHeard();
      return true;
    }
    return plain && event.getCode().isDigitKey() && number >= 0 && grid.hear(number);
  }

  private void keepOne() {
    Group group = groups.getSelectionModel().getSelectedItem();
    if (group != null && keep.isVisible() && !keep.isDisable()) {
      model.keep(group, grid.survivor(), grid.spares(), grid.declined());
    }
  }

  private void bothStay() {
    Group group = groups.getSelectionModel().getSelectedItem();
    if (group != null && model.staying()) {
      model.noMore(group);
    } else if (group != null) {
      model.bothStay(group);
      workspace
          .frame()
          .ask(
              Words.of("ask.bothStay", snapshot().name(group.survivor())),
              Words.of("do.bothStay"),
              () -> model.noMore(group));
    }
  }

  private void resolveAll() {
    List<Group> offered = model.groups().get().stream().filter(Group::offered).toList();
    int count = offered.stream().mapToInt(g -> g.spares().size()).sum();
    workspace
        .frame()
        .ask(
            Words.of("ask.resolveAll", offered.size(), count),
            Words.of("do.resolveAll", count),
            model::keepAll);
  }

  @Override
  public void shown() {
    model.look();
    model.followState();
    if (node.getRight() == holding) {
      holding.refresh();
    }
    groups.requestFocus();
    choose(groups.getSelectionModel().getSelectedItem());
  }
}
