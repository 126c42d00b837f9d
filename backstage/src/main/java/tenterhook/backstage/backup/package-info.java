/**
 * Copies of a collection in one file, and of its music on a second disk. Start at {@link
 * tenterhook.backstage.backup.Backup} and {@link tenterhook.backstage.backup.MirrorCheck}.
 */
@NullMarked
package tenterhook.backstage.backup;

import org.jspecify.annotations.NullMarked;
