/**
 * The open collection: the one way in which anything is altered, the scan, the ledger and recovery.
 * Start at {@link tenterhook.backstage.collection.MusicCollection}.
 */
@NullMarked
package tenterhook.backstage.collection;

import org.jspecify.annotations.NullMarked;
