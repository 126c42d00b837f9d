package tenterhook.desktop.repair;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.repair.Proposal;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The covers that a track could have, each with its size and where it is; one may be taken. */
final class ArtworkGallery extends VBox {
  private static final double SIDE = 84;

  private final Workspace workspace;
  private @Nullable Proposal shown;

  ArtworkGallery(Workspace workspace) {
    super(8);
    this.workspace = workspace;
    setId("gallery");
  }

  /** Shows the candidates for a proposal's track; null for none. */
  void show(@Nullable Proposal proposal) {
    shown = proposal;
    getChildren().clear();
    if (proposal != null) {
      workspace
          .repairs()
          .beside(
              () -> workspace.repairs().repairService().artworkFor(proposal.id()),
              found -> fill(proposal, found));
    }
  }

  private void fill(Proposal proposal, List<ArtworkCandidate> found) {
    if (proposal != shown) {
      return;
    }
    getChildren().setAll(Look.label(Words.of("gallery.title", found.size()), "strong"));
    for (ArtworkCandidate one : found) {
      ImageView view = new ImageView();
      view.setFitWidth(SIDE);
      view.setFitHeight(SIDE);
      view.setPreserveRatio(true);
      VBox frame = new VBox(view);
      frame.setMinSize(SIDE, SIDE);
      frame.getStyleClass().add("art");
      Label from = Look.dataLabel(one.from());
      from.setWrapText(true);
      Label size =
          Look.label(Words.of("gallery.size", one.artwork().size(), one.certainty()), "second");
      Button take = Look.button(Words.of("gallery.take"), () -> take(proposal, one));
      VBox words = new VBox(3, from, size, take);
      HBox.setHgrow(words, Priority.ALWAYS);
      getChildren().add(new HBox(10, frame, words));
      load(view, one, proposal.id());
    }
  }

  private void load(ImageView view, ArtworkCandidate one, int id) {
    workspace
        .repairs()
        .beside(
            () -> workspace.repairs().repairService().picture(one.artwork().sha256(), id),
            (Optional<byte[]> bytes) ->
                bytes.ifPresent(
                    b ->
                        view.setImage(
                            new Image(
                                new ByteArrayInputStream(b), SIDE * 2, SIDE * 2, true, true))));
  }

  private void take(Proposal proposal, ArtworkCandidate one) {
    SetField edit = proposal.edits().getFirst();
    workspace
        .repairs()
        .acceptAs(
            proposal,
            List.of(new SetField(edit.id(), Fields.ARTWORK, edit.before(), one.artwork().raw())));
  }
}
