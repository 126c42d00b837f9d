/**
 * The whole collection's holes in one picture: groups by attributes, and what is worth doing next.
 * Start at {@link tenterhook.core.weave.Weave}.
 */
@NullMarked
package tenterhook.core.weave;

import org.jspecify.annotations.NullMarked;
