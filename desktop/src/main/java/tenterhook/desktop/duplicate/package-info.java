/**
 * The station for duplicates and the holding bay. Start at {@link
 * tenterhook.desktop.duplicate.DuplicatesView}.
 */
@NullMarked
package tenterhook.desktop.duplicate;

import org.jspecify.annotations.NullMarked;
