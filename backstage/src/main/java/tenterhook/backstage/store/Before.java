package tenterhook.backstage.store;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.util.Optional;

/** How each file was before each change that rewrote it, as what leads back to its bytes. */
public final class Before {
  private final Store store;

  /** What is kept in a store. */
  public Before(Store store) {
    this.store = store;
  }

  /**
   * The way back of one file.
   *
   * @param picture SHA-256 of the kept picture that it needs, empty for none
   * @param delta made by {@link tenterhook.backstage.disk.ByteDelta}
   */
  public record Way(String picture, byte[] delta) {}

  /** Keeps the way back of a track's file over a change. */
  public void put(long change, int track, Way way) {
    store.update(
        "INSERT OR REPLACE INTO before VALUES (?, ?, ?, ?)",
        change,
        track,
        way.picture(),
        way.delta());
  }

  /** The way back of a track's file over a change, if it was kept. */
  public Optional<Way> of(long change, int track) {
    return store.inTransaction(
        db -> {
          try (PreparedStatement query =
              db.prepareStatement(
                  "SELECT picture, delta FROM before WHERE change = ? AND track = ?")) {
            query.setLong(1, change);
            query.setInt(2, track);
            try (ResultSet rows = query.executeQuery()) {
              return rows.next()
                  ? Optional.of(new Way(rows.getString(1), rows.getBytes(2)))
                  : Optional.<Way>empty();
            }
          }
        });
  }
}
