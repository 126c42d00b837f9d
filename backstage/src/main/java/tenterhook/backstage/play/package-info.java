/**
 * Set lists of nights that were played, read into plays. Start at {@link
 * tenterhook.backstage.play.SetLists}.
 */
@NullMarked
package tenterhook.backstage.play;

import org.jspecify.annotations.NullMarked;
