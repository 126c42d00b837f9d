package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.core.change.Place;

/** The named folders that hold the music. */
final class Roots {
  private Roots() {}

  /**
   * The name of the root that holds a folder, or the one that the folder would have as a root.
   *
   * @throws IOException when it is the holding bay, or holds another root
   */
  static String nameFor(Map<String, Path> roots, Path target) throws IOException {
    for (Map.Entry<String, Path> root : roots.entrySet()) {
      boolean bay = root.getKey().equals(Place.HOLDING_BAY);
      if (!target.startsWith(root.getValue()) && within(target, root.getValue())) {
        throw new IOException(
            target
                + " is in the folder of root "
                + root.getKey()
                + " under a second name: "
                + root.getValue());
      }
      if (target.startsWith(root.getValue())) {
        if (bay) {
          throw new IOException(target + " is the holding bay; restore files from it instead");
        }
        return root.getKey();
      }
      if (within(root.getValue(), target) && !bay) {
        throw new IOException(
            target + " holds the folder of root " + root.getKey() + "; scan that one");
      }
    }
    return freeName(roots, target);
  }

  private static String freeName(Map<String, Path> roots, Path target) {
    String own = target.getFileName() == null ? "" : target.getFileName().toString();
    // a root's name stands in lists, in the ledger and in paths of the holding bay
    String plain = own.replaceAll("[\\p{Cntrl}/\\\\]+", " ").strip().replaceFirst("^\\.+", "");
    String base = plain.isEmpty() ? "Disk" : plain;
    String name = base;
    for (int i = 2; roots.containsKey(name); i++) {
      name = base + " " + i;
    }
    return name;
  }

  /** Whether a folder is another one or lies in it, by whatever names both are reached. */
  private static boolean within(Path folder, Path other) {
    for (Path at = folder; at != null; at = at.getParent()) {
      if (FileIdentity.same(at, other)) {
        return true;
      }
    }
    return folder.startsWith(other);
  }
}
