package tenterhook.desktop.lost;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.FileAvailability;
import tenterhook.adapters.lost.DiskReport;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.Wishes;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What the station knows: which files are there, what a search found, what else lies on disk. */
public final class LostModel {
  private final Workspace workspace;
  private final ReadOnlyObjectWrapper<List<LostItem>> items =
      new ReadOnlyObjectWrapper<>(List.of());
  private FileAvailability presence = FileAvailability.UNKNOWN;
  private DiskReport disk = DiskReport.NONE;
  private LostSearch search = LostSearch.NONE;
  private boolean looked;
  private Runnable follower = () -> {};

  /** Nothing is known yet; {@link #check} looks. */
  public LostModel(Workspace workspace) {
    this.workspace = workspace;
  }

  /** All that is not where it should be. */
  ReadOnlyObjectProperty<List<LostItem>> items() {
    return items.getReadOnlyProperty();
  }

  /** What the last search found. */
  LostSearch search() {
    return search;
  }

  /** Whether anybody looked for lost files yet. */
  boolean looked() {
    return looked;
  }

  /** Works the rows out anew, beside the window. */
  void refresh() {
    CollectionState state = workspace.state().get();
    FileAvailability seen = presence;
    DiskReport report = disk;
    workspace.latestOnly(
        this,
        () -> items(state, seen, report),
        found -> {
          items.set(found);
          follower.run();
        });
  }

  /** Calls the view whenever rows were worked out anew, even when they are the same. */
  void follow(Runnable view) {
    follower = view;
  }

  private static LostItem away(Snapshot snapshot, FileAvailability.Away root) {
    return new LostItem.AwayRoot(
        root, snapshot.tracks(id -> snapshot.raw(id, Fields.ROOT).equals(root.root())));
  }

  private static List<LostItem> items(
      CollectionState state, FileAvailability seen, DiskReport disk) {
    Snapshot snapshot = state.snapshot();
    List<LostItem> items = new ArrayList<>();
    seen.away().forEach(a -> items.add(away(snapshot, a)));
    items.addAll(folders(snapshot));
    RoaringBitmap changed = RoaringBitmap.and(seen.changed(), snapshot.tracks());
    if (!changed.isEmpty()) {
      items.add(new LostItem.ChangedFiles(changed));
    }
    if (!disk.unknown().isEmpty()) {
      items.add(new LostItem.Unknown(disk.unknown()));
    }
    if (!disk.playlists().isEmpty()) {
      items.add(new LostItem.OldLists(disk.playlists()));
    }
    if (!disk.emptyFolders().isEmpty()) {
      items.add(new LostItem.BareFolders(disk.emptyFolders()));
    }
    List<Integer> wishes = new ArrayList<>();
    Wishes.of(snapshot).forEach((int id) -> wishes.add(id));
    if (!wishes.isEmpty()) {
      items.add(new LostItem.WishList(wishes));
    }
    return items;
  }

  /** Folders with lost files, those with most of them first. */
  private static List<LostItem> folders(Snapshot snapshot) {
    Map<String, RoaringBitmap> byFolder = new TreeMap<>();
    LostFinder.lost(snapshot)
        .forEach(
            (int id) ->
                byFolder
                    .computeIfAbsent(snapshot.raw(id, Fields.FOLDER), f -> new RoaringBitmap())
                    .add(id));
    List<LostItem> folders = new ArrayList<>();
    byFolder.forEach((name, ids) -> folders.add(new LostItem.LostFolder(name, ids)));
    folders.sort(
        (a, b) ->
            ((LostItem.LostFolder) b).tracks().getCardinality()
                - ((LostItem.LostFolder) a).tracks().getCardinality());
    return folders;
  }

  /** Looks whether all files are there, without opening any; says so when something is amiss. */
  public void check() {
    workspace.chore(
        Words.of("lost.checkJob"),
        true,
        p -> workspace.collection().disks().availability(p),
        this::checked);
  }

  private void checked(FileAvailability seen) {
    presence = seen;
    refresh();
    int gone = seen.gone().getCardinality();
    if (!seen.away().isEmpty()) {
      FileAvailability.Away first = seen.away().getFirst();
      workspace
          .frame()
          .inform(Words.of("lost.toldAway", first.root(), first.tracks(), gone), true, 0);
    } else if (gone > 0 || !seen.back().isEmpty()) {
      workspace
          .frame()
          .inform(Words.of("lost.toldGone", gone, seen.back().getCardinality()), gone > 0, 0);
    }
  }

  /** All that one look through the folders gives. */
  private record Looked(FileAvailability presence, LostSearch search, DiskReport disk) {}

  /**
   * Looks for all lost files, and at what else lies in the folders of the collection.
   *
   * @param elsewhere more folders to look in
   */
  void look(List<Path> elsewhere) {
    workspace.job(
        Words.of("lost.job"),
        true,
        p -> looked(elsewhere, p),
        found -> {
          presence = found.presence();
          search = found.search();
          disk = found.disk();
          looked = true;
          refresh();
        });
  }

  private Looked looked(List<Path> elsewhere, Progress progress) throws IOException {
    FileAvailability seen = workspace.collection().disks().availability(progress);
    List<Path> places = new ArrayList<>(LostSearch.everywhere(workspace.collection().state()));
    places.addAll(elsewhere);
    LostSearch found = LostSearch.run(workspace.collection(), places, progress);
    return new Looked(seen, found, DiskReport.of(workspace.collection().state(), progress));
  }

  /** Settles lost tracks, each with the file chosen for it. */
  void close(List<Candidate> chosen) {
    workspace.job(
        Words.of("lost.closeJob", chosen.size()),
        chosen.size() > 20,
        p -> LostSearch.close(workspace.collection(), chosen, p),
        done -> {
          if (done.refused().isEmpty()) {
            search = search.without(chosen);
          }
          workspace.told(done);
          refresh();
        });
  }

  /** Reads files again that another program changed. */
  void readAgain(RoaringBitmap tracks) {
    workspace.job(
        Words.of("lost.readJob"),
        true,
        p -> workspace.collection().disks().readAgain(tracks, p),
        read -> {
          presence =
              new FileAvailability(
                  presence.away(), presence.gone(), presence.back(), new RoaringBitmap());
          workspace.frame().inform(Words.of("lost.toldRead", read), false, 0);
          refresh();
        });
  }

  /** Forgets what lies on the disk beside the tracks, after it was settled. */
  void settled(DiskReport rest) {
    disk = rest;
    refresh();
  }

  DiskReport disk() {
    return disk;
  }
}
