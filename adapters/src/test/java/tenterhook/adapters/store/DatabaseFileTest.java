package tenterhook.adapters.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;

/** A database that is damaged, gone or of an older form is noticed, and never lost silently. */
class DatabaseFileTest {
  @TempDir Path folder;

  private Path database() {
    return folder.resolve(Store.FILE);
  }

  private void made() throws CollectionRefused {
    try (Store store = Store.open(folder)) {
      store.putDocument("codebook", "x".repeat(20_000));
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
  void anyFlippedBitIsNoticed(long seed) throws Exception {
    made();
    byte[] bytes = Files.readAllBytes(database());
    Random random = new Random(seed);
    bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
    Files.write(database(), bytes);
    assertThatThrownBy(() -> Store.open(folder))
        .isInstanceOf(CollectionRefused.class)
        .hasMessageContaining("not touched");
    assertThat(database()).hasBinaryContent(bytes);
  }

  @Test
  void aDatabaseThatIsGoneIsSaidWithItsNewestCopy() throws Exception {
    made();
    made(); // the second opening of a day finds the first at rest, and copies it
    Files.writeString(folder.resolve("codebook.json"), "{}");
    Files.delete(database());
    try (Store store = Store.open(folder)) {
      assertThat(store.problems())
          .singleElement()
          .asString()
          .contains("was gone")
          .contains("collection " + LocalDate.now());
    }
    Files.write(database(), new byte[0]);
    try (Store store = Store.open(folder)) {
      assertThat(store.problems()).hasSize(1);
    }
  }

  @Test
  void copiesOfDaysArePruned() throws Exception {
    made();
    DatabaseFile file = new DatabaseFile(folder);
    LocalDate first = LocalDate.of(2026, 11, 1);
    for (int day = 0; day < 12; day++) {
      file.backUp(first.plusDays(day), "");
    }
    try (var copies = Files.list(folder.resolve(DatabaseFile.BACKUPS))) {
      assertThat(copies.map(c -> c.getFileName().toString()).sorted())
          .hasSize(7)
          .last()
          .isEqualTo("collection 2026-11-12.db");
    }
  }

  @Test
  void beforeItsFormChangesACopyIsKept() throws Exception {
    made();
    try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + database());
        Statement statement = db.createStatement()) {
      statement.executeUpdate("DROP TABLE step");
      statement.executeUpdate("DROP TABLE piece");
      statement.executeUpdate("DROP TABLE patch");
      statement.executeUpdate("DROP TABLE leftover");
      statement.executeUpdate("DROP TABLE made_folder");
      statement.executeUpdate("ALTER TABLE change DROP COLUMN remaining");
      statement.executeUpdate("ALTER TABLE change DROP COLUMN leader");
      statement.executeUpdate(
          "CREATE TABLE before (change INTEGER NOT NULL, track INTEGER NOT NULL, picture TEXT NOT"
              + " NULL, delta BLOB NOT NULL, PRIMARY KEY (change, track))");
      statement.executeUpdate(
          "INSERT INTO change (at, title, tracks, open) VALUES ('2026-11-01T10:00:00Z', 'old', 1,"
              + " 0)");
      statement.executeUpdate("INSERT INTO edit VALUES (1, 0, 'set', 1, 'year', '', '1987')");
      statement.executeUpdate("PRAGMA user_version = 3");
    }
    Files.delete(folder.resolve("collection.db.crc32c"));
    try (Store store = Store.open(folder)) {
      assertThat(new Ledger(store).entries())
          .singleElement()
          .satisfies(e -> assertThat(e.canUndo()).isTrue());
      assertThat(store.document("codebook")).isPresent();
    }
    assertThat(folder.resolve(DatabaseFile.BACKUPS).resolve("before " + Schema.form() + ".db"))
        .exists();
  }

  /**
   * What became of a track had another name once; a program between may have made the new column.
   */
  @ParameterizedTest
  @ValueSource(strings = {"RENAME COLUMN f_lifecycle TO f_standing", "ADD COLUMN f_standing TEXT"})
  void whatBecameOfATrackIsKeptUnderItsNewName(String older) throws Exception {
    try (Store store = Store.open(folder)) {
      store.put(List.of(new Cell(7, Fields.LIFECYCLE, "held")));
      Edit held = new Edit.SetField(7, Fields.LIFECYCLE, "", "held");
      new Ledger(store).open(new Change("holds", true, List.of(held)), Instant.EPOCH, 0);
    }
    try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + database());
        Statement statement = db.createStatement()) {
      statement.executeUpdate("ALTER TABLE track " + older);
      if (older.startsWith("ADD")) {
        statement.executeUpdate("UPDATE track SET f_standing = f_lifecycle, f_lifecycle = ''");
      }
      statement.executeUpdate("UPDATE edit SET field = 'standing'");
      statement.executeUpdate("PRAGMA user_version = 4");
    }
    Files.delete(folder.resolve("collection.db.crc32c"));
    for (int opened = 1; opened <= 2; opened++) {
      try (Store store = Store.open(folder)) {
        assertThat(store.load().raw(7, Fields.LIFECYCLE)).isEqualTo("held");
        assertThat(new Ledger(store).change(1).orElseThrow().edits())
            .containsExactly(new Edit.SetField(7, Fields.LIFECYCLE, "", "held"));
      }
    }
  }

  @Test
  void aCopyIsWholeWhileTheDatabaseIsOpen() throws Exception {
    try (Store store = Store.open(folder)) {
      store.putDocument("a", "b");
      store.copyTo(folder.resolve("copy.db"));
      store.putDocument("a", "c");
    }
    Path other = Files.createDirectories(folder.resolve("other"));
    Files.copy(folder.resolve("copy.db"), other.resolve(Store.FILE));
    try (Store copied = Store.open(other)) {
      assertThat(copied.document("a")).contains("b");
    }
  }
}
