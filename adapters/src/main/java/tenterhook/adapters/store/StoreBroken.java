package tenterhook.adapters.store;

import java.sql.SQLException;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** The database cannot be read or written. Nothing that was not confirmed is kept. */
public final class StoreBroken extends RuntimeException {
  /** Says what failed. */
  public StoreBroken(String message, Throwable cause) {
    super(message, cause);
  }

  /** Says what the database said, in words of the DJ where it is a matter of the disk. */
  static StoreBroken by(SQLException trouble) {
    boolean full =
        trouble instanceof SQLiteException one
            && one.getResultCode() == SQLiteErrorCode.SQLITE_FULL;
    return new StoreBroken(
        full
            ? "the disk that holds the collection is full; make room there and do it again"
            : "the database refused: " + trouble.getMessage(),
        trouble);
  }
}
