package tenterhook.desktop.gig;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Wish;
import tenterhook.core.gig.WishLines;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.theme.Words;

/** Takes wishes as they were sent, a line each. */
final class PasteWishesPane extends BorderPane {
  private final GigEdits edits;
  private final Consumer<String> done;
  private final Form form = new Form("wishes-form", this::take, () -> done().accept(""));
  private final TextField by = form.line("gigs.wishedBy", 28);
  private final TextArea lines = form.lines("gigs.wishLines", 14);
  private String gig = "";

  /**
   * A form.
   *
   * @param done called when nothing more is to be asked
   */
  PasteWishesPane(GigEdits edits, Consumer<String> done) {
    this.edits = edits;
    this.done = done;
    setCenter(form);
  }

  private Consumer<String> done() {
    return done;
  }

  void ask(Gig to) {
    gig = to.title();
    form.titled(Words.of("gigs.wishesFor", to.title()));
    by.setText("");
    lines.setText("");
    lines.requestFocus();
  }

  private void take() {
    List<Wish> wishes = WishLines.of(lines.getText(), by.getText());
    if (edits.edit(gig, Words.of("change.gigWishes", wishes.size()), g -> g.plusWishes(wishes))) {
      done.accept("");
    }
  }
}
