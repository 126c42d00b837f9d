/**
 * Folders of all roots as trees, and places: folders within one click. Start at {@link
 * tenterhook.core.place.FolderTree}.
 */
@NullMarked
package tenterhook.core.place;

import org.jspecify.annotations.NullMarked;
