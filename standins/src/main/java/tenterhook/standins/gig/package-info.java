/** Wishes as guests write them, of which it is known what was meant. */
@NullMarked
package tenterhook.standins.gig;

import org.jspecify.annotations.NullMarked;
