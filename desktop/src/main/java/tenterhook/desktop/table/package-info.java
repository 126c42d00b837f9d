/**
 * The one track table, with its find field. Every station that shows tracks uses it. Start at
 * {@link tenterhook.desktop.table.TrackPane}.
 */
@NullMarked
package tenterhook.desktop.table;

import org.jspecify.annotations.NullMarked;
