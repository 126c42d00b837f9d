package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.Wavs;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.job.Progress;

class SafeFilesTest {
  private static final SafeFiles FILES = new SafeFiles(FileCalls.SYSTEM);
  private static final String STEP = SafeFiles.token("test", 1, 2);

  @TempDir Path folder;
  private Path file;

  @BeforeEach
  void aFile() throws IOException {
    file = Files.writeString(folder.resolve("song.mp3"), "before");
    Files.setLastModifiedTime(file, FileTime.fromMillis(1_000_000_000_000L));
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-r-----"));
  }

  private Path room() {
    return new WorkRoom(FileCalls.SYSTEM, file, STEP).folder();
  }

  private SafeFiles.Ended replace(SafeFiles.Rewrite<Exception> rewrite) throws Exception {
    return FILES.replace(file, STEP, rewrite, f -> {});
  }

  private List<String> names() throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.map(p -> p.getFileName().toString()).sorted().toList();
    }
  }

  @Test
  void aReplacementKeepsTimesAndRights() throws Exception {
    assertThat(replace(copy -> Files.writeString(copy, "after")).open()).isEmpty();
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
                replace(
                    copy -> {
                      Files.writeString(copy, "half");
                      throw new Unreadable("not as it should be");
                    }))
        .isInstanceOf(Unreadable.class);
    assertThat(file).hasContent("before");
    assertThat(names()).containsExactly("song.mp3");
  }

  @Test
  void leftoversAreClearedButNeverWhatIsNotOurs() throws Exception {
    Path room = Files.createDirectories(room());
    Files.writeString(room.resolve("owner"), STEP);
    Files.writeString(room.resolve("copy.mp3"), "half");
    FILES.clear(file, STEP);
    assertThat(room).doesNotExist();
    Files.createDirectories(room);
    Path foreign = Files.writeString(room.resolve("copy.mp3"), "the only copy");
    FILES.clear(file, STEP);
    assertThat(foreign).hasContent("the only copy");
    Files.writeString(room.resolve("owner"), SafeFiles.token("another", 1, 2));
    FILES.clear(file, STEP);
    assertThat(foreign).hasContent("the only copy");
    assertThatThrownBy(() -> replace(copy -> Files.writeString(copy, "after")))
        .hasMessageContaining("another program is writing this file");
    assertThat(file).hasContent("before");
  }

  @Test
  void aFolderOrLinkThatHasTheNameOfTheWorkRoomIsNotTouched() throws Exception {
    Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
    Path only = Files.writeString(elsewhere.resolve("copy.mp3"), "the only copy");
    Path room = Files.createSymbolicLink(room(), elsewhere);
    assertThatThrownBy(() -> replace(copy -> Files.writeString(copy, "after")))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("not this program's");
    FILES.clear(file, STEP);
    assertThat(only).hasContent("the only copy");
    assertThat(file).hasContent("before");
  }

  @Test
  void whatAnotherProgramWritesMeanwhileIsNotOverwritten() throws Exception {
    assertThatThrownBy(
            () ->
                replace(
                    copy -> {
                      Files.writeString(copy, "after");
                      Files.writeString(file, "theirs");
                    }))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("meanwhile");
    assertThat(file).hasContent("theirs");
    assertThat(names()).containsExactly("song.mp3");
  }

  @Test
  void aLinkIsFollowedAndStays() throws Exception {
    Path link = Files.createSymbolicLink(folder.resolve("link.mp3"), file);
    FILES.replace(link, STEP, copy -> Files.writeString(copy, "after"), f -> {});
    assertThat(Files.isSymbolicLink(link)).isTrue();
    assertThat(file).hasContent("after");
    assertThatThrownBy(() -> FILES.move(link, folder.resolve("away.mp3"), STEP))
        .hasMessageContaining("is a link to");
  }

  @Test
  void aSecondNameOnTheDiskIsTold() throws Exception {
    Path second = Files.createLink(folder.resolve("second.mp3"), file);
    assertThat(replace(copy -> Files.writeString(copy, "after")).notes())
        .singleElement()
        .asString()
        .contains("second name");
    assertThat(second).hasContent("before");
  }

  @Test
  void whatIsNotCertainAfterTheRenameIsSaidAndNotRefused() throws Exception {
    FileCalls stubborn =
        new FileCalls() {
          @Override
          public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
              throws IOException, E {
            if (kind == CallKind.DELETE) {
              throw new IOException("the work room stays");
            }
            super.call(kind, path, action);
          }
        };
    SafeFiles.Ended ended =
        new SafeFiles(stubborn)
            .replace(file, STEP, copy -> Files.writeString(copy, "after"), f -> {});
    assertThat(file).hasContent("after");
    assertThat(ended.open()).singleElement().asString().contains("the work room stays");
  }

  @Test
  void aFileThatAppearsAtTheTargetInBetweenIsNotOverwritten() throws Exception {
    Path to = folder.resolve("away/song.mp3");
    for (FileCalls.CallKind last : List.of(FileCalls.CallKind.LINK, FileCalls.CallKind.MAKE_FILE)) {
      FileCalls racing =
          new FileCalls() {
            @Override
            public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
                throws IOException, E {
              if (kind == CallKind.LINK && last == CallKind.MAKE_FILE) {
                throw new IOException("no links on this disk");
              }
              if (kind == last) {
                Files.writeString(to, "theirs");
              }
              super.call(kind, path, action);
            }
          };
      assertThatThrownBy(() -> new SafeFiles(racing).move(file, to, STEP))
          .isInstanceOf(FileAlreadyExistsException.class);
      assertThat(to).hasContent("theirs");
      assertThat(file).hasContent("before");
      Files.delete(to);
    }
  }

  /** Another disk, and what was called. */
  private final class OtherDisk extends SimulatedDisk {
    private final List<CallKind> done = new ArrayList<>();

    OtherDisk() {
      super(folder.resolve("disk"));
    }

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      super.call(kind, path, action);
      done.add(kind);
    }
  }

  @Test
  void aMoveToAnotherDiskRemovesTheOriginalLast() throws Exception {
    OtherDisk calls = new OtherDisk();
    Path to = folder.resolve("disk/song.mp3");
    assertThat(new SafeFiles(calls).move(file, to, STEP).open()).isEmpty();
    assertThat(to).hasContent("before");
    assertThat(Files.getLastModifiedTime(to).toMillis()).isEqualTo(1_000_000_000_000L);
    assertThat(names()).containsExactly("disk");
    assertThat(calls.done)
        .containsSubsequence(
            FileCalls.CallKind.COPY,
            FileCalls.CallKind.FLUSH,
            FileCalls.CallKind.RENAME,
            FileCalls.CallKind.FLUSH_FOLDER,
            FileCalls.CallKind.DELETE);
  }

  /** Another disk that says of a part that it is all. */
  private final class LosesBytes extends SimulatedDisk {
    LosesBytes() {
      super(folder.resolve("disk"));
    }

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      super.call(kind, path, action);
      if (kind == CallKind.COPY) {
        Files.writeString(path, "bef");
      }
    }
  }

  @Test
  void anotherDiskThatLosesBytesLeavesTheFileWhereItIs() throws Exception {
    Path to = folder.resolve("disk/song.mp3");
    assertThatThrownBy(() -> new SafeFiles(new LosesBytes()).move(file, to, STEP))
        .hasMessageContaining("differs");
    assertThat(file).hasContent("before");
    assertThat(names()).as("nothing of the copy is left").containsExactly("song.mp3");
  }

  @Test
  void anotherDiskThatIsFullAtAnyByteLeavesTheFileWhereItIs() throws Exception {
    Path to = folder.resolve("disk/song.mp3");
    int refused = 0;
    while (!Files.exists(to)) {
      OtherDisk calls = new OtherDisk();
      calls.sized(refused);
      try {
        new SafeFiles(calls).move(file, to, STEP);
      } catch (IOException full) {
        assertThat(full).hasMessageContaining("No space left");
        assertThat(file).hasContent("before");
        assertThat(names()).as("nothing of the copy is left").containsExactly("song.mp3");
        refused++;
      }
    }
    assertThat(to).hasContent("before");
    assertThat(refused).isGreaterThan("before".length());
  }

  @Test
  void aMoveMakesFolders() throws Exception {
    Path to = folder.resolve("a/b/song.mp3");
    FILES.move(file, to, STEP);
    assertThat(to).hasContent("before");
    assertThat(file).doesNotExist();
  }

  @Test
  void aMoveNeverOverwrites() throws Exception {
    Path to = Files.writeString(folder.resolve("taken.mp3"), "mine");
    assertThatThrownBy(() -> FILES.move(file, to, STEP))
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
    Files.createDirectories(room());
    Files.writeString(room().resolve("x.mp3"), "half");
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
