package tenterhook.desktop.gig;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import tenterhook.adapters.play.SetLists;
import tenterhook.core.gig.Afterwards;
import tenterhook.core.gig.Gig;
import tenterhook.desktop.control.CopiedText;
import tenterhook.desktop.control.PlaylistChooser;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What became of a night that is over: read from its set list, as lines that one can send. */
final class AfterwardsPane extends VBox {
  private final Workspace workspace;

  AfterwardsPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    setId("gig-afterwards");
  }

  void show(Gig gig, Afterwards after) {
    getChildren().setAll(Look.label(Words.of("gigs.afterwards"), "heading"));
    say(
        after.isKnown()
            ? Words.of(
                "gigs.afterPlayed",
                after.played().getCardinality(),
                after.asPlanned().getCardinality(),
                after.planned())
            : Words.of("gigs.afterNothing"),
        "second");
    List<String> letter =
        after.isKnown() ? after.letter(workspace.state().get().snapshot()) : List.of();
    letter.forEach(l -> say(l, ""));
    Button read = Look.button(Words.of("gigs.readSetList"), () -> choose(gig));
    read.setId("gig-read-set-list");
    FlowPane buttons = new FlowPane(6, 6, read);
    if (!letter.isEmpty()) {
      Button copy = Look.button(Words.of("gigs.copyLetter"), () -> copy(letter), "quiet");
      copy.setId("gig-copy-letter");
      buttons.getChildren().add(copy);
    }
    getChildren().add(buttons);
  }

  private void say(String words, String style) {
    Label label = style.isEmpty() ? Look.dataLabel(words) : Look.dataLabel(words, style);
    label.setWrapText(true);
    getChildren().add(label);
  }

  /** Asks which file is the set list. */
  void choose(Gig gig) {
    PlaylistChooser.open(getScene().getWindow()).ifPresent(f -> read(gig, f));
  }

  /** Counts what a set list says, once for the night of the gig. */
  void read(Gig gig, Path file) {
    workspace.job(Words.of("plays.job"), false, p -> list(gig, file), this::told);
  }

  private SetLists.SetList list(Gig gig, Path file) throws IOException {
    return SetLists.read(workspace.collection().state(), file, gig.evening().date());
  }

  private void told(SetLists.SetList list) {
    if (!list.change().isEmpty()) {
      workspace.apply(list.change());
    } else {
      workspace
          .frame()
          .inform(
              Words.of("plays.counted", list.tracks().size(), list.night().toString()), false, 0);
    }
  }

  private void copy(List<String> letter) {
    CopiedText.put(String.join("\n", letter));
    workspace.frame().inform(Words.of("gigs.letterCopied", letter.size()), false, 0);
  }
}
