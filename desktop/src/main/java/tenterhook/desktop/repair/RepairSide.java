package tenterhook.desktop.repair;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.crate.CrateEffect;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.MarkedText;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Beside the proposals: the track as it will be, what crates gain, and what the kind needs. */
final class RepairSide extends BorderPane {
  private final Workspace workspace;
  private final Label name = Look.label("", "heading");
  private final Label path = Look.label("", "second", "mono");
  private final Label reason = Look.label("", "second");
  private final GridPane facts = new GridPane(10, 5);
  private final VBox track = new VBox(6);
  private final VBox special = new VBox(8);
  private final VBox effects = new VBox(3);
  private final ArtworkGallery gallery;
  private final CatalogueCompare compare;
  private final GenresPane genres;
  private final JunkPane junk;
  private final OwnKindsPane own;
  private RepairKind kind = RepairKind.JUNK;

  RepairSide(Workspace workspace) {
    this.workspace = workspace;
    this.gallery = new ArtworkGallery(workspace);
    this.compare = new CatalogueCompare(workspace);
    this.genres = new GenresPane(workspace);
    this.junk = new JunkPane(workspace);
    this.own = new OwnKindsPane(workspace);
    name.setWrapText(true);
    path.setWrapText(true);
    ColumnConstraints labels = new ColumnConstraints(70);
    ColumnConstraints values = new ColumnConstraints(20, 170, Double.MAX_VALUE);
    facts.getColumnConstraints().addAll(labels, values);
    effects.setId("crate-effects");
    reason.setWrapText(true);
    reason.setId("repair-reason");
    track.getChildren().addAll(name, path, facts, reason);
    VBox all = new VBox(12, track, special, effects);
    all.getStyleClass().add("side-content");
    ScrollPane scroll = new ScrollPane(all);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    getStyleClass().add("side");
    setCenter(scroll);
    setPrefWidth(290);
  }

  /** Shows what a kind needs beside the track. */
  void kind(RepairKind other) {
    kind = other;
    boolean wide = kind == RepairKind.CATALOGUE;
    setPrefWidth(wide ? 370 : 290);
    Node node =
        switch (kind) {
          case ARTWORK -> gallery;
          case CATALOGUE -> compare;
          case GENRES -> genres;
          case JUNK -> junk;
          case OWN -> own;
          default -> null;
        };
    special.getChildren().setAll(node == null ? List.of() : List.of(node));
    if (kind == RepairKind.GENRES) {
      genres.refresh();
    } else if (kind == RepairKind.JUNK) {
      junk.refresh();
    } else if (kind == RepairKind.OWN) {
      own.refresh();
    }
    effects.getChildren().clear();
  }

  /** Says what the certain part of a decision does to crates. */
  void decision(RepairOverview.DecisionRow row) {
    effects.getChildren().clear();
    List<Proposal> some = row.certain().isEmpty() ? row.decision().proposals() : row.certain();
    workspace.repairs().effects(some, found -> effects(found));
  }

  private void effects(List<CrateEffect> found) {
    effects.getChildren().clear();
    effects
        .getChildren()
        .add(
            Look.label(
                Words.of(found.isEmpty() ? "repairs.noEffects" : "repairs.effects"), "second"));
    for (CrateEffect one : found) {
      Label label =
          Look.dataLabel(Words.of("repairs.effect", one.crate(), one.gains(), one.loses()));
      label.setWrapText(true);
      effects.getChildren().add(label);
    }
  }

  /** Shows the track of a proposal as it will be; null for none. */
  void show(@Nullable Proposal proposal) {
    prepare(proposal);
    if (proposal == null) {
      return;
    }
    Snapshot snapshot = workspace.state().get().snapshot();
    Map<Field<?>, SetField> edits = new HashMap<>();
    proposal.edits().forEach(e -> edits.put(e.field(), e));
    head(proposal, snapshot, edits);
    if (kind == RepairKind.CATALOGUE) {
      return;
    }
    facts(proposal, edits);
  }

  private void prepare(@Nullable Proposal proposal) {
    facts.getChildren().clear();
    track.setVisible(proposal != null);
    track.setManaged(proposal != null);
    if (kind == RepairKind.ARTWORK) {
      gallery.show(proposal);
    } else if (kind == RepairKind.CATALOGUE) {
      compare.show(proposal);
    }
  }

  private void head(Proposal proposal, Snapshot snapshot, Map<Field<?>, SetField> edits) {
    SetField titled = edits.get(Fields.TITLE);
    String title = titled == null ? snapshot.raw(proposal.id(), Fields.TITLE) : titled.after();
    name.setText("");
    Look.data(name, title.isBlank() ? snapshot.fileName(proposal.id()) : title);
    Look.data(path, snapshot.raw(proposal.id(), Fields.PATH));
    Look.data(
        reason,
        kind == RepairKind.CATALOGUE
            ? ""
            : Words.of("repairs.reason", proposal.certainty(), proposal.reason()));
  }

  private void facts(Proposal proposal, Map<Field<?>, SetField> edits) {
    int row = 0;
    for (Field<?> field : shown(edits.keySet())) {
      facts.add(Look.label(field.label(), "second"), 0, row);
      facts.add(value(proposal.id(), field, edits.get(field)), 1, row++);
    }
  }

  /** What makes a track whole, what the proposal would write besides, and the codes. */
  private static List<Field<?>> shown(Set<Field<?>> edited) {
    return Fields.offered().stream()
        .filter(f -> f.weaveGroup().isPresent() || edited.contains(f) || f == Fields.CODES)
        .toList();
  }

  private Node value(int id, Field<?> field, @Nullable SetField edit) {
    if (edit != null) {
      Label label = Look.dataLabel(MarkedText.shown(edit, edit.after()), "given");
      label.setWrapText(true);
      return label.getText().isEmpty() ? Look.label(Words.of("none"), "given") : label;
    }
    Snapshot snapshot = workspace.state().get().snapshot();
    String shown =
        field == Fields.ARTWORK
            ? snapshot.value(id, Fields.ARTWORK).map(a -> a.size()).orElse("")
            : snapshot.shown(id, field);
    boolean hole = field.weaveGroup().isPresent() && field.isHole(snapshot.raw(id, field));
    Label label =
        hole
            ? Look.label(Words.of("hole"), "hole")
            : Look.dataLabel(shown.isEmpty() ? Words.of("none") : shown);
    label.setWrapText(true);
    return label;
  }
}
