package tenterhook.bench;

import java.sql.ResultSet;
import java.sql.Statement;
import java.util.List;

/** The baseline of {@link LargeCrates}: the same asked of a database. */
final class CratesInSql {
  private final List<String> wheres;
  private final Statement statement;

  CratesInSql(List<String> wheres, Statement statement) {
    this.wheres = wheres;
    this.statement = statement;
  }

  int countAll() throws Exception {
    int all = 0;
    for (String where : wheres) {
      all += count(where);
    }
    return all;
  }

  /** One track gets another tempo, and every crate is asked whether it holds it. */
  int settle(int id) throws Exception {
    statement.executeUpdate("UPDATE t SET bpm = 101.5 WHERE id = " + id);
    for (String where : wheres) {
      count("id = " + id + " AND " + where);
    }
    return 0;
  }

  int offered() throws Exception {
    int rows = 0;
    try (ResultSet found =
        statement.executeQuery(
            "SELECT comment, count(*) c FROM t WHERE comment LIKE '%note 19%'"
                + " GROUP BY comment ORDER BY c DESC LIMIT 8")) {
      while (found.next()) {
        rows++;
      }
    }
    return rows;
  }

  int account(int crate) throws Exception {
    String[] lines = wheres.get(crate).split(" AND (?=year|bpm)");
    for (String line : lines) {
      count(line);
    }
    count(lines[0] + " AND " + lines[1]);
    count(lines[1] + " AND " + lines[2]);
    count(lines[0] + " AND " + lines[2]);
    return count(wheres.get(crate));
  }

  private int count(String where) throws Exception {
    try (ResultSet rows = statement.executeQuery("SELECT count(*) FROM t WHERE " + where)) {
      rows.next();
      return rows.getInt(1);
    }
  }
}
