/** The station for shelves and crates. Start at {@link tenterhook.desktop.crate.CratesView}. */
@NullMarked
package tenterhook.desktop.crate;

import org.jspecify.annotations.NullMarked;
