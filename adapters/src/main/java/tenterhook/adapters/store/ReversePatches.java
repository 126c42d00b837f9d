package tenterhook.adapters.store;

import java.io.IOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tenterhook.adapters.disk.ByteDelta;
import tenterhook.adapters.disk.ByteDelta.Patch;

/**
 * What leads from each state of a file that the program made back to the state before, by the
 * hashes of both. All states of a track's file with the patches between them are a graph, in which
 * an older state is found again in any order of undoing.
 */
public final class ReversePatches implements ByteDelta.Pieces {
  private final Store store;

  /** What is kept in a store. */
  public ReversePatches(Store store) {
    this.store = store;
  }

  /**
   * A patch of one track's file, without its body.
   *
   * @param change that made the later state
   * @param after SHA-256 of the later state
   * @param before SHA-256 of the state before
   */
  public record Link(long change, String after, String before) {}

  /**
   * A patch with all that it needs.
   *
   * @param picture SHA-256 of the kept picture that it needs, empty for none
   */
  public record ReversePatch(Patch patch, String picture) {}

  /**
   * Keeps the way back of a track's file over a change.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void put(int track, long change, ReversePatch reverse) {
    store.update(
        "INSERT OR REPLACE INTO patch (track, after, change, before, picture, body)"
            + " VALUES (?, ?, ?, ?, ?, ?)",
        track,
        reverse.patch().after(),
        change,
        reverse.patch().before(),
        reverse.picture(),
        reverse.patch().body());
  }

  /**
   * All that is kept of a track's file, the newest change first.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<Link> of(int track) {
    return store.list(
        "SELECT change, after, before FROM patch WHERE track = ? ORDER BY change DESC",
        row -> new Link(row.getLong(1), row.getString(2), row.getString(3)),
        track);
  }

  /**
   * The patch of a link.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<ReversePatch> load(int track, Link link) {
    return store.first(
        "SELECT picture, body FROM patch WHERE track = ? AND after = ? AND change = ?",
        row ->
            new ReversePatch(
                new Patch(link.after(), link.before(), row.getBytes(2)), row.getString(1)),
        track,
        link.after(),
        link.change());
  }

  @Override
  public void keep(String sha256, byte[] piece) {
    store.update("INSERT OR IGNORE INTO piece VALUES (?, ?)", sha256, piece);
  }

  @Override
  public Optional<byte[]> piece(String sha256) {
    return store.bytes("SELECT bytes FROM piece WHERE sha256 = ?", sha256);
  }

  /** Drops pieces that no patch needs. */
  void dropUnused() {
    store.together(
        () -> {
          Set<String> needed = new HashSet<>();
          store.each("SELECT body FROM patch", row -> needed.addAll(pieces(row.getBytes(1))));
          List<String> kept = store.list("SELECT sha256 FROM piece", row -> row.getString(1));
          kept.removeAll(needed);
          kept.forEach(sha -> store.update("DELETE FROM piece WHERE sha256 = ?", sha));
        });
  }

  private static Set<String> pieces(byte[] body) throws SQLException {
    try {
      return Set.copyOf(ByteDelta.piecesOf(body));
    } catch (IOException damaged) {
      throw new SQLException("a way back cannot be read", damaged);
    }
  }

  /** Brings what an older program kept into the form of today. */
  static void takeOverFirstForm(Connection db) throws SQLException {
    try (Statement statement = db.createStatement();
        ResultSet rows =
            statement.executeQuery("SELECT change, track, picture, delta FROM before");
        PreparedStatement insert =
            db.prepareStatement(
                "INSERT OR REPLACE INTO patch (track, after, change, before, picture, body)"
                    + " VALUES (?, ?, ?, ?, ?, ?)")) {
      while (rows.next()) {
        Patch patch = ByteDelta.fromFirstForm(rows.getBytes(4));
        insert.setInt(1, rows.getInt(2));
        insert.setString(2, patch.after());
        insert.setLong(3, rows.getLong(1));
        insert.setString(4, patch.before());
        insert.setString(5, rows.getString(3));
        insert.setBytes(6, patch.body());
        insert.executeUpdate();
      }
    } catch (IOException damaged) {
      throw new SQLException("a way back cannot be read", damaged);
    }
    try (Statement statement = db.createStatement()) {
      statement.executeUpdate("DROP TABLE before");
    }
  }
}
