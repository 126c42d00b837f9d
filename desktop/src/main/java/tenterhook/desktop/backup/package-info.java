/**
 * Backup of the collection, and what a second disk has of its music. Start at {@link
 * tenterhook.desktop.backup.BackupView}.
 */
@NullMarked
package tenterhook.desktop.backup;

import org.jspecify.annotations.NullMarked;
