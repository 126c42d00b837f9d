/**
 * Shelves, hand crates and rule crates: what they hold, how they depend on each other and what each
 * line does. Start at {@link tenterhook.core.crate.Crates}.
 */
@NullMarked
package tenterhook.core.crate;

import org.jspecify.annotations.NullMarked;
