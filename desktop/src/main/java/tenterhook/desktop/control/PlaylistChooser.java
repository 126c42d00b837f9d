package tenterhook.desktop.control;

import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.desktop.theme.Words;

/** Asks for a playlist file of any form that can be read or written. */
public final class PlaylistChooser {
  private PlaylistChooser() {}

  private static FileChooser.ExtensionFilter forms() {
    String[] endings =
        Arrays.stream(PlaylistFile.values()).map(f -> "*." + f.ending()).toArray(String[]::new);
    return new FileChooser.ExtensionFilter(Words.of("playlists.forms"), endings);
  }

  /** Asks for one to read. */
  public static Optional<Path> open(Window window) {
    FileChooser chooser = new FileChooser();
    chooser.getExtensionFilters().add(forms());
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("M3U", "*.m3u"));
    return Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath);
  }

  /**
   * Asks where to write one; its ending says the form.
   *
   * @param name proposed, without ending
   */
  public static Optional<Path> save(Window window, String name) {
    FileChooser chooser = new FileChooser();
    for (PlaylistFile form : PlaylistFile.values()) {
      chooser
          .getExtensionFilters()
          .add(new FileChooser.ExtensionFilter(form.name(), "*." + form.ending()));
    }
    chooser.setInitialFileName(name + "." + PlaylistFile.M3U8.ending());
    return Optional.ofNullable(chooser.showSaveDialog(window)).map(File::toPath);
  }
}
