package tenterhook.adapters.catalogue;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.SeveralCatalogues;
import tenterhook.core.job.Progress;

/**
 * Which catalogues a collection asks, in order: addresses of services, files, folders. A new
 * collection asks none. The names are kept with the collection; services are remembered while this
 * object lives, files are read again for each look-up.
 */
public final class CatalogueSources {
  /** The name of the stand-in that knows the demo's recordings. */
  public static final String DEMO = "demo";

  private static final String SETTING = "catalogues";

  private final StandIn standIn;
  private final Map<String, Catalogue> services = new HashMap<>();
  private final List<String> leftOut = new ArrayList<>();

  /** Starts the stand-in when it is first asked. */
  @FunctionalInterface
  public interface StandIn {
    /**
     * Starts it.
     *
     * @throws IOException when it cannot listen
     */
    Catalogue start() throws IOException;
  }

  /**
   * Sources of which none is open yet.
   *
   * @param standIn what {@link #DEMO} means
   */
  public CatalogueSources(StandIn standIn) {
    this.standIn = standIn;
  }

  /** The sources that a collection asks, the most believed first; none by default. */
  public static List<String> of(MusicCollection collection) {
    return collection.setting(SETTING).orElse("").lines().filter(s -> !s.isBlank()).toList();
  }

  /** Whether a collection was ever told which to ask, also when it was told none. */
  public static boolean chosen(MusicCollection collection) {
    return collection.setting(SETTING).isPresent();
  }

  /**
   * Lets a collection ask these from now on.
   *
   * @param sources as {@link #checked} returns them, the most believed first; empty for none
   */
  public static void keep(MusicCollection collection, List<String> sources) {
    collection.keepSetting(SETTING, String.join("\n", sources));
  }

  /**
   * A source as it is kept: an address that ends in a stroke, an absolute path, or {@link #DEMO}.
   *
   * @param source as a person writes it
   * @param roots the collection's folders; no folder of the collection can vouch for itself
   * @throws IOException when it can be no catalogue; it says why
   */
  public static String checked(String source, Collection<Path> roots) throws IOException {
    String text = source.strip();
    Optional<URI> address = address(text);
    if (text.equals(DEMO)) {
      return text;
    }
    if (address.isPresent()) {
      return text.endsWith("/") ? text : text + "/";
    }
    Path path;
    try {
      path = Path.of(text).toAbsolutePath().normalize();
    } catch (InvalidPathException none) {
      throw new IOException(text + " is no address, file or folder", none);
    }
    if (text.isEmpty() || text.contains("\n") || !Files.exists(path)) {
      throw new IOException("there is no file or folder " + (text.isEmpty() ? "named" : path));
    }
    for (Path root : Files.isDirectory(path) ? roots : List.<Path>of()) {
      if (path.startsWith(root) || root.startsWith(path)) {
        throw new IOException(
            path + " is part of the collection, and a collection cannot vouch for itself");
      }
    }
    return path.toString();
  }

  /** The address of a service; empty for what is none. */
  private static Optional<URI> address(String text) {
    if (!text.matches("(?i)https?://[^\\s/].*")) {
      return Optional.empty();
    }
    try {
      return Optional.of(URI.create(text.endsWith("/") ? text : text + "/"))
          .filter(u -> u.getHost() != null);
    } catch (IllegalArgumentException broken) {
      return Optional.empty();
    }
  }

  /**
   * Opens catalogues.
   *
   * @param sources as they are kept
   * @param progress told of the files of a folder
   * @throws IOException when there is none, a file cannot be read or the stand-in cannot start; it
   *     says which, and that nothing was changed
   */
  public synchronized Catalogue open(List<String> sources, Progress progress) throws IOException {
    if (sources.isEmpty()) {
      throw new IOException("no catalogue is chosen, so nothing was looked up");
    }
    leftOut.clear();
    List<Catalogue> opened = new ArrayList<>();
    for (String source : sources) {
      opened.add(one(source, progress));
    }
    return opened.size() == 1 ? opened.getFirst() : new SeveralCatalogues(opened);
  }

  /** What of the files that were opened last cannot be looked up, in words; empty for nothing. */
  public synchronized String leftOut() {
    return String.join("; ", leftOut);
  }

  private Catalogue one(String source, Progress progress) throws IOException {
    Catalogue known = services.get(source);
    if (known != null) {
      return known;
    }
    Optional<URI> address = address(source);
    if (source.equals(DEMO) || address.isPresent()) {
      Catalogue service =
          address.isPresent() ? new CatalogueClient(address.get()) : standIn.start();
      services.put(source, service);
      return service;
    }
    try {
      CatalogueFiles.Held held = CatalogueFiles.read(Path.of(source), progress);
      if (held.unusable() > 0) {
        leftOut.add(
            source
                + ": left out without artist or title, or unreadable: "
                + held.unusable()
                + " of "
                + (held.unusable() + held.entries().size()));
      }
      return CatalogueFiles.catalogue(held);
    } catch (NoSuchFileException gone) {
      throw new IOException(
          "the catalogue " + source + " is not there" + CatalogueClient.KEPT, gone);
    } catch (IOException broken) {
      throw new IOException(
          "the catalogue "
              + source
              + " cannot be read: "
              + broken.getMessage()
              + CatalogueClient.KEPT,
          broken);
    }
  }
}
