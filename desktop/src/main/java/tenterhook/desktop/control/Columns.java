package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.desktop.workspace.Workspace;

/** The columns of the track table: which, in what order, how wide; remembered in the collection. */
final class Columns {
  private static final String SETTING = "columns";
  private static final Map<Field<?>, Integer> USUAL = usual();

  private final Workspace workspace;
  private final TableView<Integer> table;
  private final Edited edited;

  /** Gets what was typed into a cell. */
  @FunctionalInterface
  interface Edited {
    void edit(int id, Field<?> field, String raw);
  }

  Columns(Workspace workspace, TableView<Integer> table, Edited edited) {
    this.workspace = workspace;
    this.table = table;
    this.edited = edited;
    table.setTableMenuButtonVisible(false);
    build();
    table.getColumns().addListener((javafx.collections.ListChangeListener<Object>) c -> keep());
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
    for (String one : workspace.collection().setting(SETTING).orElse("").split(" ")) {
      String[] pair = one.split("=");
      if (pair.length == 2 && Fields.named(pair[0]).isPresent()) {
        wanted.put(Fields.of(pair[0]), Integer.parseInt(pair[1]));
      }
    }
    (wanted.isEmpty() ? USUAL : wanted).forEach((f, w) -> table.getColumns().add(column(f, w)));
  }

  private TableColumn<Integer, Integer> column(Field<?> field, int width) {
    TableColumn<Integer, Integer> column = new TableColumn<>(field.label());
    column.setId("column-" + field.key());
    column.setUserData(field);
    column.setPrefWidth(width);
    column.setCellValueFactory(row -> TrackPane.value(row.getValue()));
    column.setEditable(field.editable());
    column.setCellFactory(c -> new TrackCell(workspace, field, edited));
    column.widthProperty().addListener((o, before, after) -> keep());
    return column;
  }

  private void keep() {
    StringBuilder text = new StringBuilder();
    for (TableColumn<Integer, ?> column : table.getColumns()) {
      text.append(field(column).key())
          .append('=')
          .append(Math.round(column.getWidth()))
          .append(' ');
    }
    workspace.debounced(
        "columns", () -> workspace.collection().keepSetting(SETTING, text.toString().strip()));
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
      if (field.is(Trait.LONG)) {
        continue;
      }
      CheckMenuItem item = new CheckMenuItem(field.label());
      item.setSelected(table.getColumns().stream().anyMatch(c -> field(c) == field));
      item.setOnAction(
          e -> {
            if (item.isSelected()) {
              table.getColumns().add(column(field, USUAL.getOrDefault(field, 110)));
            } else if (table.getColumns().size() > 1) {
              table.getColumns().removeIf(c -> field(c) == field);
            }
          });
      items.add(item);
    }
    return items;
  }
}
