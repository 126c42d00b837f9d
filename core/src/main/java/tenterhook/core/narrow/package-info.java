/**
 * Narrowing a list to chosen values, and how many tracks each further value would leave. Start at
 * {@link tenterhook.core.narrow.NarrowCounter}.
 */
@NullMarked
package tenterhook.core.narrow;

import org.jspecify.annotations.NullMarked;
