package tenterhook.standins.names;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Acceptance;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * A collection of which it is known what must stay as it is and what is wrong, each file alone in
 * its folder. The rows were written down by hand, beside this class; a line holds a file's path,
 * artist, title, album, genre, year and number, and for what is wrong what it should be.
 */
public final class LabelledTags {
  /** The sets that there are: 1 was written to work on, 2 to judge what became of it. */
  public static final List<Integer> SETS = List.of(1, 2);

  private static final int YEAR = 2026;
  private static final List<Field<?>> FIELDS =
      List.of(Fields.ARTIST, Fields.TITLE, Fields.ALBUM, Fields.GENRE, Fields.YEAR, Fields.TRACK);

  private final List<Row> rows = new ArrayList<>();
  private final Snapshot snapshot;

  /**
   * A track and what is known of it.
   *
   * @param id the track
   * @param told what its tags say, in words
   * @param kind what it is for
   * @param wanted the fields that should be others; all else must stay
   */
  public record Row(int id, String told, Kind kind, Map<Field<?>, String> wanted) {}

  /** What a row is for. */
  public enum Kind {
    /** Names that the collection knows. */
    KNOWN,
    /** Unusual, and right. */
    MUST_STAY,
    /** Wrong. */
    TO_MEND
  }

  private LabelledTags(int set) {
    List<Cell> cells = new ArrayList<>();
    read("known-" + set, Kind.KNOWN, cells);
    read("must-stay-" + set, Kind.MUST_STAY, cells);
    read("to-mend-" + set, Kind.TO_MEND, cells);
    Snapshot plain = Snapshot.empty().with(cells);
    snapshot = Derived.refreshed(plain, Codebook.EMPTY, plain.known());
  }

  /**
   * Reads a set.
   *
   * @param set one of {@link #SETS}
   */
  public static LabelledTags of(int set) {
    return new LabelledTags(set);
  }

  private void read(String name, Kind kind, List<Cell> cells) {
    try (InputStream in =
        Objects.requireNonNull(LabelledTags.class.getResourceAsStream(name + ".tsv"), name)) {
      for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
        add(line.split("\t", -1), kind, cells);
      }
    } catch (IOException unreadable) {
      throw new UncheckedIOException(unreadable);
    }
  }

  private void add(String[] told, Kind kind, List<Cell> cells) {
    int id = rows.size() + 1;
    String file = told[0].isEmpty() ? "x" + id + ".mp3" : told[0];
    cells.add(new Cell(id, Fields.ROOT, "Music"));
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.PATH, file.contains("/") ? file : "Inbox/" + id + "/" + file));
    for (int i = 0; i < FIELDS.size(); i++) {
      cells.add(new Cell(id, FIELDS.get(i), told[i + 1]));
    }
    Map<Field<?>, String> wanted = new LinkedHashMap<>();
    for (String one : kind == Kind.TO_MEND ? told[7].split(";") : new String[0]) {
      String[] pair = one.split("=", 2);
      wanted.put(Fields.of(pair[0]), pair[1]);
    }
    rows.add(new Row(id, String.join(" | ", told), kind, wanted));
  }

  /** All rows; the number of a row is its track. */
  public List<Row> rows() {
    return rows;
  }

  /** The collection before anything is mended. */
  public Snapshot collection() {
    return snapshot;
  }

  /** What is proposed for a collection with certainty, so that it may be taken in bulk. */
  public static List<Proposal> inBulk(Snapshot snapshot) {
    return Repairs.of(
            snapshot,
            Codebook.EMPTY,
            RepairRules.DEFAULT,
            ExternalEvidence.none(YEAR),
            Progress.SILENT)
        .proposals()
        .stream()
        .filter(p -> p.certainty() >= Proposal.CERTAIN)
        .toList();
  }

  /** A collection after proposals were taken together, as a button takes them. */
  public static Snapshot taken(Snapshot snapshot, List<Proposal> proposals) {
    List<Cell> cells = new ArrayList<>();
    for (Edit edit : Acceptance.of(snapshot, Codebook.EMPTY, proposals, "names").edits()) {
      if (edit instanceof Edit.SetField set) {
        cells.add(new Cell(set.id(), set.field(), set.after()));
      }
    }
    Snapshot after = snapshot.with(cells);
    return Derived.refreshed(after, Codebook.EMPTY, after.known());
  }

  /** Whether a row is as it should be. */
  public boolean isRight(Row row, Snapshot after) {
    return FIELDS.stream()
        .allMatch(
            f ->
                after
                    .raw(row.id(), f)
                    .equals(row.wanted().getOrDefault(f, snapshot.raw(row.id(), f))));
  }

  /** Those proposals of which it is known whether they are right: not of what is merely known. */
  public List<Proposal> judged(List<Proposal> proposals) {
    return proposals.stream().filter(p -> rows.get(p.id() - 1).kind() != Kind.KNOWN).toList();
  }

  /** Whether all that a proposal sets is as it should be. */
  public boolean isRight(Proposal proposal) {
    Row row = rows.get(proposal.id() - 1);
    return proposal.edits().stream().allMatch(e -> e.after().equals(row.wanted().get(e.field())));
  }
}
