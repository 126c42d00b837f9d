package tenterhook.desktop.repair;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.text.JunkText;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The list of phrases that say nothing about the music: one a line, to be edited. */
final class JunkPane extends VBox {
  private final Workspace workspace;
  private final TextArea phrases = new TextArea();

  JunkPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    phrases.setId("junk-phrases");
    phrases.setPrefRowCount(8);
    phrases.setAccessibleText(Words.of("junk.title"));
    Label words = Look.label(Words.of("junk.words"), "second");
    words.setWrapText(true);
    var keep = Look.button(Words.of("junk.keep"), this::keep);
    keep.setId("junk-keep");
    var usual = Look.button(Words.of("junk.usual"), () -> set(JunkText.USUAL), "quiet");
    getChildren()
        .addAll(
            Look.label(Words.of("junk.title"), "strong"), words, phrases, new HBox(8, keep, usual));
  }

  void refresh() {
    if (!phrases.isFocused()) {
      phrases.setText(String.join("\n", workspace.repairs().rules().junk()));
    }
  }

  private void keep() {
    set(phrases.getText().lines().map(String::strip).filter(l -> !l.isEmpty()).distinct().toList());
  }

  private void set(List<String> list) {
    workspace
        .repairs()
        .settle(workspace.repairs().rules().withJunk(list), Words.of("junk.kept", list.size()));
    phrases.setText(String.join("\n", list));
  }
}
