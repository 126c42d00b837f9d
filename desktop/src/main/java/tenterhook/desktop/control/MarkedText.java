package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Before and after of an edit, with the letters marked that go and that come. */
public final class MarkedText {
  private MarkedText() {}

  /** A piece of a text and whether it differs. */
  public record Stretch(String text, boolean differs) {}

  /** What a field holds now; letters that go are struck. */
  public static HBox before(SetField edit) {
    return line(pieces(shown(edit, edit.before()), shown(edit, edit.after())), "taken");
  }

  /** What a field will hold; letters that come are marked. */
  public static HBox after(SetField edit) {
    return line(pieces(shown(edit, edit.after()), shown(edit, edit.before())), "given");
  }

  /** A value in words. */
  public static String shown(SetField edit, String raw) {
    return edit.field() == Fields.ARTWORK
        ? Artwork.parse(raw).map(Artwork::size).orElse("")
        : edit.field().type().show(raw);
  }

  private static HBox line(List<Stretch> pieces, String mark) {
    HBox box = new HBox();
    box.getStyleClass().add("marked");
    if (pieces.isEmpty()) {
      box.getChildren().add(Look.label(Words.of("none"), "second"));
    }
    String whole = String.join("", pieces.stream().map(Stretch::text).toList());
    for (Stretch piece : pieces) {
      Label label = new Label(piece.text());
      Look.script(label, whole);
      if (piece.differs()) {
        label.getStyleClass().add(mark);
      }
      box.getChildren().add(label);
    }
    return box;
  }

  /** A text in pieces that the other text has too, or has not. */
  public static List<Stretch> pieces(String text, String other) {
    List<Stretch> pieces = new ArrayList<>();
    int most = Math.min(text.length(), other.length());
    int front = 0;
    while (front < most && text.charAt(front) == other.charAt(front)) {
      front++;
    }
    int back = 0;
    while (back < most - front
        && text.charAt(text.length() - 1 - back) == other.charAt(other.length() - 1 - back)) {
      back++;
    }
    add(pieces, text.substring(0, front), false);
    add(pieces, text.substring(front, text.length() - back), true);
    add(pieces, text.substring(text.length() - back), false);
    return pieces;
  }

  private static void add(List<Stretch> pieces, String text, boolean differs) {
    if (!text.isEmpty()) {
      pieces.add(new Stretch(text, differs));
    }
  }
}
