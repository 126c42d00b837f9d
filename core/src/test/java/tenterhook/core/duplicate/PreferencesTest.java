package tenterhook.core.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Tracks;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.Preference.Criterion;

class PreferencesTest {
  private static PreferenceContext context(Tracks tracks, Map<Integer, Integer> crates) {
    return new PreferenceContext(tracks.snapshot(), crates);
  }

  private static Preferences.Ranking rank(String order, Tracks tracks) {
    return Preferences.parse(order).rank(context(tracks, Map.of(2, 1)), List.of(1, 2));
  }

  @ParameterizedTest
  @CsvSource({
    "guarded, guarded=, guarded=yes",
    "lossless, codec=mp3, codec=flac",
    "bitrate, bitrate=128, bitrate=320",
    "longest, duration=180.2, duration=190.1",
    "fields, title=, title=Slipway",
    "plays, plays=2, plays=10",
    "oldest, added=2026-03-01, added=2025-03-01",
    "newest, added=2025-03-01, added=2026-03-01",
    "root:Ferry, root=Rink, root=Ferry",
    "format:flac, codec=mp3, codec=flac",
    "crates, title=a, title=b"
  })
  void eachLineTellsTheBetterCopy(String line, String worse, String better) {
    Preferences.Ranking ranking = rank(line, Tracks.none().with(worse).with(better));
    assertThat(ranking.tracks()).containsExactly(2, 1);
    assertThat(ranking.decidedBy().orElseThrow().toString()).isEqualTo(line);
  }

  @Test
  void qualityIsWhatIsHeardNotWhatIsClaimed() {
    Tracks tracks =
        Tracks.none()
            .with("codec=mp3", "bitrate=320", "sound=a", "quality=upscaled", "realKbps=128")
            .with("codec=aac", "bitrate=192", "sound=b", "quality=honest");
    assertThat(rank("quality", tracks).tracks()).containsExactly(2, 1);
    Tracks flac =
        Tracks.none()
            .with("codec=flac", "sound=a", "quality=upscaled", "realKbps=128")
            .with("codec=mp3", "bitrate=256", "sound=b", "quality=honest");
    assertThat(rank("quality, lossless", flac).tracks()).containsExactly(2, 1);
  }

  @Test
  void theFirstLineThatSetsOneApartDecides() {
    Tracks three =
        Tracks.none()
            .with("codec=flac", "plays=1")
            .with("codec=flac", "plays=5")
            .with("codec=mp3", "plays=9");
    Preferences.Ranking ranking =
        Preferences.parse("lossless, plays").rank(context(three, Map.of()), List.of(1, 2, 3));
    assertThat(ranking.tracks()).containsExactly(2, 1, 3);
    assertThat(ranking.decidedBy()).contains(Preference.of(Criterion.PLAYS));
  }

  @Test
  void aTieIsLeftToTheDj() {
    Preferences.Ranking ranking =
        rank("lossless, plays", Tracks.none().with("plays=2").with("plays=2"));
    assertThat(ranking.decidedBy()).isEmpty();
    assertThat(ranking.tracks()).containsExactly(1, 2);
  }

  @Test
  void eachLineSaysHowManyGroupsItDecides() {
    Tracks tracks =
        Tracks.none()
            .with("content=a", "codec=flac")
            .with("content=a", "codec=mp3")
            .with("content=b", "plays=1")
            .with("content=b")
            .with("content=c")
            .with("content=c");
    Preferences order = Preferences.parse("lossless, plays");
    List<Group> groups =
        Duplicates.find(
            tracks.snapshot(),
            Crates.NONE,
            List.of(),
            new Duplicates.Wish(Optional.empty(), order, Set.of()));
    assertThat(order.effect(groups))
        .containsExactly(
            Map.entry(Preference.of(Criterion.LOSSLESS), 1),
            Map.entry(Preference.of(Criterion.PLAYS), 1));
    assertThat(groups.stream().filter(g -> g.decidedBy().isEmpty())).hasSize(1);
  }

  @Test
  void theOrderIsChangedLineByLineAndKept() {
    Preferences order = Preferences.parse("lossless, plays, root:Rink");
    assertThat(order.moved(2, 0).toString()).isEqualTo("root:Rink, lossless, plays");
    assertThat(
            order
                .plus(Preference.of(Criterion.ARTWORK))
                .minus(Preference.of(Criterion.PLAYS))
                .toString())
        .isEqualTo("lossless, root:Rink, artwork");
    assertThat(order.plus(Preference.of(Criterion.PLAYS))).isEqualTo(order);
    assertThat(Preferences.parse(Preferences.USUAL.toString())).isEqualTo(Preferences.USUAL);
    assertThatThrownBy(() -> Preferences.parse("prettiest")).hasMessageContaining("PRETTIEST");
    assertThatThrownBy(() -> new Preference(Criterion.ROOT, ""))
        .hasMessageContaining("needs a name");
    assertThatThrownBy(() -> new Preference(Criterion.PLAYS, "x")).hasMessageContaining("no name");
  }

  @Test
  void onlyCratesThatAreFilledByHandCount() {
    Crates crates =
        Crates.NONE
            .plus("Loose", new Crate.HandCrate("One", List.of(2, 1)))
            .plus("Loose", new Crate.HandCrate("Two", List.of(2)));
    Tracks tracks = Tracks.none().with("title=a").with("title=b").with("title=c");
    assertThat(PreferenceContext.of(tracks.snapshot(), crates).crates())
        .isEqualTo(Map.of(1, 1, 2, 2));
  }
}
