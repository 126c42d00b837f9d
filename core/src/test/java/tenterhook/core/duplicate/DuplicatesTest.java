package tenterhook.core.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Tracks;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Duplicates.Wish;
import tenterhook.core.duplicate.SoundPairs.Pair;
import tenterhook.core.measure.SoundPrint.Likeness;
import tenterhook.core.track.Snapshot;

class DuplicatesTest {
  private static final Likeness ALIKE = new Likeness(0.95, 0, 400, 400);

  private static Tracks copies() {
    return Tracks.none()
        .with("size=100", "content=aa", "plays=2", "added=2026-01-05")
        .with("size=100", "content=aa", "plays=3", "added=2026-02-05")
        .with("size=100", "content=bb")
        .with("size=70", "content=cc")
        .with("size=70", "content=cc", "state=lost");
  }

  private static List<Group> find(Tracks tracks, Pair... pairs) {
    return find(tracks, Wish.USUAL, pairs);
  }

  private static List<Group> find(Tracks tracks, Wish wish, Pair... pairs) {
    return Duplicates.find(tracks.snapshot(), Crates.NONE, List.of(pairs), wish);
  }

  private static Pair pair(int one, int other) {
    return new Pair(one, other, ALIKE);
  }

  @Test
  void groupsAreFilesOfTheSameBytes() {
    List<Group> groups = Duplicates.sameBytes(copies().snapshot());
    assertThat(groups).hasSize(1);
    assertThat(groups.getFirst().tracks()).containsExactly(2, 1);
    assertThat(groups.getFirst().bytesFreed()).isEqualTo(100);
    assertThat(groups.getFirst().decidedBy().orElseThrow().words()).isEqualTo("more plays");
    assertThat(groups.getFirst().evidence()).isEqualTo(Evidence.SAME_BYTES);
    assertThat(groups.getFirst().offered()).isTrue();
  }

  @Test
  void onlyFilesOfOneSizeAreRead() {
    Snapshot snapshot =
        Tracks.none()
            .with("size=5")
            .with("size=5")
            .with("size=6")
            .with("size=5", "content=x")
            .snapshot();
    assertThat(Duplicates.toHash(snapshot)).isEqualTo(Tracks.ids(1, 2));
  }

  @Test
  void theSameStreamUnderOtherTagsIsToldFromTheSameBytes() {
    Tracks tracks =
        Tracks.none()
            .with("content=aa", "sound=s", "title=Slipway")
            .with("content=bb", "sound=s", "title=Slip way");
    assertThat(find(tracks))
        .singleElement()
        .extracting(Group::evidence)
        .isEqualTo(Evidence.SAME_STREAM);
  }

  @Test
  void alikePrintsOfOneLengthAreOneRecording() {
    Tracks tracks =
        Tracks.none()
            .with("title=Slipway", "duration=180.0", "sound=a", "size=9", "codec=flac")
            .with("title=", "duration=182.5", "sound=b", "size=4", "codec=mp3");
    Group group = find(tracks, pair(1, 2)).getFirst();
    assertThat(group.evidence()).isEqualTo(Evidence.SAME_SOUND);
    assertThat(group.tracks()).containsExactly(1, 2);
    assertThat(group.bytesFreed()).isEqualTo(4);
    assertThat(group.offered()).isTrue();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Slipway (Live)",
        "Slipway (Ferry Remix)",
        "Slipway - Radio Edit",
        "Slipway (Extended Mix)",
        "Slipway [Instrumental]",
        "Slipway (Rink Dub)",
        "Slipway (2011 Remaster)"
      })
  void versionsStayApartWhateverThePrintsSay(String version) {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0", "sound=a")
            .with("artist=Varda Pell", "title=" + version, "duration=180.0", "sound=b");
    assertThat(find(tracks, pair(1, 2))).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Cold Lamps (Original Mix)",
        "Cold Lamps (feat. Varda Pell)",
        "Cold Lamps ft. Varda"
      })
  void theSongItselfAndItsGuestsAreNoVersion(String title) {
    Tracks tracks =
        Tracks.none()
            .with("title=Cold Lamps", "duration=200", "sound=a", "bitrate=320")
            .with("title=" + title, "duration=200", "sound=b", "bitrate=192");
    assertThat(find(tracks, pair(1, 2)))
        .singleElement()
        .satisfies(g -> assertThat(g.evidence()).isEqualTo(Evidence.SAME_SOUND))
        .satisfies(g -> assertThat(g.offered()).isTrue());
  }

  @Test
  void twoOfOneTitleOnOneAlbumThatSoundOtherwiseAreNoCopies() {
    String[] names = {"artist=Tin Lark", "title=Interlude", "duration=60", "album=Slipway"};
    Tracks tracks = Tracks.none().with(with(names, "sound=a")).with(with(names, "sound=b"));
    assertThat(find(tracks)).isEmpty();
    String[] elsewhere = {"artist=Tin Lark", "title=Interlude", "duration=60", "album=Low Water"};
    assertThat(find(tracks.with(with(elsewhere, "sound=c")))).hasSize(1);
  }

  private static String[] with(String[] values, String one) {
    return Stream.concat(Arrays.stream(values), Stream.of(one)).toArray(String[]::new);
  }

  /** A picture can be taken over, and so can fields; bits that are gone cannot. */
  @Test
  void moreBitsGoBeforeAPicture() {
    Tracks tracks =
        Tracks.none()
            .with("content=a", "bitrate=192", "artwork=x", "genre=Ska")
            .with("content=a", "bitrate=320");
    assertThat(find(tracks).getFirst().survivor()).isEqualTo(2);
  }

  @Test
  void ofTwoEqualCopiesTheOneThatIsNamedAsACopyGoes() {
    Tracks tracks =
        Tracks.none()
            .with("content=a", "path=Rink/Lamps (1).mp3")
            .with("content=a", "path=Rink/Lamps.mp3");
    Group group = find(tracks).getFirst();
    assertThat(group.survivor()).isEqualTo(2);
    assertThat(group.offered()).isTrue();
    Tracks tie =
        Tracks.none()
            .with("content=a", "path=Rink/Lamps.mp3")
            .with("content=a", "path=Pier/Lamps.mp3");
    assertThat(find(tie).getFirst().offered()).isFalse();
  }

  @Test
  void anotherLengthIsAnotherMix() {
    Tracks tracks =
        Tracks.none()
            .with("title=Slipway", "duration=180.0", "sound=a")
            .with("title=Slipway", "duration=186.0", "sound=b");
    assertThat(find(tracks, pair(1, 2))).isEmpty();
  }

  @Test
  void whoTellsVersionsOfOneFileIsAsked() {
    Tracks tracks =
        Tracks.none()
            .with("content=a", "sound=s", "title=Slipway", "plays=1")
            .with("content=b", "sound=s", "title=Slipway (Live)");
    Group group = find(tracks).getFirst();
    assertThat(group.doubt()).isEqualTo(Doubt.VERSIONS);
    assertThat(group.offered()).isFalse();
  }

  @Test
  void oneRecordingOnTwoAlbumsHasTwoHomes() {
    Tracks tracks =
        Tracks.none()
            .with("title=Slipway", "album=Low Water", "duration=180.0", "sound=a", "plays=1")
            .with("title=Slipway", "album=Harbour Lights", "duration=180.0", "sound=b");
    Group group = find(tracks, pair(1, 2)).getFirst();
    assertThat(group.doubt()).isEqualTo(Doubt.TWO_HOMES);
    assertThat(group.offered()).isFalse();
  }

  @Test
  void tagsThatAgreeOverAnotherSoundAreShownAndNeverOffered() {
    Tracks tracks =
        Tracks.none()
            .with("artist=The Gannets", "title=Lamplighter", "duration=180.0", "sound=a", "plays=4")
            .with("artist=Gannets", "title=lamplighter!", "duration=182.0", "sound=b");
    Group group = find(tracks).getFirst();
    assertThat(group.evidence()).isEqualTo(Evidence.SAME_TAGS);
    assertThat(group.doubt()).isEqualTo(Doubt.SOUND_DIFFERS);
    assertThat(group.offered()).isFalse();
  }

  @Test
  void whatWasNotMeasuredIsSaidToBeUnheard() {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0", "sound=a")
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0");
    assertThat(find(tracks).getFirst().doubt()).isEqualTo(Doubt.NOT_HEARD);
    Wish heardOnly = new Wish(Optional.empty(), Preferences.USUAL, Set.of());
    assertThat(find(tracks, heardOnly)).isEmpty();
  }

  @Test
  void copiesThatAreKnownStandForOneAmongTheTags() {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0", "content=x", "plays=3")
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0", "content=x")
            .with("artist=Varda Pell", "title=Slipway", "duration=180.0", "content=y");
    List<Group> groups = find(tracks);
    assertThat(groups).extracting(Group::tracks).containsExactly(List.of(1, 2), List.of(1, 3));
  }

  @Test
  void whatTheDjKeepsIsNotShownAgain() {
    Tracks tracks = Tracks.none().with("content=x").with("content=x").with("content=x");
    Set<Long> two = Set.of(Duplicates.pair(2, 1));
    assertThat(find(tracks, new Wish(Optional.empty(), Preferences.USUAL, two))).hasSize(1);
    Set<Long> all = Duplicates.pairs(List.of(3, 1, 2));
    assertThat(find(tracks, new Wish(Optional.empty(), Preferences.USUAL, all))).isEmpty();
  }

  @Test
  void lostFilesAreNoCopies() {
    Tracks tracks =
        Tracks.none()
            .with("duration=180.0", "sound=a")
            .with("duration=180.0", "sound=b", "state=lost");
    assertThat(find(tracks, pair(1, 2))).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"180, 183, true", "180, 183.5, false", "183, 180, true"})
  void lengthsAgreeWithinTheTolerance(double one, double other, boolean same) {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Slipway", "duration=" + one)
            .with("artist=VARDA PELL", "title=Slip-way", "duration=" + other);
    assertThat(find(tracks).isEmpty()).isNotEqualTo(same);
  }

  @Test
  void criteriaAreReadAsTheyAreWritten() {
    Criteria own = Criteria.parse("mine: artist, title clean, bpm ±0.5, duration ±3");
    assertThat(Criteria.parse(own.toString())).isEqualTo(own);
    assertThat(own.lines()).hasSize(4);
    assertThat(Criteria.READY_MADE)
        .allSatisfy(c -> assertThat(Criteria.parse(c.toString())).isEqualTo(c));
    assertThatThrownBy(() -> Criteria.parse("no colon")).hasMessageContaining("criteria look like");
    assertThatThrownBy(() -> Criteria.parse("x: artist roughly"))
        .hasMessageContaining("neither clean nor");
    assertThatThrownBy(() -> Criteria.parse("x: artist ±3")).hasMessageContaining("no tolerance");
    assertThatThrownBy(() -> Criteria.parse("x: colour")).hasMessageContaining("colour");
  }

  @Test
  void exactCriteriaCompareEveryLetter() {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Slipway")
            .with("artist=varda pell", "title=Slipway")
            .with("artist=Varda Pell", "title=Slipway");
    Wish exact =
        new Wish(Optional.of(Criteria.parse("exact: artist, title")), Preferences.USUAL, Set.of());
    assertThat(find(tracks, exact))
        .singleElement()
        .extracting(Group::tracks)
        .isEqualTo(List.of(1, 3));
  }

  @Test
  void aGroupNeedsTwo() {
    assertThatThrownBy(() -> new Group(List.of(1), Map.of(), Doubt.NONE, 0, Optional.empty()))
        .hasMessageContaining("two tracks");
  }
}
