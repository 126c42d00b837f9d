/**
 * The home station: groups by attributes, with what is worth doing next. Start at {@link
 * tenterhook.desktop.weave.WeaveView}.
 */
@NullMarked
package tenterhook.desktop.weave;

import org.jspecify.annotations.NullMarked;
