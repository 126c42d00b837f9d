package tenterhook.desktop.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.repair.RepairOverview.DecisionRow;
import tenterhook.desktop.repair.RepairOverview.KindRow;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Destination;
import tenterhook.desktop.workspace.RepairsModel;
import tenterhook.desktop.workspace.Workspace;

/** Kinds of repairs, the decisions of the kind in view, and the proposals of the decision. */
public final class RepairsView extends StationOutline {
  private static final double DECISION_HEIGHT = 58;
  private static final int DECISIONS_IN_VIEW = 3;

  private final RepairsModel model;
  private final ListView<KindRow> kinds = new ListView<>();
  private final ListView<DecisionRow> decisions = new ListView<>();
  private final ProposalTable table;
  private final Label title = Look.label("", "heading");
  private final Button all = Look.primary("", this::takeAll);
  private final Hyperlink dismissed = new Hyperlink();
  private final HBox tools = new HBox(8);
  private final RepairSide side;
  private boolean filling;
  private RepairOverview.Basis filled = RepairOverview.Basis.NOTHING;

  /** Whether proposals were seen, so that the best kind was chosen once. */
  private boolean begun;

  /** The kind that was asked for while nothing of it was found yet. */
  private @Nullable RepairKind awaited;

  /** The view. */
  public RepairsView(Workspace workspace) {
    super(workspace, "keys.repairs");
    this.model = workspace.repairs();
    this.table = new ProposalTable(workspace);
    this.side = new RepairSide(workspace);
    node.setLeft(left());
    node.setCenter(main());
    node.setRight(side);
    node.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    workspace.whileInView(model.proposals(), node, this::fill);
  }

  private VBox left() {
    kinds.setId("kinds");
    kinds.getStyleClass().add("picked");
    kinds.setCellFactory(l -> new KindCell());
    kinds.setPlaceholder(Look.label(Words.of("repairs.none"), "empty"));
    kinds
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> pickKind(after));
    dismissed.getStyleClass().add("link");
    dismissed.setId("dismissed");
    dismissed.setOnAction(e -> model.bringBack());
    return side(250, kinds, Look.label(Words.of("repairs.order"), "second"), kinds, dismissed);
  }

  private VBox main() {
    decisions.setId("decisions");
    decisions.setAccessibleText(Words.of("repairs.decisions"));
    decisions.setCellFactory(l -> new RepairDecisionCell(this::take));
    decisions
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> chooseDecision(after));
    all.setId("take-all");
    tools.getChildren().addAll(all, more());
    HBox head = new HBox(12, title, Look.spring(), tools);
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    listenToTable();
    Label hint = Look.label(Words.of("repairs.hint"), "second");
    VBox main = new VBox(8, head, decisions, table, hint);
    VBox.setVgrow(table, Priority.ALWAYS);
    main.getStyleClass().add("main");
    return main;
  }

  private MenuButton more() {
    MenuButton more = new MenuButton(Words.of("repairs.more"));
    more.setId("repairs-more");
    more.getItems()
        .addAll(
            Look.item("repairs.off", this::switchOff),
            Look.item("repairs.edit", this::editAfter),
            Look.item("repairs.not", this::dismiss),
            Look.item("repairs.limit", this::limit),
            Look.item("repairs.again", model::look));
    return more;
  }

  private void listenToTable() {
    table
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> chooseProposal(after));
    table.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            takeChosen();
          }
        });
  }

  private void fill() {
    RepairOverview.Basis wanted =
        new RepairOverview.Basis(
            model.proposals().get(),
            workspace.state().get().snapshot(),
            model.rules().certainFrom());
    if (!wanted.isAs(filled)) { // else it stands there already
      workspace.promptly(kinds, () -> RepairOverview.of(wanted), this::fill);
    }
  }

  private void fill(RepairOverview overview) {
    filled = overview.asked();
    KindRow at = begun ? kinds.getSelectionModel().getSelectedItem() : null;
    List<KindRow> rows = overview.kinds();
    begun |= rows.stream().anyMatch(r -> r.proposals() > 0);
    int place = Math.max(0, kinds.getSelectionModel().getSelectedIndex());
    filling = true;
    kinds.getItems().setAll(rows);
    KindRow next =
        row(rows, awaited)
            .or(() -> row(rows, at == null ? null : at.kind()))
            .orElse(rows.get(Math.min(place, rows.size() - 1)));
    if (next.kind() == awaited) {
      select(next);
      awaited = begun ? null : awaited;
    } else { // the list stays where the hand left it
      kinds.getSelectionModel().select(next);
    }
    filling = false;
    chooseKind(next);
    sayDismissed();
  }

  private void select(KindRow row) {
    kinds.getSelectionModel().select(row);
    kinds.scrollTo(row);
  }

  /** Who picks a kind waits for no other any more. */
  private void pickKind(KindRow row) {
    if (row != null && !filling) {
      awaited = null;
      chooseKind(row);
    }
  }

  private static Optional<KindRow> row(List<KindRow> rows, @Nullable RepairKind kind) {
    return rows.stream().filter(r -> r.kind() == kind).findFirst();
  }

  private void sayDismissed() {
    int off = model.rules().off().size();
    int tracks =
        model.rules().dismissed().values().stream().mapToInt(RoaringBitmap::getCardinality).sum();
    dismissed.setText(Words.of("repairs.dismissedAll", off, tracks));
    dismissed.setVisible(off + tracks > 0);
    dismissed.setManaged(dismissed.isVisible());
  }

  private void chooseKind(KindRow row) {
    title.setText(Words.of("repair.kind." + row.kind().key()));
    int at = Math.max(0, decisions.getSelectionModel().getSelectedIndex());
    decisions.getItems().setAll(row.decisions());
    fitDecisions(row);
    offerAll(row);
    side.kind(row.kind());
    pick(row, at);
  }

  private void fitDecisions(KindRow row) {
    int rows = Math.min(DECISIONS_IN_VIEW, row.decisions().size());
    double height = rows * DECISION_HEIGHT + (row.decisions().size() > rows ? 24 : 4);
    decisions.setMinHeight(rows == 0 ? 0 : height);
    decisions.setMaxHeight(rows == 0 ? 0 : height);
  }

  private void offerAll(KindRow row) {
    all.setText(Words.of("repairs.applyAll", row.certain().size()));
    all.setVisible(row.certain().size() > 0 && row.decisions().size() > 1);
    all.setManaged(all.isVisible());
  }

  private void pick(KindRow row, int at) {
    if (row.decisions().isEmpty()) {
      table.show(List.of());
      side.show(null);
    } else {
      decisions.getSelectionModel().clearAndSelect(Math.min(at, row.decisions().size() - 1));
      chooseDecision(decisions.getSelectionModel().getSelectedItem());
    }
  }

  /** Turns to a kind, once it has proposals, and to the first of them that is to be looked at. */
  public void choose(RepairKind kind) {
    Optional<KindRow> there = row(kinds.getItems(), kind);
    there.ifPresent(this::select);
    awaited = begun && there.isPresent() ? null : kind;
    table.getItems().stream()
        .filter(p -> p.certainty() < model.rules().certainFrom())
        .findFirst()
        .ifPresent(p -> table.getSelectionModel().clearAndSelect(table.getItems().indexOf(p)));
  }

  private void chooseDecision(@Nullable DecisionRow row) {
    if (row != null) {
      table.show(row.decision().proposals());
      side.decision(row);
      chooseProposal(table.getSelectionModel().getSelectedItem());
    }
  }

  private void chooseProposal(Proposal proposal) {
    side.show(proposal);
    if (proposal != null) {
      workspace.choose(node, proposal.id());
    }
  }

  /** Takes what is certain of a decision; where nothing is, what is chosen in the table. */
  private void take(DecisionRow row) {
    if (row.certain().isEmpty()) {
      workspace.frame().inform(Words.of("repairs.lookFirst"), false, 0);
      table.requestFocus();
    } else {
      model.accept(row.decision().kind(), row.certain());
    }
  }

  private void takeAll() {
    KindRow row = kinds.getSelectionModel().getSelectedItem();
    if (row != null) {
      model.accept(row.kind(), row.certain());
    }
  }

  private void takeChosen() {
    List<Proposal> chosen = table.chosen();
    if (!chosen.isEmpty()) {
      model.accept(chosen.getFirst().kind(), chosen);
    }
  }

  private void dismiss() {
    RoaringBitmap ids = new RoaringBitmap();
    table.chosen().forEach(p -> ids.add(p.id()));
    if (!ids.isEmpty()) {
      model.dismiss(table.chosen().getFirst().kind(), ids);
    }
  }

  private void switchOff() {
    KindRow row = kinds.getSelectionModel().getSelectedItem();
    if (row != null) {
      String name = Words.of("repair.kind." + row.kind().key());
      model.settle(
          model.rules().switched(row.kind(), false), Words.of("repairs.switchedOff", name));
    }
  }

  private void limit() {
    RepairRules rules = model.rules();
    workspace
        .frame()
        .askText(
            Words.of("repairs.limitAsk"),
            String.valueOf(rules.certainFrom()),
            Words.of("repairs.limitDo"),
            answer -> {
              boolean good = answer.matches("[5-9]\\d|100");
              if (good) {
                model.settle(
                    rules.withCertainFrom(Integer.parseInt(answer)),
                    Words.of("repairs.limited", answer));
                fill();
              } else {
                workspace.frame().inform(Words.of("repairs.limitBad", answer), true, 0);
              }
            });
  }

  /** Asks for each field what it should be, then takes the proposal so. */
  private void editAfter() {
    List<Proposal> chosen = table.chosen();
    if (chosen.size() == 1 && chosen.getFirst().kind() != RepairKind.ARTWORK) {
      ask(chosen.getFirst(), 0, new ArrayList<>());
    }
  }

  private void ask(Proposal proposal, int place, List<SetField> done) {
    if (place == proposal.edits().size()) {
      model.acceptAs(proposal, done);
      return;
    }
    SetField edit = proposal.edits().get(place);
    workspace
        .frame()
        .askText(
            Words.of("repairs.ask", edit.field().label()),
            edit.field().type().show(edit.after()),
            Words.of(place + 1 < proposal.edits().size() ? "repairs.next" : "repairs.takeIt"),
            answer -> {
              Optional<String> wrong = edit.field().type().complaint(answer);
              if (wrong.isPresent()) {
                workspace
                    .frame()
                    .inform(
                        Words.of("told.badValue", edit.field().label(), answer, wrong.get()),
                        true,
                        0);
                return;
              }
              String raw = edit.field().type().fromTyped(answer);
              done.add(new SetField(edit.id(), edit.field(), edit.before(), raw));
              ask(proposal, place + 1, done);
            });
  }

  private void keys(KeyEvent event) {
    boolean inTable = table.isFocused();
    boolean plain = !event.isShortcutDown() && !event.isAltDown();
    if (!plain || !(inTable || decisions.isFocused() || kinds.isFocused())) {
      return;
    }
    switch (event.getCode()) {
      case ENTER -> enter(inTable);
      case E -> editAfter();
      case X -> dismiss();
      default -> {
        return;
      }
    }
    event.consume();
  }

  private void enter(boolean inTable) {
    DecisionRow decision = decisions.getSelectionModel().getSelectedItem();
    if (inTable) {
      takeChosen();
    } else if (decision != null) {
      take(decision);
    }
  }

  @Override
  public void shown() {
    model.look();
    fill();
    if (decisions.getItems().isEmpty()) {
      kinds.requestFocus();
    } else {
      decisions.requestFocus();
    }
  }

  @Override
  public void open(Destination to) {
    if (to instanceof Destination.Repair repair) {
      choose(repair.kind());
    }
  }
}
