/** The station Gigs: nights that are planned, and whether they are ready. */
@NullMarked
package tenterhook.desktop.gig;

import org.jspecify.annotations.NullMarked;
