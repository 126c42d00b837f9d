package tenterhook.desktop.repair;

import java.util.List;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.desktop.control.MarkedText;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Proposals as rows: file, fields, now, will be, certainty, because. */
final class ProposalTable extends TableView<Proposal> {
  private static final double TWO_LINES = 40;
  private static final double LEAST = 72;
  private static final double LETTER = 6.3;
  private static final double PADDING = 22;
  private static final int MOST_FITTED = 300;

  private final Workspace workspace;

  ProposalTable(Workspace workspace) {
    this.workspace = workspace;
    setId("proposals");
    setAccessibleText(Words.of("repairs.table"));
    getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    setColumnResizePolicy(CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    setPlaceholder(Look.label(Words.of("repairs.tableEmpty"), "empty"));
    add("repairs.file", 112, this::file);
    add("repairs.field", 72, p -> lines(p, e -> Look.label(e.field().label(), "second")));
    add("repairs.now", 218, ProposalTable::now);
    add("repairs.willBe", 160, p -> lines(p, MarkedText::after));
    add("repairs.certainty", 74, this::certainty);
    add("repairs.because", 100, this::because);
  }

  private void add(String head, double width, Function<Proposal, Node> show) {
    TableColumn<Proposal, Proposal> column = new TableColumn<>(Words.of(head));
    column.setPrefWidth(width);
    column.setMinWidth(Math.min(width, LEAST));
    column.setSortable(false);
    column.setReorderable(false);
    column.setCellValueFactory(p -> new ReadOnlyObjectWrapper<>(p.getValue()));
    column.setCellFactory(c -> new NodeCell(show));
    getColumns().add(column);
  }

  private Node file(Proposal proposal) {
    Label name = Look.dataLabel(workspace.state().get().snapshot().fileName(proposal.id()));
    Look.tip(name, workspace.state().get().snapshot().raw(proposal.id(), Fields.PATH));
    boolean guarded =
        !workspace.state().get().snapshot().raw(proposal.id(), Fields.GUARDED).isEmpty();
    return guarded ? new VBox(name, Look.label(Words.of("mark.guarded"), "second")) : name;
  }

  private static Node lines(Proposal proposal, Function<SetField, Node> show) {
    VBox box = new VBox(1);
    box.setAlignment(Pos.CENTER_LEFT);
    for (SetField edit : proposal.edits()) {
      StackPane line = new StackPane(show.apply(edit));
      line.setAlignment(Pos.CENTER_LEFT);
      line.setMinHeight(18);
      box.getChildren().add(line);
    }
    return box;
  }

  /**
   * Where a field keeps its value, what is wrong stands elsewhere in the file, as the reason says.
   */
  private static Node now(Proposal proposal) {
    return elsewhere(proposal)
        ? Look.dataLabel(proposal.reason(), "taken")
        : lines(proposal, MarkedText::before);
  }

  private static boolean elsewhere(Proposal proposal) {
    return proposal.edits().stream().allMatch(e -> e.before().equals(e.after()));
  }

  private Node certainty(Proposal proposal) {
    boolean certain = proposal.certainty() >= workspace.repairs().rules().certainFrom();
    Region part = new Region();
    part.getStyleClass().add(certain ? "bar-certain" : "bar-doubt");
    part.setMaxWidth(30.0 * proposal.certainty() / 100);
    StackPane bar = new StackPane(part);
    bar.getStyleClass().add("bar-ground");
    bar.setAlignment(Pos.CENTER_LEFT);
    bar.setMinSize(30, 6);
    bar.setMaxSize(30, 6);
    Label number = Look.label(String.valueOf(proposal.certainty()), "strong");
    number.setMinWidth(Region.USE_PREF_SIZE);
    HBox box = new HBox(6, bar, number);
    box.setAlignment(Pos.CENTER_LEFT);
    Label tier =
        Look.label(
            Words.of(certain ? "tier.certain" : "tier.look"), certain ? "whole" : "doubt", "small");
    return new VBox(0, box, tier);
  }

  /** Two lines at the most; the whole stands beside the table. */
  private Node because(Proposal proposal) {
    Label label = Look.dataLabel(proposal.reason(), "second");
    label.setWrapText(true);
    label.setPrefHeight(TWO_LINES);
    label.prefWidthProperty().bind(getColumns().getLast().widthProperty().subtract(14));
    return Look.tip(label, proposal.reason());
  }

  /** Shows other proposals; keeps the selection where it was, or near. */
  void show(List<Proposal> some) {
    if (some.equals(getItems())) {
      refresh();
      return;
    }
    if (getItems().isEmpty() || some.isEmpty() || kind(some) != kind(getItems())) {
      fit(some);
    }
    int at = Math.max(0, getSelectionModel().getSelectedIndex());
    getItems().setAll(some);
    if (!some.isEmpty()) {
      getSelectionModel().clearAndSelect(Math.min(at, some.size() - 1));
    }
  }

  private static RepairKind kind(List<Proposal> some) {
    return some.getFirst().kind();
  }

  /** Gives each column what its longest text of this kind needs; the reason gets the rest. */
  private void fit(List<Proposal> some) {
    int file = 0;
    int before = 0;
    int after = 0;
    for (Proposal one : some.subList(0, Math.min(MOST_FITTED, some.size()))) {
      file = Math.max(file, workspace.state().get().snapshot().fileName(one.id()).length());
      before = Math.max(before, elsewhere(one) ? one.reason().length() : 0);
      for (SetField edit : one.edits()) {
        before = Math.max(before, edit.field().type().show(edit.before()).length());
        after = Math.max(after, edit.field().type().show(edit.after()).length());
      }
    }
    getColumns().get(0).setPrefWidth(Math.clamp(file * LETTER + PADDING, 112, 200));
    getColumns().get(2).setPrefWidth(Math.clamp(before * LETTER + PADDING, 60, 190));
    getColumns().get(3).setPrefWidth(Math.clamp(after * LETTER + PADDING, 80, 190));
  }

  /** The proposals that are chosen. */
  List<Proposal> chosen() {
    return getSelectionModel().getSelectedItems().stream().filter(p -> p != null).toList();
  }

  /** A cell whose node is made for its proposal. */
  private static final class NodeCell extends TableCell<Proposal, Proposal> {
    private final Function<Proposal, Node> show;

    NodeCell(Function<Proposal, Node> show) {
      this.show = show;
      getStyleClass().add("proposal-cell");
    }

    @Override
    protected void updateItem(Proposal proposal, boolean empty) {
      super.updateItem(proposal, empty);
      setGraphic(empty || proposal == null ? null : show.apply(proposal));
    }
  }
}
