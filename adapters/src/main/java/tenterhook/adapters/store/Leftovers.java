package tenterhook.adapters.store;

import java.nio.file.Path;
import java.util.List;

/** What the program left on the disks and could not clear away yet, and folders that it made. */
public final class Leftovers {
  private final Store store;

  /** What is noted in a store. */
  public Leftovers(Store store) {
    this.store = store;
  }

  /**
   * Something that is to be cleared away.
   *
   * @param path the target of a move that did not take place; a file that was not replaced itself
   * @param token that its names were made with
   * @param source where a move came from; of a replacement the file itself
   * @param track whose file it is
   */
  public record Leftover(Path path, String token, Path source, int track) {}

  /**
   * Notes what could not be cleared.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void add(Leftover leftover) {
    store.update(
        "INSERT OR IGNORE INTO leftover VALUES (?, ?, ?, ?)",
        leftover.path().toString(),
        leftover.token(),
        leftover.source().toString(),
        leftover.track());
  }

  /**
   * All that is noted.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<Leftover> all() {
    return store.list(
        "SELECT path, token, source, track FROM leftover",
        row ->
            new Leftover(
                Path.of(row.getString(1)),
                row.getString(2),
                Path.of(row.getString(3)),
                row.getInt(4)));
  }

  /**
   * Forgets what is cleared.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void remove(Leftover leftover) {
    store.update("DELETE FROM leftover WHERE path = ?", leftover.path().toString());
  }

  /**
   * Notes folders that a change made.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void made(long change, List<Path> folders) {
    folders.forEach(
        f -> store.update("INSERT OR IGNORE INTO made_folder VALUES (?, ?)", change, f.toString()));
  }

  /**
   * The folders that a change made, the deepest first.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<Path> madeBy(long change) {
    return store.list(
        "SELECT path FROM made_folder WHERE change = ? ORDER BY LENGTH(path) DESC",
        row -> Path.of(row.getString(1)),
        change);
  }
}
