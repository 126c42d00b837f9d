/**
 * Folders and files: walking roots, replacing a file safely, moving one without overwriting. Knows
 * nothing of tags. Start at {@link tenterhook.adapters.disk.SafeFiles}.
 */
@NullMarked
package tenterhook.adapters.disk;

import org.jspecify.annotations.NullMarked;
