/**
 * Plays music files for listening: one at a time, from any moment, through a chosen device. It must
 * not know the collection. Start at {@link tenterhook.adapters.listen.Player}.
 */
@NullMarked
package tenterhook.adapters.listen;

import org.jspecify.annotations.NullMarked;
