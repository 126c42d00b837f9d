package tenterhook.core.duplicate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

class DuplicatesTest {
  private static Tracks copies() {
    return Tracks.none()
        .with("size=100", "content=aa", "plays=2", "lastPlayed=2026-01-01", "added=2026-01-05")
        .with("size=100", "content=aa", "plays=3", "lastPlayed=2026-05-01", "added=2026-02-05")
        .with("size=100", "content=bb")
        .with("size=70", "content=cc")
        .with("size=70", "content=cc", "state=lost");
  }

  @Test
  void groupsAreFilesOfTheSameBytes() {
    List<Duplicates.Group> groups = Duplicates.sameBytes(copies().snapshot());
    assertThat(groups).hasSize(1);
    assertThat(groups.getFirst().tracks()).containsExactly(2, 1);
    assertThat(groups.getFirst().bytesFreed()).isEqualTo(100);
    assertThat(groups.getFirst().reason()).isEqualTo("most plays");
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
  void aGuardedCopySurvives() {
    Snapshot snapshot =
        Tracks.none()
            .with("size=1", "content=aa", "plays=9")
            .with("size=1", "content=aa", "guarded=yes")
            .snapshot();
    assertThat(Duplicates.sameBytes(snapshot).getFirst().survivor()).isEqualTo(2);
  }

  @Test
  void theOneLongestInTheCollectionSurvives() {
    Snapshot snapshot =
        Tracks.none()
            .with("size=1", "content=aa", "added=2026-03-01")
            .with("size=1", "content=aa", "added=2025-03-01")
            .snapshot();
    Duplicates.Group group = Duplicates.sameBytes(snapshot).getFirst();
    assertThat(group.survivor()).isEqualTo(2);
    assertThat(group.reason()).isEqualTo("longest in the collection");
  }

  @Test
  void resolvingAddsUpPlaysAndPointsCratesToTheSurvivor() {
    Crates crates =
        Crates.NONE
            .plus("Loose", new Crate.HandCrate("Hand", List.of(3, 1, 4)))
            .plus("Loose", new Crate.HandCrate("Both", List.of(1, 2)));
    Change change = Duplicates.resolve(copies().snapshot(), crates, 2, List.of(1));
    assertThat(change.edits())
        .contains(new Edit.SetField(2, Fields.PLAYS, "3", "5"))
        .contains(new Edit.SetField(1, Fields.STANDING, "", "held"));
    Crates after =
        change.edits().stream()
            .filter(Edit.SetCrates.class::isInstance)
            .map(e -> ((Edit.SetCrates) e).after())
            .findFirst()
            .orElseThrow();
    assertThat(((Crate.HandCrate) after.crate("Hand").orElseThrow()).tracks())
        .containsExactly(3, 2, 4);
    assertThat(((Crate.HandCrate) after.crate("Both").orElseThrow()).tracks()).containsExactly(2);
  }

  @Test
  void theLatestPlayIsKept() {
    Change change = Duplicates.resolve(copies().snapshot(), Crates.NONE, 1, List.of(2));
    assertThat(change.edits())
        .contains(new Edit.SetField(1, Fields.LAST_PLAYED, "2026-01-01", "2026-05-01"));
  }

  @Test
  void aGroupNeedsTwo() {
    assertThatThrownBy(() -> new Duplicates.Group(List.of(1), 0, ""))
        .hasMessageContaining("two tracks");
  }
}
