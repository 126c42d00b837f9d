package tenterhook.adapters.store;

/** Which steps of the ledger's changes are undone, and by which change. */
final class UndoneSteps {
  private final Store store;

  UndoneSteps(Store store) {
    this.store = store;
  }

  /**
   * What a change took back: it is undone by it now, what that one had undone holds again, what
   * that had undone is undone again, and so on.
   */
  void mark(long by) {
    String done = " AND track IN (SELECT track FROM step WHERE change = ? AND status = 'done')";
    long one = by;
    boolean undone = true;
    count(by);
    for (long next = undoes(one); next != 0; next = undoes(one)) {
      store.update(
          "UPDATE step SET undone_by = ? WHERE change = ? AND undone_by = ?" + done,
          undone ? one : 0,
          next,
          undone ? 0 : one,
          by);
      count(next);
      undone = !undone;
      one = next;
    }
  }

  /** On how many tracks a change holds, and by which change the last of it was taken back. */
  private void count(long change) {
    store.update(
        "UPDATE change SET remaining = (SELECT COUNT(*) FROM step WHERE step.change = number AND"
            + " status = 'done' AND step.undone_by = 0), undone_by = COALESCE((SELECT"
            + " MAX(step.undone_by) FROM step WHERE step.change = number AND NOT EXISTS (SELECT 1"
            + " FROM step WHERE step.change = number AND step.undone_by = 0)), 0) WHERE number ="
            + " ?",
        change);
  }

  /** The change that a change takes back, 0 for none. */
  long undoes(long change) {
    return store
        .first("SELECT undoes FROM change WHERE number = ?", row -> row.getLong(1), change)
        .orElse(0L);
  }
}
