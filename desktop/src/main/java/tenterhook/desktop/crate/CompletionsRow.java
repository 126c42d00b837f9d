package tenterhook.desktop.crate;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import tenterhook.core.crate.Completions.Offer;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * Values that may be meant while a line is written, with their counts. It always takes its row, so
 * that nothing moves while one clicks; the arrow keys take one after the other.
 */
final class CompletionsRow extends HBox {
  private static final double HEIGHT = 28;

  private List<Offer> offers = List.of();
  private Optional<LineRow> writing = Optional.empty();
  private int taken;
  private boolean taking;

  CompletionsRow() {
    super(6);
    setId("offers");
    setAlignment(Pos.CENTER_LEFT);
    setMinHeight(HEIGHT);
    setMaxHeight(HEIGHT);
  }

  /** Whether what is typed comes from here, so that other offers are not wanted. */
  boolean taking() {
    return taking;
  }

  void show(LineRow row, List<Offer> found) {
    writing = Optional.of(row);
    offers = found;
    taken = -1;
    getChildren().clear();
    if (!found.isEmpty()) {
      getChildren().add(Look.label(Words.of("rule.offers"), "second"));
    }
    for (int i = 0; i < found.size(); i++) {
      int at = i;
      Offer offer = found.get(i);
      Button button = Look.button("", () -> take(at), "quiet", "offer");
      button.setId("offer-" + i);
      Label value = Look.dataLabel(offer.text(), "token");
      button.setGraphic(new HBox(5, value, Look.label(String.valueOf(offer.tracks()), "second")));
      button.setAccessibleText(Words.of("rule.offer", offer.text(), offer.words(), offer.tracks()));
      button.setFocusTraversable(false);
      getChildren().add(button);
    }
  }

  /** Takes the next offer, or the one before. */
  void step(int by) {
    if (!offers.isEmpty()) {
      take(Math.floorMod(taken + (taken < 0 && by < 0 ? 0 : by), offers.size()));
    }
  }

  private void take(int at) {
    taken = at;
    taking = true;
    writing.ifPresent(
        row -> {
          row.take(offers.get(at).text());
          row.focusValues();
        });
    taking = false;
  }
}
