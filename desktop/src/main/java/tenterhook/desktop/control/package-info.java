/**
 * What stations are built of: the table of tracks with its menu, and the outline of a station.
 * Start at {@link tenterhook.desktop.control.StationView}.
 */
@NullMarked
package tenterhook.desktop.control;

import org.jspecify.annotations.NullMarked;
