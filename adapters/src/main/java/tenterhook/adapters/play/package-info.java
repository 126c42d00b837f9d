/**
 * Set lists of nights that were played, read into plays. Start at {@link
 * tenterhook.adapters.play.SetLists}.
 */
@NullMarked
package tenterhook.adapters.play;

import org.jspecify.annotations.NullMarked;
