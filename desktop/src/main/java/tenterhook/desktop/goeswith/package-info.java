/**
 * Tracks that follow the chosen one well, each with its reasons. Start at {@link
 * tenterhook.desktop.goeswith.GoesWithView}.
 */
@NullMarked
package tenterhook.desktop.goeswith;

import org.jspecify.annotations.NullMarked;
