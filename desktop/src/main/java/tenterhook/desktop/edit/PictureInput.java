package tenterhook.desktop.edit;

import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import javax.imageio.ImageIO;

/**
 * A picture from a file that is chosen, from the clipboard or from a drop; read beside the window.
 */
public final class PictureInput {
  private PictureInput() {}

  /** Asks for a file; empty when none is chosen. */
  public static Optional<Callable<byte[]>> chosen(Window window) {
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("JPEG, PNG", "*.jpg", "*.jpeg", "*.png"));
    return Optional.ofNullable(chooser.showOpenDialog(window)).map(PictureInput::of);
  }

  /**
   * What a clipboard or a drop holds: a file, or a picture itself.
   *
   * @return reads it; empty when it holds neither
   */
  public static Optional<Callable<byte[]>> held(Clipboard from) {
    List<File> files = from.getFiles();
    if (files != null && !files.isEmpty()) {
      return Optional.of(of(files.getFirst()));
    }
    return Optional.ofNullable(from.getImage()).map(PictureInput::of);
  }

  /** Whether a clipboard or a drop holds a file or a picture. */
  public static boolean isHeld(Clipboard from) {
    return from.hasFiles() || from.hasImage();
  }

  /** A picture in a file. */
  public static Callable<byte[]> of(File file) {
    return () -> Files.readAllBytes(file.toPath());
  }

  private static Callable<byte[]> of(Image image) {
    return () -> {
      ByteArrayOutputStream png = new ByteArrayOutputStream();
      if (!ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", png)) {
        throw new IOException("this runtime writes no PNG");
      }
      return png.toByteArray();
    };
  }
}
