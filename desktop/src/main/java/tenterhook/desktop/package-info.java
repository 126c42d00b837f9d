/**
 * The window. Holds the entry point only; every station is a folder of its own. Start at {@link
 * tenterhook.desktop.Main}.
 */
@NullMarked
package tenterhook.desktop;

import org.jspecify.annotations.NullMarked;
