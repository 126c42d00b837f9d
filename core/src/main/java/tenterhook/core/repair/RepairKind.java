package tenterhook.core.repair;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The kinds of repairs, each found by one inspector. */
public enum RepairKind {
  /** The title holds the artist as well. */
  ARTIST_IN_TITLE,
  /** Title, artist or number stand in the file's name. */
  FILE_NAME,
  /** Artist, album or year stand in the folder's path. */
  FOLDER_NAME,
  /** Site names, download notes, numbering, underscores, empty brackets. */
  JUNK,
  /** The version of a song, told in another form than brackets. */
  VERSIONS,
  /** Wrong capitals. */
  CAPITALS,
  /** Letters broken by a wrong character set, entities, invisible characters. */
  BROKEN_LETTERS,
  /** Several spellings of one artist. */
  ARTISTS,
  /** Several spellings of one album. */
  ALBUMS,
  /** Several spellings of one label. */
  LABELS,
  /** Several spellings of one genre, joined genres, numbers in place of genres. */
  GENRES,
  /** Years that cannot be, or that are a whole date. */
  YEARS,
  /** The year of a reissue where the year of the song is known. */
  REISSUES,
  /** Track numbers and totals. */
  TRACK_NUMBERS,
  /** Disc numbers. */
  DISCS,
  /** A tempo counted half or double. */
  TEMPO,
  /** A tempo that was measured. */
  TEMPO_BY_SOUND,
  /** A key that was measured. */
  KEY_BY_SOUND,
  /** One folder, one album: what its tracks should agree on. */
  WHOLE_ALBUM,
  /** Front covers. */
  ARTWORK,
  /** Machine-made text in comments. */
  COMMENTS,
  /** The tags of one file say different things. */
  OUT_OF_STEP,
  /** Figures behind the codes that say something else than the track's values. */
  FIGURES,
  /** What recipes of the DJ's own would change. */
  OWN,
  /** What the catalogue knows. */
  CATALOGUE;

  /** Its name on the command line, such as {@code artist-in-title}. */
  public String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The kind of a name. */
  public static Optional<RepairKind> named(String key) {
    return Arrays.stream(values()).filter(k -> k.key().equalsIgnoreCase(key)).findFirst();
  }
}
