package tenterhook.desktop.weave;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Dyes;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The home station: how whole the collection is, by groups and attributes. */
public final class WeaveView extends StationOutline {
  static final double NAME_WIDTH = 150;
  static final double COUNT_WIDTH = 40;

  private final WeaveModel model;
  private final Label title = Look.label("", "heading");
  private final HBox groups = new HBox(2);
  private final HBox heads = new HBox(2);
  private final ListView<Weave.Row> rows = new ListView<>();
  private final NextPane next;
  private @Nullable Weave shown;
  private final Dyes dyes = new Dyes(this::draw);

  /** The view of a count. */
  public WeaveView(Workspace workspace, WeaveModel model) {
    super(workspace, "keys.weave");
    this.model = model;
    this.next = new NextPane(workspace, model);
    rows.setCellFactory(l -> new WeaveRowCell(this));
    rows.setFocusTraversable(false);
    rows.setId("weave-rows");
    rows.setFixedCellSize(32);
    rows.setPlaceholder(Look.label(Words.of("weave.empty"), "empty"));
    VBox.setVgrow(rows, Priority.ALWAYS);
    groups.setAlignment(Pos.BOTTOM_LEFT);
    VBox main = new VBox(8, choices(), new VBox(2, groups, heads), rows, dyes);
    main.getStyleClass().add("main");
    node.setCenter(main);
    node.setRight(next);
    workspace.whileInView(node, this::refresh);
    workspace.whileInView(workspace.repairs().proposals(), node, next::refresh);
    node.widthProperty().addListener((o, before, after) -> cells());
  }

  /** The title, and what the rows are grouped by. */
  private HBox choices() {
    List<String> by =
        List.of(WeaveBy.values()).stream()
            .map(b -> Words.of("weave.by." + b.name().toLowerCase(Locale.ROOT)))
            .toList();
    HBox choices = Look.choices(by, 0, i -> choose(WeaveBy.values()[i]));
    choices.setId("weave-by");
    title.setId("weave-title");
    HBox head =
        new HBox(
            10,
            head(title, Look.label(Words.of("weave.words"), "second")),
            Look.spring(),
            Look.label(Words.of("weave.rowsBy"), "second"),
            choices);
    head.setAlignment(Pos.BOTTOM_LEFT);
    return head;
  }

  private void choose(WeaveBy by) {
    model.by(by);
    refresh();
  }

  private void refresh() {
    Weave weave = model.weave();
    next.refresh();
    if (weave == shown) {
      return; // it stands there already
    }
    shown = weave;
    int whole = (int) Math.floor(weave.total().whole() * 100);
    title.setText(Words.of("weave.title", weave.total().tracks(), whole));
    cells();
  }

  private void cells() {
    heads(model.weave());
    rows.getItems().setAll(model.weave().rows());
  }

  Dyes dyes() {
    return dyes;
  }

  private void draw() {
    rows.lookupAll(".weave-row").forEach(row -> ((WeaveRowCell) row).draw());
  }

  double cellWidth() {
    double room = node.getWidth() - next.getPrefWidth() - 36 - NAME_WIDTH - COUNT_WIDTH - 20;
    return Math.max(34, Math.floor(room / model.weave().columns().size()) - 2);
  }

  private void heads(Weave weave) {
    double width = cellWidth();
    groups.getChildren().setAll(gap(NAME_WIDTH + COUNT_WIDTH));
    heads.getChildren().setAll(gap(NAME_WIDTH + COUNT_WIDTH));
    String group = "";
    for (WeaveColumn column : weave.columns()) {
      if (!column.group().equals(group)) {
        group = column.group();
        String now = group;
        long count = weave.columns().stream().filter(c -> c.group().equals(now)).count();
        Label label = Look.label(group, "weave-group");
        label.setMinWidth(count * (width + 2) - 2);
        label.setMaxWidth(count * (width + 2) - 2);
        groups.getChildren().add(label);
      }
      Node head = Look.button(column.label(), () -> openColumn(column), "link");
      head.setId("head-" + column.key());
      sized(head, width);
      heads.getChildren().add(head);
    }
  }

  private static Node gap(double width) {
    Label gap = new Label();
    gap.setMinWidth(width);
    return gap;
  }

  static void sized(Node node, double width) {
    if (node instanceof javafx.scene.layout.Region region) {
      region.setMinWidth(width);
      region.setPrefWidth(width);
      region.setMaxWidth(width);
    }
  }

  Weave weave() {
    return model.weave();
  }

  void openRow(Weave.Row row) {
    workspace.frame().show(TrackList.of(row.group(), weave().tracks(row.group())));
  }

  void openCell(Weave.Row row, WeaveColumn column) {
    RoaringBitmap ids = weave().tracks(row.group());
    ids.and(weave().holes(column));
    workspace
        .frame()
        .show(TrackList.of(Words.of("weave.cell", row.group(), holeName(column)), ids));
  }

  private void openColumn(WeaveColumn column) {
    workspace.frame().show(TrackList.of(holeName(column), weave().holes(column)));
  }

  static String holeName(WeaveColumn column) {
    return column.key().equals(WeaveColumn.PRESENT)
        ? Words.of("weave.lostFile")
        : Words.of("weave.missing", column.label());
  }

  @Override
  public void shown() {
    refresh();
  }
}
