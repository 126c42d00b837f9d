package tenterhook.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Commands by which nothing is lost: roots that moved, backups, a second disk, what history costs.
 */
class SafekeepingTest extends CommandTest {
  private Path moved() throws Exception {
    return Files.move(music, folder.resolve("another disk"));
  }

  @Test
  void aLibraryThatMovedAsAWholeIsOneCommandAndUndoable() throws Exception {
    Path there = moved();
    Call find = run("lost", "find", there.toString());
    assertThat(find.out()).as("it always says what it did").contains("away").contains("\"lost\":0");
    Call wrong =
        run("root", "music", "--at", Files.createDirectories(folder.resolve("x")).toString());
    assertThat(wrong.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(wrong.err()).contains("nothing was changed");
    assertThat(
            run("--dry-run", "root", "music", "--at", there.toString())
                .last()
                .path("others")
                .asInt())
        .isZero();
    assertThat(run("roots").last().path("there").asBoolean()).isFalse();
    assertThat(run("root", "music", "--at", there.toString()).status()).isZero();
    JsonNode root = run("roots").last();
    assertThat(root.path("there").asBoolean()).isTrue();
    assertThat(root.path("path").asText()).isEqualTo(there.toRealPath().toString());
    assertThat(run("lost").lines()).isEmpty();
    assertThat(run("undo").status()).isZero();
    assertThat(run("roots").last().path("there").asBoolean()).isFalse();
  }

  @Test
  void aFolderOfTheSameNamesThatHoldsOtherRecordingsIsNotTaken() throws Exception {
    Path there = moved();
    List<Path> two;
    try (Stream<Path> all = Files.walk(there)) {
      two = all.filter(f -> f.toString().endsWith(".flac")).sorted().limit(2).toList();
    }
    byte[] one = Files.readAllBytes(two.getFirst());
    Files.write(two.getFirst(), Files.readAllBytes(two.getLast()));
    Files.write(two.getLast(), one);
    Call told = run("root", "music", "--at", there.toString());
    assertThat(told.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(told.last().path("others").asInt()).isEqualTo(2);
    assertThat(told.err())
        .contains(two.getFirst().getFileName().toString(), "holds another recording")
        .contains("nothing was changed");
    assertThat(run("roots").last().path("there").asBoolean()).isFalse();
  }

  @Test
  void lostFilesAreLookedForWithoutBeingMarkedBefore() throws Exception {
    Path one = Path.of(first("genre:ska"));
    Path there = Files.createDirectories(folder.resolve("elsewhere"));
    Files.move(one, there.resolve(one.getFileName()));
    Call find = run("lost", "find", there.toString(), "--apply");
    assertThat(find.last().path("lost").asInt()).isEqualTo(1);
    assertThat(find.last().path("applied").asBoolean()).isTrue();
    assertThat(run("lost").lines()).isEmpty();
  }

  @Test
  void aBackupIsRestoredIntoAnotherFolder() throws Exception {
    int count = tracks("").size();
    Path stick = folder.resolve("stick");
    Path zip = Path.of(run("backup", stick.toString()).last().path("backup").asText());
    Call restored =
        plain(
            "--collection",
            folder.resolve("again").toString(),
            "--json",
            "restore",
            zip.toString());
    assertThat(restored.status()).as(restored.err()).isZero();
    assertThat(restored.lines().getFirst().path("tracks").asInt()).isEqualTo(count);
    Call taken =
        plain("--collection", folder.resolve("again").toString(), "restore", zip.toString());
    assertThat(taken.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(taken.err()).contains("holds a collection already");
  }

  @Test
  void aSecondDiskIsComparedByContent() throws Exception {
    Call whole = run("mirror", "check", music.toString());
    assertThat(whole.last().path("missing").asInt()).isZero();
    Path one = Path.of(first("genre:ska"));
    Path mirror = folder.resolve("mirror");
    Files.createDirectories(mirror);
    Files.copy(one, mirror.resolve("under another name." + ending(one)));
    Call part = run("mirror", "check", mirror.toString());
    assertThat(part.status()).isEqualTo(TenterhookCommand.PARTLY);
    assertThat(part.last().path("moved").asInt()).isEqualTo(1);
  }

  private static String ending(Path file) {
    String name = file.getFileName().toString();
    return name.substring(name.lastIndexOf('.') + 1);
  }

  @Test
  void historySaysWhatItCostsAndIsShortenedOnlyWhenThatIsSaid() throws Exception {
    run("set", "genre:ska", "album=Last Lap");
    run("set", "genre:ska", "label=Tin");
    assertThat(run("history", "--cost").last().path("bytes").asLong()).isPositive();
    run("history", "shorten", "1");
    assertThat(run("history", "--cost").last().path("undoable").asInt()).isEqualTo(2);
    run("history", "shorten", "1", "--yes");
    assertThat(run("history", "--cost").last().path("undoable").asInt()).isEqualTo(1);
    assertThat(run("undo", "1").err()).contains("history was shortened");
    assertThat(run("undo", "2", "--values").status()).isZero();
  }
}
