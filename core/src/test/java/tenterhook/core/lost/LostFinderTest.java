package tenterhook.core.lost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gigs;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.FileInspector.FileFacts;
import tenterhook.core.lost.FileInspector.Seals;
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
    assertThat(found.get(1)).extracting(Candidate::certainty).containsExactly(80, 70);
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
    List<FolderMove> moves = moves(snapshot, disk);
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
    List<FolderMove> moves = moves(snapshot, disk);
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
    assertThat(moves(snapshot, disk)).isEmpty();
  }

  @Test
  void aSingleFileIsNoFolderMove() {
    List<FoundFile> disk = List.of(file("New/a.mp3", 10));
    assertThat(moves(snapshot, disk)).isEmpty();
  }

  @Test
  void aFolderWithFoldersInItIsOneDecisionThatNamesIt() {
    Tracks tracks = Tracks.none();
    List<FoundFile> disk = new ArrayList<>();
    for (int i = 0; i < 41; i++) {
      String path = "Skate 2019/CD" + i % 2 + "/" + i + ".mp3";
      tracks.with("path=" + path, "size=" + (100 + i), "state=lost");
      disk.add(file("Rink/" + path, 100 + i));
    }
    tracks.with("path=Skate 2019/CD0/gone.mp3", "size=7", "state=lost");
    List<FolderMove> moves = moves(tracks.snapshot(), disk);
    assertThat(moves).hasSize(1);
    assertThat(moves.getFirst().from()).isEqualTo("Skate 2019");
    assertThat(moves.getFirst().to()).isEqualTo("Rink/Skate 2019");
    assertThat(moves.getFirst().files()).hasSize(41);
    assertThat(moves.getFirst().lost()).isEqualTo(42);
  }

  @Test
  void theFewestSubstitutionsAreTaken() {
    Tracks tracks = Tracks.none();
    List<FoundFile> disk = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      boolean rink = i < 20;
      String old = (rink ? "Rink/A" + i % 4 : "Ferry/B" + i % 2) + "/" + i + ".mp3";
      tracks.with("path=" + old, "size=" + (100 + i), "state=lost");
      disk.add(file((rink ? "Ice/" : "Boat/") + old.substring(old.indexOf('/') + 1), 100 + i));
    }
    assertThat(moves(tracks.snapshot(), disk))
        .extracting(m -> m.from() + " to " + m.to())
        .containsExactly("Rink to Ice", "Ferry to Boat");
  }

  @Test
  void aCopyThatWasThereBeforeIsNoPlaceToMoveTo() {
    Snapshot snapshot =
        Tracks.none()
            .with("path=Old/a.mp3", "size=1", "state=lost", "added=2026-03-01T10:00:00Z")
            .with("path=Old/b.mp3", "size=2", "state=lost", "added=2026-03-01T10:00:00Z")
            .with("path=Copies/a.mp3", "size=1", "added=2026-03-01T10:00:00Z")
            .with("path=Copies/b.mp3", "size=2", "added=2026-02-01T10:00:00Z")
            .with("path=New/a.mp3", "size=1", "added=2026-04-01T10:00:00Z")
            .snapshot();
    List<FoundFile> disk =
        List.of(file("Copies/a.mp3", 1), file("Copies/b.mp3", 2), file("New/a.mp3", 1));
    Map<Integer, List<Candidate>> found = LostFinder.candidates(snapshot, disk);
    assertThat(found.get(1)).extracting(Candidate::certainty).containsExactly(80, 65);
    assertThat(found.get(2))
        .extracting(Candidate::reason)
        .containsExactly("a copy that was there before");
    assertThat(LostFinder.moves(snapshot, opened(found))).isEmpty();
  }

  @Test
  void filesMayMoveToAnotherRoot() {
    Snapshot lost =
        Tracks.none()
            .with("path=Rink/a.mp3", "size=1", "state=lost")
            .with("path=Rink/b.mp3", "size=2", "state=lost")
            .snapshot();
    List<FoundFile> disk =
        List.of(
            new FoundFile(new Place("Disk", "Rink/a.mp3"), 1),
            new FoundFile(new Place("Disk", "Rink/b.mp3"), 2));
    FolderMove move = moves(lost, disk).getFirst();
    assertThat(move.from()).isEqualTo("Music/Rink");
    assertThat(move.to()).isEqualTo("Disk/Rink");
  }

  /** As they are after opening, when what had the right name and size is the very file. */
  private static Map<Integer, List<Candidate>> opened(Map<Integer, List<Candidate>> found) {
    Map<Integer, List<Candidate>> opened = new TreeMap<>();
    found.forEach(
        (id, mine) ->
            opened.put(
                id,
                mine.stream()
                    .map(
                        c ->
                            c.likeness() == FileMatch.NAME_AND_SIZE
                                ? new Candidate(id, c.file(), FileMatch.MOVED)
                                : c)
                    .toList()));
    return opened;
  }

  private static List<FolderMove> moves(Snapshot snapshot, List<FoundFile> disk) {
    return LostFinder.moves(snapshot, opened(LostFinder.candidates(snapshot, disk)));
  }

  @Test
  void nothingIsCertainUnopened() {
    List<FoundFile> disk =
        List.of(file("New/a.mp3", 10), file("New/b.mp3", 20), file("New/c.mp3", 30));
    Map<Integer, List<Candidate>> found = LostFinder.candidates(snapshot, disk);
    assertThat(found.values()).allMatch(mine -> LostFinder.sure(mine).isEmpty());
    assertThat(LostFinder.moves(snapshot, found)).isEmpty();
  }

  @Test
  void theSameNameAndSizeWithAnotherRecordingIsNotTaken() {
    Snapshot lost =
        Tracks.none()
            .with("path=Old/a.wav", "size=10", "state=lost", "tagsSeal=t1", "soundSeal=s1")
            .with("path=Old/b.wav", "size=10", "state=lost", "tagsSeal=t1", "soundSeal=s2")
            .snapshot();
    List<FoundFile> disk = List.of(file("New/a.wav", 10), file("New/b.wav", 10));
    FileInspector inside = mock(FileInspector.class);
    when(inside.seals(file("New/a.wav", 10))).thenReturn(Optional.of(new Seals("t1", "s1")));
    when(inside.seals(file("New/b.wav", 10))).thenReturn(Optional.of(new Seals("t1", "s9")));
    when(inside.sound(any())).thenReturn(Optional.empty());
    when(inside.sameSound(anyInt(), any())).thenReturn(Optional.empty());
    when(inside.facts(any())).thenReturn(Optional.of(new FileFacts(60, "", "")));
    Map<Integer, List<Candidate>> found =
        LostFinder.closer(lost, LostFinder.candidates(lost, disk), disk, inside, Progress.SILENT);
    assertThat(LostFinder.sure(found.get(1)))
        .get()
        .extracting(Candidate::likeness)
        .isEqualTo(FileMatch.MOVED);
    assertThat(LostFinder.sure(found.get(2))).isEmpty();
    assertThat(found.get(2)).extracting(Candidate::likeness).contains(FileMatch.SOUNDS_OTHERWISE);
  }

  @Test
  void repointingKeepsTheOldTrackAndDropsTheNewcomer() {
    Snapshot rescanned =
        Tracks.none()
            .with("path=Old/a.mp3", "size=10", "state=lost")
            .with("path=New/a.mp3", "size=10")
            .snapshot();
    Candidate one = new Candidate(1, file("New/a.mp3", 10), FileMatch.NAME_AND_SIZE);
    Crates crates = Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(2, 3)));
    Change change = LostFinder.repoint(rescanned, new Holders(crates, Gigs.NONE), List.of(one));
    Crates followed = crates.with("Hand", c -> new Crate.HandCrate("Hand", List.of(1, 3)));
    assertThat(change.edits())
        .containsExactly(
            new Edit.SetField(2, Fields.LIFECYCLE, "", "removed"),
            new Edit.Relocate(
                1,
                new Place("Music", "Old/a.mp3"),
                new Place("Music", "New/a.mp3"),
                Map.of(Fields.SIZE, "10")),
            new Edit.SetCrates(crates, followed));
    assertThat(change.title()).isEqualTo("closes 1 lost file");
  }
}
