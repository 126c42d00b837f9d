package tenterhook.backstage.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.backstage.Wavs;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.job.Progress;

class SafeFilesTest {
  @TempDir Path folder;
  private Path file;

  @BeforeEach
  void aFile() throws IOException {
    file = Files.writeString(folder.resolve("song.mp3"), "before");
    Files.setLastModifiedTime(file, FileTime.fromMillis(1_000_000_000_000L));
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-r-----"));
  }

  private List<String> names() throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.map(p -> p.getFileName().toString()).sorted().toList();
    }
  }

  @Test
  void aReplacementKeepsTimesAndRights() throws Exception {
    SafeFiles.replace(file, copy -> Files.writeString(copy, "after"));
    assertThat(file).hasContent("after");
    assertThat(Files.getLastModifiedTime(file).toMillis()).isEqualTo(1_000_000_000_000L);
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-r-----");
    assertThat(names()).containsExactly("song.mp3");
  }

  @Test
  void aFailedReplacementLeavesTheFileAndNothingElse() throws Exception {
    assertThatThrownBy(
            () ->
                SafeFiles.replace(
                    file,
                    copy -> {
                      Files.writeString(copy, "half");
                      throw new Unreadable("not as it should be");
                    }))
        .isInstanceOf(Unreadable.class);
    assertThat(file).hasContent("before");
    assertThat(names()).containsExactly("song.mp3");
  }

  @Test
  void leftoversAreClearedButNeverAnotherFolder() throws Exception {
    Path room = Files.createDirectories(folder.resolve(SafeFiles.WORKROOM));
    Files.writeString(room.resolve("song.mp3"), "half");
    SafeFiles.clear(room);
    assertThat(room).doesNotExist();
    SafeFiles.clear(folder);
    assertThat(file).exists();
  }

  @Test
  void aMoveMakesFolders() throws Exception {
    Path to = folder.resolve("a/b/song.mp3");
    SafeFiles.move(file, to);
    assertThat(to).hasContent("before");
    assertThat(file).doesNotExist();
  }

  @Test
  void aMoveNeverOverwrites() throws Exception {
    Path to = Files.writeString(folder.resolve("taken.mp3"), "mine");
    assertThatThrownBy(() -> SafeFiles.move(file, to))
        .isInstanceOf(FileAlreadyExistsException.class)
        .hasMessageContaining("nothing was moved");
    assertThat(to).hasContent("mine");
    assertThat(file).hasContent("before");
  }

  @Test
  void aWalkSeesMusicOnly() throws Exception {
    Wavs.make(folder.resolve("Rink/one.wav"), 1);
    Files.writeString(folder.resolve("Rink/._one.wav"), "junk");
    Files.writeString(folder.resolve("Rink/cover.jpg"), "picture");
    Files.createDirectories(folder.resolve(SafeFiles.WORKROOM));
    Files.writeString(folder.resolve(SafeFiles.WORKROOM).resolve("x.mp3"), "half");
    MusicWalk.Result result = MusicWalk.walk(folder, Progress.SILENT);
    assertThat(result.files())
        .extracting(f -> folder.relativize(f.path()).toString())
        .containsExactly("Rink/one.wav", "song.mp3");
    assertThat(result.issues()).isEmpty();
  }

  @Test
  void linksAreNamedAndNotFollowed() throws Exception {
    Files.createSymbolicLink(folder.resolve("circle"), folder);
    Files.createSymbolicLink(folder.resolve("link.mp3"), file);
    MusicWalk.Result result = MusicWalk.walk(folder, Progress.SILENT);
    assertThat(result.files()).hasSize(1);
    assertThat(result.issues()).hasSize(2).allMatch(i -> i.reason().contains("not followed"));
  }
}
