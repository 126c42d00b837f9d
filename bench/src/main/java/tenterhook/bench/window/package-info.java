/**
 * The window with a large collection in it: how long the toolkit's thread is held by what a DJ
 * does. Start at {@link tenterhook.bench.window.LargeWindow}.
 */
@NullMarked
package tenterhook.bench.window;

import org.jspecify.annotations.NullMarked;
