package tenterhook.desktop.tracks;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** A list of tracks that another view opened, such as the holes behind a cell of the Weave. */
public final class TracksView extends StationOutline {
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final TrackPane pane;

  /** The view. */
  public TracksView(Workspace workspace) {
    super(workspace, "keys.tracks", new TrackPane(workspace));
    this.pane = tracks().orElseThrow();
    title.setId("list-title");
    HBox head =
        new HBox(
            12,
            head(title, words),
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
}
