/**
 * Changing many tracks by steps, with a look at every one before. Start at {@link
 * tenterhook.desktop.change.ChangeManyView}.
 */
@NullMarked
package tenterhook.desktop.change;

import org.jspecify.annotations.NullMarked;
