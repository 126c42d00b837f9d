/**
 * What makes changes from a snapshot: edits of tracks, of the codebook with the files that carry
 * its codes, and of genres. Nothing is altered here. Start at {@link
 * tenterhook.core.edit.TrackEdits}.
 */
@NullMarked
package tenterhook.core.edit;

import org.jspecify.annotations.NullMarked;
