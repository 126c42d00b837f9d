/**
 * A night that is planned: its parts with their music, must-plays, wishes and what is never played.
 * Start at {@link tenterhook.core.gig.Gig}.
 */
@NullMarked
package tenterhook.core.gig;

import org.jspecify.annotations.NullMarked;
