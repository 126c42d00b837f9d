/**
 * The collection in memory: immutable snapshots, column by column, text interned. Knows nothing of
 * files or storage. Start at {@link tenterhook.core.track.Snapshot}.
 */
@NullMarked
package tenterhook.core.track;

import org.jspecify.annotations.NullMarked;
