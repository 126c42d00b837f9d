package tenterhook.adapters.repair;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.ExternalEvidence.Beside;

/** Finds the pictures that lie beside music. Only reads. */
final class FolderPictures {
  private final Map<String, Path> bySha = new HashMap<>();

  /** The usable pictures in every folder that has music, by {@code root/folder}. */
  Map<String, List<Beside>> look(CollectionState state, Progress progress) {
    Map<String, Path> folders = new TreeMap<>();
    state
        .snapshot()
        .tracks()
        .forEach(
            (int id) -> {
              String folder = state.snapshot().raw(id, Fields.FOLDER);
              Path root = state.roots().get(state.snapshot().raw(id, Fields.ROOT));
              if (root != null && !state.snapshot().lost(id)) {
                folders.put(
                    state.snapshot().raw(id, Fields.ROOT) + "/" + folder, root.resolve(folder));
              }
            });
    Map<String, List<Beside>> found = new HashMap<>();
    long done = 0;
    for (Map.Entry<String, Path> folder : folders.entrySet()) {
      if (progress.stopped()) {
        break;
      }
      List<Beside> pictures = in(folder.getValue());
      if (!pictures.isEmpty()) {
        found.put(folder.getKey(), pictures);
      }
      progress.at(++done, folders.size(), folder.getKey());
    }
    return found;
  }

  private List<Beside> in(Path folder) {
    List<Beside> pictures = new ArrayList<>();
    try (DirectoryStream<Path> files =
        Files.newDirectoryStream(folder, "*.{jpg,jpeg,png,JPG,JPEG,PNG}")) {
      for (Path file : files) {
        take(file, pictures);
      }
    } catch (IOException unreadable) {
      return List.of(); // a folder that cannot be read offers no picture; the scan reports it
    }
    pictures.sort(Comparator.comparing(Beside::name));
    return pictures;
  }

  private void take(Path file, List<Beside> pictures) throws IOException {
    if (Files.isRegularFile(file) && Files.size(file) <= ArtworkImages.MOST_BYTES) {
      Artwork art = ArtworkImages.describe(BoundedText.bytes(file, ArtworkImages.MOST_BYTES));
      if (art.usable() && art.fits()) {
        bySha.put(art.sha256(), file);
        pictures.add(new Beside(file.getFileName().toString(), art));
      }
    }
  }

  /** The bytes of a picture that was found, if its file still holds them. */
  Optional<byte[]> bytes(String sha256) {
    Path file = bySha.get(sha256);
    if (file == null) {
      return Optional.empty();
    }
    try {
      byte[] bytes = BoundedText.bytes(file, ArtworkImages.MOST_BYTES);
      return ArtworkImages.sha256(bytes).equals(sha256) ? Optional.of(bytes) : Optional.empty();
    } catch (IOException gone) {
      return Optional.empty();
    }
  }
}
