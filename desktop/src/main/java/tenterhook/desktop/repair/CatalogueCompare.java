package tenterhook.desktop.repair;

import java.io.File;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Match;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What the catalogue says beside what the file says, field by field; each can be chosen. */
final class CatalogueCompare extends VBox {
  private static final double MATCH_HEIGHT = 54;

  private final Workspace workspace;
  private final Button ask = Look.primary("", this::lookUp);
  private final Label words = Look.label("", "second");
  private final MenuButton sources = new MenuButton(Words.of("catalogue.sources"));
  private final ListView<Match> matches = new ListView<>();
  private final GridPane fields = new GridPane(10, 5);
  private final Label reason = Look.label("", "second");
  private final Button take = Look.button(Words.of("catalogue.take"), this::take);
  private final Label absent = Look.label("", "second");
  private final Map<Field<?>, CheckBox> boxes = new LinkedHashMap<>();
  private @Nullable Proposal proposal;

  CatalogueCompare(Workspace workspace) {
    super(8);
    this.workspace = workspace;
    ask.setId("catalogue-ask");
    matches.setId("matches");
    matches.getStyleClass().add("picked");
    prepareMatches();
    prepareFields();
    take.setId("catalogue-take");
    sources.setId("catalogue-sources");
    listSources();
    workspace
        .repairs()
        .sources()
        .addListener(
            (o, before, after) -> {
              listSources();
              show(proposal);
            });
    words.setWrapText(true);
    reason.setWrapText(true);
    absent.setWrapText(true);
    absent.setId("absent");
  }

  private void prepareMatches() {
    matches.setCellFactory(
        l ->
            new TwoLineCell<>(
                m -> m.entry().artist() + " – " + m.entry().title(),
                m ->
                    Words.of(
                        "catalogue.match",
                        m.certainty(),
                        m.entry().album(),
                        String.valueOf(m.entry().year()))));
    matches
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> compare(after));
  }

  private void prepareFields() {
    ColumnConstraints box = new ColumnConstraints(24);
    ColumnConstraints label = new ColumnConstraints(62);
    ColumnConstraints value = new ColumnConstraints(40, 130, Double.MAX_VALUE);
    fields
        .getColumnConstraints()
        .addAll(box, label, value, new ColumnConstraints(40, 130, Double.MAX_VALUE));
    fields.setId("compare");
  }

  private void lookUp() {
    workspace.repairs().lookUp(workspace.repairs().toLookUp());
  }

  /** What is asked, each to be left out, and what can be asked besides. */
  private void listSources() {
    List<String> asked = workspace.repairs().sources().get();
    sources.getItems().clear();
    for (String source : asked) {
      String name = source.equals(CatalogueSources.DEMO) ? Words.of("catalogue.demo") : source;
      MenuItem leave = new MenuItem();
      leave.setMnemonicParsing(false); // a stroke below is a letter of a file's name
      leave.setId("leave-" + source);
      leave.setText(Words.of("catalogue.leave", name));
      leave.setOnAction(
          e ->
              workspace
                  .repairs()
                  .ask(asked.stream().filter(other -> !other.equals(source)).toList()));
      sources.getItems().add(leave);
    }
    if (!asked.isEmpty()) {
      sources.getItems().add(new SeparatorMenuItem());
    }
    item("catalogue.addService", this::addService);
    item("catalogue.addFile", this::addFile);
    item("catalogue.addFolder", this::addFolder);
  }

  private void item(String words, Runnable action) {
    MenuItem item = new MenuItem(Words.of(words));
    item.setId(words);
    item.setOnAction(e -> action.run());
    sources.getItems().add(item);
  }

  private void addService() {
    workspace
        .frame()
        .askWords(
            Words.of("ask.catalogue"),
            "https://",
            Words.of("do.catalogue"),
            workspace.repairs()::alsoAsk);
  }

  private void addFile() {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                Words.of("catalogue.forms"), "*.json", "*.csv", "*.xspf", "*.jspf", "*.m3u8"));
    add(chooser.showOpenDialog(getScene().getWindow()));
  }

  private void addFolder() {
    add(new DirectoryChooser().showDialog(getScene().getWindow()));
  }

  private void add(@Nullable File chosen) {
    if (chosen != null) {
      workspace.repairs().alsoAsk(chosen.toString());
    }
  }

  /** Shows the matches for a proposal's track; null for none. */
  void show(@Nullable Proposal other) {
    proposal = other;
    RoaringBitmap open = workspace.repairs().toLookUp();
    ask.setText(Words.of("catalogue.ask", open.getCardinality()));
    boolean nobody = workspace.repairs().sources().get().isEmpty();
    ask.setVisible(!open.isEmpty() && !nobody);
    ask.setManaged(!open.isEmpty() && !nobody);
    words.setText(
        Words.of(
            nobody
                ? "catalogue.nobody"
                : open.isEmpty() ? "catalogue.allAsked" : "catalogue.words"));
    Optional<Answer> answer =
        other == null ? Optional.empty() : workspace.repairs().repairService().answer(other.id());
    if (answer.isEmpty()) {
      getChildren().setAll(ask, words, sources);
      return;
    }
    getChildren().setAll(matches, fields, reason, take, absent, ask, words, sources);
    List<Match> found = answer.get().matches();
    matches.getItems().setAll(found);
    double height = MATCH_HEIGHT * Math.min(3, found.size());
    matches.setMinHeight(height);
    matches.setPrefHeight(height);
    matches.getSelectionModel().selectFirst();
  }

  private void compare(@Nullable Match match) {
    fields.getChildren().clear();
    boxes.clear();
    absent.setText("");
    Proposal now = proposal;
    if (match == null || now == null) {
      return;
    }
    reason.setText(match.reason());
    Snapshot snapshot = workspace.state().get().snapshot();
    fields.addRow(
        0,
        new Label(),
        new Label(),
        Look.label(Words.of("catalogue.file"), "second"),
        Look.label(Words.of("catalogue.catalogue"), "second"));
    int row = 1;
    for (Map.Entry<Field<?>, String> one : match.entry().values().entrySet()) {
      field(now, one.getKey(), one.getValue(), row++);
    }
    length(snapshot, now.id(), match.entry(), row);
    absent(match.entry());
  }

  /** One field of the file beside the catalogue's. */
  private void field(Proposal now, Field<?> field, String given, int row) {
    String has = workspace.state().get().snapshot().raw(now.id(), field);
    boolean differs = !has.equals(given);
    CheckBox box = new CheckBox();
    box.setAccessibleText(field.label());
    box.setId("take-" + field.key());
    box.setVisible(differs);
    box.setSelected(differs && proposed(now, field));
    boxes.put(field, box);
    Label mine = Look.dataLabel(has.isEmpty() ? Words.of("hole") : field.type().show(has));
    mine.getStyleClass().add(has.isEmpty() ? "hole" : "plain");
    Label theirs = Look.dataLabel(field.type().show(given), differs ? "given" : "plain");
    mine.setWrapText(true);
    theirs.setWrapText(true);
    fields.addRow(row, box, Look.label(field.label(), "second"), mine, theirs);
  }

  private static boolean proposed(Proposal proposal, Field<?> field) {
    return proposal.edits().stream().anyMatch(e -> e.field() == field);
  }

  private void length(Snapshot snapshot, int id, CatalogueEntry entry, int row) {
    fields.addRow(
        row,
        new Label(),
        Look.label(Fields.DURATION.label(), "second"),
        Look.label(snapshot.shown(id, Fields.DURATION)),
        Look.label(Fields.DURATION.type().show(String.valueOf(entry.seconds()))));
  }

  private void absent(CatalogueEntry entry) {
    if (!entry.album().isEmpty() && entry.trackTotal() > 0) {
      workspace
          .repairs()
          .missing(
              entry,
              found -> {
                if (!found.isEmpty()) {
                  Look.data(
                      absent,
                      Words.of(
                          "catalogue.absent",
                          found.size(),
                          entry.album(),
                          String.join(
                              ", ", found.stream().limit(4).map(CatalogueEntry::title).toList())));
                }
              });
    }
  }

  private void take() {
    Match match = matches.getSelectionModel().getSelectedItem();
    Proposal now = proposal;
    if (match == null || now == null) {
      return;
    }
    Snapshot snapshot = workspace.state().get().snapshot();
    List<SetField> edits = new ArrayList<>();
    boxes.forEach(
        (field, box) -> {
          if (box.isSelected()) {
            edits.add(
                new SetField(
                    now.id(),
                    field,
                    snapshot.raw(now.id(), field),
                    match.entry().values().get(field)));
          }
        });
    if (edits.isEmpty()) {
      workspace.frame().inform(Words.of("told.nothing"), false, 0);
    } else {
      workspace.repairs().acceptAs(now, edits);
    }
  }
}
