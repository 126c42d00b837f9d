package tenterhook.desktop.tracks;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;
import tenterhook.core.place.FolderTree;
import tenterhook.core.place.Place;
import tenterhook.core.standing.StandingList;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.tracks.BrowseRow.Source;
import tenterhook.desktop.workspace.TrackList;

/** What can be browsed at one moment: standing lists, places and folders with their counts. */
final class BrowseModel {
  /** Nothing counted yet. */
  static final BrowseModel NONE = new BrowseModel(Map.of(), Map.of(), FolderTree.NONE, 0);

  private final Map<StandingList, Integer> standing;
  private final Map<Integer, Integer> decades;
  private final FolderTree tree;
  private final int tracks;

  private BrowseModel(
      Map<StandingList, Integer> standing,
      Map<Integer, Integer> decades,
      FolderTree tree,
      int tracks) {
    this.standing = standing;
    this.decades = decades;
    this.tree = tree;
    this.tracks = tracks;
  }

  /** Counts all of it; for another thread than the toolkit's. */
  static BrowseModel of(Snapshot snapshot, Codebook codebook, CrateContents contents) {
    Map<StandingList, Integer> standing = new EnumMap<>(StandingList.class);
    for (StandingList list : StandingList.values()) {
      standing.put(list, list.count(contents));
    }
    return new BrowseModel(
        standing,
        StandingList.decades(snapshot),
        FolderTree.of(snapshot, codebook),
        snapshot.count());
  }

  /**
   * The rows to show.
   *
   * @param places in the DJ's order
   * @param open what is unfolded: folders, and the decades by their heading
   */
  List<BrowseRow> rows(List<Place> places, Set<Source> open) {
    List<BrowseRow> rows = new ArrayList<>();
    rows.add(row(new Source.Whole(), Words.of("tracks.whole"), 0, tracks));
    rows.add(heading("tracks.kept"));
    standing.forEach(
        (list, count) -> {
          if (count > 0 || !list.ofItems()) {
            rows.add(
                row(new Source.Standing(list), Words.of("tracks.list." + list.key()), 0, count));
          }
        });
    addDecades(rows, open);
    if (!places.isEmpty()) {
      rows.add(heading("tracks.places"));
      places.forEach(p -> rows.add(row(new Source.AtPlace(p), p.name(), 0, count(p))));
    }
    if (!tree.roots().isEmpty()) {
      rows.add(heading("tracks.folders"));
      tree.roots().forEach(f -> add(rows, f, 0, open));
    }
    return rows;
  }

  private void addDecades(List<BrowseRow> rows, Set<Source> open) {
    if (!decades.isEmpty()) {
      Source all = new Source.Heading(Words.of("tracks.decades"));
      boolean shown = open.contains(all);
      rows.add(new BrowseRow(all, Words.of("tracks.decades"), 0, -1, -1, Optional.of(shown)));
      if (shown) {
        decades.forEach(
            (first, count) -> rows.add(row(new Source.Decade(first), first + "s", 1, count)));
      }
    }
  }

  private static void add(
      List<BrowseRow> rows, FolderTree.Folder folder, int depth, Set<Source> open) {
    Source of = new Source.InFolder(folder.place());
    boolean shown = open.contains(of);
    rows.add(
        new BrowseRow(
            of,
            folder.place().name(),
            depth,
            folder.tracks(),
            folder.whole(),
            folder.folders().isEmpty() ? Optional.empty() : Optional.of(shown)));
    if (shown) {
      folder.folders().forEach(f -> add(rows, f, depth + 1, open));
    }
  }

  private static BrowseRow row(Source of, String words, int depth, int count) {
    return new BrowseRow(of, words, depth, count, -1, Optional.empty());
  }

  private static BrowseRow heading(String key) {
    return row(new Source.Heading(Words.of(key)), Words.of(key), 0, -1);
  }

  /** How many tracks are in a place; 0 when there is no such folder any more. */
  private int count(Place place) {
    return find(tree.roots(), place).map(FolderTree.Folder::tracks).orElse(0);
  }

  private static Optional<FolderTree.Folder> find(List<FolderTree.Folder> among, Place place) {
    for (FolderTree.Folder folder : among) {
      if (folder.place().equals(place)) {
        return Optional.of(folder);
      }
      boolean above =
          folder.place().root().equals(place.root())
              && (folder.place().path().isEmpty()
                  || place.path().startsWith(folder.place().path() + "/"));
      if (above) {
        return find(folder.folders(), place);
      }
    }
    return Optional.empty();
  }

  /** The list that a row opens; for another thread than the toolkit's. */
  static TrackList list(Source of, Snapshot snapshot, CrateContents contents) {
    return switch (of) {
      case Source.Heading heading -> TrackList.NONE;
      case Source.Whole whole -> whole(snapshot);
      case Source.Standing standing ->
          new TrackList(
              Words.of("tracks.list." + standing.list().key()),
              standing.list().tracks(snapshot, contents),
              standing.list().query());
      case Source.Decade decade ->
          asked(decade.first() + "s", decade(decade.first()), snapshot, contents);
      case Source.AtPlace at -> asked(at.place().whole(), at.place().query(), snapshot, contents);
      case Source.InFolder in -> asked(in.place().whole(), in.place().query(), snapshot, contents);
    };
  }

  /** The whole collection. */
  static TrackList whole(Snapshot snapshot) {
    return new TrackList(Words.of("tracks.whole"), TrackIds.of(snapshot.tracks()))
        .asking(Query.ALL);
  }

  private static TrackList asked(
      String title, Query query, Snapshot snapshot, CrateContents contents) {
    TrackIds ids =
        TrackIds.of(contents.finder().find(query)).sorted(snapshot, Fields.ARTIST, false);
    return new TrackList(title, ids).asking(query);
  }

  private static Query decade(int first) {
    return new Query.Term(
        new Condition(
            Fields.YEAR.key(),
            new Condition.AnyOf(
                List.of(new Condition.Range(String.valueOf(first), String.valueOf(first + 9))))));
  }
}
