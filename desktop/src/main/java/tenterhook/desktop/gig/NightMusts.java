package tenterhook.desktop.gig;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * What must be played on a night, each at its place and under its number all night long, so that
 * nothing moves under the hand; what was heard is dimmed and says when.
 */
final class NightMusts extends VBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  private final Consumer<MustPlay> tick;
  private final Label left = Look.label("", "night-title");
  private final VBox rows = new VBox();
  private final ScrollPane scroll = scrolled(rows);
  private List<MustPlay> all = List.of();
  private int chosen = -1;

  /**
   * A list of nothing yet.
   *
   * @param tick gets one that was heard
   */
  NightMusts(Consumer<MustPlay> tick) {
    this.tick = tick;
    rows.setId("night-musts");
    left.setId("night-left");
    getChildren().setAll(left, scroll);
  }

  /** What may be longer than the window. */
  static ScrollPane scrolled(Node content) {
    ScrollPane scroll = new ScrollPane(content);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    return scroll;
  }

  void show(Gig gig, Snapshot snapshot, RoaringBitmap away) {
    all = gig.mustPlays();
    long open = all.stream().filter(m -> m.heard().isEmpty()).count();
    left.setText(
        all.isEmpty() ? Words.of("night.noMust") : Words.of("night.left", open, all.size()));
    rows.getChildren().clear();
    for (int i = 0; i < all.size(); i++) {
      MustPlay must = all.get(i);
      boolean gone =
          !snapshot.has(must.track()) || snapshot.lost(must.track()) || away.contains(must.track());
      rows.getChildren().add(row(i + 1, must, snapshot.name(must.track()), gone));
    }
    choose(0);
  }

  private Node row(int number, MustPlay must, String name, boolean gone) {
    Button key = Look.button(number <= 9 ? String.valueOf(number) : "·", () -> tick.accept(must));
    key.setAccessibleText(Words.of("night.tick", name));
    key.setFocusTraversable(false);
    key.setMinWidth(Region.USE_PREF_SIZE);
    key.getStyleClass().add("night-key");
    VBox words = new VBox(NightView.wrapped(name, "night-name"));
    if (!words(must).isEmpty()) {
      words.getChildren().add(NightView.wrapped(words(must), "night-second"));
    }
    if (gone && must.heard().isEmpty()) {
      words.getChildren().add(NightView.wrapped(Words.of("night.gone"), "night-ban"));
    }
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(key, words);
    row.getStyleClass()
        .addAll("night-row", "night-must", must.heard().isPresent() ? "heard" : "open");
    return row;
  }

  private static String words(MustPlay must) {
    return must.heard()
        .map(t -> Words.of("night.heard", t))
        .orElseGet(
            () ->
                String.join(
                    " · ",
                    List.of(must.part(), must.note()).stream().filter(s -> !s.isEmpty()).toList()));
  }

  /** The one of a number, if there is one. */
  Optional<MustPlay> numbered(int number) {
    return number <= all.size() ? Optional.of(all.get(number - 1)) : Optional.empty();
  }

  /** The one that was chosen by arrows. */
  Optional<MustPlay> chosen() {
    return chosen >= 0 && chosen < all.size() ? Optional.of(all.get(chosen)) : Optional.empty();
  }

  /** Chooses the next one or the one before; with 0 the same, or none when there was none. */
  void choose(int step) {
    if (step != 0) {
      chosen = Math.clamp(chosen + step, 0, Math.max(0, all.size() - 1));
    }
    for (int i = 0; i < rows.getChildren().size(); i++) {
      rows.getChildren().get(i).pseudoClassStateChanged(CHOSEN, i == chosen);
    }
    if (chosen >= 0 && chosen < rows.getChildren().size()) {
      double height = rows.getHeight() - scroll.getViewportBounds().getHeight();
      double top = rows.getChildren().get(chosen).getBoundsInParent().getMinY();
      scroll.setVvalue(height <= 0 ? 0 : Math.min(1, top / height));
    }
  }

  /** Chooses none. */
  void rest() {
    chosen = -1;
    choose(0);
  }
}
