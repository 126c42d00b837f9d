/** Plays and tracks that are not played. Start at {@link tenterhook.desktop.play.PlaysView}. */
@NullMarked
package tenterhook.desktop.play;

import org.jspecify.annotations.NullMarked;
