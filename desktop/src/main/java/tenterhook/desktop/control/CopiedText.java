package tenterhook.desktop.control;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Text for other programs, by the system's clipboard. */
public final class CopiedText {
  private CopiedText() {}

  /** Puts a text there, in place of what was there. */
  public static void put(String text) {
    ClipboardContent content = new ClipboardContent();
    content.putString(text);
    Clipboard.getSystemClipboard().setContent(content);
  }
}
