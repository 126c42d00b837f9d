package tenterhook.desktop.goeswith;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.core.goeswith.Follower;
import tenterhook.core.goeswith.Follower.ScorePart;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** A track that follows: its points, and for each reason how many of how many and why. */
final class FollowerCell extends ListCell<Follower> {
  private static final double BAR = 110;
  private static final double WIDTH = 236;

  private final Workspace workspace;
  private final Label score = Look.label("", "strong", "score");
  private final Label name = Look.label("", "strong");
  private final HBox parts = new HBox(18);
  private final HBox box = new HBox(14, score, new VBox(4, name, parts));

  FollowerCell(Workspace workspace) {
    this.workspace = workspace;
    box.setAlignment(Pos.CENTER_LEFT);
    score.setMinWidth(34);
    score.setAlignment(Pos.CENTER_RIGHT);
  }

  @Override
  protected void updateItem(Follower item, boolean empty) {
    super.updateItem(item, empty);
    if (empty || item == null) {
      setGraphic(null);
      return;
    }
    score.setText(String.valueOf(item.score()));
    Look.data(name, workspace.state().get().snapshot().name(item.id()));
    parts.getChildren().clear();
    item.parts().forEach(p -> parts.getChildren().add(part(p)));
    setGraphic(box);
    setAccessibleText(Words.of("follow.row", name.getText(), String.valueOf(item.score())));
  }

  private static VBox part(ScorePart part) {
    HBox bar = new HBox(piece(part.points(), part, "bar-part"));
    bar.getChildren().add(piece(part.most() - part.points(), part, "bar-ground"));
    Label words =
        Look.label(
            Words.of(
                "follow.part",
                part.words(),
                String.valueOf(part.points()),
                String.valueOf(part.most())),
            "second");
    words.setMinWidth(WIDTH);
    words.setMaxWidth(WIDTH);
    return new VBox(2, words, bar);
  }

  private static Region piece(int points, ScorePart part, String style) {
    Region region = new Region();
    region.getStyleClass().add(style);
    region.setMinSize(BAR * points / part.most(), 4);
    region.setPrefSize(BAR * points / part.most(), 4);
    region.setMaxHeight(4);
    return region;
  }
}
