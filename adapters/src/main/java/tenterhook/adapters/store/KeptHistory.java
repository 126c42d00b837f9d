package tenterhook.adapters.store;

/** What is kept so that changes can be taken back, and how it is made less. */
public final class KeptHistory {
  private final Store store;

  /** What a store keeps. */
  public KeptHistory(Store store) {
    this.store = store;
  }

  /**
   * How many bytes are kept so that changes can be taken back, pictures included.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public long bytes() {
    return store
        .first(
            "SELECT (SELECT COALESCE(SUM(LENGTH(body)), 0) FROM patch)"
                + " + (SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM piece)"
                + " + (SELECT COALESCE(SUM(LENGTH(before) + LENGTH(after)), 0) FROM edit)"
                + " + (SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM picture)",
            row -> row.getLong(1))
        .orElse(0L);
  }

  /**
   * Ends undo of the oldest changes and drops what was kept for it alone.
   *
   * @param upTo the last of them
   * @return how many bytes are no longer kept
   * @throws StoreBroken when the database cannot be read or written
   */
  public long shorten(long upTo) {
    long before = bytes();
    store.together(
        () -> {
          store.update(
              "UPDATE step SET status = 'sealed' WHERE change <= ? AND status = 'done'", upTo);
          store.update("UPDATE change SET remaining = 0 WHERE number <= ? AND open = 0", upTo);
          store.update(
              "DELETE FROM patch WHERE change <= ? AND change NOT IN (SELECT change FROM step WHERE"
                  + " status = 'open')",
              upTo);
          new ReversePatches(store).dropUnused();
        });
    return before - bytes();
  }
}
