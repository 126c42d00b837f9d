/**
 * The lists that the program keeps by itself. Start at {@link
 * tenterhook.core.standing.StandingList}.
 */
@NullMarked
package tenterhook.core.standing;

import org.jspecify.annotations.NullMarked;
