package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;

/** Files of any name, under several names, and where names cannot be read. */
@EnabledOnOs(OS.LINUX)
class NamesOnDiskTest extends CollectionTest {
  private ScanReport scan() throws IOException {
    return collection.scan(music, Progress.SILENT);
  }

  private List<String> copies() {
    return CopySearch.run(collection, Progress.SILENT).groups(collection, Optional.empty()).stream()
        .map(g -> g.tracks().toString())
        .toList();
  }

  @Test
  void aBackslashIsALetterAndTwoRecordingsStayTwo() throws Exception {
    Path one = Wavs.make(music.resolve("Rink\\x.wav"), 21);
    Path other = Wavs.make(music.resolve("Rink/x.wav"), 22);
    assertThat(scan().added()).isEqualTo(2);
    assertThat(now().tracks().stream().mapToObj(id -> collection.state().path(id)))
        .contains(one, other);
    assertThat(scan().changed()).isZero();
    assertThat(copies()).isEmpty();
    assertThat(set(Fields.ALBUM, "Slipway", "Rink\\x.wav").refused()).isEmpty();
    assertThat(inFile(one, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(inFile(other, Fields.ALBUM)).isEmpty();
  }

  @Test
  void accentsComposedOrNotAreTwoNamesAndTrailingDotsAndBlanksStay() throws Exception {
    for (String name :
        List.of("\u00e9.wav", "e\u0301.wav", "E\u0301.wav", "dot..wav", " blank.wav", "x .wav")) {
      Wavs.make(music.resolve("Names").resolve(name), name.hashCode());
    }
    assertThat(scan().added()).isEqualTo(6);
    ScanReport again = scan();
    assertThat(again.added() + again.lost() + again.changed()).isZero();
  }

  @Test
  void aNameThatIsNoTextIsToldAndNothingBesideItIsCalledLost() throws Exception {
    Path kept = Wavs.make(music.resolve("Odd/kept.wav"), 31);
    assertThat(scan().added()).isEqualTo(1);
    new ProcessBuilder("bash", "-c", "cp kept.wav $'kept-\\xff.wav'")
        .directory(kept.getParent().toFile())
        .start()
        .waitFor();
    Files.delete(kept); // it may be the one whose name cannot be read
    ScanReport report = scan();
    assertThat(report.lost()).isZero();
    assertThat(report.issues())
        .singleElement()
        .satisfies(i -> assertThat(i.reason()).contains("no text").contains("rename"));
    assertThat(LostFinder.lost(now()).isEmpty()).isTrue();
  }

  @Test
  void oneFileUnderASecondNameIsOneTrack() throws Exception {
    Path file = music.resolve("Rink/one.wav");
    Files.createLink(music.resolve("Ferry/again.wav"), file);
    ScanReport report = scan();
    assertThat(report.added()).isZero();
    assertThat(report.issues())
        .singleElement()
        .satisfies(i -> assertThat(i.reason()).contains("one file is one track"));
    assertThat(now().count()).isEqualTo(3);
  }

  @Test
  void aLinkLeftWhereAFolderWasMakesNoSecondTrack() throws Exception {
    Path elsewhere = folder.resolve("Elsewhere");
    Files.createDirectories(elsewhere);
    Files.move(music.resolve("Rink"), elsewhere.resolve("Rink"));
    Files.createSymbolicLink(music.resolve("Rink"), elsewhere.resolve("Rink"));
    ScanReport report = collection.scan(elsewhere, Progress.SILENT);
    assertThat(report.added()).isZero();
    assertThat(report.issues()).hasSize(2);
    assertThat(scan().lost()).as("they are there, through the link").isZero();
    assertThat(copies()).isEmpty();
  }

  @Test
  void aFolderBehindALinkIsNoSecondRoot() throws Exception {
    Path link = Files.createSymbolicLink(folder.resolve("Second"), music);
    assertThat(collection.scan(link, Progress.SILENT).added()).isZero();
    assertThat(collection.state().roots()).doesNotContainKey("Second");
    assertThatThrownBy(() -> collection.scan(folder, Progress.SILENT))
        .hasMessageContaining("holds the folder of root Music");
  }

  @Test
  void aFileIsNeverOfferedAsACopyOfItself() throws Exception {
    // two tracks that were told apart before, and became one file since
    Path one = music.resolve("Rink/one.wav");
    Path twin = music.resolve("Ferry/twin.wav");
    Files.copy(one, twin);
    scan();
    assertThat(copies()).hasSize(1);
    Files.delete(twin);
    Files.createLink(twin, one);
    assertThat(copies()).isEmpty();
  }

  @Test
  void aFolderOfAnOddNameIsARootThatCanBeHeldAndRestored() throws Exception {
    Path odd = folder.resolve("odd\nname\t. ");
    Path file = Wavs.make(odd.resolve("a.wav"), 61);
    assertThat(collection.scan(odd, Progress.SILENT).added()).isEqualTo(1);
    assertThat(collection.state().roots().keySet())
        .allMatch(name -> name.chars().noneMatch(Character::isISOControl));
    int id = id("a.wav");
    Outcome held =
        collection.apply(
            TrackEdits.hold(now(), RoaringBitmap.bitmapOf(id), "test"), Progress.SILENT);
    assertThat(held.refused()).isEmpty();
    reopen();
    assertThat(collection.apply(TrackEdits.restore(now(), now().held()), Progress.SILENT).refused())
        .isEmpty();
    assertThat(file).exists();
  }

  @Test
  void theHoldingBayOfACollectionInsideTheMusicIsNoMusic() throws Exception {
    Path inside = music.resolve("Tenterhook");
    try (MusicCollection other = MusicCollection.open(inside, CLOCK)) {
      other.scan(music, Progress.SILENT);
      Outcome held =
          other.apply(
              TrackEdits.hold(other.state().snapshot(), other.state().snapshot().tracks(), "test"),
              Progress.SILENT);
      assertThat(held.refused()).isEmpty();
      assertThat(other.scan(music.resolve("Tenterhook"), Progress.SILENT).added()).isZero();
      assertThat(other.state().snapshot().held().getCardinality()).isEqualTo(3);
    }
  }

  @Test
  void withoutUtf8NamesNothingIsCalledLost() throws Exception {
    Wavs.make(music.resolve("Rink/Été.wav"), 41, Map.of(Fields.TITLE, "Été"));
    scan();
    collection.close();
    assertThat(rescanned("C.UTF-8")).containsExactly("lost 0");
    assertThat(rescanned("C")).contains("lost 0").anyMatch(l -> l.contains("LC_ALL=C.UTF-8"));
    open();
  }

  @Test
  void aFolderThatMayNotBeReadIsNamedAndNothingInItIsCalledLost() throws Exception {
    Path closed = Wavs.make(music.resolve("Closed/unread.wav"), 51).getParent();
    Path gone = Wavs.make(music.resolve("Open/gone.wav"), 52);
    scan();
    collection.close();
    Files.delete(gone);
    Set<PosixFilePermission> rights = Files.getPosixFilePermissions(closed);
    Files.setPosixFilePermissions(closed, Set.of());
    try {
      assertThat(rescanned("C.UTF-8", asPlainUser()))
          .contains("lost 1", closed + ": cannot be opened: you may not read it");
    } finally {
      Files.setPosixFilePermissions(closed, rights);
      open();
    }
    assertThat(now().lost(id("unread.wav"))).isFalse();
    assertThat(now().lost(id("gone.wav"))).isTrue();
  }

  private List<String> rescanned(String locale) throws Exception {
    return rescanned(locale, List.of());
  }

  private List<String> rescanned(String locale, List<String> by) throws Exception {
    return ofSecondProgram(locale, by, "scan", music.toString());
  }
}
