/**
 * Folders and files: walking roots, replacing a file safely, moving one without overwriting. Knows
 * nothing of tags. Start at {@link tenterhook.backstage.disk.SafeFiles}.
 */
@NullMarked
package tenterhook.backstage.disk;

import org.jspecify.annotations.NullMarked;
