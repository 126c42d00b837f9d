package tenterhook.desktop.control;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * What every station and view is made of: a body, a title with a hint, perhaps a table, and what
 * its keys do. A station lays out its body and says what is its own.
 */
public abstract class StationOutline implements StationView {
  /** The body, to be laid out. */
  protected final BorderPane node = new BorderPane();

  /** What it works with. */
  protected final Workspace workspace;

  private final String keys;
  private final @Nullable TrackPane table;

  /**
   * A view without a table.
   *
   * @param keys the message that says what its keys do
   */
  protected StationOutline(Workspace workspace, String keys) {
    this(workspace, keys, null);
  }

  /**
   * A view with a table.
   *
   * @param keys the message that says what its keys do
   * @param table narrowed by the find field; null for none
   */
  protected StationOutline(Workspace workspace, String keys, @Nullable TrackPane table) {
    this.workspace = workspace;
    this.keys = keys;
    this.table = table;
  }

  /** A title with a hint below it. */
  protected static VBox head(Label title, Label hint) {
    return new VBox(2, title, hint);
  }

  /** A title with a hint below it, in words that stay. */
  protected static VBox head(String title, String hint) {
    return head(Look.label(Words.of(title), "heading"), Look.label(Words.of(hint), "second"));
  }

  /**
   * The list at the left from which one chooses.
   *
   * @param width preferred, in pixels
   * @param grows the part that takes the height that is left
   * @param parts from top to bottom
   */
  protected static VBox side(double width, Node grows, Node... parts) {
    VBox side = new VBox(8, parts);
    side.getStyleClass().addAll("side", "left");
    side.setPrefWidth(width);
    VBox.setVgrow(grows, Priority.ALWAYS);
    return side;
  }

  @Override
  public final Node node() {
    return node;
  }

  @Override
  public Optional<TrackPane> tracks() {
    return Optional.ofNullable(table);
  }

  @Override
  public final String keys() {
    return Words.of(keys);
  }
}
