package tenterhook.core.lost;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.LostFinder.FoundFile;
import tenterhook.core.track.Snapshot;

class LostFinderTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with("path=Old/a.mp3", "size=10", "state=lost")
          .with("path=Old/b.mp3", "size=20", "state=lost")
          .with("path=Old/c.mp3", "size=30", "state=lost")
          .with("path=Other/d.mp3", "size=40")
          .snapshot();

  private static FoundFile file(String path, long size) {
    return new FoundFile(new Place("Music", path), size);
  }

  @Test
  void candidatesCarryCertaintyAndReason() {
    Map<Integer, List<Candidate>> found =
        LostFinder.candidates(
            snapshot, List.of(file("New/a.mp3", 10), file("New/x.mp3", 10), file("New/b.mp3", 99)));
    assertThat(found.get(1)).extracting(Candidate::certainty).containsExactly(97, 70);
    assertThat(found.get(2))
        .extracting(Candidate::reason)
        .containsExactly("same name, another size");
    assertThat(found.get(3)).isEmpty();
    assertThat(found).doesNotContainKey(4);
  }

  @Test
  void aFolderThatMovedIsOneDecision() {
    List<FoundFile> disk =
        List.of(file("New/a.mp3", 10), file("New/b.mp3", 20), file("New/c.mp3", 30));
    List<FolderMove> moves = LostFinder.moves(snapshot, LostFinder.candidates(snapshot, disk));
    assertThat(moves).hasSize(1);
    assertThat(moves.getFirst().from()).isEqualTo("Old");
    assertThat(moves.getFirst().to()).isEqualTo("New");
    assertThat(moves.getFirst().files()).hasSize(3);
  }

  @Test
  void theFolderThatExplainsMoreWins() {
    List<FoundFile> disk =
        List.of(
            file("Part/a.mp3", 10),
            file("Part/b.mp3", 20),
            file("New/a.mp3", 10),
            file("New/b.mp3", 20),
            file("New/c.mp3", 30));
    List<FolderMove> moves = LostFinder.moves(snapshot, LostFinder.candidates(snapshot, disk));
    assertThat(moves).extracting(FolderMove::to).containsExactly("New");
  }

  @Test
  void twoEqualFoldersAreNotDecided() {
    List<FoundFile> disk = new ArrayList<>();
    for (String folder : List.of("One", "Two")) {
      disk.addAll(
          List.of(
              file(folder + "/a.mp3", 10),
              file(folder + "/b.mp3", 20),
              file(folder + "/c.mp3", 30)));
    }
    assertThat(LostFinder.moves(snapshot, LostFinder.candidates(snapshot, disk))).isEmpty();
  }

  @Test
  void aSingleFileIsNoFolderMove() {
    List<FoundFile> disk = List.of(file("New/a.mp3", 10));
    assertThat(LostFinder.moves(snapshot, LostFinder.candidates(snapshot, disk))).isEmpty();
  }

  @Test
  void repointingKeepsTheOldTrackAndDropsTheNewcomer() {
    Snapshot rescanned =
        Tracks.none()
            .with("path=Old/a.mp3", "size=10", "state=lost")
            .with("path=New/a.mp3", "size=10")
            .snapshot();
    Candidate one = new Candidate(1, file("New/a.mp3", 10), 97, "same name and size");
    Change change = LostFinder.repoint(rescanned, List.of(one));
    assertThat(change.edits())
        .containsExactly(
            new Edit.SetField(2, Fields.STANDING, "", "removed"),
            new Edit.Repoint(1, new Place("Music", "Old/a.mp3"), new Place("Music", "New/a.mp3")));
    assertThat(change.title()).isEqualTo("closes 1 lost file");
  }
}
