package tenterhook.core.album;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.weave.WeaveColumn;

/** Tracks sorted into albums. */
class AlbumsTest {
  private static String picture(String sha, int width, int height) {
    return "artwork=" + new Artwork(sha, width, height, 9000, "image/jpeg").raw();
  }

  private static List<Album> albums(Tracks tracks) {
    Snapshot snapshot = tracks.snapshot();
    return Albums.of(snapshot, Tracks.BOOK, TrackIds.of(snapshot.tracks()));
  }

  @Test
  void anAlbumIsItsTracksOfAFolderAndOfTheFolderOfItsOtherDisc() {
    List<Album> albums =
        albums(
            Tracks.none()
                .with("path=a/1.mp3", "album=Low Water", "albumArtist=Varda Pell", "disc=1")
                .with("path=a/2.mp3", "album=low water", "disc=1", "year=1999")
                .with("path=b/1.mp3", "album=Low Water", "albumArtist=varda pell", "disc=2")
                .with("path=c/1.mp3", "album=Low Water", "artist=Pewter Wren")
                .with("path=c/2.mp3", "artist=Pewter Wren")
                .with("path=c/3.mp3", "artist=Ottoline Fask"));
    assertThat(albums)
        .extracting(a -> a.title() + "|" + a.artist() + "|" + a.year() + "|" + a.tracks())
        .containsExactly(
            "Low Water|Varda Pell|1999|[1, 2, 3]", "Low Water|Pewter Wren|0|[4]", "||0|[5, 6]");
  }

  @Test
  void theTotalIsThatOfAllDiscsAndUnknownWhereOneTellsNone() {
    Tracks told =
        Tracks.none()
            .with("album=A", "albumArtist=B", "disc=1", "trackTotal=9")
            .with("album=A", "albumArtist=B", "disc=2", "trackTotal=7");
    assertThat(albums(told).getFirst().total()).isEqualTo(16);
    assertThat(albums(told.with("album=A", "albumArtist=B", "disc=3")).getFirst().total()).isZero();
  }

  @Test
  void differentSmallAndCrookedPicturesAreTold() {
    List<Album> albums =
        albums(
            Tracks.none()
                .with("album=Mixed", picture("aa", 500, 500))
                .with("album=Mixed", picture("bb", 500, 500))
                .with("album=Mixed", picture("bb", 500, 500))
                .with("album=Half", picture("cc", 500, 500))
                .with("album=Half")
                .with("album=Tiny", picture("dd", 90, 90))
                .with("album=Wide", picture("ee", 900, 500))
                .with("album=None")
                .with("album=Good", picture("ff", 600, 600)));
    assertThat(albums)
        .extracting(Album::mixed)
        .containsExactly(true, true, false, false, false, false);
    assertThat(albums.getFirst().covers())
        .extracting(c -> c.artwork().sha256() + c.tracks() + c.track())
        .containsExactly("bb22", "aa11");
    assertThat(albums).extracting(Album::bare).containsExactly(0, 1, 0, 0, 1, 0);
    assertThat(albums)
        .extracting(Album::trouble)
        .containsExactly("", "", "tiny", "not square", "", "");
  }

  @Seeded
  void everyTrackIsInOneAlbumAndItsHolesAreThoseOfItsTracks(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          Tracks tracks = Tracks.none();
          int count = 1 + random.nextInt(30);
          for (int i = 0; i < count; i++) {
            List<String> values = new ArrayList<>();
            values.add("path=" + Seeds.any(random, "a", "b", "c/d") + "/" + i + ".mp3");
            values.add("album=" + Seeds.any(random, "", "Low Water", "low water!", "Slipway"));
            values.add("albumArtist=" + Seeds.any(random, "", "", "Varda Pell", "Pewter Wren"));
            values.add("year=" + Seeds.any(random, "", "1990", "1991"));
            tracks.with(values.toArray(new String[0]));
          }
          Snapshot snapshot = tracks.snapshot();
          List<Album> albums = Albums.of(snapshot, Tracks.BOOK, TrackIds.of(snapshot.tracks()));
          assertThat(albums.stream().flatMap(a -> a.tracks().stream()).toList())
              .containsExactlyInAnyOrderElementsOf(TrackIds.of(snapshot.tracks()));
          assertThat(together(albums)).isEqualTo(byHand(snapshot));
          for (Album album : albums) {
            int holes = 0;
            for (WeaveColumn column : WeaveColumn.all(Tracks.BOOK)) {
              for (int id : album.tracks()) {
                holes += column.holes(snapshot, Tracks.BOOK).test(id) ? 1 : 0;
              }
            }
            assertThat(album.holes()).isEqualTo(holes);
          }
        });
  }

  private static Set<Set<Integer>> together(List<Album> albums) {
    Set<Set<Integer>> all = new HashSet<>();
    albums.forEach(a -> all.add(new TreeSet<>(a.tracks())));
    return all;
  }

  /** By folder and album first, then by the first album artist that each of these names. */
  private static Set<Set<Integer>> byHand(Snapshot snapshot) {
    Map<String, Set<Integer>> folders = new HashMap<>();
    for (int id : TrackIds.of(snapshot.tracks())) {
      String key =
          snapshot.raw(id, Fields.FOLDER) + "|" + NameKey.of(snapshot.raw(id, Fields.ALBUM));
      folders.computeIfAbsent(key, k -> new TreeSet<>()).add(id);
    }
    Map<String, Set<Integer>> albums = new HashMap<>();
    folders.forEach(
        (key, ids) -> {
          String album = key.substring(key.indexOf('|') + 1);
          String artist =
              ids.stream()
                  .map(id -> NameKey.of(snapshot.raw(id, Fields.ALBUM_ARTIST)))
                  .filter(a -> !a.isEmpty())
                  .findFirst()
                  .orElse("");
          String whole = album.isEmpty() || artist.isEmpty() ? "/" + key : album + "|" + artist;
          albums.computeIfAbsent(whole, k -> new TreeSet<>()).addAll(ids);
        });
    return new HashSet<>(albums.values());
  }
}
