/**
 * Plays: which tracks of a night's list are meant, and the change that counts them. It must not
 * know how lists are written. Start at {@link tenterhook.core.play.Plays}.
 */
@NullMarked
package tenterhook.core.play;

import org.jspecify.annotations.NullMarked;
