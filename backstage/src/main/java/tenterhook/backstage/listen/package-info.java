/**
 * Plays music files for listening: one at a time, from any moment, through a chosen device. It must
 * not know the collection. Start at {@link tenterhook.backstage.listen.Player}.
 */
@NullMarked
package tenterhook.backstage.listen;

import org.jspecify.annotations.NullMarked;
