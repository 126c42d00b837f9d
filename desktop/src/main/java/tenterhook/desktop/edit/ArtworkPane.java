package tenterhook.desktop.edit;

import java.io.ByteArrayInputStream;
import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Shows the artwork of the tracks being edited; takes another from a file, drop, paste or track.
 */
final class ArtworkPane extends HBox {
  private static final int SIDE = 92;

  private final Workspace workspace;
  private final Consumer<Optional<String>> chosen;
  private final ImageView image = new ImageView();
  private final Label size = Look.label("", "second");
  private EditModel model;

  /**
   * The pane.
   *
   * @param chosen gets the raw value of the artwork that was chosen; empty text takes it away
   */
  ArtworkPane(Workspace workspace, Consumer<Optional<String>> chosen) {
    super(10);
    this.workspace = workspace;
    this.chosen = chosen;
    this.model = new EditModel(workspace.state().get().snapshot(), new RoaringBitmap());
    StackPane frame = frame();
    VBox buttons =
        new VBox(
            3,
            size,
            Look.button(Words.of("art.file"), this::fromFile, "quiet"),
            Look.button(Words.of("art.paste"), this::paste, "quiet"),
            Look.button(Words.of("art.track"), this::fromTrack, "quiet"),
            Look.button(Words.of("art.remove"), this::remove, "quiet"));
    getChildren().addAll(frame, buttons);
    takeDrops();
  }

  private StackPane frame() {
    image.setFitWidth(SIDE);
    image.setFitHeight(SIDE);
    image.setPreserveRatio(true);
    StackPane frame = new StackPane(image);
    frame.getStyleClass().add("art");
    frame.setMinSize(SIDE + 2, SIDE + 2);
    frame.setMaxSize(SIDE + 2, SIDE + 2);
    size.setId("art-size");
    return frame;
  }

  private void takeDrops() {
    setOnDragOver(
        e -> {
          if (PictureInput.isHeld(e.getDragboard())) {
            e.acceptTransferModes(TransferMode.COPY);
          }
          e.consume();
        });
    setOnDragDropped(
        e -> {
          Optional<Callable<byte[]>> held = PictureInput.held(e.getDragboard());
          held.ifPresent(this::take);
          e.setDropCompleted(held.isPresent());
          e.consume();
        });
  }

  void show(EditModel other, RoaringBitmap ids) {
    model = other;
    image.setImage(null);
    List<String> values = model.values(Fields.ARTWORK);
    if (model.distinct(Fields.ARTWORK) > 1) {
      size.setText(Words.of("edit.several", model.distinct(Fields.ARTWORK)));
      return;
    }
    say(values);
    if (!ids.isEmpty()) {
      load(ids.first());
    }
  }

  private void say(List<String> values) {
    size.setText(
        values.stream()
            .findFirst()
            .flatMap(Artwork::parse)
            .map(this::words)
            .orElse(Words.of("art.none")));
  }

  private void load(int id) {

    EditModel asked = model;
    workspace.job(
        Words.of("art.load"),
        false,
        p -> workspace.collection().covers().of(id),
        bytes -> {
          if (model == asked) {
            bytes.ifPresent(b -> image.setImage(new Image(new ByteArrayInputStream(b))));
          }
        });
  }

  private String words(Artwork art) {
    String kind = art.mime().replace("image/", "");
    return Words.of("art.size", art.size(), kind, Math.max(1, art.bytes() / 1024));
  }

  private void fromFile() {
    PictureInput.chosen(getScene().getWindow()).ifPresent(this::take);
  }

  /** Takes a picture from a file; what is wrong with it is said. */
  void take(File file) {
    take(PictureInput.of(file));
  }

  /** A picture with what it is by now. */
  private record TakenPicture(byte[] bytes, Artwork artwork) {}

  private void take(Callable<byte[]> picture) {
    EditModel asked = model;
    workspace.background(
        () -> {
          byte[] bytes = picture.call();
          return new TakenPicture(bytes, workspace.collection().covers().keep(bytes));
        },
        taken -> {
          if (model == asked) {
            image.setImage(new Image(new ByteArrayInputStream(taken.bytes())));
            size.setText(words(taken.artwork()));
            chosen.accept(Optional.of(taken.artwork().raw()));
          }
        });
  }

  private void paste() {
    PictureInput.held(Clipboard.getSystemClipboard())
        .ifPresentOrElse(
            this::take, () -> workspace.frame().inform(Words.of("art.noPaste"), false, 0));
  }

  /** From the first track with artwork that a query finds. */
  private void fromTrack() {
    workspace
        .frame()
        .askText(
            Words.of("art.askTrack"),
            "",
            Words.of("art.take"),
            text ->
                workspace
                    .findOne(text)
                    .flatMap(id -> workspace.collection().covers().of(id))
                    .ifPresentOrElse(
                        bytes -> take(() -> bytes),
                        () -> workspace.frame().inform(Words.of("art.noTrack"), true, 0)));
  }

  private void remove() {
    image.setImage(null);
    size.setText(Words.of("art.none"));
    chosen.accept(Optional.of(""));
  }
}
