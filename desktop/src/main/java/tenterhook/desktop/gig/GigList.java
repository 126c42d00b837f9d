package tenterhook.desktop.gig;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;
import tenterhook.desktop.gig.GigList.GigRow;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The gigs that come, then those that were played. */
final class GigList extends ListView<GigRow> {
  private static final double HEIGHT = 30;
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

  /** A line of the list; a heading has no gig. */
  record GigRow(String words, Optional<Gig> gig) {}

  /**
   * An empty list.
   *
   * @param chosen gets the gig that is chosen by hand
   */
  GigList(Consumer<Gig> chosen) {
    setId("gigs");
    setFixedCellSize(HEIGHT);
    setAccessibleText(Words.of("station.gigs"));
    setCellFactory(l -> new GigCell());
    getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, before, after) -> {
              if (after != null) {
                after.gig().ifPresent(chosen);
              }
            });
  }

  /** Lists all gigs and marks one. */
  void show(Gigs all, LocalDate today, String title) {
    List<GigRow> rows = new ArrayList<>();
    add(rows, "gigs.coming", all.coming(today));
    add(rows, "gigs.played", all.played(today));
    if (!rows.equals(getItems())) {
      getItems().setAll(rows);
    }
    rows.stream()
        .filter(r -> r.gig().filter(g -> g.title().equalsIgnoreCase(title)).isPresent())
        .findFirst()
        .ifPresent(getSelectionModel()::select);
  }

  private static void add(List<GigRow> rows, String heading, List<Gig> gigs) {
    if (!gigs.isEmpty()) {
      rows.add(new GigRow(Words.of(heading), Optional.empty()));
      gigs.forEach(g -> rows.add(new GigRow(g.title(), Optional.of(g))));
    }
  }

  /** A gig with its date, or a heading. */
  private static final class GigCell extends ListCell<GigRow> {
    private final Label name = Look.label("");
    private final Label date = Look.label("", "second");
    private final BorderPane box = new BorderPane();

    GigCell() {
      date.setMinWidth(USE_PREF_SIZE);
      box.setLeft(name);
      box.setRight(date);
    }

    @Override
    protected void updateItem(GigRow row, boolean empty) {
      super.updateItem(row, empty);
      setText(null);
      setGraphic(null);
      setDisable(row != null && row.gig().isEmpty());
      if (empty || row == null) {
        return;
      }
      Look.data(name, row.words());
      name.getStyleClass().remove("strong");
      if (row.gig().isEmpty()) {
        name.getStyleClass().add("strong");
      }
      date.setText(row.gig().map(g -> g.evening().date().format(DAY)).orElse(""));
      setGraphic(box);
    }
  }
}
