package tenterhook.core.album;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import tenterhook.core.album.Album.AlbumCover;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.weave.WeaveColumn;

/**
 * Sorts the tracks of a list into albums. Tracks of one folder that name the same album, however it
 * is written, are one; folders are put together where album and album artist are the same, such as
 * those of two discs. Tracks that name no album are one group a folder.
 */
public final class Albums {
  private final Snapshot snapshot;
  private final Column albums;
  private final Column folders;
  private final Column roots;
  private final Column albumArtists;
  private final NameNumbers names = new NameNumbers();
  private final int[] albumNames;
  private final int[] artistNames;

  private Albums(Snapshot snapshot) {
    this.snapshot = snapshot;
    this.albums = snapshot.column(Fields.ALBUM);
    this.folders = snapshot.column(Fields.FOLDER);
    this.roots = snapshot.column(Fields.ROOT);
    this.albumArtists = snapshot.column(Fields.ALBUM_ARTIST);
    this.albumNames = new int[albums.dictionary().size()];
    this.artistNames = new int[albumArtists.dictionary().size()];
  }

  /**
   * The albums of a list, in the order in which the list comes to them.
   *
   * @param codebook whose demanded facets count as holes as well
   */
  public static List<Album> of(Snapshot snapshot, Codebook codebook, TrackIds list) {
    Albums sorting = new Albums(snapshot);
    List<Sheaf> sheaves = sorting.sheaves(list);
    sorting.countHoles(codebook, sheaves);
    return sheaves.stream().map(sorting::album).toList();
  }

  /** Numbers for names, so that each distinct text is looked at once; 1 for the empty name. */
  private static final class NameNumbers {
    private final Map<String, Integer> numbers = new HashMap<>(Map.of("", 1));

    int of(Column column, int value, int[] known) {
      if (known[value] == 0) {
        String key = NameKey.of(column.dictionary().text(value));
        known[value] = numbers.computeIfAbsent(key, k -> numbers.size() + 1);
      }
      return known[value];
    }
  }

  /** The tracks of one album while they are collected. */
  private static final class Sheaf {
    private final List<Integer> tracks = new ArrayList<>();
    private int albumArtist = 1;
    private int holes;
  }

  private List<Sheaf> sheaves(TrackIds list) {
    Map<Long, Sheaf> inFolders = new LinkedHashMap<>();
    Map<Sheaf, Integer> named = new LinkedHashMap<>();
    long width = folders.dictionary().size();
    for (int i = 0; i < list.size(); i++) {
      int id = list.at(i);
      int name = names.of(albums, albums.number(id), albumNames);
      long place = roots.number(id) * width + folders.number(id);
      Sheaf sheaf = inFolders.computeIfAbsent((place << Integer.SIZE) + name, k -> new Sheaf());
      named.putIfAbsent(sheaf, name);
      sheaf.tracks.add(id);
      if (sheaf.albumArtist == 1) {
        sheaf.albumArtist = names.of(albumArtists, albumArtists.number(id), artistNames);
      }
    }
    return together(named);
  }

  /** Puts together what several folders hold of one album by one album artist. */
  private static List<Sheaf> together(Map<Sheaf, Integer> named) {
    Map<Long, Sheaf> first = new HashMap<>();
    List<Sheaf> all = new ArrayList<>();
    named.forEach(
        (sheaf, name) -> {
          boolean known = name != 1 && sheaf.albumArtist != 1;
          Sheaf before =
              known
                  ? first.putIfAbsent(((long) sheaf.albumArtist << Integer.SIZE) + name, sheaf)
                  : null;
          if (before == null) {
            all.add(sheaf);
          } else {
            before.tracks.addAll(sheaf.tracks);
          }
        });
    return all;
  }

  private void countHoles(Codebook codebook, List<Sheaf> sheaves) {
    for (WeaveColumn column : WeaveColumn.all(codebook)) {
      IntPredicate hole = column.holes(snapshot, codebook);
      for (Sheaf sheaf : sheaves) {
        for (int id : sheaf.tracks) {
          sheaf.holes += hole.test(id) ? 1 : 0;
        }
      }
    }
  }

  private Album album(Sheaf sheaf) {
    int first = sheaf.tracks.getFirst();
    List<AlbumCover> covers = new ArrayList<>();
    int bare = covers(sheaf.tracks, covers);
    String year = most(sheaf.tracks, Fields.YEAR);
    return new Album(
        most(sheaf.tracks, Fields.ALBUM),
        artist(sheaf),
        folders.text(first),
        year.matches("\\d{4}") ? Integer.parseInt(year) : 0,
        TrackIds.copyOf(sheaf.tracks),
        total(sheaf.tracks),
        sheaf.holes,
        covers,
        bare);
  }

  private String artist(Sheaf sheaf) {
    String own = most(sheaf.tracks, Fields.ALBUM_ARTIST);
    if (!own.isEmpty()) {
      return own;
    }
    Column artists = snapshot.column(Fields.ARTIST);
    String artist = most(sheaf.tracks, Fields.ARTIST);
    String key = NameKey.of(artist);
    boolean one =
        sheaf.tracks.stream()
            .map(artists::text)
            .distinct()
            .allMatch(a -> a.isEmpty() || NameKey.of(a).equals(key));
    return one ? snapshot.shown(first(sheaf.tracks, artists, artist), Fields.ARTIST) : "";
  }

  private static int first(List<Integer> tracks, Column column, String text) {
    return tracks.stream().filter(id -> column.text(id).equals(text)).findFirst().orElseThrow();
  }

  /** The value that most of the tracks have, of equal ones the first; empty when none has any. */
  private String most(List<Integer> tracks, Field<?> field) {
    Column column = snapshot.column(field);
    Map<Integer, Integer> counts = new LinkedHashMap<>();
    tracks.forEach(id -> counts.merge(column.number(id), 1, Integer::sum));
    String most = "";
    int with = 0;
    for (Map.Entry<Integer, Integer> one : counts.entrySet()) {
      String text = column.dictionary().text(one.getKey());
      if (!text.isEmpty() && one.getValue() > with) {
        most = text;
        with = one.getValue();
      }
    }
    return most;
  }

  /** Collects the different pictures; says how many tracks have none. */
  private int covers(List<Integer> tracks, List<AlbumCover> covers) {
    Column column = snapshot.column(Fields.ARTWORK);
    Map<Integer, Integer> counts = new LinkedHashMap<>();
    Map<Integer, Integer> firsts = new HashMap<>();
    for (int id : tracks) {
      counts.merge(column.number(id), 1, Integer::sum);
      firsts.putIfAbsent(column.number(id), id);
    }
    int bare = 0;
    for (Map.Entry<Integer, Integer> one : counts.entrySet()) {
      var artwork = Artwork.parse(column.dictionary().text(one.getKey()));
      if (artwork.isPresent()) {
        covers.add(new AlbumCover(artwork.get(), firsts.get(one.getKey()), one.getValue()));
      } else {
        bare += one.getValue();
      }
    }
    covers.sort((a, b) -> b.tracks() - a.tracks());
    return bare;
  }

  /** The track totals of all discs that are there; a disc that tells none leaves it unknown. */
  private int total(List<Integer> tracks) {
    Column discs = snapshot.column(Fields.DISC);
    Column totals = snapshot.column(Fields.TRACK_TOTAL);
    Map<Integer, Integer> byDisc = new HashMap<>();
    for (int id : tracks) {
      double total = totals.dictionary().value(totals.number(id), Fields.TRACK_TOTAL.type());
      byDisc.merge(discs.number(id), Double.isNaN(total) ? 0 : (int) total, Math::max);
    }
    return byDisc.containsValue(0) ? 0 : byDisc.values().stream().mapToInt(Integer::intValue).sum();
  }
}
