package tenterhook.adapters.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class ColumnCacheTest {
  private static final List<Cell> CELLS =
      List.of(new Cell(1, Fields.TITLE, "Cold Lamps"), new Cell(4, Fields.ARTIST, "Varda Pell"));

  @TempDir Path folder;

  @BeforeEach
  void closed() throws Exception {
    Store store = Store.open(folder);
    store.put(CELLS);
    store.close(Snapshot.empty().with(CELLS));
  }

  private Path file(String name) {
    return folder.resolve(name);
  }

  private boolean isKept() throws Exception {
    try (Store store = Store.open(folder)) {
      return store.cached().isPresent();
    }
  }

  @Test
  void tracksAreReadBackAsTheyWereAtTheClosing() throws Exception {
    try (Store store = Store.open(folder)) {
      assertThat(store.cached().orElseThrow().raw(4, Fields.ARTIST)).isEqualTo("Varda Pell");
    }
  }

  @Test
  void whatElseChangesInTheDatabaseLeavesThemValid() throws Exception {
    Store store = Store.open(folder);
    store.putDocument("setting:window", "800 600");
    store.close(store.cached().orElseThrow());
    assertThat(isKept()).isTrue();
  }

  @Test
  void aStoreThatIsClosedWithoutTracksKeepsNone() throws Exception {
    try (Store store = Store.open(folder)) {
      store.put(List.of(new Cell(1, Fields.TITLE, "Slow Freeze")));
    }
    assertThat(isKept()).isFalse();
  }

  @Test
  void aDatabaseEditedByAnotherProgramIsReadItself() throws Exception {
    try (var db = DriverManager.getConnection("jdbc:sqlite:" + file(Store.FILE));
        var statement = db.createStatement()) {
      statement.executeUpdate("UPDATE track SET f_title = 'by hand' WHERE id = 1");
    }
    Files.delete(file("collection.db.crc32c"));
    try (Store store = Store.open(folder)) {
      assertThat(store.cached()).isEmpty();
      assertThat(store.load().raw(1, Fields.TITLE)).isEqualTo("by hand");
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"columns.cache", "columns.stamp"})
  void aFileThatIsDamagedOrGoneIsPassedOver(String name) throws Exception {
    byte[] bytes = Files.readAllBytes(file(name));
    bytes[bytes.length / 2] ^= 4;
    Files.write(file(name), bytes);
    assertThat(isKept()).isFalse();
    closed();
    assertThat(isKept()).isTrue();
    closed();
    Files.delete(file(name));
    assertThat(isKept()).isFalse();
  }

  @Test
  void whenTheDatabaseFailedOnceNothingIsKept() throws Exception {
    Store store = Store.open(folder);
    store.put(List.of(new Cell(1, Fields.TITLE, "Slow Freeze")));
    assertThatThrownBy(() -> store.update("no such words")).isInstanceOf(StoreBroken.class);
    store.close(store.cached().orElseThrow());
    assertThat(isKept()).isFalse();
  }
}
