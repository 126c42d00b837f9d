/**
 * The station for what is new, in batches. Start at {@link
 * tenterhook.desktop.arrival.ArrivalsView}.
 */
@NullMarked
package tenterhook.desktop.arrival;

import org.jspecify.annotations.NullMarked;
