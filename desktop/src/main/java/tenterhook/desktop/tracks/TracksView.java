package tenterhook.desktop.tracks;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.desktop.control.StationView;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** A list of tracks that another view opened, such as the holes behind a cell of the Weave. */
public final class TracksView implements StationView {
  private final BorderPane node = new BorderPane();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final TrackPane pane;

  /** The view. */
  public TracksView(Workspace workspace) {
    this.pane = new TrackPane(workspace);
    title.setId("list-title");
    HBox head =
        new HBox(
            12,
            new VBox(2, title, words),
            Look.spring(),
            Look.button(Words.of("tracks.edit"), pane::openEdit));
    node.getStyleClass().add("main");
    node.setTop(head);
    node.setCenter(pane);
  }

  /** Shows a list. */
  public void show(TrackList list) {
    Look.data(title, list.title());
    words.setText(Words.of("tracks.words", list.ids().size()));
    pane.show(list);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public Optional<TrackPane> tracks() {
    return Optional.of(pane);
  }

  @Override
  public String keys() {
    return Words.of("keys.tracks");
  }
}
