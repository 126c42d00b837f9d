/** The station for lost files. Start at {@link tenterhook.desktop.lost.LostView}. */
@NullMarked
package tenterhook.desktop.lost;

import org.jspecify.annotations.NullMarked;
