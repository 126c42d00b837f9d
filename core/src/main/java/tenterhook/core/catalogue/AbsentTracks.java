package tenterhook.core.catalogue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/** Which tracks of a release the collection does not have. */
public final class AbsentTracks {
  private AbsentTracks() {}

  /**
   * The entries for which no track of the collection has artist and title, however spelled.
   *
   * @param snapshot the collection
   * @param release all entries of a release
   */
  public static List<CatalogueEntry> of(Snapshot snapshot, List<CatalogueEntry> release) {
    Set<String> have = new HashSet<>();
    snapshot
        .tracks()
        .forEach(
            (int id) ->
                have.add(key(snapshot.raw(id, Fields.ARTIST), snapshot.raw(id, Fields.TITLE))));
    return release.stream().filter(e -> !have.contains(key(e.artist(), e.title()))).toList();
  }

  private static String key(String artist, String title) {
    return NameKey.of(artist) + "\n" + NameKey.of(title);
  }
}
