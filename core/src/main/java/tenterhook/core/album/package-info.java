/** The albums that a list of tracks is of: what is there of each, and its covers. */
@NullMarked
package tenterhook.core.album;

import org.jspecify.annotations.NullMarked;
