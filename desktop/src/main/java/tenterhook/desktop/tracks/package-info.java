/** A list of tracks as a view of its own. Start at {@link tenterhook.desktop.tracks.TracksView}. */
@NullMarked
package tenterhook.desktop.tracks;

import org.jspecify.annotations.NullMarked;
