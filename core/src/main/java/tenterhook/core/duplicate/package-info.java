/**
 * Groups of copies with their evidence, and the choice of a survivor. Start at {@link
 * tenterhook.core.duplicate.Duplicates}.
 */
@NullMarked
package tenterhook.core.duplicate;

import org.jspecify.annotations.NullMarked;
