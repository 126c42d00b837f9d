/**
 * Copies of a collection in one file, and of its music on a second disk. Start at {@link
 * tenterhook.adapters.backup.Backup} and {@link tenterhook.adapters.backup.MirrorCheck}.
 */
@NullMarked
package tenterhook.adapters.backup;

import org.jspecify.annotations.NullMarked;
