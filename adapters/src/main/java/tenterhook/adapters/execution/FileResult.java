package tenterhook.adapters.execution;

import java.util.List;
import tenterhook.core.track.Cell;

/** How the part of a change ended that concerns one track. */
sealed interface FileResult {
  /**
   * Nothing happened to the file; safe to refuse.
   *
   * @param reason what happened and what to do
   * @param valuesWouldDo whether only the file's bytes of before are not known
   */
  record Untouched(String reason, boolean valuesWouldDo) implements FileResult {}

  /**
   * Nothing happened to the file, since it is not what the collection took it for.
   *
   * @param reason what happened and what to do
   * @param cells what the file holds, for the collection to take over
   */
  record Changed(String reason, List<Cell> cells) implements FileResult {
    /** Copies. */
    public Changed {
      cells = List.copyOf(cells);
    }
  }

  /**
   * All of it is done.
   *
   * @param cells what the collection takes over
   * @param touched whether a file was rewritten or moved
   * @param notes what else there is to know
   */
  record Done(List<Cell> cells, boolean touched, List<String> notes) implements FileResult {
    /** Copies. */
    public Done {
      cells = List.copyOf(cells);
      notes = List.copyOf(notes);
    }
  }

  /**
   * The file is altered, but something of it is not certain; the ledger keeps it open.
   *
   * @param reason what is not certain
   */
  record Unconfirmed(String reason) implements FileResult {}
}
