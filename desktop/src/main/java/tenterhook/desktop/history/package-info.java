/**
 * The ledger as a list, each line of which can be taken back. Start at {@link
 * tenterhook.desktop.history.HistoryView}.
 */
@NullMarked
package tenterhook.desktop.history;

import org.jspecify.annotations.NullMarked;
