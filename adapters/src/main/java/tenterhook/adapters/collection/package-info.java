/**
 * The open collection: the one way in which anything is altered, the scan, the ledger and recovery.
 * Start at {@link tenterhook.adapters.collection.MusicCollection}.
 */
@NullMarked
package tenterhook.adapters.collection;

import org.jspecify.annotations.NullMarked;
