package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.collections.ListChangeListener;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.desktop.workspace.Workspace;

/**
 * The columns of a track table: which, in what order, how wide, and by which the rows are sorted;
 * remembered in the collection for each kind of list.
 */
final class Columns {
  private static final int OTHERS = 110;
  private static final String SETTING = "columns";
  private static final String RISING = "+";
  private static final String FALLING = "-";
  private static final Map<Field<?>, Integer> USUAL = usual();

  private final Workspace workspace;
  private final TableView<Integer> table;
  private final String kind;
  private final List<Field<?>> first;
  private final Edited edited;

  /** Gets what was typed into a cell. */
  @FunctionalInterface
  interface Edited {
    void edit(int id, Field<?> field, String raw);
  }

  /**
   * The columns of a table, as they were left.
   *
   * @param kind of lists that it shows
   * @param first the columns until others are chosen; the usual ones when empty
   * @param edited gets what was typed
   */
  Columns(
      Workspace workspace,
      TableView<Integer> table,
      String kind,
      List<Field<?>> first,
      Edited edited) {
    this.first = List.copyOf(first);
    this.workspace = workspace;
    this.table = table;
    this.kind = kind;
    this.edited = edited;
    table.setTableMenuButtonVisible(false);
    build();
    table.getColumns().addListener((ListChangeListener<Object>) c -> keep());
    table.getSortOrder().addListener((ListChangeListener<Object>) c -> keep());
  }

  private static Map<Field<?>, Integer> usual() {
    Map<Field<?>, Integer> widths = new LinkedHashMap<>();
    widths.put(Fields.ARTIST, 150);
    widths.put(Fields.TITLE, 190);
    widths.put(Fields.ALBUM, 120);
    widths.put(Fields.YEAR, 48);
    widths.put(Fields.GENRE, 84);
    widths.put(Fields.BPM, 54);
    widths.put(Fields.KEY, 44);
    widths.put(Fields.CODES, 190);
    widths.put(Fields.RATING, 62);
    widths.put(Fields.DURATION, 48);
    widths.put(Fields.SOUND, 100);
    widths.put(Fields.FOLDER, 128);
    return widths;
  }

  private void build() {
    Map<Field<?>, Integer> wanted = new LinkedHashMap<>();
    String kept = kept();
    for (String one : kept.split(" ")) {
      String[] pair = one.split("=");
      if (pair.length == 2 && Fields.named(pair[0]).isPresent()) {
        wanted.put(Fields.of(pair[0]), Integer.parseInt(pair[1]));
      }
    }
    if (wanted.isEmpty()) {
      first.forEach(f -> wanted.put(f, USUAL.getOrDefault(f, OTHERS)));
    }
    (wanted.isEmpty() ? USUAL : wanted).forEach((f, w) -> table.getColumns().add(column(f, w)));
    for (String one : kept.split(" ")) {
      if (one.startsWith(RISING) || one.startsWith(FALLING)) {
        sortBy(one.substring(1), one.startsWith(FALLING));
      }
    }
  }

  /** What was remembered for this kind of list; without it, for all kinds. */
  private String kept() {
    return workspace
        .collection()
        .setting(SETTING + " " + kind)
        .or(() -> first.isEmpty() ? workspace.collection().setting(SETTING) : Optional.empty())
        .orElse("");
  }

  private void sortBy(String key, boolean falling) {
    fields().stream()
        .filter(c -> field(c).key().equals(key))
        .findFirst()
        .ifPresent(
            c -> {
              c.setSortType(
                  falling ? TableColumn.SortType.DESCENDING : TableColumn.SortType.ASCENDING);
              table.getSortOrder().add(c);
            });
  }

  private TableColumn<Integer, Integer> column(Field<?> field, int width) {
    TableColumn<Integer, Integer> column = new TableColumn<>(field.label());
    column.setId("column-" + field.key());
    column.setUserData(field);
    column.setPrefWidth(width);
    column.setCellValueFactory(row -> TrackPane.value(row.getValue()));
    column.setEditable(field.editable() && !field.is(Trait.LONG)); // one line cannot hold it
    column.setCellFactory(c -> new TrackCell(workspace, field, edited));
    column.widthProperty().addListener((o, before, after) -> keep());
    column.sortTypeProperty().addListener((o, before, after) -> keep());
    return column;
  }

  private void keep() {
    StringBuilder text = new StringBuilder();
    for (TableColumn<Integer, ?> column : fields()) {
      text.append(field(column).key())
          .append('=')
          .append(Math.round(column.getWidth()))
          .append(' ');
    }
    for (TableColumn<Integer, ?> by : table.getSortOrder()) {
      boolean falling = by.getSortType() == TableColumn.SortType.DESCENDING;
      text.append(falling ? FALLING : RISING).append(field(by).key()).append(' ');
    }
    workspace.debounced(
        SETTING + " " + kind,
        () -> workspace.collection().keepSetting(SETTING + " " + kind, text.toString().strip()));
  }

  /** The columns that show a field; a list may have others of its own. */
  private List<TableColumn<Integer, ?>> fields() {
    return table.getColumns().stream().filter(c -> c.getUserData() != null).toList();
  }

  static Field<?> field(TableColumn<Integer, ?> column) {
    return (Field<?>) column.getUserData();
  }

  TableColumn<Integer, ?> firstEditable() {
    return table.getVisibleLeafColumns().stream()
        .filter(TableColumn::isEditable)
        .findFirst()
        .orElseThrow(() -> new IllegalStateException("no column can be edited"));
  }

  /** A menu of all columns, those in view ticked. */
  List<CheckMenuItem> choice() {
    List<CheckMenuItem> items = new ArrayList<>();
    for (Field<?> field : Fields.offered()) {
      CheckMenuItem item = new CheckMenuItem(field.label());
      item.setSelected(table.getColumns().stream().anyMatch(c -> field(c) == field));
      item.setOnAction(
          e -> {
            if (item.isSelected()) {
              table.getColumns().add(column(field, USUAL.getOrDefault(field, OTHERS)));
            } else if (fields().size() > 1) {
              table.getColumns().removeIf(c -> field(c) == field);
            }
          });
      items.add(item);
    }
    return items;
  }
}
